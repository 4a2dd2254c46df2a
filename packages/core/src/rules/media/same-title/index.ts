import { defineRule } from '../../types.ts';
import { tagged } from '../../../document/tagged.ts';
import { isExposed } from '../../../semantics/visibility.ts';
import { nameOf } from '../../../semantics/names.ts';
import { groupedBy } from '../../../document/grouped.ts';
import { bare } from '../../../standards/phrases/index.ts';
import { valueOf } from '../../../document/tree.ts';
export const rule = defineRule({
  id: 'media/same-title',
  title: 'Frames of one title',
  why: 'In a list of frames they cannot be told apart.',
  fix: 'Let each title say what is in its frame.',
  question: {
    ask: 'Do these frames hold different things?',
    yes: 'Yes, each needs a title of its own',
    no: 'No, one title fits',
    same: ['piece'],
  },
  criteria: ['4.1.2'],
  techniques: ['H64'],
  weight: 'should',
  scope: 'any',
  remedies: ['name'],
  messages: {
    shared: '{many} frames are called “{title}” and hold different things',
  },
  end(page, tell) {
    const frames = tagged(page, 'iframe', 'frame').filter((frame) => isExposed(page, frame) && nameOf(page, frame).name !== '');
    for (const [, same] of groupedBy(frames, (frame) => bare(nameOf(page, frame).name))) {
      const different = [...new Map(same.map((frame) => [valueOf(frame, 'src') ?? '', frame])).values()];
      const second = different[1];
      if (second)
        tell({
          at: second,
          places: different.slice(1),
          message: 'shared',
          values: { many: different.length, title: nameOf(page, second).name },
          subject: nameOf(page, second).name,
          outcome: 'cantTell',
        });
    }
  },
});
