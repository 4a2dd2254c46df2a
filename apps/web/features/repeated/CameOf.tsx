'use client';
import type { StrokeView } from '@inkwell/review';
import { Link } from '@/ui/Link';
import { cameOf, isUnderWay } from './stroke';

/** What came of something that was done to many pages, while it is done and after. */
export function CameOf({ stroke, collection }: { stroke: StrokeView; collection: string }) {
  const all = stroke.waiting + stroke.done + stroke.returned + stroke.left.length;
  return (
    <>
      <p role="status">{cameOf(stroke)}</p>
      {isUnderWay(stroke) && <progress aria-label="Pages done" value={all - stroke.waiting} max={all} />}
      {stroke.left.length > 0 && (
        <ul>
          {stroke.left.slice(0, 20).map(({ slug, title, why }) => (
            <li key={slug}>{`${title}: ${why}`}</li>
          ))}
        </ul>
      )}
      <p>
        What was done to many pages stays to be seen under <Link href={`/collections/${collection}/repeated`}>One slip, many pages</Link>.
      </p>
    </>
  );
}
