'use client';
import type { OutView, Problem } from '@inkwell/review';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Button } from '@/ui/Button';
import { Lines, Row } from '@/ui/Panel';
import { send } from '@/ui/send';
import { Sheet } from '@/ui/Sheet';
import { When } from '@/ui/When';
import { counted } from '@/ui/words';

/** Pages that were taken out of a collection, and the way back for each. */
export function TakenOutSheet({ collection }: { collection: string }) {
  const router = useRouter();
  const [found, setFound] = useState<{ pages: readonly OutView[]; more: boolean } | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [said, setSaid] = useState('');
  const address = `/api/collections/${encodeURIComponent(collection)}`;
  const read = async (before: readonly OutView[]) => {
    const sent = await send<{ pages: OutView[]; more: boolean }>(`${address}/pages-out`, { skip: before.length });
    setProblem(sent.ok ? null : sent.problem);
    if (sent.ok) setFound({ pages: [...before, ...sent.value.pages], more: sent.value.more });
    else setFound(found ?? { pages: [], more: false });
  };
  const bringBack = async ({ slug, title }: OutView) => {
    const sent = await send(`${address}/bring-pages`, { pages: [slug] });
    setProblem(sent.ok ? null : sent.problem);
    if (!sent.ok) return;
    setSaid(`“${title}” is back.`);
    setFound((now) => now && { ...now, pages: now.pages.filter((one) => one.slug !== slug) });
    router.refresh();
  };
  return (
    <>
      <Button $look="quiet" onPress={() => void read([])}>
        Taken out
      </Button>
      <Sheet title="Pages taken out" open={found !== null} onClose={() => setFound(null)} problem={problem}>
        <p role="status">
          {said || (found?.pages.length ? `${counted(found.pages.length, 'page')}, the latest first.` : 'No page is taken out.')}
        </p>
        {found && found.pages.length > 0 && (
          <Lines>
            {found.pages.map((page) => (
              <li key={page.slug}>
                <span>
                  <b>{page.title}</b>
                  <br />
                  {page.by ? `by ${page.by} ` : 'no longer in the newest version, since '}
                  <When at={page.at} />
                </span>
                <Button onPress={() => void bringBack(page)} aria-label={`Bring back: ${page.title}`}>
                  Bring back
                </Button>
              </li>
            ))}
          </Lines>
        )}
        <Row>
          {found?.more && <Button onPress={() => void read(found.pages)}>Show more</Button>}
          <Button onPress={() => setFound(null)}>Close</Button>
        </Row>
      </Sheet>
    </>
  );
}
