/** What the server said when it did not do what was asked (RFC 9457). */
export class InkwellProblem extends Error {
  constructor(
    readonly status: number,
    readonly type: string,
    readonly detail: string,
    /** What was kept, and what to do next. */
    readonly kept: string,
    readonly next: string,
    /** Seconds to wait, where the server names them. */
    readonly retryAfter: number | null,
  ) {
    super(detail);
  }

  static async of(answer: Response): Promise<InkwellProblem> {
    const said = (await answer.json().catch(() => ({}))) as Record<string, unknown>;
    const word = (name: 'type' | 'title' | 'detail' | 'kept' | 'next') => (typeof said[name] === 'string' ? said[name] : '');
    const after = Number(answer.headers.get('retry-after') ?? NaN);
    const detail = word('detail') || word('title') || `The server answered with ${answer.status}.`;
    return new InkwellProblem(answer.status, word('type'), detail, word('kept'), word('next'), Number.isNaN(after) ? null : after);
  }
}
