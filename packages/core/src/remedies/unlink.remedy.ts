import { rawText, tidy } from '../document/tree.ts';
import { imagesIn } from '../semantics/images.ts';
import { NO_SOURCE, removal, unwrap } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';
import { placesOf } from './lastingColour.ts';

/** Takes a link away and keeps what it holds; one that holds nothing goes whole. */
export const remedy: Remedy = {
  name: 'unlink',
  label: 'Take the link away',
  certain: false,
  fields: [],
  plan(target) {
    const places = placesOf(target);
    if (places.some((place) => !place.startTag || !place.range)) return decline(NO_SOURCE);
    return planned(
      places.flatMap((place) =>
        tidy(rawText(place)) === '' && imagesIn(place).length === 0 ? [removal(target.page, place.range!)] : unwrap(place),
      ),
    );
  },
};
