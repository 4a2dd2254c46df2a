'use client';
import type { ListItemView, ListView } from '@inkwell/core';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import type { DeskActions, DeskState } from '../useDesk';

const Section = styled.section`
  padding: 0.9rem 1.25rem 1.1rem;
  border-bottom: 1px solid var(--line);
  display: grid;
  gap: 0.65rem;
  h3 {
    font-size: 1.0625rem;
  }
  h4 {
    font: 600 0.8125rem var(--sans);
    color: var(--quiet);
    margin: 0 0 0.2rem;
  }
`;
const Both = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 14rem), 1fr));
  gap: 0.75rem;
`;
const Lines = styled.div`
  font: 400 0.9375rem/1.5 var(--serif);
  p {
    overflow-wrap: anywhere;
  }
`;
const Nested = styled.div`
  font: 400 0.9375rem/1.5 var(--serif);
  ol,
  ul {
    padding-left: 1.4rem;
  }
  ol {
    list-style: decimal;
  }
  ol ol {
    list-style: lower-alpha;
  }
  ul {
    list-style: disc;
  }
  li {
    overflow-wrap: anywhere;
  }
`;
const None = styled.p`
  padding: 1rem 1.25rem;
`;
const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
`;

interface ListsProps {
  lists: readonly ListView[];
  state: DeskState;
  actions: DeskActions;
  mayChange: boolean;
}

/** The page's lists as they are told; those that are only typed beside the list they become. */
export function Lists({ lists, state, actions, mayChange }: ListsProps) {
  if (lists.length === 0) return <None>This page has no lists, and no lines typed like one.</None>;
  return (
    <>
      {lists.map((list, i) => (
        <OneList key={`${list.path} ${i}`} list={list} number={i + 1} state={state} actions={actions} mayChange={mayChange} />
      ))}
    </>
  );
}

function OneList({ list, number, state, actions, mayChange }: Omit<ListsProps, 'lists'> & { list: ListView; number: number }) {
  const one = state.open.find(({ note }) => note.rule === 'lists/typed' && note.at.path === list.path);
  return (
    <Section aria-label={`List ${number}`}>
      <h3>{list.typed ? 'Only typed like a list' : `${list.ordered ? 'Numbered list' : 'List'} of ${list.items.length}`}</h3>
      <Both>
        {list.typed && (
          <Lines>
            <h4>As it stands</h4>
            {list.typed.map((line, i) => (
              <p key={i}>{line}</p>
            ))}
          </Lines>
        )}
        <Nested>
          {list.typed && <h4>The list it becomes</h4>}
          <Items items={list.items} ordered={list.ordered} />
        </Nested>
      </Both>
      <Row>
        {one && (
          <Button $look="main" isDisabled={!mayChange || state.busy} onPress={() => void actions.fix(one.note, 'make-list', {})}>
            Make it a real list
          </Button>
        )}
        <Button $look="quiet" onPress={() => actions.point(list.path)} aria-label={`Show list ${number} on the proof`}>
          On the proof
        </Button>
      </Row>
    </Section>
  );
}

function Items({ items, ordered }: { items: readonly ListItemView[]; ordered: boolean }) {
  const List = ordered ? 'ol' : 'ul';
  return (
    <List>
      {items.map((item, i) => (
        <li key={i}>
          {item.text}
          {item.nested.length > 0 && <Items items={item.nested} ordered={ordered} />}
        </li>
      ))}
    </List>
  );
}
