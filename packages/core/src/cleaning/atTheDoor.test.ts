import { auditPage } from '../audit/run.ts';
import { parsePage } from '../document/page.ts';
import { manyPasted } from '../semantics/pastedMarks.ts';
import { cleanAtTheDoor, doorQuestions } from './atTheDoor.ts';

const page = (html: string) => parsePage(html, { scope: 'fragment' });

/** As a word processor pastes it: a title in bold, a list of typed numbers, a word in red, an empty paragraph. */
const PASTED = `<p class="MsoNormal" style="mso-margin-top-alt:auto"><b><span style="font-size:14.0pt;color:#1F3864">Opening the hive<o:p></o:p></span></b></p>
<p class="MsoNormal"><span style="font-family:&quot;Arial&quot;,sans-serif">Choose a warm day without wind, and light the smoker before you lift the roof.<o:p></o:p></span></p>
<p class="MsoNormal"><o:p>&nbsp;</o:p></p>
<p class="MsoListParagraph" style="text-indent:-18.0pt;mso-list:l0 level1 lfo1">1. Puff smoke at the entrance</p>
<p class="MsoListParagraph" style="text-indent:-18.0pt;mso-list:l0 level1 lfo1">2. Lift the roof</p>
<p class="MsoListParagraph" style="text-indent:-18.0pt;mso-list:l0 level1 lfo1">3. Take out one frame</p>
<p class="MsoNormal">Everything that the book asks of a beginner is here, and what is <span style="color:#C00000">dangerous</span> stands among it.</p>`;

function answered(html: string, choose: (about: string) => string) {
  const read = page(html);
  return cleanAtTheDoor(read, Object.fromEntries(doorQuestions(read).map(({ key, about }) => [key, choose(about)])));
}

test('asks about bold lines, typed lists and colours before anything is stripped', () => {
  const asked = doorQuestions(page(PASTED));
  expect(asked.map(({ about, proposed }) => [about, proposed])).toEqual([
    ['heading', '2'],
    ['list', 'list'],
    ['colour', null],
  ]);
  expect(cleanAtTheDoor(page(PASTED), {})).toMatchObject({ ok: false });
});

test('what was only looks is a heading and a list in the cleaned page, and a colour that says something stays', () => {
  const cleaned = answered(PASTED, (about) => ({ heading: '2', list: 'list', colour: 'stays' })[about]!);
  if (!cleaned.ok) throw new Error(cleaned.reason);
  expect(cleaned.after.replace(/\s+/g, ' ')).toBe(
    '<h2>Opening the hive</h2> <p>Choose a warm day without wind, and light the smoker before you lift the roof.</p> ' +
      '<ol><li>Puff smoke at the entrance</li> <li>Lift the roof</li> <li>Take out one frame</li></ol> ' +
      '<p>Everything that the book asks of a beginner is here, and what is <span style="color:#C00000">dangerous</span> stands among it.</p>',
  );
  expect(manyPasted(page(cleaned.after))).toBe(0);
});

test('emphasis stays emphasis, typed numbers stay text, and a colour that says nothing goes', () => {
  const cleaned = answered(PASTED, (about) => (about === 'colour' ? 'goes' : 'text'));
  if (!cleaned.ok) throw new Error(cleaned.reason);
  expect(cleaned.after).toContain('<p><b>Opening the hive</b></p>');
  expect(cleaned.after).toContain('<p>1. Puff smoke at the entrance</p>');
  expect(cleaned.after).toContain('what is dangerous stands');
});

test('letters that are signs are left alone', () => {
  const html = '<p class="MsoNormal"><span style="font-family:Wingdings">ü</span> Smoke first, then open, and never alone in the wind.</p>';
  expect(answered(html, () => 'text')).toEqual({
    ok: false,
    reason: 'Letters are shown as signs here; without their face they would be letters.',
  });
});

test('a page that nobody pasted has no marks and nothing to clean', () => {
  const html = '<h2>Winter</h2><p>The bees hang in a ball and keep one another warm until the willow is in flower.</p>';
  expect(manyPasted(page(html))).toBe(0);
  expect(answered(html, () => 'text')).toEqual({ ok: false, reason: 'Nothing is left to clean.' });
});

test('no word is lost, and nothing comes to mend that was not there', () => {
  const words = (html: string) => page(html).body && auditPage(page(html)) && html.replace(/<[^>]*>|&nbsp;|^\d\.\s|\n\d\.\s/g, ' ');
  const cleaned = answered(PASTED, (about) => ({ heading: '3', list: 'text', colour: 'goes' })[about]!);
  if (!cleaned.ok) throw new Error(cleaned.reason);
  const tokens = (html: string) => words(html)?.match(/\p{L}+/gu);
  expect(tokens(cleaned.after)).toEqual(tokens(PASTED));
});
