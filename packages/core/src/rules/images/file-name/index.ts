import { images } from '../../../semantics/imageContext.ts';
import { troubleOfFileName } from '../../../semantics/fileNames.ts';
import { addressOf, fileNameOf } from '../../../semantics/images.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'images/file-name',
  title: 'File name that says nothing',
  why: 'Whoever looks for the image later, or is read its address, learns nothing from it.',
  fix: 'Name the file in a few lower-case words with dashes between them.',
  criteria: [],
  techniques: [],
  practice: true,
  weight: 'consider',
  scope: 'any',
  remedies: ['rename'],
  messages: {
    camera: '{file} is named as a camera or program names it',
    signs: '{file} holds spaces, capitals or signs that addresses do badly with',
    wordless: '{file} holds no word',
  },
  end(page, tell) {
    const seen = new Set<string>();
    for (const image of images(page)) {
      const address = addressOf(image);
      const file = fileNameOf(address);
      if (!file || seen.has(address) || /^(?:https?:)?\/\//i.test(address)) continue;
      seen.add(address);
      const message = troubleOfFileName(file, page.surroundings.vocabulary?.fileNames);
      if (message) tell({ at: image, message, values: { file }, subject: address });
    }
  },
});
