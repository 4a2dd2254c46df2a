'use client';
import type { Editor } from '@tiptap/react';
import { useState } from 'react';
import { Toolbar } from 'react-aria-components';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { TextBox } from '@/ui/Field';
import { Sheet } from '@/ui/Sheet';

const Bar = styled(Toolbar)`display: flex; flex-wrap: wrap; gap: 0.15rem 0.35rem; padding: 0.2rem 0.75rem; background: var(--paper); border-bottom: 1px solid var(--line); button { min-height: 1.75rem; }`;
const Form = styled.form`display: grid; gap: 0.75rem; > div:last-child { display: flex; gap: 0.5rem; }`;

/** What can be done to the table one stands in. */
export function TableTools({ editor }: { editor: Editor }) {
  const [caption, setCaption] = useState<string | null>(null);
  const acts: readonly (readonly [string, () => unknown])[] = [
    ['Row below', () => editor.chain().focus().addRowAfter().run()],
    ['Row away', () => editor.chain().focus().deleteRow().run()],
    ['Column after', () => editor.chain().focus().addColumnAfter().run()],
    ['Column away', () => editor.chain().focus().deleteColumn().run()],
    ['First row heads', () => toggleHeaders(editor, 'row')],
    ['First column heads', () => toggleHeaders(editor, 'column')],
    ['Caption…', () => setCaption((editor.getAttributes('table').caption as string | undefined) ?? '')],
    ['Table away', () => editor.chain().focus().deleteTable().run()],
  ];
  return (
    <>
      <Bar aria-label="Tools for the table">{acts.map(([name, act]) => <Button key={name} $look="quiet" onPress={() => void act()}>{name}</Button>)}</Bar>
      <Sheet title="Caption of the table" open={caption !== null} onClose={() => setCaption(null)}>
        <Form onSubmit={(event) => { event.preventDefault(); editor.chain().focus().updateAttributes('table', { caption: caption?.trim() ?? '' }).run(); setCaption(null); }}>
          <TextBox label="What the table holds" value={caption ?? ''} onChange={setCaption} />
          <div><Button type="submit" $look="main">Set it</Button><Button onPress={() => setCaption(null)}>Cancel</Button></div>
        </Form>
      </Sheet>
    </>
  );
}

/** Makes the first row or column headers with their scope, or plain cells again. */
export function toggleHeaders(editor: Editor, which: 'row' | 'column'): void {
  const chain = editor.chain().focus();
  if (which === 'row') chain.toggleHeaderRow().run();
  else chain.toggleHeaderColumn().run();
  setScopes(editor);
}

/** Every header cell says what it heads: in the first row its column, else its row. */
function setScopes(editor: Editor): void {
  const { state, view } = editor;
  const { tr } = state;
  state.doc.descendants((node, place) => {
    if (node.type.name !== 'table') return true;
    node.forEach((row, rowPlace, rowIndex) => row.forEach((cell, cellPlace) => {
      const scope = cell.type.name === 'tableHeader' ? (rowIndex === 0 ? 'col' : 'row') : null;
      if (cell.attrs.scope === null || cell.type.name !== 'tableHeader') tr.setNodeAttribute(place + 1 + rowPlace + 1 + cellPlace, 'scope', scope);
    }));
    return false;
  });
  if (tr.docChanged) view.dispatch(tr);
}
