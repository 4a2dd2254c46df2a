import type { RuleCase } from '../../types.ts';

const at = ['/html[1]/body[1]/form[1]/label[1]/input[1]'];

export const cases: RuleCase[] = [
  {
    shows: 'a star without a word',
    html: '<form><label>Boat * <input></label></form>'.replace('* <input>', '<input> *'),
    at,
    outcome: 'cantTell',
    source: 'F81',
  },
  { shows: 'a red label', html: '<form><label style="color:#c00">Boat <input></label></form>', at, outcome: 'cantTell', source: 'F81' },
  {
    shows: 'a star that is explained',
    html: '<form><p>Fields with a star (*) are required.</p><label>Boat <input> *</label></form>',
    source: 'H90',
  },
  { shows: 'a field marked as required', html: '<form><label>Boat <input required> *</label></form>', source: 'practice' },
];
