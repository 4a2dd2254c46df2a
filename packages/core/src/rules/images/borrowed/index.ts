import { images } from '../../../semantics/imageContext.ts';
import { addressOf } from '../../../semantics/images.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'images/borrowed',
  title: 'Image taken from another host',
  why: 'It can change or go away without a word, and its host learns who reads the page.',
  fix: 'Keep a copy with the page, if its licence allows, and use that.',
  alike: true,
  criteria: [],
  techniques: [],
  practice: true,
  weight: 'consider',
  scope: 'any',
  remedies: [],
  messages: { elsewhere: 'This image comes from {host}' },
  end(page, tell) {
    for (const image of images(page)) {
      const host = /^(?:https?:)?\/\/([^/?#]+)/i.exec(addressOf(image))?.[1];
      if (host && host.toLowerCase() !== page.surroundings.ownHost?.toLowerCase())
        tell({ at: image, message: 'elsewhere', values: { host }, subject: host });
    }
  },
});
