'use client';
import type { ReportSaid } from '@inkwell/review';
import { Link } from '@/ui/Link';
import { useState } from 'react';
import { Button } from '@/ui/Button';
import { Small, Table, TableFrame } from '@/ui/Table';
import { ReleaseWord, VerdictWord } from '@/ui/Verdict';

/** Pages shown at first, and with each press. */
const SOME = 50;
type ReportedPage = ReportSaid['pages'][number];

/** The pages of a report: how each stands, who answers for it, and what people looked at. */
export function ReportPages({ pages, collection }: { pages: readonly ReportedPage[]; collection: string }) {
  const [shown, setShown] = useState(SOME);
  return (
    <>
      <TableFrame tabIndex={0} role="region" aria-label="Pages of the report">
        <Table>
          <caption className="aside-from-view">Pages of the report</caption>
          <thead>
            <tr>
              <th scope="col">Page</th>
              <th scope="col">Stands</th>
              <th scope="col">Signed off</th>
              <th scope="col">Looked at by people</th>
              <th scope="col" className="number">
                Open
              </th>
            </tr>
          </thead>
          <tbody>
            {pages.slice(0, shown).map((page) => (
              <tr key={page.slug}>
                <th scope="row">
                  <Link href={`/collections/${collection}/${page.slug}`}>{page.title}</Link>
                  <Small>
                    {[`revision ${page.revision}`, page.chosen && `${page.chosen}: ${page.because}`].filter(Boolean).join(', ')}
                  </Small>
                </th>
                <td>
                  <VerdictWord verdict={page.verdict as 'held'} /> <ReleaseWord release={page.release as 'draft'} />
                </td>
                <td>{page.signed ? `${page.signed.by}, ${page.signed.at}` : ''}</td>
                <td>{page.looks.length > 0 ? `${page.looks.length} of 5` : 'nothing yet'}</td>
                <td className="number">{page.must + page.should + page.consider + page.questions}</td>
              </tr>
            ))}
          </tbody>
        </Table>
      </TableFrame>
      {pages.length > shown && <Button onPress={() => setShown(shown + SOME)}>{`More (${pages.length - shown} left)`}</Button>}
    </>
  );
}
