import { resolveAddress } from '../document/addresses.ts';
import { childElements, has, tidy, valueOf, type ElementNode } from '../document/tree.ts';
import { tagged } from '../document/tagged.ts';
import type { Page } from '../document/page.ts';
import { hasTrack, hasTranscriptNear, isPlayerFrame } from '../semantics/media.ts';
import { nameOf } from '../semantics/names.ts';
import { cut, traitsOf, type Use } from './types.ts';

/** Frames, video and sound by what they show or play. */
export function mediaUses(page: Page, address: string): Use[] {
  return tagged(page, 'iframe', 'video', 'audio').map((element) => {
    const { tag } = element;
    const plays = tag !== 'iframe';
    const name = nameOf(page, element).name;
    const captions = tag === 'video' && hasTrack(element, ['captions', 'subtitles']);
    const transcript = plays || isPlayerFrame(element) ? hasTranscriptNear(page, element) : true;
    return {
      name: cut(sourceOf(element, address) || 'Nothing named'),
      place: tag === 'iframe' ? 'frame' : tag,
      says: name || null,
      traits: traitsOf('media', [
        tag === 'iframe' ? 'frame' : (tag as 'video' | 'audio'),
        name === '' && 'unnamed',
        tag === 'video' && !captions && 'no captions',
        !transcript && 'no transcript',
        plays && !has(element, 'controls') && 'no controls',
        plays && has(element, 'autoplay') && 'starts by itself',
      ]),
      facts: { captions, transcript },
      elements: [element],
    };
  });
}

/** What an element shows or plays: a path in the collection, or an address elsewhere. */
function sourceOf(element: ElementNode, address: string): string {
  const written = [element, ...childElements(element).filter(({ tag }) => tag === 'source')]
    .map((one) => tidy(valueOf(one, 'src') ?? ''))
    .find((src) => src !== '');
  return written === undefined ? '' : (resolveAddress(address, written) ?? written);
}
