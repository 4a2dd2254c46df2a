import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { isRegister, REGISTER_WORDS } from '@/features/registers/choice';
import { RegisterScreen } from '@/features/registers/RegisterScreen';
import { registerScreen, searchFrom } from '@/server/registerScreen';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell } from '@/ui/Shell';

interface Place {
  params: Promise<{ register: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}

export async function generateMetadata({ params }: Place): Promise<Metadata> {
  const { register } = await params;
  return { title: isRegister(register) ? `${REGISTER_WORDS[register]} of all collections` : 'Registers' };
}

/** Everything of one kind in all collections. */
export default async function RegisterPage({ params, searchParams }: Place) {
  const { register } = await params;
  if (!isRegister(register)) notFound();
  const screen = await registerScreen(null, register, searchFrom(await searchParams));
  if ('problem' in screen) return <ProblemScreen problem={screen.problem} />;
  const { shown, actor, people } = screen.data;
  return (
    <Shell crumbs={[{ label: 'Shelf', href: '/' }, { label: 'Registers of all collections' }]} actor={actor} people={people}>
      <RegisterScreen collection={null} {...shown} />
    </Shell>
  );
}
