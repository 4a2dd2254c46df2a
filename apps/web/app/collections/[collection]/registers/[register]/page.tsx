import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { isRegister, REGISTER_WORDS } from '@/features/registers/choice';
import { RegisterScreen } from '@/features/registers/RegisterScreen';
import { registerScreen, searchFrom } from '@/server/registerScreen';
import { ProblemScreen } from '@/ui/ProblemScreen';
import { Shell } from '@/ui/Shell';

interface Place {
  params: Promise<{ collection: string; register: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}

export async function generateMetadata({ params }: Place): Promise<Metadata> {
  const { register } = await params;
  return { title: isRegister(register) ? `${REGISTER_WORDS[register]}, register` : 'Registers' };
}

/** Everything of one kind in a collection. */
export default async function RegisterPage({ params, searchParams }: Place) {
  const { collection: written, register } = await params;
  if (!isRegister(register)) notFound();
  const collection = decodeURIComponent(written);
  const screen = await registerScreen(collection, register, searchFrom(await searchParams));
  if ('problem' in screen) return <ProblemScreen problem={screen.problem} />;
  const { shown, actor, people } = screen.data;
  const crumbs = [
    { label: 'Shelf', href: '/' },
    { label: shown.shown.collections[0]!.title, href: `/collections/${collection}` },
    { label: 'Registers' },
  ];
  return (
    <Shell crumbs={crumbs} actor={actor} people={people}>
      <RegisterScreen collection={collection} {...shown} />
    </Shell>
  );
}
