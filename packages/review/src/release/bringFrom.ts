import { join } from 'node:path';
import { append, escapeText } from '@inkwell/core';
import { limitsFrom, UnreadableDocument, writeNewZip, zipSource, type Trouble } from '@inkwell/formats';
import { HostTrouble, type Connector, type HostPage } from '@inkwell/host';
import { hostById, keepFile, noteFetched, type Package } from '@inkwell/store';
import type { Actor } from '../actor.ts';
import type { Opened } from '../packages/document.ts';
import { mayReceive, waitToBeRead } from '../packages/receive.ts';
import { done, notFound, type Result } from '../problems.ts';
import type { Services } from '../services.ts';
import { connectorOf, LONGEST } from './connector.ts';
import { tried } from './hosts.ts';

/**
 * Has the drafts of a place on a host brought in as a collection of its own, in the background: shown first, as any package, and connected
 * to its host once a person said yes. Gives the package's number.
 */
export async function bringFromHost(services: Services, actor: Actor, wish: { host: number; place: string }): Promise<Result<number>> {
  const into = await mayReceive(services, actor, undefined);
  if (!into.ok) return into;
  const host = await hostById(services.db, wish.host);
  if (!host) return notFound('This host');
  const places = await tried(() => connectorOf(host).places(), 'Nothing was brought in.');
  if (!places.ok) return places;
  if (!places.value.some(({ place }) => place === wish.place)) return notFound('This place on the host');
  const wanted = { kind: 'host' as const, addresses: [String(host.id), wish.place] };
  const sha256 = await keepFile(services.db, 'application/json', Buffer.from(JSON.stringify(wanted)));
  return done(await waitToBeRead(services, { name: `${wish.place}.zip`, sha256, made_by: actor.id, renews: null, wanted }));
}

/**
 * The drafts and files of a place as a course package: their titles and their order are the host's.
 *
 * @param folder where it may write
 * @throws UnreadableDocument when the host cannot be asked, or has no page there
 */
export async function openHostPlace(services: Services, found: Package, [id, place]: readonly string[], folder: string): Promise<Opened> {
  const host = await hostById(services.db, Number(id));
  if (!host) throw new UnreadableDocument('The host it was to come from is not known here any more.');
  const troubles: Trouble[] = [];
  const file = join(folder, 'made.zip');
  try {
    const connector = connectorOf(host);
    const title = (await connector.places()).find((one) => one.place === place)?.title ?? place!;
    const pages: HostPage[] = [];
    for await (const some of connector.pages(place!)) append(pages, some);
    if (pages.length === 0) throw new UnreadableDocument('The host has no page there.');
    await writeNewZip(file, entriesOf(services, found, connector, { place: place!, title, pages, troubles }));
    return { source: await zipSource(file, limitsFrom(process.env)), made: { file, name: found.name }, title, troubles };
  } catch (error) {
    throw error instanceof HostTrouble ? new UnreadableDocument(error.message) : error;
  }
}

interface Gathering {
  place: string;
  title: string;
  pages: readonly HostPage[];
  troubles: Trouble[];
}

async function* entriesOf(services: Services, found: Package, connector: Connector, { place, title, pages, troubles }: Gathering) {
  const files = await connector.files(place);
  const bytesOf = (text: string) => () => Promise.resolve<Uint8Array>(Buffer.from(text));
  yield { path: 'imsmanifest.xml', bytes: bytesOf(manifestOf(title, pages)) };
  for (const [nth, { remote, address }] of pages.entries()) {
    const draft = await connector.read(remote);
    if (draft) yield { path: address, bytes: bytesOf(draft.html) };
    else troubles.push({ path: address, what: 'It was taken off the host while it was read.' });
    if (nth % 20 === 0) await noteFetched(services.db, found.id, { pages: nth + 1, files: 0 });
  }
  for (const { path, size } of files) {
    if (size > LONGEST) {
      troubles.push({ path, what: `It is longer than ${LONGEST / 1_000_000} MB, and stays on the host.` });
      continue;
    }
    const bytes = await connector.file(place, path);
    if (bytes) yield { path, bytes: () => Promise.resolve(bytes) };
    else troubles.push({ path, what: 'The host does not give this file.' });
  }
}

const quoted = (text: string) => escapeText(text).replaceAll('"', '&quot;');

/** What says which pages there are, in which order and by which titles (IMS Content Packaging 1.1.4). */
function manifestOf(title: string, pages: readonly HostPage[]): string {
  const items = pages.map((page, nth) => `<item identifier="i${nth}" identifierref="r${nth}"><title>${quoted(page.title)}</title></item>`);
  const resources = pages.map(
    ({ address }, nth) =>
      `<resource identifier="r${nth}" type="webcontent" href="${quoted(address)}"><file href="${quoted(address)}"/></resource>`,
  );
  return `<?xml version="1.0" encoding="UTF-8"?>
<manifest identifier="from-host" xmlns="http://www.imsglobal.org/xsd/imscp_v1p1">
<metadata><schema>IMS Content</schema><schemaversion>1.1.4</schemaversion></metadata>
<organizations default="o"><organization identifier="o"><title>${quoted(title)}</title>
${items.join('\n')}
</organization></organizations>
<resources>
${resources.join('\n')}
</resources>
</manifest>
`;
}
