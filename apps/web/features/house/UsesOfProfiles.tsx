'use client';
import type { HouseShown, Problem } from '@inkwell/review';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Button } from '@/ui/Button';
import { Pick, TextBox, Tick } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { send } from '@/ui/send';
import { Sheet } from '@/ui/Sheet';
import type { Standard } from './differences';

interface UsesProps {
  shown: HouseShown;
  draft: Standard;
  onProblem(problem: Problem | null): void;
}

/** Which pages are held to which profile, and the ways to change that. */
export function UsesOfProfiles({ shown, draft, onProblem }: UsesProps) {
  const router = useRouter();
  const [sheet, setSheet] = useState<'name' | 'add' | null>(null);
  const house = shown.profiles.find(({ isHouse }) => isHouse);
  const named = shown.profiles.flatMap(({ name, uses }) => uses.map((use) => ({ name, ...use })));
  const change = async (act: 'call' | 'elsewhere', wish: object) => {
    const sent = await send(`/api/standard/${act}`, wish);
    onProblem(sent.ok ? null : sent.problem);
    if (sent.ok) router.refresh();
  };
  const call = async (wish: { profile: string | null; collection: string | null; contentType: string | null }) => {
    await change('call', wish);
    setSheet(null);
  };
  return (
    <section aria-labelledby="uses-heading">
      <h2 id="uses-heading">Which pages are held to what</h2>
      <ul>
        <li>{`All others: ${house?.name ?? ''}`}</li>
        {named.map(({ name, collection, collectionTitle, contentType }) => (
          <li key={`${collection} ${contentType}`}>
            {`${[collectionTitle, contentType && `content type ${contentType}`].filter(Boolean).join(', ')}: ${name} `}
            {shown.maySet && (
              <Button $look="quiet" onPress={() => void call({ profile: null, collection, contentType })}>
                End this
              </Button>
            )}
          </li>
        ))}
      </ul>
      {shown.maySet && (
        <Row>
          <Button onPress={() => setSheet('name')}>Hold some to a profile…</Button>
          <Button onPress={() => setSheet('add')}>New profile…</Button>
        </Row>
      )}
      <p>
        <Tick
          label="Hold pages also for what only the theme or the host can fix"
          on={shown.elsewhereHolds}
          onChange={(holds) => void change('elsewhere', { holds })}
          disabled={!shown.maySet}
        />
      </p>
      {sheet === 'name' && <NameSheet shown={shown} onClose={() => setSheet(null)} onCall={(wish) => void call(wish)} />}
      {sheet === 'add' && <AddSheet draft={draft} onClose={() => setSheet(null)} />}
    </section>
  );
}

interface NameProps {
  shown: HouseShown;
  onClose(): void;
  onCall(wish: { profile: string; collection: string | null; contentType: string | null }): void;
}

function NameSheet({ shown, onClose, onCall }: NameProps) {
  const [profile, setProfile] = useState(shown.profile.name);
  const [collection, setCollection] = useState('');
  const [type, setType] = useState('');
  const anyOf = (words: string) => ({ value: '', label: words });
  return (
    <Sheet title="Hold some pages to a profile" open onClose={onClose}>
      <Pick
        label="Profile"
        value={profile}
        onChange={setProfile}
        options={shown.profiles.map(({ name }) => ({ value: name, label: name }))}
      />
      <Pick
        label="Collection"
        value={collection}
        onChange={setCollection}
        options={[anyOf('any'), ...shown.collections.map(({ slug, title }) => ({ value: slug, label: title }))]}
      />
      <Pick
        label="Content type"
        value={type}
        onChange={setType}
        options={[anyOf('any'), ...shown.contentTypes.map((one) => ({ value: one, label: one }))]}
      />
      <Row>
        <Button
          $look="main"
          isDisabled={collection === '' && type === ''}
          onPress={() => onCall({ profile, collection: collection || null, contentType: type || null })}
        >
          Hold them to it
        </Button>
      </Row>
    </Sheet>
  );
}

/** A profile beside the others, which begins as what is in the form. */
function AddSheet({ draft, onClose }: { draft: Standard; onClose(): void }) {
  const router = useRouter();
  const [name, setName] = useState('');
  const [problem, setProblem] = useState<Problem | null>(null);
  const add = async () => {
    const file = JSON.stringify({ ...draft.selection, name: name.trim(), vocabulary: draft.vocabulary });
    const sent = await send('/api/standard/add', { name: name.trim(), file });
    setProblem(sent.ok ? null : sent.problem);
    if (!sent.ok) return;
    onClose();
    router.push(`/standard?profile=${encodeURIComponent(name.trim())}`);
  };
  return (
    <Sheet title="New profile" open onClose={onClose} problem={problem}>
      <p>It begins as what is in the form now.</p>
      <TextBox label="Name" value={name} onChange={setName} />
      <Row>
        <Button $look="main" isDisabled={name.trim() === ''} onPress={() => void add()}>
          Add it
        </Button>
      </Row>
    </Sheet>
  );
}
