'use client';
import type { Found } from '@inkwell/review';
import { Link } from '@/ui/Link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Button } from '@/ui/Button';
import { SearchBox } from '@/ui/Field';
import { Lines, Row } from '@/ui/Panel';
import { Main } from '@/ui/Shell';
import { VERDICT_WORDS } from '@/ui/Verdict';
import { counted } from '@/ui/words';

/** Pages, open findings and people that some words speak of. */
export function SearchScreen({ shown: { words, pages, findings, people } }: { shown: Found }) {
  const router = useRouter();
  const [asked, setAsked] = useState(words);
  const isNothing = words !== '' && pages.length + findings.length + people.length === 0;
  return (
    <Main id="content">
      <h1>Search</h1>
      <form
        role="search"
        onSubmit={(event) => {
          event.preventDefault();
          router.push(`/search?words=${encodeURIComponent(asked.trim())}`);
        }}
      >
        <Row>
          <SearchBox label="Words" value={asked} onChange={setAsked} />
          <Button type="submit">Find</Button>
        </Row>
      </form>
      <p role="status">{isNothing ? `Nothing has “${words}” in its title, its name or what is found on it.` : ''}</p>
      {pages.length > 0 && (
        <>
          <h2>Pages</h2>
          <Lines>
            {pages.map(({ slug, title, collection, collectionTitle, verdict }) => (
              <li key={`${collection}/${slug}`}>
                <Link href={`/collections/${collection}/${slug}`}>{title}</Link>
                <span>{`${collectionTitle} · ${VERDICT_WORDS[verdict]}`}</span>
              </li>
            ))}
          </Lines>
        </>
      )}
      {findings.length > 0 && (
        <>
          <h2>Open findings</h2>
          <Lines>
            {findings.map(({ title, collection, collectionTitle, many, pages: on, slug, finding }) => (
              <li key={`${title} ${collection}`}>
                <Link href={`/collections/${collection}/${slug}?note=${finding}`}>{title}</Link>
                <span>{`${many} on ${counted(on, 'page', 'pages')} of ${collectionTitle}`}</span>
              </li>
            ))}
          </Lines>
        </>
      )}
      {people.length > 0 && (
        <>
          <h2>People</h2>
          <Lines>
            {people.map(({ id, name, role }) => (
              <li key={id}>
                <Link href={`/docket?person=${encodeURIComponent(id)}`}>{`Docket of ${name}`}</Link>
                <span>{role}</span>
              </li>
            ))}
          </Lines>
        </>
      )}
    </Main>
  );
}
