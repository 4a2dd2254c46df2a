import { redirect } from 'next/navigation';
import { screenWithPeople } from '@/server/screen';
import { ProblemScreen } from '@/ui/ProblemScreen';

/** Where somebody begins: whoever only writes at their own list, everybody else at the shelf. */
export default async function Home() {
  const screen = await screenWithPeople(() => Promise.resolve({ ok: true as const, value: null }));
  if ('problem' in screen) return <ProblemScreen problem={screen.problem} />;
  const { memberships } = screen.data.actor;
  redirect(memberships.length > 0 && memberships.every(({ role }) => role === 'author') ? '/docket' : '/');
}
