'use client';
import type { Family } from '@inkwell/core';
import type { Ledger, LedgerChoice } from '@inkwell/review';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Pick, SearchBox } from '@/ui/Field';
import { RELEASE_WORDS, VERDICT_WORDS } from '@/ui/Verdict';
import { FAMILIES, FAMILY_WORDS } from '@/ui/words';
import { addressOf, ORDERS, RELEASES, VERDICTS } from './choice';

const Choose = styled.form`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.4rem 1rem;
  margin-top: 1rem;
`;
const ALL = { value: '', label: 'All' };

interface NarrowProps {
  collection: string;
  choice: LedgerChoice;
  narrowing: Ledger['narrowing'];
}

/** The order of the pages and which of them are shown: each choice is an address. */
export function Narrow({ collection, choice, narrowing }: NarrowProps) {
  const router = useRouter();
  const [words, setWords] = useState(choice.words ?? '');
  useEffect(() => setWords(choice.words ?? ''), [choice.words]);
  const go = (part: Partial<LedgerChoice>) => router.push(addressOf(collection, { ...choice, after: undefined, ...part }));
  return (
    <Choose
      role="search"
      aria-label="Choose pages"
      onSubmit={(event) => {
        event.preventDefault();
        go({ words: words.trim() || undefined });
      }}
    >
      <Pick label="Order" value={choice.order} onChange={(order) => go({ order: order as LedgerChoice['order'] })} options={ORDERS} />
      <Pick
        label="Verdict"
        value={choice.verdict ?? ''}
        onChange={(verdict) => go({ verdict: (verdict || undefined) as LedgerChoice['verdict'] })}
        options={[ALL, ...VERDICTS.map((value) => ({ value, label: VERDICT_WORDS[value] }))]}
      />
      <Pick
        label="Release"
        value={choice.release ?? ''}
        onChange={(release) => go({ release: (release || undefined) as LedgerChoice['release'] })}
        options={[ALL, ...RELEASES.map((value) => ({ value, label: RELEASE_WORDS[value] || 'Draft' }))]}
      />
      <Pick
        label="With findings in"
        value={choice.family ?? ''}
        onChange={(family) => go({ family: (family || undefined) as Family | undefined })}
        options={[{ value: '', label: 'Any family' }, ...FAMILIES.map((value) => ({ value, label: FAMILY_WORDS[value] }))]}
      />
      {narrowing && narrowing.contentTypes.length > 1 && (
        <Pick
          label="Content type"
          value={choice.contentType ?? ''}
          onChange={(contentType) => go({ contentType: contentType || undefined })}
          options={[ALL, ...narrowing.contentTypes.map(({ type, pages }) => ({ value: type, label: `${type} (${pages})` }))]}
        />
      )}
      {narrowing && narrowing.parts.length > 1 && (
        <Pick
          label="Part"
          value={choice.part ?? ''}
          onChange={(part) => go({ part: part || undefined })}
          options={[ALL, ...narrowing.parts.map(({ part, pages }) => ({ value: part, label: `${part} (${pages})` }))]}
        />
      )}
      {narrowing && narrowing.people.length > 1 && (
        <Pick
          label="Changed last by"
          value={choice.by ?? ''}
          onChange={(by) => go({ by: by || undefined })}
          options={[
            { value: '', label: 'Anybody' },
            ...narrowing.people.map(({ id, name, pages }) => ({ value: id, label: `${name} (${pages})` })),
          ]}
        />
      )}
      <SearchBox label="Title holds" value={words} onChange={setWords} />
      <Button type="submit">Find</Button>
    </Choose>
  );
}
