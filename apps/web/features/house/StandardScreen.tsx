'use client';
import type { HouseShown } from '@inkwell/review';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import styled from 'styled-components';
import { Button, DownloadLink } from '@/ui/Button';
import { Pick } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { Main } from '@/ui/Shell';
import { counted } from '@/ui/words';
import { BarFields } from './BarFields';
import { EffectPane } from './EffectPane';
import { RuleWeights } from './RuleWeights';
import { UsesOfProfiles } from './UsesOfProfiles';
import { useStandard } from './useStandard';
import { Versions } from './Versions';
import { WordFields } from './WordFields';

const Page = styled(Main)`
  display: grid;
  gap: 0.75rem;
`;
const Two = styled.div`
  display: grid;
  gap: 1.25rem;
  @media (min-width: 60rem) {
    grid-template-columns: minmax(0, 1fr) 22rem;
  }
  section {
    padding: 0.9rem 1rem 1.1rem;
    background: var(--sheet);
    border: 1px solid var(--line);
  }
  section + section {
    margin-top: 1rem;
  }
  h2 {
    font-size: 1.125rem;
    margin-bottom: 0.4rem;
  }
`;

/** What the house asks of its pages: seen before it is saved, kept in versions, gone back on. */
export function StandardScreen({ shown }: { shown: HouseShown }) {
  const standard = useStandard(shown);
  const router = useRouter();
  const [type, setType] = useState('');
  const { profile, maySet } = shown;
  const inUse = shown.profiles.find(({ name }) => name === profile.name);
  const take = (list: FileList | null) => void list?.[0]?.text().then(standard.read);
  const types = [...new Set([...shown.contentTypes, ...Object.keys(standard.draft.selection.contentTypes ?? {})])];
  return (
    <Page id="content">
      <h1>House standard</h1>
      <p>{`${inUse?.isHouse ? 'The house’s own profile' : 'A profile beside the house’s own'}, version ${profile.version}, for ${counted(inUse?.pages ?? 0, 'page', 'pages')}.`}</p>
      <Row>
        <Pick
          label="Profile"
          value={profile.name}
          onChange={(name) => router.push(`/standard?profile=${encodeURIComponent(name)}`)}
          options={shown.profiles.map(({ name, isHouse }) => ({ value: name, label: isHouse ? `${name}, the house’s own` : name }))}
        />
        <Pick
          label="Settings for"
          value={type}
          onChange={setType}
          options={[{ value: '', label: 'all pages' }, ...types.map((one) => ({ value: one, label: `content type ${one}` }))]}
        />
        <DownloadLink href={`/api/standard-file?profile=${encodeURIComponent(profile.name)}`} download>
          Download it
        </DownloadLink>
        {maySet && (
          <>
            <Button onPress={() => document.getElementById('profile-file')?.click()}>Take from a file…</Button>
            <input
              id="profile-file"
              type="file"
              accept=".json,application/json"
              hidden
              aria-label="Profile file"
              onChange={({ currentTarget }) => take(currentTarget.files)}
            />
          </>
        )}
      </Row>
      {standard.problem && <ProblemNotice problem={standard.problem} />}
      <Two>
        <div>
          <BarFields standard={standard} type={type} disabled={!maySet} />
          <RuleWeights standard={standard} type={type} disabled={!maySet} />
          {type === '' && <WordFields standard={standard} disabled={!maySet} />}
        </div>
        <div>
          <EffectPane standard={standard} maySet={maySet} />
          <UsesOfProfiles shown={shown} onProblem={standard.setProblem} draft={standard.draft} />
          <Versions shown={shown} onGoBack={standard.setDraft} />
        </div>
      </Two>
    </Page>
  );
}
