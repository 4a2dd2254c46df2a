'use client';
import type { Problem, StatementRow } from '@inkwell/review';
import { Link } from '@/ui/Link';
import { useState } from 'react';
import { Button } from '@/ui/Button';
import { TextBox, Tick } from '@/ui/Field';
import { Panel, Row } from '@/ui/Panel';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { send } from '@/ui/send';
import { Main } from '@/ui/Shell';

interface OwnStatementProps {
  statement: StatementRow | null;
  collection: string;
  mayWrite: boolean;
}

/** What the public is told of a collection: the house's own words, and whom readers write to. The rest is told from the report. */
export function OwnStatementScreen({ statement, collection, mayWrite }: OwnStatementProps) {
  const [wish, setWish] = useState({ contact: statement?.contact ?? '', words: statement?.words ?? '', shown: statement?.shown ?? true });
  const [problem, setProblem] = useState<Problem | null>(null);
  const [kept, setKept] = useState(false);
  const keep = async () => {
    const sent = await send<null>('/api/report/statement', { collection, ...wish });
    setProblem(sent.ok ? null : sent.problem);
    setKept(sent.ok);
  };
  const change = (part: Partial<typeof wish>) => {
    setWish({ ...wish, ...part });
    setKept(false);
  };
  return (
    <Main id="content">
      <h1>Statement for readers</h1>
      <p>What was looked at, what is known to be missing and when, is told from the report as it stands. You add whom readers write to.</p>
      {problem && <ProblemNotice problem={problem} />}
      <Panel>
        <TextBox
          label="Whom readers write to"
          value={wish.contact}
          onChange={(contact) => change({ contact })}
          hint="An address, a telephone number, or both."
          readOnly={!mayWrite}
        />
        <TextBox
          label="In your own words"
          passage
          rows={5}
          value={wish.words}
          onChange={(words) => change({ words })}
          hint="What you do about accessibility, and what readers can do where something does not work."
          readOnly={!mayWrite}
        />
        <Tick label="Readers may see it" on={wish.shown} disabled={!mayWrite} onChange={(shown) => change({ shown })} />
        <Row>
          {mayWrite && (
            <Button $look="main" isDisabled={wish.contact.trim() === ''} onPress={() => void keep()}>
              Save the statement
            </Button>
          )}
          {(kept ? wish.shown : statement?.shown) && <Link href={`/statement/${collection}`}>The statement as readers see it</Link>}
        </Row>
        {kept && <p role="status">Saved.</p>}
      </Panel>
    </Main>
  );
}
