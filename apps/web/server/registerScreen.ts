import 'server-only';
import type { RegisterName } from '@inkwell/core';
import { register, registers, rulesIn } from '@inkwell/review';
import { viewFrom } from '@/features/registers/choice';
import { screenWithPeople } from './screen';

/** What the screen of a register shows, of one collection or of all. */
export function registerScreen(collection: string | null, name: RegisterName, search: URLSearchParams) {
  const view = viewFrom(name, search);
  return screenWithPeople(async (services, actor) => {
    const shown = await register(services, actor, { collection, choice: view.choice, skip: 0 });
    if (!shown.ok) return shown;
    const sums = await registers(services, actor, { collection });
    return sums.ok ? { ok: true as const, value: { shown: shown.value, sums: sums.value, rules: rulesIn(name), view } } : sums;
  });
}

export function searchFrom(asked: Record<string, string | string[] | undefined>): URLSearchParams {
  return new URLSearchParams(Object.entries(asked).flatMap(([name, value]) => (typeof value === 'string' ? [[name, value]] : [])));
}
