'use client';
import type { Problem, ReportSaid, ReportShown } from '@inkwell/review';
import { Link } from '@/ui/Link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import styled from 'styled-components';
import { Button, DownloadLink } from '@/ui/Button';
import { Row } from '@/ui/Panel';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { send } from '@/ui/send';
import { Main } from '@/ui/Shell';
import { When } from '@/ui/When';
import { CriteriaTable } from './CriteriaTable';
import { JudgeSheet } from './JudgeSheet';
import { ReportPages } from './ReportPages';
import { SampleSheet } from './SampleSheet';
import { OUTCOMES } from './words';

const Page = styled(Main)`
  display: grid;
  gap: 0.75rem;
  align-content: start;
`;
const Outcomes = styled.dl`
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 2rem;
  div {
    display: grid;
  }
  dt {
    font-size: 0.875rem;
    color: var(--quiet);
  }
  dd {
    font: 600 1.5rem/1.2 var(--serif);
    font-variant-numeric: tabular-nums;
  }
`;
const FORMS = [
  { format: 'html', label: 'HTML' },
  { format: 'pdf', label: 'PDF' },
  { format: 'xlsx', label: 'XLSX' },
  { format: 'csv', label: 'CSV' },
  { format: 'earl', label: 'EARL' },
  { format: 'json', label: 'JSON' },
] as const;

interface ReportProps {
  shown: ReportShown;
  collection: string;
  page: string | null;
  sampleOnly: boolean;
}

/** The record: what was examined, against what, how, and what came of it, criterion by criterion. */
export function ReportScreen({ shown, collection, page, sampleOnly }: ReportProps) {
  const router = useRouter();
  const { said, kept, can } = shown;
  const [judging, setJudging] = useState<ReportSaid['criteria'][number] | null>(null);
  const [sampling, setSampling] = useState(false);
  const [problem, setProblem] = useState<Problem | null>(null);
  const search = new URLSearchParams({ collection, ...(page ? { page } : {}), ...(sampleOnly ? { sample: '' } : {}) }).toString();
  const ask = async (address: string, wish: object) => {
    const sent = await send<unknown>(address, { collection, ...wish });
    setProblem(sent.ok ? null : sent.problem);
    if (sent.ok) router.refresh();
    return sent.ok;
  };
  return (
    <Page id="content">
      <h1>{`Report: ${said.subject.title}`}</h1>
      <p>{headline(said)}</p>
      {problem && <ProblemNotice problem={problem} />}
      <Row role="group" aria-label="Take it along">
        {FORMS.map(({ format, label }) => (
          <DownloadLink key={format} href={`/api/report-file?format=${format}&${search}`} download>
            {label}
          </DownloadLink>
        ))}
        {can.keep && <Button onPress={() => void ask('/api/report/keep', { page, sampleOnly })}>Keep it as it is now</Button>}
        {can.keep && page === null && <Button onPress={() => setSampling(true)}>Sample…</Button>}
        {page === null && <Link href={`/collections/${collection}/report/statement`}>Statement for readers</Link>}
      </Row>
      <SampleLine shown={shown} collection={collection} sampleOnly={sampleOnly} />
      <Outcomes>
        {OUTCOMES.map(({ outcome, label }) => (
          <div key={outcome}>
            <dt>{label}</dt>
            <dd>{said.criteria.filter((one) => one.outcome === outcome).length}</dd>
          </div>
        ))}
      </Outcomes>
      <h2>Criterion by criterion</h2>
      <CriteriaTable said={said} collection={collection} onJudge={can.judge ? setJudging : null} />
      <h2>What is left</h2>
      <p>{left(said)}</p>
      <h2>Pages</h2>
      <ReportPages pages={said.pages} collection={collection} />
      <Kept kept={kept} collection={collection} page={page} />
      {judging && (
        <JudgeSheet
          criterion={judging}
          onClose={() => setJudging(null)}
          onJudge={(wish) => void ask('/api/report/judge', { criterion: judging.id, ...wish }).then((ok) => ok && setJudging(null))}
          problem={problem}
        />
      )}
      {sampling && (
        <SampleSheet
          sample={shown.sample}
          onClose={() => setSampling(false)}
          onDraw={(wish) => void ask('/api/report/sample', wish).then((ok) => ok && setSampling(false))}
        />
      )}
    </Page>
  );
}

function headline({ subject, standard, audited, engines, profiles }: ReportSaid): string {
  const many = subject.pages === 1 ? '1 page' : `${subject.pages.toLocaleString('en')} pages`;
  const held = profiles.map(({ name, version }) => `${name}, version ${version}`).join('; ');
  const when = audited.from === audited.to ? `on ${audited.to}` : `from ${audited.from} to ${audited.to}`;
  return `${many} against ${standard.name} ${standard.level} (${held}), audited ${when} by engine ${engines.join(', ')}.`;
}

function left({ totals, hours, verdicts, releases }: ReportSaid): string {
  const open = `${totals.must} must, ${totals.should} should, ${totals.consider} to consider and ${totals.questions} to judge`;
  return [
    `Open: ${open}; ${totals.excepted} let stand, ${totals.elsewhere} for the theme or host.`,
    `Fixing takes some ${hours.from} to ${hours.to} hours.`,
    `${verdicts.held} held, ${verdicts.judge} to judge, ${verdicts.ready} ready;`,
    `${releases.signed} signed off, ${releases.published} published, ${releases.lapsed} lapsed.`,
  ].join(' ');
}

function SampleLine({ shown, collection, sampleOnly }: Pick<ReportProps, 'shown' | 'collection' | 'sampleOnly'>) {
  const { sample, said } = shown;
  if (!sample) return null;
  const report = `/collections/${collection}/report`;
  if (!sampleOnly)
    return (
      <p>
        {`A sample was drawn by ${sample.by} on ${sample.at}. `}
        <Link href={`${report}?sample`}>See the report of the sample alone</Link>
      </p>
    );
  const drawn = said.sample!;
  return (
    <p>
      {`A sample after WCAG-EM step 3: ${drawn.structured} pages chosen for what they stand for, `}
      {`${drawn.random} drawn at random with seed ${drawn.seed}, of ${drawn.of}. `}
      <Link href={report}>See the report of all pages</Link>
    </p>
  );
}

function Kept({ kept, collection, page }: { kept: ReportShown['kept']; collection: string; page: string | null }) {
  if (kept.length === 0) return null;
  const of = page ? `&page=${encodeURIComponent(page)}` : '';
  return (
    <>
      <h2>Reports that were kept</h2>
      <ul>
        {kept.map(({ id, by, at }, nth) => (
          <li key={id}>
            <When at={at} />
            {`, by ${by}: `}
            <Link href={`/collections/${collection}/report/compare?before=${id}${of}`}>compare with now</Link>
            {kept[nth + 1] && (
              <>
                {', '}
                <Link href={`/collections/${collection}/report/compare?before=${kept[nth + 1]!.id}&after=${id}${of}`}>
                  with the one before
                </Link>
              </>
            )}
          </li>
        ))}
      </ul>
    </>
  );
}
