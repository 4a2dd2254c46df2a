import 'server-only';
import type { RegisterName } from '@inkwell/core';
import { register, rulesIn } from '@inkwell/review';
import { viewFrom } from '@/features/registers/choice';
import { screenWithPeople } from './screen';

/** What the screen of a register shows, of one collection or of all. */
export function registerScreen(collection: string | null, name: RegisterName, search: URLSearchParams) {
  const view = viewFrom(name, search);
  return screenWithPeople(async (services, actor) => {
    const shown = await register(services, actor, { collection, choice: view.choice, skip: 0 });
    if (!shown.ok) return shown;
    return { ok: true as const, value: { shown: shown.value, rules: rulesIn(name), view } };
  });
}

export function searchFrom(asked: Record<string, string | string[] | undefined>): URLSearchParams {
  return new URLSearchParams(Object.entries(asked).flatMap(([name, value]) => (typeof value === 'string' ? [[name, value]] : [])));
}
