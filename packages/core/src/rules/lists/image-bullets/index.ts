import { defineRule } from '../../types.ts';
import { imageBulletRuns } from '../../../semantics/imageBullets.ts';
import { shownText } from '../../../semantics/names.ts';
export const rule = defineRule({
  id: 'lists/image-bullets',
  title: 'List whose bullets are images',
  why: 'It looks like a list and is told as loose lines, each with an image before it.',
  fix: 'Make it a real list and let its style bring the bullets.',
  criteria: ['1.3.1'],
  techniques: ['F2', 'H48'],
  weight: 'should',
  scope: 'any',
  remedies: ['make-list'],
  messages: {
    bullets: '{count} lines with the same image before each stand here and are no list',
  },
  end(page, tell) {
    for (const run of imageBulletRuns(page))
      tell({
        at: run[0]!.block,
        through: run.at(-1)!.block,
        message: 'bullets',
        values: { count: run.length },
        subject: shownText(page, run[0]!.block, 80),
      });
  },
});
