'use client';
import type { Problem, StatementShown } from '@inkwell/review';
import { useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { TextBox } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { send } from '@/ui/send';

const Page = styled.main`
  max-width: 44rem;
  margin: 0 auto;
  padding: 2rem 1.25rem 3rem;
  display: grid;
  gap: 0.9rem;
  h2 {
    margin-top: 1rem;
  }
  li + li {
    margin-top: 0.35rem;
  }
  ul {
    list-style: disc;
    padding-left: 1.25rem;
  }
  form {
    display: grid;
    gap: 0.8rem;
  }
`;

function fails(many: number): string {
  if (many === 0) return 'We know of nothing that fails';
  return many === 1 ? 'One requirement is not met everywhere' : `${many} requirements are not met everywhere`;
}

/** A day as people write it. */
const long = (day: string | null) =>
  day === null ? 'no day yet' : new Date(day).toLocaleDateString('en-GB', { dateStyle: 'long', timeZone: 'UTC' });

/** What the public is told of a collection, in plain words, and a form through which readers tell of barriers. */
export function StatementScreen({ shown }: { shown: StatementShown }) {
  const { title, house, said, failed, unknown, exceptions, words, contact } = shown;
  const { standard, audited, subject } = said;
  const met = failed.length === 0 && unknown === 0;
  const pages = subject.pages === 1 ? 'One page' : `All ${subject.pages} pages`;
  const against = `the Web Content Accessibility Guidelines (${standard.name}), level ${standard.level}`;
  const looked = `${pages}, against ${against}, last looked at on ${long(audited.to)}.`;
  const short = `${fails(failed.length)}${unknown > 0 ? `, and of ${unknown} we cannot say yet whether they are met` : ''}.`;
  return (
    <Page id="content">
      <h1>{`Accessibility of ${title}`}</h1>
      <p>{`${house} wants everybody to be able to use ${title}. This page says what we have looked at, and where it falls short.`}</p>
      {words && <p>{words}</p>}
      <h2>What we looked at</h2>
      <p>{looked}</p>
      <h2>Where it falls short</h2>
      {met ? <p>We know of nothing that falls short. If you do, please tell us below.</p> : <p>{short}</p>}
      {failed.length > 0 && (
        <ul>
          {failed.map(({ id, asks }) => (
            <li key={id}>{`${asks} (${id})`}</li>
          ))}
        </ul>
      )}
      {exceptions.length > 0 && (
        <>
          <h2>What we know of, and fix later</h2>
          <ul>
            {exceptions.map((one) => (
              <li key={one.title}>{`${one.title}: by ${long(one.until)}`}</li>
            ))}
          </ul>
        </>
      )}
      <h2>Tell us</h2>
      <p>{`Write to ${contact}, or use this form. What you write is read by the people who review these pages.`}</p>
      <BarrierForm slug={shown.slug} />
      <p>{`This statement was last looked over on ${long(shown.at)}.`}</p>
    </Page>
  );
}

function BarrierForm({ slug }: { slug: string }) {
  const [wish, setWish] = useState({ place: '', words: '', replyTo: '' });
  const [problem, setProblem] = useState<Problem | null>(null);
  const [told, setTold] = useState(false);
  const tell = async () => {
    const sent = await send<null>('/api/barrier', { collection: slug, ...wish });
    setProblem(sent.ok ? null : sent.problem);
    setTold(sent.ok);
  };
  if (told) return <p role="status">Thank you. It has been passed on to the people who review these pages.</p>;
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void tell();
      }}
    >
      {problem && <ProblemNotice problem={problem} />}
      <TextBox label="On which page (its address or its title)" value={wish.place} onChange={(place) => setWish({ ...wish, place })} />
      <TextBox label="What went wrong" passage rows={4} required value={wish.words} onChange={(words) => setWish({ ...wish, words })} />
      <TextBox
        label="Your address, if you would like an answer"
        type="email"
        autoComplete="email"
        value={wish.replyTo}
        onChange={(replyTo) => setWish({ ...wish, replyTo })}
      />
      <Row>
        <Button type="submit" $look="main" isDisabled={wish.words.trim() === ''}>
          Tell us
        </Button>
      </Row>
    </form>
  );
}
