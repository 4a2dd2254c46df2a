'use client';
import { NodeSelection } from '@tiptap/pm/state';
import { useMemo, useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Choice, TextBox } from '@/ui/Field';
import { Sheet } from '@/ui/Sheet';
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
const WAYS = [
  { value: 'says', label: 'It says something' },
  { value: 'decorates', label: 'It only decorates' },
];

/** An image and its words: it is put in with a description, or marked as decorative, and not without either. */
export function ImageSheet({ editor, engine, page, onClose, onDone }: SheetOfTools) {
  const [chosen] = useState(() => {
    const { selection } = editor.state;
    return selection instanceof NodeSelection && selection.node.type.name === 'image'
      ? (selection.node.attrs as { src: string; alt: string | null })
      : null;
  });
  const [src, setSrc] = useState(chosen?.src ?? '');
  const [way, setWay] = useState(chosen?.alt === '' ? 'decorates' : 'says');
  const [alt, setAlt] = useState(chosen?.alt ?? '');
  const ready = src.trim() !== '' && (way === 'decorates' || alt.trim() !== '');
  const warnable = useMemo(
    () => (ready && way === 'says' ? { kind: 'warned-of' as const, page, html: `<p>${markupOf('img', { src, alt })}</p>` } : null),
    [ready, way, page, src, alt],
  );
  const set = () => {
    const attrs = { src: src.trim(), alt: way === 'decorates' ? '' : alt.trim() };
    onDone((chain) => (chosen ? chain.updateAttributes('image', attrs) : chain.insertContent({ type: 'image', attrs })));
  };
  return (
    <Sheet title="Image" open onClose={onClose}>
      <Form
        onSubmit={(event) => {
          event.preventDefault();
          if (ready) set();
        }}
      >
        <TextBox label="Its file in the collection" value={src} onChange={setSrc} hint="Such as images/smoker.png." />
        <Choice label="On this page" value={way} onChange={setWay} options={WAYS} />
        {way === 'says' && (
          <TextBox
            label="What would a reader look at?"
            value={alt}
            onChange={setAlt}
            passage
            hint={`A few words; it is announced as an image already.${alt ? ` ${[...alt].length} characters.` : ''}`}
          />
        )}
        <Warnings engine={engine} question={warnable} />
        <div>
          <Button type="submit" $look="main" isDisabled={!ready}>
            {chosen ? 'Set it' : 'Put it in'}
          </Button>
          <Button onPress={onClose}>Cancel</Button>
        </div>
      </Form>
    </Sheet>
  );
}
