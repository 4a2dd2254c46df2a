'use client';
import type { HeadingToChoose, PageToChoose, Problem } from '@inkwell/review';
import { useState } from 'react';
import { ListBox, ListBoxItem, Text } from 'react-aria-components';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { TextBox } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { send } from '@/ui/send';
import { counted } from '@/ui/words';
import { useChoices } from './useChoices';

const Found = styled.div`
  [role='listbox'] {
    max-height: min(18rem, 40vh);
    overflow: auto;
    border: 1px solid var(--line);
    outline: none;
  }
  [role='option'] {
    display: grid;
    padding: 0.35rem 0.75rem;
    min-height: 1.875rem;
    cursor: pointer;
    overflow-wrap: anywhere;
  }
  [role='option'][data-hovered] {
    background: var(--gallWash);
  }
  [role='option'][data-focus-visible] {
    background: var(--gallWash);
    box-shadow: inset 4px 0 0 var(--gall);
    outline: none;
  }
  [role='option'][data-disabled] {
    color: var(--quiet);
    cursor: default;
  }
  [slot='description'] {
    color: var(--quiet);
    font-size: 0.8125rem;
  }
`;
const None = styled.p`
  padding: 0.6rem 0.75rem;
  color: var(--quiet);
`;

/** Where a link is to lead: a page, at its top or at one of its headings. */
export interface Destination {
  page: PageToChoose;
  heading: { id: string; name: string } | null;
}

interface PageChooserProps {
  collection: string;
  /** A page is enough; without it a place on the page is asked for, too. */
  onPage?(page: PageToChoose): void;
  onChoose?(to: Destination): void;
  /** What leads back. */
  back: string;
  onCancel(): void;
}

/** The pages of a collection, and then the headings of one, to lead a link to. */
export function PageChooser({ collection, onPage, onChoose, back, onCancel }: PageChooserProps) {
  const [words, setWords] = useState('');
  const [page, setPage] = useState<PageToChoose | null>(null);
  const [headings, setHeadings] = useState<readonly HeadingToChoose[] | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const address = `/api/collections/${encodeURIComponent(collection)}`;
  const found = useChoices<PageToChoose>(`${address}/choose-page`, words, (shown) => ({ skip: shown.length }));
  const take = async (chosen: PageToChoose) => {
    if (onPage) return onPage(chosen);
    setPage(chosen);
    setHeadings(null);
    const sent = await send<HeadingToChoose[]>(`${address}/choose-heading`, { page: chosen.slug });
    setProblem(sent.ok ? null : sent.problem);
    setHeadings(sent.ok ? sent.value : []);
  };
  const trouble = problem ?? found.problem;
  return (
    <>
      {trouble && <ProblemNotice problem={trouble} />}
      {page ? (
        <Headings page={page} headings={headings} onChoose={(heading) => onChoose?.({ page, heading })} />
      ) : (
        <>
          <TextBox label="Find a page of the collection" value={words} onChange={setWords} hint="By its title or its address." />
          <p role="status" className="aside-from-view">
            {found.ready ? `${counted(found.choices.length, 'page')}${found.more ? ', and more' : ''}` : ''}
          </p>
          <Found>
            <ListBox
              aria-label="Pages of the collection"
              selectionMode="none"
              onAction={(slug) => void take(found.choices.find((one) => one.slug === slug)!)}
              renderEmptyState={() => <None>{found.ready ? 'No page of the collection has these words.' : 'Looking…'}</None>}
            >
              {found.choices.map(({ slug, title, address: path }) => (
                <ListBoxItem key={slug} id={slug} textValue={title}>
                  <Text slot="label">{title}</Text>
                  <Text slot="description">{path}</Text>
                </ListBoxItem>
              ))}
            </ListBox>
          </Found>
        </>
      )}
      <Row>
        {!page && found.more && <Button onPress={found.showMore}>Show more pages</Button>}
        {page && <Button onPress={() => setPage(null)}>Another page</Button>}
        <Button onPress={onCancel}>{back}</Button>
      </Row>
    </>
  );
}

interface HeadingsProps {
  page: PageToChoose;
  headings: readonly HeadingToChoose[] | null;
  onChoose(heading: Destination['heading']): void;
}

const TOP = 'the top of the page';

function Headings({ page, headings, onChoose }: HeadingsProps) {
  if (headings === null) return <p role="status">Reading the headings…</p>;
  const unnamed = headings.filter(({ id }) => id === null).length;
  return (
    <>
      <p>
        <b>{page.title}</b>: where on it?
      </p>
      <Found>
        <ListBox
          aria-label={`Headings of ${page.title}`}
          autoFocus="first"
          selectionMode="none"
          onAction={(key) => onChoose(key === TOP ? null : headingAt(headings, Number(key)))}
        >
          {[
            <ListBoxItem key={TOP} id={TOP} textValue="The top of the page">
              <Text slot="label">The top of the page</Text>
            </ListBoxItem>,
            ...headings.map(({ level, name, id }, nth) => (
              <ListBoxItem key={nth} id={String(nth)} textValue={name} isDisabled={id === null}>
                <Text slot="label" style={{ paddingInlineStart: `${(level - 1) * 0.9}rem` }}>{`${level}  ${name || 'no words'}`}</Text>
              </ListBoxItem>
            )),
          ]}
        </ListBox>
      </Found>
      {unnamed > 0 && (
        <p>{`${counted(unnamed, 'heading')} cannot be led to: ${unnamed === 1 ? 'it has' : 'they have'} no name in the page’s markup.`}</p>
      )}
    </>
  );
}

function headingAt(headings: readonly HeadingToChoose[], nth: number): Destination['heading'] {
  const { id, name } = headings[nth]!;
  return { id: id!, name };
}
