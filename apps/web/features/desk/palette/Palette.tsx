'use client';
import { Autocomplete, Collection, Header, Input, Label, Menu, MenuItem, MenuSection, SearchField } from 'react-aria-components';
import styled from 'styled-components';
import { Sheet } from '@/ui/Sheet';
import { holds, type Entry } from './entries';

const Search = styled(SearchField)`
  display: grid;
  gap: 0.25rem;
  label {
    font-weight: 600;
    font-size: 0.875rem;
  }
  input {
    width: 100%;
    min-height: 2.5rem;
    padding: 0.4rem 0.7rem;
    border: 1px solid var(--edge);
    border-radius: var(--round);
    background: var(--sheet);
    font-size: 1rem;
  }
`;
const Entries = styled.div`
  [role='menu'] {
    max-height: min(24rem, 50vh);
    overflow: auto;
    border: 1px solid var(--line);
    outline: none;
  }
  header {
    padding: 0.4rem 0.75rem 0.2rem;
    font-size: 0.8125rem;
    font-weight: 600;
    color: var(--quiet);
  }
  [role='menuitem'] {
    display: flex;
    justify-content: space-between;
    gap: 1rem;
    align-items: baseline;
    padding: 0.3rem 0.75rem;
    min-height: 1.875rem;
    cursor: pointer;
    overflow-wrap: anywhere;
  }
  [role='menuitem'][data-focused] {
    background: var(--gallWash);
    box-shadow: inset 4px 0 0 var(--gall);
    outline: none;
  }
`;
const None = styled.p`
  padding: 0.6rem 0.75rem;
  color: var(--quiet);
`;

interface Group {
  id: string;
  entries: Entry[];
}

/** Everything the Desk can do and every note of the page, found by typing a few letters. */
export function Palette({ open, onClose, entries }: { open: boolean; onClose(): void; entries: readonly Entry[] }) {
  const groups: Group[] = [...new Set(entries.map((entry) => entry.group))].map((group) => ({
    id: group,
    entries: entries.filter((entry) => entry.group === group),
  }));
  const act = (id: string | number) => {
    onClose();
    entries.find((entry) => entry.id === id)?.run();
  };
  return (
    <Sheet title="Find what to do" open={open} onClose={onClose} wide>
      <Autocomplete filter={(text, typed) => holds(typed, text)}>
        <Search autoFocus>
          <Label>A few letters of it</Label>
          <Input />
        </Search>
        <Entries>
          <Menu
            aria-label="What can be done"
            items={groups}
            onAction={act}
            renderEmptyState={() => <None>Nothing has these letters.</None>}
          >
            {(group: Group) => (
              <MenuSection id={group.id}>
                <Header>{group.id}</Header>
                <Collection items={group.entries}>
                  {(entry: Entry) => (
                    <MenuItem id={entry.id} textValue={entry.does}>
                      <span>{entry.does}</span>
                      {entry.key && <kbd>{entry.key}</kbd>}
                    </MenuItem>
                  )}
                </Collection>
              </MenuSection>
            )}
          </Menu>
        </Entries>
      </Autocomplete>
    </Sheet>
  );
}
