'use client';
import type { CleanedView, DoorView, Problem } from '@inkwell/review';
import { Link } from '@/ui/Link';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import styled from 'styled-components';
import { Button, ButtonLink } from '@/ui/Button';
import { Row } from '@/ui/Panel';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { send } from '@/ui/send';
import { Main } from '@/ui/Shell';
import { Small } from '@/ui/Table';
import { counted } from '@/ui/words';
import { BothSides, Questions, useAnswers } from './Cleaning';

const Section = styled.section`
  margin-top: 1.25rem;
`;
const Pages = styled.ol`
  columns: 18rem auto;
  margin-top: 0.5rem;
  li {
    break-inside: avoid;
    padding: 0.2rem 0;
  }
  a {
    display: inline-flex;
    align-items: center;
    min-height: 1.5rem;
  }
`;

const CHOICES = {
  clean: 'will be cleaned',
  'clean if nothing is asked': 'will be cleaned if nothing is asked of it',
  leave: 'comes in as it is',
} as const;

/** Pages with pasted markup before they come in: one as it came and as it would be cleaned, and what is asked of it first. */
export function DoorScreen({ view }: { view: DoorView }) {
  const { id, sums, pages, next, page, open } = view;
  const router = useRouter();
  const [problem, setProblem] = useState<Problem | null>(null);
  const choose = async (wish: object) => {
    const sent = await send<unknown>(`/api/packages/${id}/cleaning`, wish);
    setProblem(sent.ok ? null : sent.problem);
    return sent.ok;
  };
  const rest = async () => {
    if (await choose({ on: 'the rest', choice: 'clean if nothing is asked', answers: {} })) router.push(`/bring-in/${id}`);
  };
  return (
    <Main id="content">
      <h1>Pasted markup</h1>
      <p>
        {`${counted(sums.pages, 'page carries', 'pages carry')} what a word processor or another page left behind: `}
        {`${sums.toClean} will be cleaned, ${counted(sums.pages - sums.toClean, 'comes in as it is', 'come in as they are')}. `}
        The text as it came stays its first revision.
      </p>
      {problem && <ProblemNotice problem={problem} />}
      {page ? (
        <OnePage key={page.position} page={page} packageId={id} open={open} onChoose={choose} after={pages[1]?.position ?? null} />
      ) : (
        <p>No page of this package carries pasted markup.</p>
      )}
      {pages.length > 1 && (
        <>
          <h2>From here on</h2>
          <Pages>
            {pages.map(({ position, title, marks, choice }) => (
              <li key={position}>
                <Link href={`/bring-in/${id}/clean?page=${position}`}>{title}</Link>
                <Small>{`${counted(marks, 'mark')}, ${choice ? CHOICES[choice] : 'nothing said yet'}`}</Small>
              </li>
            ))}
          </Pages>
        </>
      )}
      <Row style={{ marginTop: '1rem' }}>
        <ButtonLink href={`/bring-in/${id}`}>Back to the package</ButtonLink>
        {page && pages[0]!.position > 1 && <ButtonLink href={`/bring-in/${id}/clean`}>First page</ButtonLink>}
        {next !== null && <ButtonLink href={`/bring-in/${id}/clean?page=${next}`}>More pages</ButtonLink>}
        {open && <Button onPress={() => void rest()}>Clean all the others that nothing is asked of</Button>}
      </Row>
    </Main>
  );
}

type Page = NonNullable<DoorView['page']>;

interface OnePageProps {
  page: Page;
  packageId: number;
  open: boolean;
  /** The place of the page after it. */
  after: number | null;
  onChoose(wish: object): Promise<boolean>;
}

function OnePage({ page, packageId, open, after, onChoose }: OnePageProps) {
  const { answers, answer, missing } = useAnswers(page.questions, page.answers);
  const cleaned = useCleaned(packageId, page, answers);
  const router = useRouter();
  const choose = async (choice: 'clean' | 'leave') => {
    const done = await onChoose({ on: page.position, choice, answers: choice === 'clean' ? answers : {} });
    if (!done) return;
    router.push(after === null ? `/bring-in/${packageId}` : `/bring-in/${packageId}/clean?page=${after}`);
  };
  return (
    <Section aria-label={page.title}>
      <h2>{page.title}</h2>
      <Small as="p">{`${page.path}, ${counted(page.marks, 'mark')} of pasting${page.choice ? `; ${CHOICES[page.choice]}` : ''}`}</Small>
      <Questions questions={page.questions} answers={answers} onAnswer={answer} />
      {open && (
        <Row style={{ marginTop: '0.75rem' }}>
          <Button $look="main" isDisabled={!cleaned.ok} onPress={() => void choose('clean')}>
            {after === null ? 'Clean it as it comes in' : 'Clean it as it comes in, and next'}
          </Button>
          <Button onPress={() => void choose('leave')}>Leave it as it is</Button>
          {missing > 0 && <span role="status">{`${counted(missing, 'answer is', 'answers are')} missing`}</span>}
        </Row>
      )}
      <BothSides html={page.html} cleaned={cleaned} />
    </Section>
  );
}

/** The page cleaned by the answers so far; an answer that comes too late is passed over. */
function useCleaned(packageId: number, page: Page, answers: Readonly<Record<string, string>>): CleanedView {
  const [cleaned, setCleaned] = useState(page.cleaned);
  const [asked, setAsked] = useState(answers);
  useEffect(() => {
    if (asked === answers) return;
    let late = false;
    void send<CleanedView>(`/api/packages/${packageId}/try-cleaning`, { position: page.position, answers }).then((sent) => {
      if (late) return;
      setCleaned(sent.ok ? sent.value : { ok: false, reason: sent.problem.what });
      setAsked(answers);
    });
    return () => {
      late = true;
    };
  }, [packageId, page.position, answers, asked]);
  return cleaned;
}
