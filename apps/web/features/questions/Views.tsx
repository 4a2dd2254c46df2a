'use client';
import { useRouter } from 'next/navigation';
import { Choice } from '@/ui/Field';

const VIEWS = [
  { value: 'anybody', label: 'To answer' },
  { value: 'specialist', label: 'For a specialist' },
  { value: 'answered', label: 'Answered' },
];

/** What is looked at: questions for anybody, those somebody was not sure of, or what was answered. */
export function Views({ at }: { at: 'anybody' | 'specialist' | 'answered' }) {
  const router = useRouter();
  return <Choice label="Show" hideLabel value={at} onChange={(view) => router.push(`/questions?show=${view}`)} options={VIEWS} />;
}
