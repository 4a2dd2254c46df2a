'use client';
import type { Trait } from '@inkwell/core';
import type { Spread, SpreadType } from '@inkwell/review';
import { Link } from '@/ui/Link';
import { useRouter } from 'next/navigation';
import styled from 'styled-components';
import { ButtonLink } from '@/ui/Button';
import { Choice } from '@/ui/Field';
import { Lines, Row } from '@/ui/Panel';
import { Main } from '@/ui/Shell';
import { Table, TableFrame } from '@/ui/Table';
import { counted } from '@/ui/words';
import { TRAITS, traitWords } from './traits';

const Bar = styled(Row)`
  margin-top: 1rem;
`;
const Common = styled(Lines)`
  b {
    font-variant-numeric: tabular-nums;
  }
`;
const Differences = styled.ul`
  li {
    margin-left: 1.1rem;
    list-style: disc;
  }
`;

/** Pages of one content type side by side: what most have in common, and those that differ. */
export function SpreadScreen({ shown }: { shown: Spread }) {
  const { collection, types, type, differing, after, more } = shown;
  const router = useRouter();
  const at = (wish: { type?: string | null; after?: number }) => {
    const search = new URLSearchParams();
    if (wish.type) search.set('type', wish.type);
    if (wish.after) search.set('after', String(wish.after));
    return `/collections/${encodeURIComponent(collection.slug)}/spread?${search.toString()}`;
  };
  const common = types.find((one) => one.type === type);
  return (
    <Main id="content">
      <h1>Spread</h1>
      <p>Pages of one sort are read more easily where they are made up alike. What most have in common is told, and which pages differ.</p>
      {!common ? (
        <p>No four pages of one content type have anything in common yet. Give pages their content type in the ledger.</p>
      ) : (
        <>
          <Bar>
            <Choice
              label="Content type"
              value={common.type}
              onChange={(value) => router.push(at({ type: value }))}
              options={types.map((one) => ({ value: one.type, label: one.type }))}
            />
          </Bar>
          <h2>{`What most pages of type ${common.type} have in common`}</h2>
          <InCommon common={common} />
          <h2>{differing.length === 0 ? 'No page differs' : 'Pages that differ'}</h2>
          {differing.length > 0 && <Differing collection={collection.slug} pages={differing} />}
          {(after > 0 || more) && (
            <Bar as="nav" aria-label="More pages">
              {after > 0 && <ButtonLink href={at({ type })}>First pages</ButtonLink>}
              {more && <ButtonLink href={at({ type, after: after + differing.length })}>Next pages</ButtonLink>}
            </Bar>
          )}
        </>
      )}
    </Main>
  );
}

function InCommon({ common: { traits } }: { common: SpreadType }) {
  return (
    <Common>
      {inOrder(traits).map(({ trait, value, many, of }) => (
        <li key={trait}>
          <span>{`They ${traitWords(trait, value, true)}`.replace(/^They (first|last) /, (_all, which: string) => `Their ${which} `)}</span>
          <b>{many === of ? `all ${of}` : `${many} of ${of}`}</b>
        </li>
      ))}
    </Common>
  );
}

/** In the order in which a page is looked at. */
function inOrder<T extends { trait: Trait }>(traits: readonly T[]): T[] {
  return TRAITS.flatMap((trait) => traits.filter((one) => one.trait === trait));
}

function Differing({ collection, pages }: { collection: string; pages: Spread['differing'] }) {
  return (
    <TableFrame tabIndex={0} role="region" aria-label="Pages that differ">
      <Table>
        <caption>{`${counted(pages.length, 'page')}, those first that differ most`}</caption>
        <thead>
          <tr>
            <th scope="col">Page</th>
            <th scope="col">How it differs</th>
          </tr>
        </thead>
        <tbody>
          {pages.map(({ slug, title, differs }) => (
            <tr key={slug}>
              <th scope="row">
                <Link href={`/collections/${collection}/${slug}?face=outline`}>{title}</Link>
              </th>
              <td>
                <Differences>
                  {inOrder(differs).map(({ trait, value }) => (
                    <li key={trait}>{traitWords(trait, value, false)}</li>
                  ))}
                </Differences>
              </td>
            </tr>
          ))}
        </tbody>
      </Table>
    </TableFrame>
  );
}
