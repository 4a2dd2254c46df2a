'use client';
import type { NoteFor, OwnSlipView } from '@inkwell/review';
import { Link } from '@/ui/Link';
import styled from 'styled-components';
import { Main } from '@/ui/Shell';
import { counted } from '@/ui/words';

const Page = styled(Main)`
  max-width: 46rem;
  > ol {
    display: grid;
    gap: 1rem;
    margin-top: 1rem;
  }
  > ol > li {
    padding: 0.9rem 1.1rem 1rem;
    background: var(--sheet);
    border: 1px solid var(--line);
    break-inside: avoid;
  }
  h2 {
    font-size: 1.25rem;
  }
  li p {
    margin-top: 0.4rem;
  }
`;

/** What somebody’s pages come up with most, in plain words, with a place of their own for each: to be read, or printed on one page. */
export function NoteScreen({ shown: { person, isOwn, slips } }: { shown: NoteFor }) {
  const whose = isOwn ? 'your' : `${person.name}’s`;
  return (
    <Page id="content">
      <h1>{isOwn ? 'A note for you' : `A note for ${person.name}`}</h1>
      <p>
        {slips.length === 0
          ? `Nothing was found that began on ${whose} pages.`
          : `What comes up most on ${whose} pages. Each is a small habit; with it, most of what is found there would not be.`}
      </p>
      {slips.length > 0 && (
        <ol>
          {slips.map((slip) => (
            <li key={slip.name}>
              <OneSlip slip={slip} />
            </li>
          ))}
        </ol>
      )}
    </Page>
  );
}

function OneSlip({ slip }: { slip: OwnSlipView }) {
  const { name, why, advice, sentence, many, pages, fixed, back, title, collection, slug, finding, open } = slip;
  const address = `/collections/${collection}/${slug}${open ? `?note=${finding}` : ''}`;
  return (
    <>
      <h2>{name}</h2>
      <p>{why}</p>
      <p>
        <b>What helps:</b> {advice}
      </p>
      <p>
        {`For example on `}
        <Link href={address}>{title}</Link>
        {`: ${sentence}.`}
      </p>
      <p>{`Found ${many === 1 ? 'once' : `${many} times`} on ${counted(pages, 'page', 'pages')}${fixed > 0 ? `; ${fixed} fixed already` : ''}${back > 0 ? `; ${back} came back` : ''}.`}</p>
    </>
  );
}
