'use client';
import { useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { TextBox } from '@/ui/Field';
import { Sheet } from '@/ui/Sheet';
import type { SheetOfTools } from './sheetOfTools';
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
/** The shape of a language tag (BCP 47): whether it is registered, the audit says. */
const TAG = /^[a-z]{2,3}(?:-[a-z0-9]{2,8})*$/i;

/** The language of the chosen words, when it is another than the page's: a voice is chosen by it. */
export function LanguageSheet({ editor, onClose, onDone }: SheetOfTools) {
  const now = (editor.getAttributes('phrase').kept as Kept | null | undefined)?.lang ?? '';
  const [lang, setLang] = useState(now);
  const ready = TAG.test(lang.trim());
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
        <TextBox label="Language" value={lang} onChange={setLang} hint="Its tag: de for German, fr for French, cy for Welsh." />
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
