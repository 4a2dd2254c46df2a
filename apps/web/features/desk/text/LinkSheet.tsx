'use client';
import { useMemo, useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { TextBox } from '@/ui/Field';
import { Sheet } from '@/ui/Sheet';
import { PageChooser, type Destination } from '../choose/PageChooser';
import { addressOfDestination } from '../choose/place';
import { Warnings } from '../note/Warnings';
import { markupOf, type SheetOfTools } from './sheetOfTools';

const Form = styled.form`
  display: grid;
  gap: 0.75rem;
  > div:last-child {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem;
  }
`;

/** A link's words and where it leads. Words come first: they are what is heard in a list of links. */
export function LinkSheet({ editor, engine, page, place, onClose, onDone }: SheetOfTools) {
  const [before] = useState(() => {
    const { from, to } = editor.state.selection;
    const inside = editor.isActive('link');
    if (inside) editor.chain().extendMarkRange('link').run();
    return {
      inside,
      text: inside
        ? editor.state.doc.textBetween(editor.state.selection.from, editor.state.selection.to)
        : editor.state.doc.textBetween(from, to, ' '),
      href: (editor.getAttributes('link').href as string | undefined) ?? '',
      kept: editor.getAttributes('link').kept as unknown,
    };
  });
  const [text, setText] = useState(before.text);
  const [href, setHref] = useState(before.href);
  const [choosing, setChoosing] = useState(false);
  const lead = (to: Destination) => {
    setHref(addressOfDestination(place, to));
    if (text.trim() === '') setText(to.heading?.name || to.page.title);
    setChoosing(false);
  };
  const warnable = useMemo(
    () =>
      text.trim() && href.trim()
        ? { kind: 'warned-of' as const, page, html: `<p>${markupOf('a', { href }, text)} is where to go.</p>` }
        : null,
    [page, text, href],
  );
  const set = () => {
    const mark = { type: 'link', attrs: { href: href.trim(), kept: before.kept ?? null } };
    onDone((chain) =>
      text === before.text ? chain.setMark('link', mark.attrs) : chain.insertContent([{ type: 'text', text, marks: [mark] }]),
    );
  };
  if (choosing)
    return (
      <Sheet title="Choose where the link leads" open onClose={() => setChoosing(false)}>
        <PageChooser collection={place.collection} onChoose={lead} back="Back to the link" onCancel={() => setChoosing(false)} />
      </Sheet>
    );
  return (
    <Sheet title="Link" open onClose={onClose}>
      <Form
        onSubmit={(event) => {
          event.preventDefault();
          if (text.trim() && href.trim()) set();
        }}
      >
        <TextBox
          label="Link text"
          value={text}
          onChange={setText}
          hint="Say where it leads: they are read without what stands around them."
        />
        <TextBox
          label="Where it leads"
          value={href}
          onChange={setHref}
          hint="A page of the collection, such as spring.html, or an address."
        />
        <div>
          <Button onPress={() => setChoosing(true)}>Choose a page</Button>
        </div>
        <Warnings engine={engine} question={warnable} />
        <div>
          <Button type="submit" $look="main" isDisabled={!text.trim() || !href.trim()}>
            Set the link
          </Button>
          {before.inside && <Button onPress={() => onDone((chain) => chain.unsetMark('link'))}>Take the link away</Button>}
          <Button onPress={onClose}>Cancel</Button>
        </div>
      </Form>
    </Sheet>
  );
}
