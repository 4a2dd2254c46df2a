import { joinParts } from '../connector/parts.ts';
import type { HostedPage } from './store.ts';

/** Where pages are checked before they are published; without one, none is. */
export interface Checker {
  server: string;
  token: string;
}

export interface CheckedPage {
  verdict: 'held' | 'judge' | 'ready';
  /** What holds it, in plain words. */
  holding: { sentence: string; why: string; fix: string; line: number }[];
  /** Its text after every certain fix; null where that changes nothing. */
  fixed: string | null;
}

interface Told {
  verdict: CheckedPage['verdict'];
  findings: { sentence: string; why: string; fix: string; weight: string; outcome: string; standing?: string; at: { line: number } }[];
  fixed: { html: string };
}

/** Asks whether a page may go out. Null where nobody could be asked. */
export async function checkPage({ server, token }: Checker, page: HostedPage): Promise<CheckedPage | null> {
  const whole = joinParts(page.parts);
  const text = { html: whole || ' ', scope: 'fragment', title: page.title };
  const known = { ...text, page: { collection: page.place, address: page.address } };
  // A page that was never brought in is looked at alone.
  const told = (await asked(server, token, known)) ?? (await asked(server, token, text));
  if (!told) return null;
  const holding = told.findings.filter(({ weight, outcome, standing }) => !standing && (weight === 'must' || outcome === 'cantTell'));
  return {
    verdict: told.verdict,
    holding: holding.map(({ sentence, why, fix, at }) => ({ sentence, why, fix, line: at.line })),
    fixed: told.fixed.html === text.html ? null : told.fixed.html,
  };
}

async function asked(server: string, token: string, body: object): Promise<Told | null> {
  try {
    const answer = await fetch(new URL('/api/v1/checks', server), {
      method: 'POST',
      headers: { authorization: `Bearer ${token}`, 'content-type': 'application/json' },
      body: JSON.stringify(body),
      signal: AbortSignal.timeout(10_000),
    });
    return answer.ok ? ((await answer.json()) as Told) : null;
  } catch {
    return null;
  }
}
