'use client';
import type { Problem, SheetTaken } from '@inkwell/review';
import { useState } from 'react';
import { FileTrigger } from 'react-aria-components';
import { Button, DownloadLink } from '@/ui/Button';
import { Row } from '@/ui/Panel';
import { sendBytes } from '@/ui/send';
import { Sheet } from '@/ui/Sheet';
import { Table, TableFrame } from '@/ui/Table';
import { counted } from '@/ui/words';
import { addressOf, type View } from './choice';
import type { Mending } from './useMend';

interface ButtonsProps {
  collection: string | null;
  view: View;
  mending: Mending;
}

/** The register as a sheet for a spreadsheet, and, of images, back again. */
export function SheetButtons({ collection, view, mending }: ButtonsProps) {
  const { register } = view.choice;
  const [taken, setTaken] = useState<SheetTaken | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const search = new URLSearchParams(addressOf(collection, view).split('?')[1]);
  search.set('register', register);
  if (collection !== null) search.set('collection', collection);
  const bring = async (file: File) => {
    const asked = collection === null ? '' : `?collection=${encodeURIComponent(collection)}`;
    const sent = await sendBytes<SheetTaken>(`/api/register-sheet${asked}`, file);
    setProblem(sent.ok ? null : sent.problem);
    if (!sent.ok) return;
    setTaken(sent.value);
    if (sent.value.together !== null) mending.follow(sent.value.together);
  };
  const close = () => {
    setTaken(null);
    setProblem(null);
  };
  return (
    <Row>
      <DownloadLink $look="quiet" href={`/api/register-sheet?${search.toString()}`} download>
        Download as CSV
      </DownloadLink>
      {register === 'images' && (
        <FileTrigger acceptedFileTypes={['.csv', 'text/csv']} onSelect={(files) => files?.[0] && void bring(files[0])}>
          <Button $look="quiet">Bring a sheet back</Button>
        </FileTrigger>
      )}
      {register === 'images' && collection !== null && (
        <DownloadLink $look="quiet" href={`/api/redirects?collection=${encodeURIComponent(collection)}`} download>
          Redirects
        </DownloadLink>
      )}
      {(taken ?? problem) && (
        <Sheet title="The sheet that came back" open wide onClose={close} problem={problem}>
          {taken && <Came taken={taken} />}
          <Row>
            <Button $look="main" onPress={close}>
              Close
            </Button>
          </Row>
        </Sheet>
      )}
    </Row>
  );
}

function Came({ taken: { taken, same, pages, aside } }: { taken: SheetTaken }) {
  return (
    <>
      <p role="status">
        {`${counted(taken, 'row')} taken, for ${counted(pages, 'page')}; ${counted(same, 'row')} said what stands there already; ${counted(aside.length, 'row')} kept aside.`}
      </p>
      {aside.length > 0 && (
        <TableFrame tabIndex={0} role="region" aria-label="Rows kept aside">
          <Table>
            <caption>Rows kept aside: nothing was changed for them</caption>
            <thead>
              <tr>
                <th scope="col" className="number">
                  Row
                </th>
                <th scope="col">File</th>
                <th scope="col">It says</th>
                <th scope="col">Why it no longer fits</th>
              </tr>
            </thead>
            <tbody>
              {aside.slice(0, 200).map((one) => (
                <tr key={one.row}>
                  <td className="number">{one.row}</td>
                  <th scope="row">{one.file}</th>
                  <td>{one.says}</td>
                  <td>{one.why}</td>
                </tr>
              ))}
            </tbody>
          </Table>
        </TableFrame>
      )}
    </>
  );
}
