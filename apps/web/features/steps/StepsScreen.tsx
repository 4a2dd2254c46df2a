'use client';
import type { Walk, WalkPage } from '@inkwell/review';
import { Link } from '@/ui/Link';
import styled from 'styled-components';
import { ButtonLink } from '@/ui/Button';
import { Row } from '@/ui/Panel';
import { Main } from '@/ui/Shell';
import { Small, Table, TableFrame } from '@/ui/Table';
import { counted } from '@/ui/words';

const Cell = styled(Link)`
  display: inline-flex;
  align-items: center;
  min-height: 1.75rem;
  min-width: 1.75rem;
`;
const Way = styled.ol`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(13rem, 1fr));
  gap: 0.5rem;
  margin-top: 1rem;
  li {
    background: var(--sheet);
    border: 1px solid var(--line);
    padding: 0.5rem 0.75rem;
  }
`;

/** The walk through a collection, step by step: what is open in each, what has been looked at, and where to go on. */
export function StepsScreen({ walk }: { walk: Walk }) {
  const { collection, pages, steps, shown, after } = walk;
  return (
    <Main id="content">
      <h1>Steps</h1>
      <p>
        The order in which pages are best worked through. A page counts as looked at for a step while its text is the one that was looked
        at.
      </p>
      <Way>
        {steps.map(({ id, name, open, looked, next }) => (
          <li key={id}>
            <b>{name}</b>
            <Small>{`${open.toLocaleString('en')} open, ${looked} of ${counted(pages, 'page')} looked at`}</Small>
            {next === null ? (
              <Small>You have looked at all of them.</Small>
            ) : (
              <Cell href={`/collections/${collection.slug}/${next}?step=${id}`} aria-label={`Go on with ${name}`}>
                Go on
              </Cell>
            )}
          </li>
        ))}
      </Way>
      <TableFrame tabIndex={0} role="region" aria-label="Pages by step">
        <Table>
          <caption>Open in each step, and who looked</caption>
          <thead>
            <tr>
              <th scope="col">Page</th>
              {steps.map(({ id, name }) => (
                <th key={id} scope="col">
                  {name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {shown.map((page) => (
              <PageRow key={page.slug} collection={collection.slug} page={page} steps={steps} />
            ))}
          </tbody>
        </Table>
      </TableFrame>
      {after && (
        <Row style={{ marginTop: '0.75rem' }}>
          <ButtonLink href={`/collections/${collection.slug}/steps?after=${after}`}>Next pages</ButtonLink>
        </Row>
      )}
    </Main>
  );
}

function PageRow({ collection, page, steps }: { collection: string; page: WalkPage; steps: Walk['steps'] }) {
  return (
    <tr>
      <th scope="row">
        <Link href={`/collections/${collection}/${page.slug}`}>{page.title}</Link>
        <Small>{`revision ${page.revision}`}</Small>
      </th>
      {steps.map(({ id, name }) => {
        const { open, looked } = page.steps[id];
        const now = looked.filter(({ revision }) => revision === page.revision);
        const words = open > 0 ? `${open} open` : 'none open';
        return (
          <td key={id}>
            <Cell href={`/collections/${collection}/${page.slug}?step=${id}`} aria-label={`${words} in ${name} on ${page.title}`}>
              {words}
            </Cell>
            {now.length > 0 && <Small>{`looked at: ${now.map(({ by }) => by).join(', ')}`}</Small>}
            {now.length === 0 && looked.length > 0 && <Small>changed since it was looked at</Small>}
          </td>
        );
      })}
    </tr>
  );
}
