'use client';
import { lookup, type Profile, type Settings, type Vocabulary } from '@inkwell/core';
import type { EffectShown, HouseShown, Problem, StandardSet } from '@inkwell/review';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { send } from '@/ui/send';
import { differences } from './differences';

const LATER_MS = 500;

/** The standard as it is being written: what it differs in, what it would make of the pages, and the ways to keep it. */
export function useStandard({ profile, maySet }: HouseShown) {
  const router = useRouter();
  const [draft, setDraft] = useState<{ selection: Profile; vocabulary: Vocabulary }>(profile);
  const [tried, setTried] = useState<{ file: string; effect: EffectShown } | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [saved, setSaved] = useState<StandardSet | null>(null);
  const changes = useMemo(() => differences(profile, draft), [profile, draft]);
  const file = useMemo(() => JSON.stringify({ ...draft.selection, vocabulary: draft.vocabulary }), [draft]);

  useEffect(() => {
    if (!maySet) return;
    const timer = setTimeout(() => {
      void send<EffectShown>('/api/standard/try', { profile: profile.name, file }).then((sent) => {
        setProblem(sent.ok ? null : sent.problem);
        setTried(sent.ok ? { file, effect: sent.value } : null);
      });
    }, LATER_MS);
    return () => clearTimeout(timer);
  }, [file, maySet, profile.name]);

  const change = useCallback((part: Partial<Profile>) => setDraft((now) => ({ ...now, selection: { ...now.selection, ...part } })), []);
  /** Changes what is set for all pages, or for those of a content type. */
  const set = useCallback((type: string, part: Partial<Settings>) => {
    setDraft((now) => {
      const { selection } = now;
      if (type === '') return { ...now, selection: { ...selection, ...part } };
      const own = { ...lookup(selection.contentTypes, type), ...part };
      return { ...now, selection: { ...selection, contentTypes: { ...selection.contentTypes, [type]: own } } };
    });
  }, []);
  const say = useCallback((part: Partial<Vocabulary>) => setDraft((now) => ({ ...now, vocabulary: { ...now.vocabulary, ...part } })), []);
  const save = useCallback(async () => {
    const sent = await send<StandardSet>('/api/standard/save', { profile: profile.name, version: profile.version, file });
    setProblem(sent.ok ? null : sent.problem);
    if (!sent.ok) return;
    setSaved(sent.value);
    router.refresh();
  }, [profile, file, router]);
  const read = useCallback(async (text: string) => {
    const sent = await send<{ selection: Profile; vocabulary: Vocabulary }>('/api/standard/read', { file: text });
    setProblem(sent.ok ? null : sent.problem);
    if (sent.ok) setDraft(sent.value);
  }, []);
  // What was counted for another draft is no longer what this one would do.
  const isCounted = tried?.file === file;
  return { draft, setDraft, effect: tried?.effect ?? null, isCounted, changes, problem, setProblem, saved, change, set, say, save, read };
}

export type StandardDraft = ReturnType<typeof useStandard>;
