import { append } from '@inkwell/core';
import { messagesDue, messagesWent, type MessageDue } from '@inkwell/store';
import { unlessAllowed, type Actor } from '../actor.ts';
import { done, type Result } from '../problems.ts';
import type { Services } from '../services.ts';

/** Gives a message to a mail server; throws where it is not taken. */
export type SendMail = (message: MessageDue) => Promise<void>;

/** Messages taken up at one time, and how many a mail server is given together: most take no more connections than a few. */
const AT_ONCE = 50;
const TOGETHER = 4;

async function tried(message: MessageDue, send: SendMail): Promise<{ id: number; trouble: string | null }> {
  const trouble = await send(message).then(
    () => null,
    (error: unknown) => (error instanceof Error ? error.message : String(error)).slice(0, 500),
  );
  return { id: message.id, trouble };
}

/** Sends what waits in the outbox. What is not taken is tried again later and later, and its trouble is told. */
export async function sendMail(
  { db }: Services,
  actor: Actor,
  wish: { send: SendMail },
): Promise<Result<{ sent: number; refused: number }>> {
  const barred = unlessAllowed(actor, 'keep the house', 'house');
  if (barred) return barred;
  const due = await messagesDue(db, AT_ONCE);
  const went: { id: number; trouble: string | null }[] = [];
  for (let at = 0; at < due.length; at += TOGETHER)
    append(went, await Promise.all(due.slice(at, at + TOGETHER).map((one) => tried(one, wish.send))));
  if (went.length > 0) await messagesWent(db, went);
  const sent = went.filter(({ trouble }) => trouble === null).length;
  return done({ sent, refused: went.length - sent });
}
