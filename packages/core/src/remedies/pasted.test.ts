import { cleanPaste } from './pasted.ts';

/** What a word processor puts on the clipboard: its own tags, classes and looks around three short blocks. */
const WORD = `<p class=MsoNormal style='margin-bottom:0cm'><b><span lang=EN-GB style='font-size:14.0pt;mso-fareast-language:EN-GB'>Wax and what it is for<o:p></o:p></span></b></p>
<p class=MsoNormal><span style='color:black'>It keeps for <i>years</i>.<o:p></o:p></span></p>
<p class=MsoListParagraph style='text-indent:-18.0pt;mso-list:l0 level1 lfo1'><span style='mso-list:Ignore'>·<span style='font:7.0pt "Times New Roman"'>&nbsp;&nbsp; </span></span>Candles<o:p></o:p></p>
<p class=MsoListParagraph style='text-indent:-18.0pt;mso-list:l0 level1 lfo1'><span style='mso-list:Ignore'>·<span style='font:7.0pt "Times New Roman"'>&nbsp;&nbsp; </span></span>Polish<o:p></o:p></p>`;

test('a word processor’s text comes out clean, with a real list, and its bold line is asked about', () => {
  const { html, bold } = cleanPaste(WORD);
  expect(html.replace(/\s+/g, ' ')).toMatch(/<ul> ?<li>Candles<\/li> ?<li>Polish<\/li> ?<\/ul>/);
  expect(html).not.toMatch(/mso|Mso|<o:p|style=/);
  expect(html).toContain('It keeps for <i>years</i>.');
  expect(bold.map(({ text }) => text)).toEqual(['Wax and what it is for']);
});

test('sound text is left as it is', () => {
  expect(cleanPaste('<h2>Wax</h2><p>It <em>keeps</em>.</p>')).toEqual({ html: '<h2>Wax</h2><p>It <em>keeps</em>.</p>', bold: [] });
});
