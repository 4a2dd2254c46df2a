import { childElements, closest, tidy, valueOf, type ElementNode } from '../document/tree.ts';
import { fact, type Page } from '../document/page.ts';
import { phrasesOf } from '../standards/phrases/index.ts';
import { shownText } from './names.ts';
import { fileNameOf } from './images.ts';
import { isBlock } from './blocks.ts';

/** Whether a player has a text track of some kinds. */
export function hasTrack(player: ElementNode, kinds: readonly string[]): boolean {
  return childElements(player).some(
    (child) => child.tag === 'track' && kinds.includes((valueOf(child, 'kind') ?? 'subtitles').toLowerCase()),
  );
}

/** The file a player plays, by its name; '' when the source does not say. */
export function fileOf(player: ElementNode): string {
  const address =
    valueOf(player, 'src') ??
    childElements(player)
      .map((child) => (child.tag === 'source' ? valueOf(child, 'src') : null))
      .find((src) => src !== null) ??
    '';
  return fileNameOf(address);
}

/** Addresses of frames that most often hold a recording. */
const PLAYER = /(?:^|[/.\-_])(?:video|videos|player|embed|watch|tube|movie|lecture|recording)(?:[/.\-_?]|$)/i;

/** Frames of maps, forms and the like, which their hosts embed by the same kind of address. */
const OTHER_FRAME =
  /(?:^|[^a-z])(?:maps?|karte|carte|mapa|mappa|kaart|forms?|formular|formulaire|quiz|quizz(?:es)?|survey|poll|calendar|kalender|calendrier|calendario|agenda|sheets?|spreadsheet|slides?|presentation|document|docs|chart|graph|diagram|chat|comments?|login|search|timetable|board)(?:$|[^a-z])/i;

/** Whether a frame seems to hold a recording. */
export function isPlayerFrame(frame: ElementNode): boolean {
  return (
    frame.tag === 'iframe' &&
    !OTHER_FRAME.test(`${valueOf(frame, 'src') ?? ''} ${valueOf(frame, 'title') ?? ''}`) &&
    (PLAYER.test(valueOf(frame, 'src') ?? '') || /\b(?:video|recording|film)\b/i.test(valueOf(frame, 'title') ?? ''))
  );
}

const transcripts = fact((): Map<ElementNode, boolean> => new Map());

/** Whether words of a transcript stand in the block of a player or right after it. */
export function hasTranscriptNear(page: Page, player: ElementNode): boolean {
  const block = closest(player, (up) => isBlock(up) && up.tag !== 'figure') ?? page.body;
  const known = transcripts(page);
  let found = known.get(block);
  if (found === undefined) known.set(block, (found = speaksOfTranscript(page, block)));
  return found;
}

function speaksOfTranscript(page: Page, block: ElementNode): boolean {
  const after =
    block === page.body
      ? []
      : block
          .parent!.children.slice(block.index + 1)
          .filter((node): node is ElementNode => node.kind === 'element')
          .slice(0, 2);
  const text = tidy([block, ...after].map((element) => shownText(page, element, 2_000)).join(' ')).toLowerCase();
  return [...phrasesOf('transcriptWords')].some((word) => text.includes(word));
}
