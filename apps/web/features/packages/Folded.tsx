'use client';
import type { PackageView } from '@inkwell/review';
import styled from 'styled-components';
import { ButtonLink } from '@/ui/Button';
import { counted, sizeWords } from '@/ui/words';

/** A list that folds: what is worth knowing of a package and need not be read. */
export const Folded = styled.details`
  margin-top: 1.25rem;
  max-width: 52rem;
  summary {
    cursor: pointer;
    min-height: 1.75rem;
    font-weight: 600;
  }
  li {
    margin-left: 1.25rem;
    overflow-wrap: anywhere;
  }
`;

/** Lines shown of such a list. */
const SHOWN = 100;

/** What of a package could not be read. */
export function TroublesOf({ troubles }: { troubles: PackageView['troubles'] }) {
  return (
    <Folded open={troubles.length <= 5}>
      <summary>{`${counted(troubles.length, 'thing')} could not be read`}</summary>
      <ul>
        {troubles.slice(0, SHOWN).map(({ path, what }, nth) => (
          <li key={nth}>{`${path} ${what}`}</li>
        ))}
      </ul>
      {troubles.length > SHOWN && <p>{`and ${troubles.length - SHOWN} more`}</p>}
    </Folded>
  );
}

/** What comes with the pages and is none: told before it is brought in, since nobody looks inside it by looking at a page. */
export function AttachedFiles({ view: { attached, collection } }: { view: PackageView }) {
  const { files } = attached;
  const kinds = attached.kinds.map(({ kind, many }) => `${many} ${kind}`);
  return (
    <Folded>
      <summary>{`${counted(files.length, 'file is', 'files are')} attached and no page: ${kinds.join(', ')}`}</summary>
      <ul>
        {files.slice(0, SHOWN).map(({ path, size }) => (
          <li key={path}>{`${path}, ${sizeWords(size)}`}</li>
        ))}
      </ul>
      {files.length > SHOWN && <p>{`and ${files.length - SHOWN} more`}</p>}
      {collection ? (
        <ButtonLink href={`/collections/${collection}/attached`}>Open the attached files</ButtonLink>
      ) : (
        <p>Once they are here each has a standing, and what can be read of PDFs and captions is told.</p>
      )}
    </Folded>
  );
}
