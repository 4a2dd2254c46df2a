'use client';
import { ProblemScreen } from '@/ui/ProblemScreen';

export default function ErrorScreen() {
  return (
    <ProblemScreen
      problem={{
        what: 'Something went wrong while this screen was made',
        why: 'It met a case it was not made for; the server’s log has the details.',
        kept: 'What is stored is untouched; unsaved source stays as a draft in this browser.',
        next: 'Try again, or go back to the shelf.',
      }}
    />
  );
}
