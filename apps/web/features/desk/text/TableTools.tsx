'use client';
import type { Editor } from '@tiptap/react';
import { useState } from 'react';
import { Toolbar } from 'react-aria-components';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { TextBox } from '@/ui/Field';
import { Sheet } from '@/ui/Sheet';
import type { Chain } from './sheetOfTools';

const Bar = styled(Toolbar)`
  display: flex;
  flex-wrap: wrap;
  gap: 0.15rem 0.35rem;
  padding: 0.2rem 0.75rem;
  background: var(--paper);
  border-bottom: 1px solid var(--line);
  button {
    min-height: 1.75rem;
  }
`;
const Form = styled.form`
  display: grid;
  gap: 0.75rem;
  > div:last-child {
    display: flex;
    gap: 0.5rem;
  }
`;

/** What can be done to the table one stands in. */
export function TableTools({ editor }: { editor: Editor }) {
  const [caption, setCaption] = useState<string | null>(null);
  const acts: readonly (readonly [string, () => unknown])[] = [
    ['Row below', () => thenScopes(editor, (chain) => chain.addRowAfter())],
    ['Row away', () => editor.chain().focus().deleteRow().run()],
    ['Column after', () => thenScopes(editor, (chain) => chain.addColumnAfter())],
    ['Column away', () => editor.chain().focus().deleteColumn().run()],
    ['First row heads', () => thenScopes(editor, (chain) => chain.toggleHeaderRow())],
    ['First column heads', () => thenScopes(editor, (chain) => chain.toggleHeaderColumn())],
    ['Caption…', () => setCaption((editor.getAttributes('table').caption as string | undefined) ?? '')],
    ['Table away', () => editor.chain().focus().deleteTable().run()],
  ];
  return (
    <>
      <Bar aria-label="Tools for the table">
        {acts.map(([name, act]) => (
          <Button key={name} $look="quiet" onPress={() => void act()}>
            {name}
          </Button>
        ))}
      </Bar>
      <Sheet title="Caption of the table" open={caption !== null} onClose={() => setCaption(null)}>
        <Form
          onSubmit={(event) => {
            event.preventDefault();
            editor
              .chain()
              .focus()
              .updateAttributes('table', { caption: caption?.trim() ?? '' })
              .run();
            setCaption(null);
          }}
        >
          <TextBox label="What the table holds" value={caption ?? ''} onChange={setCaption} />
          <div>
            <Button type="submit" $look="main">
              Set it
            </Button>
            <Button onPress={() => setCaption(null)}>Cancel</Button>
          </div>
        </Form>
      </Sheet>
    </>
  );
}

/** What makes header cells, or new cells beside them, leaves each header with its scope. */
function thenScopes(editor: Editor, act: (chain: Chain) => Chain): void {
  act(editor.chain().focus()).run();
  setScopes(editor);
}

/** Every header cell of this table says what it heads: in the first row its column, else its row. A head without headers is none. */
function setScopes(editor: Editor): void {
  const { state, view } = editor;
  const { $from } = state.selection;
  const depth = Array.from({ length: $from.depth }, (_, i) => $from.depth - i).find((at) => $from.node(at).type.name === 'table');
  if (depth === undefined) return;
  const [table, place] = [$from.node(depth), $from.before(depth)];
  const { tr } = state;
  table.forEach((row, rowPlace, rowIndex) =>
    row.forEach((cell, cellPlace) => {
      const scope = cell.type.name !== 'tableHeader' ? null : ((cell.attrs.scope as string | null) ?? (rowIndex === 0 ? 'col' : 'row'));
      if (cell.attrs.scope !== scope) tr.setNodeAttribute(place + 1 + rowPlace + 1 + cellPlace, 'scope', scope);
    }),
  );
  const first = table.firstChild;
  if (first && (table.attrs.headRows as number) > 0 && !first.children.some((cell) => cell.type.name === 'tableHeader'))
    tr.setNodeAttribute(place, 'headRows', 0);
  if (tr.docChanged) view.dispatch(tr);
}
