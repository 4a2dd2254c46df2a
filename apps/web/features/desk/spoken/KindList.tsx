'use client';
import type { KindRow, Kinds } from '@inkwell/core';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Table, TableFrame } from '@/ui/Table';
import { NoteChip } from '../note/NoteChip';
import type { Numbered } from '../useDesk';

export const KINDS: readonly { id: keyof Kinds; label: string; none: string }[] = [
  { id: 'headings', label: 'Headings', none: 'This page has no headings to jump to.' },
  { id: 'links', label: 'Links', none: 'This page has no links.' },
  { id: 'landmarks', label: 'Landmarks', none: 'This page has no landmarks; in a fragment the platform brings them.' },
  { id: 'images', label: 'Images', none: 'No image of this page is told to readers.' },
  { id: 'fields', label: 'Fields', none: 'This page has nothing to fill in.' },
];

const Frame = styled.div`
  ${TableFrame} {
    margin: 0;
    border: 0;
  }
`;
const None = styled.p`
  padding: 1rem 1.25rem;
`;
const Missing = styled.em`
  color: var(--rubric);
  font-style: normal;
  font-weight: 600;
`;

export interface KindListProps {
  label: string;
  none: string;
  rows: readonly KindRow[];
  open: readonly Numbered[];
  onPoint(path: string): void;
  onNote(noteId: number): void;
}

/** Everything of one kind, out of its surroundings: a name that says nothing here says nothing to someone who browses so. */
export function KindList({ label, none, rows, open, onPoint, onNote }: KindListProps) {
  if (rows.length === 0) return <None>{none}</None>;
  return (
    <Frame>
      <TableFrame tabIndex={0} role="region" aria-label={label}>
        <Table>
          <caption>{label}</caption>
          <thead>
            <tr>
              <th scope="col">Said</th>
              <th scope="col">What it is</th>
              <th scope="col">Notes</th>
              <th scope="col">Where</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr key={row.path}>
                <th scope="row">{row.name || <Missing>no name</Missing>}</th>
                <td>{row.detail}</td>
                <td>
                  {open
                    .filter((one) => one.note.at.path === row.path)
                    .map((one) => (
                      <NoteChip key={one.note.id} one={one} inHand={null} onChoose={onNote} />
                    ))}
                </td>
                <td>
                  <Button $look="quiet" onPress={() => onPoint(row.path)} aria-label={`Show on the proof: ${row.name || row.detail}`}>
                    On the proof
                  </Button>
                </td>
              </tr>
            ))}
          </tbody>
        </Table>
      </TableFrame>
    </Frame>
  );
}
