import { dirname, join } from 'node:path';
import { writeNewZip } from '@inkwell/formats';

const PAGES = 2_000;

const STREETS = ['Wharf Street', 'Lock Lane', 'Bridge Row', 'Mill Bank', 'Church Walk', 'Basin Side', 'Towpath End', 'Orchard Close'];
const TRADES = ['boatbuilder', 'lock keeper', 'lime burner', 'wheelwright', 'carter', 'baker', 'coal merchant', 'rope maker'];

const HOUSES = PAGES / STREETS.length;
const streetOf = (nth: number) => STREETS[Math.floor((nth - 1) / HOUSES)]!;

/** Each street is a folder. */
const pathOf = (nth: number) => `${streetOf(nth).toLowerCase().replace(' ', '-')}/entry-${String(nth).padStart(4, '0')}.html`;

/** One entry of the parish's archive: written by rule, with the slips that rules like these leave behind. */
function entry(nth: number): string {
  const [street, trade, year] = [streetOf(nth), TRADES[(nth * 3) % 8]!, 1790 + (nth % 160)];
  const rows = Array.from(
    { length: 3 + (nth % 6) },
    (_none, at) => `<tr><td>${year + at}</td><td>${(nth * 7 + at * 3) % 40} pounds</td></tr>`,
  );
  return `<!doctype html>
<html>
<head><meta charset="utf-8"><title>${street}, house ${nth}</title></head>
<body>
<header><a href="../${pathOf(1)}"><img src="../mark.png"></a> <form><input name="find"> <button>Find</button></form></header>
<main>
<h1>${street}, house ${nth}</h1>
<p>In ${year} the house was let to a ${trade}, who paid his rent in the spring and in the autumn and kept two boats at the wharf behind it.</p>
<h${nth % 5 === 0 ? 4 : 2}>What was paid</h${nth % 5 === 0 ? 4 : 2}>
<table><tr><${nth % 3 ? 'th' : 'td'}>Year</${nth % 3 ? 'th' : 'td'}><${nth % 3 ? 'th' : 'td'}>Rent</${nth % 3 ? 'th' : 'td'}></tr>${rows.join('')}</table>
${nth % 4 === 0 ? `<p><img src="../mark.png" alt="${nth % 8 === 0 ? 'mark.png' : 'The seal of the parish'}"></p>` : ''}
<p><a href="../${pathOf((nth % PAGES) + 1)}">${nth % 7 === 0 ? 'Read more' : 'The next house'}</a></p>
</main>
<footer><p>Larkmoor parish archive, ${2000 + (nth % 26)}. <a href="../${pathOf(1)}">Click here</a> to begin again.</p></footer>
</body>
</html>
`;
}

/** Writes a collection of 2,000 generated pages beside the others, for whoever wants to feel the size. Gives its path. */
export async function writeLarge(others: ReadonlyMap<string, string>): Promise<string> {
  const file = join(dirname([...others.values()][0]!), 'larkmoor-parish-archive.zip');
  await writeNewZip(file, entries());
  return file;
}

/** The archive's first page: where each street begins. */
function index(): string {
  const streets = STREETS.map((street, at) => `<li><a href="${pathOf(at * HOUSES + 1)}">${street}</a></li>`);
  return `<!doctype html>
<html lang="en">
<head><meta charset="utf-8"><title>Larkmoor Parish Archive</title></head>
<body><main><h1>Larkmoor Parish Archive</h1><p>Houses of the parish and who lived in them, street by street.</p><ul>${streets.join('')}</ul></main></body>
</html>
`;
}

async function* entries() {
  yield { path: 'index.html', bytes: () => Promise.resolve(Buffer.from(index())) };
  for (let nth = 1; nth <= PAGES; nth++)
    yield await Promise.resolve({
      path: pathOf(nth),
      bytes: () => Promise.resolve(Buffer.from(entry(nth))),
    });
  yield { path: 'mark.png', bytes: () => Promise.resolve(Buffer.from('89504e470d0a1a0a', 'hex')) };
}
