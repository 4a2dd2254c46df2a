import type { Metadata } from 'next';
import { PasswordScreen } from '@/features/people/PasswordScreen';

export const metadata: Metadata = { title: 'A new password' };

export default function PasswordPage() {
  return <PasswordScreen />;
}
