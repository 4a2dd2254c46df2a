import { addMessages, claimDigest, digestLines, house, writing, type DigestLine } from '@inkwell/store';
import { unlessAllowed, type Actor } from '../actor.ts';
import { done, type Result } from '../problems.ts';
import { dayIn, type Services } from '../services.ts';

/** The hour of the house's day from which people are written to. */
const FROM_HOUR = 6;

/** Writes to whoever has news of their work, once a day, each thing once: what is due tomorrow, overdue since today, or came back. */
export function sendDigests(services: Services, actor: Actor, wish: { site: string }): Promise<Result<{ sent: number }>> {
  return writing(services.db, async (trx) => {
    const barred = unlessAllowed(actor, 'keep the house', 'house');
    if (barred) return barred;
    const { timeZone } = await house(trx);
    const now = services.now();
    const today = dayIn(timeZone, now);
    const hour = Number(new Intl.DateTimeFormat('en-GB', { timeZone, hour: '2-digit', hourCycle: 'h23' }).format(now));
    if (hour < FROM_HOUR || !(await claimDigest(trx, today))) return done({ sent: 0 });
    const lines = await digestLines(trx, today);
    await addMessages(
      trx,
      lines.map((line) => ({ person: line.person, address: line.email, subject: 'Your docket', body: bodyOf(line, wish.site) })),
    );
    return done({ sent: lines.length });
  });
}

function bodyOf({ name, dueTomorrow, newlyOverdue, back }: DigestLine, site: string): string {
  const things = (many: number, one: string, more: string) => (many === 0 ? [] : [`- ${many} ${many === 1 ? one : more}`]);
  const lines = [
    ...things(newlyOverdue, 'thing is overdue since today', 'things are overdue since today'),
    ...things(dueTomorrow, 'thing is due tomorrow', 'things are due tomorrow'),
    ...things(back, 'thing that you had fixed came back', 'things that you had fixed came back'),
  ];
  return `Hello ${name},\n\n${lines.join('\n')}\n\n${site}/docket\n`;
}
