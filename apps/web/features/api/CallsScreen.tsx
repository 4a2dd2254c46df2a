'use client';
import styled from 'styled-components';
import { Main } from '@/ui/Shell';
import { fieldsOf, type Schema } from './fields';

const Page = styled(Main)`
  display: grid;
  gap: 0.75rem;
  align-content: start;
  max-width: 60rem;
  code {
    font-family: var(--mono);
    overflow-wrap: anywhere;
  }
`;
const Calls = styled.ul`
  display: grid;
  gap: 0.75rem;
  > li {
    padding: 0.7rem 1rem 0.8rem;
    background: var(--sheet);
    border: 1px solid var(--line);
  }
  h2 {
    font: 600 0.9375rem var(--mono);
    overflow-wrap: anywhere;
  }
  dl {
    display: grid;
    grid-template-columns: minmax(5rem, max-content) minmax(0, 1fr);
    gap: 0.1rem 1rem;
    margin-top: 0.4rem;
    font-size: 0.875rem;
  }
  dt {
    font-family: var(--mono);
  }
`;

interface CallsProps {
  calls: readonly {
    method: string;
    path: string;
    summary: string;
    reach: string;
    body: Schema | null;
    filters: readonly string[];
    ifMatch: boolean;
  }[];
  site: string;
}

/** What programs may ask of this house, call by call. */
export function CallsScreen({ calls, site }: CallsProps) {
  return (
    <Page id="content">
      <h1>The API</h1>
      <p>
        {'Each call carries a token, below '}
        <code>{`${site}/api/v1`}</code>
        {'. Programs read the same as '}
        <a href="/api/v1/openapi.json">OpenAPI 3.1</a>.
      </p>
      <Calls>
        {calls.map(({ method, path, summary, reach, body, filters, ifMatch }) => (
          <li key={`${method} ${path}`}>
            <h2>{`${method} ${path}`}</h2>
            <p>{`${summary}. Reach: ${reach}.${ifMatch ? ' Wants If-Match.' : ''}`}</p>
            {filters.length > 0 && <p>{`Narrowed by ${filters.join(', ')}.`}</p>}
            {body && fieldsOf(body).length > 0 && (
              <dl>
                {fieldsOf(body).map(({ name, must, says }) => (
                  <div key={name} style={{ display: 'contents' }}>
                    <dt>{name}</dt>
                    <dd>{`${must ? 'needed; ' : ''}${says}`}</dd>
                  </div>
                ))}
              </dl>
            )}
          </li>
        ))}
      </Calls>
    </Page>
  );
}
