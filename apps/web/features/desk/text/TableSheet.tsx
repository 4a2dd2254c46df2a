'use client';
import { TextSelection } from '@tiptap/pm/state';
import { useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Choice, TextBox } from '@/ui/Field';
import { Sheet } from '@/ui/Sheet';
import type { Chain, SheetOfTools } from './sheetOfTools';
import type { Piece } from './schema';

const Form = styled.form`
  display: grid;
  gap: 0.75rem;
  > div:last-child {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem;
  }
`;
const HEADERS = [
  { value: 'row', label: 'first row' },
  { value: 'column', label: 'first column' },
  { value: 'both', label: 'both' },
];
const MOST = 40;

/** A new table: what it holds, how large, and which cells head the others. */
export function TableSheet({ onClose, onDone }: SheetOfTools) {
  const [caption, setCaption] = useState('');
  const [rows, setRows] = useState('3');
  const [columns, setColumns] = useState('3');
  const [headers, setHeaders] = useState('row');
  const size = (written: string) => (/^\d{1,2}$/.test(written.trim()) ? Math.min(MOST, Number(written)) : 0);
  const ready = caption.trim() !== '' && size(rows) > 1 && size(columns) > 0;
  return (
    <Sheet title="Table" open onClose={onClose}>
      <Form
        onSubmit={(event) => {
          event.preventDefault();
          if (ready) onDone((chain) => withTable(chain, tablePiece(caption.trim(), size(rows), size(columns), headers)));
        }}
      >
        <TextBox label="What the table holds" value={caption} onChange={setCaption} hint="Its caption: read before the table is." />
        <TextBox label="Rows" value={rows} onChange={setRows} />
        <TextBox label="Columns" value={columns} onChange={setColumns} />
        <Choice label="Headers" value={headers} onChange={setHeaders} options={HEADERS} />
        <div>
          <Button type="submit" $look="main" isDisabled={!ready}>
            Put it in
          </Button>
          <Button onPress={onClose}>Cancel</Button>
        </div>
      </Form>
    </Sheet>
  );
}

/** Puts a table in, and the caret into its first cell. */
function withTable(chain: Chain, piece: Piece): Chain {
  return chain.command(({ tr, editor }) => {
    const first = tr.selection.from + 1;
    tr.replaceSelectionWith(editor.schema.nodeFromJSON(piece)).scrollIntoView();
    tr.setSelection(TextSelection.near(tr.doc.resolve(first)));
    return true;
  });
}

function tablePiece(caption: string, rows: number, columns: number, headers: string): Piece {
  const cell = (row: number, column: number): Piece => {
    const scope = row === 0 && headers !== 'column' ? 'col' : column === 0 && headers !== 'row' ? 'row' : null;
    return { type: scope ? 'tableHeader' : 'tableCell', attrs: { scope }, content: [{ type: 'paragraph' }] };
  };
  return {
    type: 'table',
    attrs: { caption, headRows: headers === 'column' ? 0 : 1 },
    content: Array.from({ length: rows }, (_, row) => ({
      type: 'tableRow',
      content: Array.from({ length: columns }, (__, column) => cell(row, column)),
    })),
  };
}
