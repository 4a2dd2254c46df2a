'use client';
import type { RegisterName, UseAround } from '@inkwell/core';
import type { Problem, ThingLine, ThingView } from '@inkwell/review';
import { useCallback, useEffect, useState } from 'react';
import { send } from '@/ui/send';

export type Around = ReadonlyMap<string, UseAround & { page: number }>;

/** Names a case of a thing on a page. */
export const aroundKey = (one: { thing: string; case: string; page: number }) => `${one.page}\n${one.thing}\n${one.case}`;

interface Loaded {
  of: string;
  view: ThingView;
  around: Around;
}

/** A thing as it is used: its cases and uses, and the words around them, fetched when it is taken in hand. */
export function useThing(collection: string | null, register: RegisterName, line: ThingLine | undefined, done: number) {
  const [loaded, setLoaded] = useState<Loaded | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const things = (line?.things ?? []).filter((id) => !id.startsWith('file '));
  const of = things.join(' ');
  const load = useCallback(async () => {
    if (of === '') return setLoaded({ of, view: { cases: [], more: false, uses: [] }, around: new Map() });
    const wish = { collection, register, things: of.split(' ').slice(0, 200), skip: 0 };
    const sent = await send<ThingView>('/api/registers/thing', wish);
    setProblem(sent.ok ? null : sent.problem);
    if (!sent.ok) return;
    setLoaded((now) => ({ of, view: sent.value, around: now?.of === of ? now.around : new Map() }));
    const on = sent.value.cases.slice(0, 8).map(({ thing, page }) => ({ thing, page }));
    if (on.length === 0) return;
    const words = await send<(UseAround & { page: number })[]>('/api/registers/around', { collection, register, on });
    if (words.ok) setLoaded({ of, view: sent.value, around: new Map(words.value.map((one) => [aroundKey(one), one])) });
  }, [collection, register, of]);
  useEffect(() => {
    // Whoever runs along the lines waits for none of them.
    const timer = setTimeout(() => void load(), 60);
    return () => clearTimeout(timer);
    // What was done meanwhile is looked at again.
  }, [load, done]);
  const more = useCallback(async () => {
    if (!loaded) return;
    const wish = { collection, register, things: of.split(' ').slice(0, 200), skip: loaded.view.uses.length };
    const sent = await send<ThingView>('/api/registers/thing', wish);
    setProblem(sent.ok ? null : sent.problem);
    if (sent.ok) setLoaded({ ...loaded, view: { ...loaded.view, uses: [...loaded.view.uses, ...sent.value.uses] } });
  }, [collection, register, of, loaded]);
  const here = loaded?.of === of ? loaded : null;
  return { view: here?.view ?? null, around: here?.around ?? new Map(), problem, again: load, more };
}

export type Thing = ReturnType<typeof useThing>;
