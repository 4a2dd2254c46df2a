/** Files that come with the demo's pages and are none: as people make them, with what readers then miss. */

const bytes = (text: string) => Buffer.from(text, 'latin1');

/**
 * A PDF as an old program prints it: text, and neither tags, nor title, nor language (ISO 32000-1, 7.5 "File structure").
 *
 * @param pages the lines of each page
 */
function plainPdf(pages: readonly (readonly string[])[]): Uint8Array {
  const escaped = (line: string) => line.replace(/[\\()]/g, '\\$&');
  const objects = ['<< /Type /Catalog /Pages 2 0 R >>', '', '<< /Type /Font /Subtype /Type1 /BaseFont /Helvetica >>'];
  const kids = pages.map((lines) => {
    const shown = lines.map((line, nth) => `BT /F1 12 Tf 60 ${780 - nth * 20} Td (${escaped(line)}) Tj ET`).join('\n');
    objects.push(`<< /Length ${shown.length} >>\nstream\n${shown}\nendstream`);
    objects.push(
      `<< /Type /Page /Parent 2 0 R /MediaBox [0 0 595 842] /Contents ${objects.length} 0 R /Resources << /Font << /F1 3 0 R >> >> >>`,
    );
    return `${objects.length} 0 R`;
  });
  objects[1] = `<< /Type /Pages /Kids [${kids.join(' ')}] /Count ${kids.length} >>`;
  let [body, table] = ['%PDF-1.4\n', ''];
  objects.forEach((object, nth) => {
    table += `${String(body.length).padStart(10, '0')} 00000 n \n`;
    body += `${nth + 1} 0 obj\n${object}\nendobj\n`;
  });
  const size = objects.length + 1;
  return bytes(
    `${body}xref\n0 ${size}\n0000000000 65535 f \n${table}trailer\n<< /Size ${size} /Root 1 0 R >>\nstartxref\n${body.length}\n%%EOF\n`,
  );
}

const RECORD_SHEET = [
  ['Record of a hive', 'Date, weather, frames of brood, stores, queen seen', '1', '2', '3'],
  ['Record of a hive, continued', 'Treatments: what, how much, when', 'Harvest: how much, from which frames'],
];

const OPEN_DAY = `WEBVTT

00:02.000 --> 00:06.000
Good morning from the basin at Larkmoor.

00:05.500 --> 00:09.000
The lock is dry today, for the first time in ten years.

00:09.500 --> 00:12.000

00:58.000 --> 01:03.000
And here comes the first boat.
`;

/** By the collection's address. */
export const ATTACHED: Readonly<Record<string, readonly { path: string; bytes: Uint8Array }[]>> = {
  'a-first-year-with-bees': [{ path: 'files/record-sheet.pdf', bytes: plainPdf(RECORD_SHEET) }],
  'larkmoor-canal-trust': [{ path: 'media/open-day.vtt', bytes: Buffer.from(OPEN_DAY) }],
};
