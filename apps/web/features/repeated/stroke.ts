import type { StrokeView } from '@inkwell/review';
import { counted } from '@/ui/words';

export function isUnderWay({ waiting }: Pick<StrokeView, 'waiting'>): boolean {
  return waiting > 0;
}

/** What came of something that was done to many pages, in a sentence or two. */
export function cameOf({ waiting, done, returned, left, taken_back: back }: StrokeView): string {
  const parts = back
    ? [
        counted(returned, 'page is', 'pages are') + ' as before',
        waiting > 0 && `${waiting} to come`,
        left.length > 0 && `${left.length} stayed`,
      ]
    : [`Done on ${counted(done, 'page')}`, waiting > 0 && `${waiting} to come`, left.length > 0 && `${left.length} left as they were`];
  return `${back ? 'Taken back: ' : ''}${parts.filter(Boolean).join(', ')}.`;
}
