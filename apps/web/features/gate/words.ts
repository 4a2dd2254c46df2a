import { lookup } from '@inkwell/core';
import type { GateGroup, GateRow, GateShown, Look } from '@inkwell/review';

/** In the order in which a page goes through them. */
export const GROUP_WORDS: Record<GateGroup, { label: string; none: string }> = {
  'to sign': { label: 'To sign off', none: 'Nothing waits to be signed off. What is held stands under Held.' },
  'to publish': { label: 'To publish', none: 'Nothing that is signed off waits to be published.' },
  'going out': { label: 'Going out', none: 'Nothing is on its way out.' },
  published: { label: 'Published', none: 'Nothing is published yet.' },
  lapsed: { label: 'Lapsed', none: 'No sign-off has lapsed.' },
  drifted: { label: 'Differs on the host', none: 'Every page is on its host as it is here.' },
  held: { label: 'Held', none: 'Nothing is held.' },
};

/** Whose pages can be signed, and taken off. */
export const SIGNED_HERE: readonly GateGroup[] = ['to sign', 'lapsed'];
export const TAKEN_OFF_HERE: readonly GateGroup[] = ['published', 'lapsed', 'drifted'];

/** Whether whoever looks may do anything to pages of the group that is shown. */
export function mayAct({ group, can }: GateShown): boolean {
  const isPublishers = ['to publish', 'going out', ...TAKEN_OFF_HERE].includes(group);
  return (can.sign && SIGNED_HERE.includes(group)) || (can.publish && isPublishers);
}

/** What no engine finds, each as somebody does it. */
export const LOOK_WORDS: Record<Look, { label: string; how: string }> = {
  widths: { label: 'Seen at three widths', how: 'Nothing is cut off, overlaps or scrolls sideways at desktop, tablet and phone width.' },
  aloud: { label: 'Read aloud', how: 'Heard from top to bottom it makes sense, in this order.' },
  links: { label: 'Links followed', how: 'Each leads where its text says.' },
  menu: { label: 'Menu reached by keyboard', how: 'Every control can be reached and left, and it shows where one is.' },
  address: { label: 'Address and summary', how: 'The address and the summary for search say what the page is about.' },
};

const BECAUSE: Readonly<Record<string, string>> = {
  text: 'its text changed',
  decision: 'something was decided otherwise',
  exception: 'an exception ran out',
  standard: 'the standard changed',
  audit: 'a newer audit found something',
  file: 'a file it shows is another one now',
};

export const lapsedBecause = (because: string) => lookup(BECAUSE, because) ?? because;

/** Who can lift what holds a page, where nobody has it yet. */
export function lifts({ asks, people }: GateRow['holders'][number]): string {
  if (people.length > 0) return `with ${people.join(', ')}`;
  return asks ? 'a reviewer or specialist answers it' : 'nobody has it yet';
}

export const HOST_STATES: Readonly<Record<string, string>> = {
  'changed there': 'changed on the host',
  'changed on both': 'changed here and on the host',
  'gone there': 'no longer on the host',
};
