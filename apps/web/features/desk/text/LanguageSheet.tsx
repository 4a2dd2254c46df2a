'use client';
import { useMemo, useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { LanguageField } from '@/ui/LanguageField';
import { Sheet } from '@/ui/Sheet';
import { Warnings } from '../note/Warnings';
import { markupOf, type SheetOfTools } from './sheetOfTools';
import type { Kept } from './schema';

const Form = styled.form`
  display: grid;
  gap: 0.75rem;
  > div:last-child {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem;
  }
`;
/** The shape of a language tag (BCP 47): whether it is registered, the engine says. */
const TAG = /^[a-z]{2,3}(?:-[a-z0-9]{2,8})*$/i;

/** The language of the chosen words, when it is another than the page's: a voice is chosen by it. */
export function LanguageSheet({ editor, engine, page, onClose, onDone }: SheetOfTools) {
  const now = (editor.getAttributes('phrase').kept as Kept | null | undefined)?.lang ?? '';
  const [lang, setLang] = useState(now);
  const ready = TAG.test(lang.trim());
  const warnable = useMemo(
    () => (ready ? { kind: 'warned-of' as const, page, html: `<p>${markupOf('span', { lang }, 'words in it')}</p>` } : null),
    [ready, page, lang],
  );
  return (
    <Sheet title="Language of these words" open onClose={onClose}>
      <Form
        onSubmit={(event) => {
          event.preventDefault();
          // The caret goes behind the words, so that what is typed next is not in their language.
          if (ready)
            onDone((chain) =>
              chain.setMark('phrase', { tag: 'span', kept: { lang: lang.trim() } }).setTextSelection(editor.state.selection.to),
            );
        }}
      >
        <LanguageField label="Language" value={lang} onChange={setLang} />
        <Warnings engine={engine} question={warnable} />
        <div>
          <Button type="submit" $look="main" isDisabled={!ready}>
            Set it
          </Button>
          {now && <Button onPress={() => onDone((chain) => chain.unsetMark('phrase'))}>Take it away</Button>}
          <Button onPress={onClose}>Cancel</Button>
        </div>
      </Form>
    </Sheet>
  );
}
