'use client';
import type { GoesOut, Problem } from '@inkwell/review';
import { useState } from 'react';
import { Button, DownloadLink } from '@/ui/Button';
import { Pick } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { send } from '@/ui/send';
import { Sheet } from '@/ui/Sheet';
import { counted, tallyWords } from '@/ui/words';

/** The package of a collection, with a word first about what is still open in it. Nothing is refused. */
export function DownloadSheet({ slug }: { slug: string }) {
  const [open, setOpen] = useState(false);
  const [out, setOut] = useState<GoesOut | null>(null);
  const [folder, setFolder] = useState('');
  const [problem, setProblem] = useState<Problem | null>(null);
  const address = `/api/collections/${encodeURIComponent(slug)}`;
  const look = async () => {
    setOut(null);
    setProblem(null);
    setOpen(true);
    const sent = await send<GoesOut>(`${address}/goes-out`, {});
    if (sent.ok) setOut(sent.value);
    else setProblem(sent.problem);
  };
  return (
    <>
      <Button onPress={() => void look()}>Download the package…</Button>
      <Sheet title="Download the package" open={open} onClose={() => setOpen(false)} problem={problem}>
        {out === null && problem === null && <p role="status">Looking at what goes out …</p>}
        {out && (
          <>
            <p>{`${out.name}: ${out.came ? 'the package as it came, with what was fixed in its place' : 'its pages and files'}. Open in it: ${tallyWords(out.open)}.`}</p>
            {out.troubles.length > 0 && (
              <>
                <p>{`${counted(out.troubles.length, 'file')} cannot be written as they are now, and go out as they came in:`}</p>
                <ul>
                  {out.troubles.slice(0, 20).map(({ path, what }) => (
                    <li key={path}>{`${path} ${what}`}</li>
                  ))}
                </ul>
              </>
            )}
          </>
        )}
        {out && out.folders.length > 0 && (
          <Row>
            <Pick
              label="Or one folder of it"
              value={folder}
              onChange={setFolder}
              options={[
                { value: '', label: 'choose…' },
                ...out.folders.map(({ folder: path, files }) => ({ value: path, label: `${path} (${counted(files, 'file')})` })),
              ]}
            />
            {folder !== '' && (
              <DownloadLink href={`${address}/package?folder=${encodeURIComponent(folder)}`} download>
                Download the folder
              </DownloadLink>
            )}
          </Row>
        )}
        <Row>
          {out && (
            <DownloadLink $look="main" href={`${address}/package`} download onClick={() => setOpen(false)}>
              Download it
            </DownloadLink>
          )}
          {out && (
            <DownloadLink href={`${address}/findings`} download onClick={() => setOpen(false)}>
              All findings as a table (CSV)
            </DownloadLink>
          )}
          <Button onPress={() => setOpen(false)}>Close</Button>
        </Row>
      </Sheet>
    </>
  );
}
