import { backgroundsIn, inspectImageUses, inspectLinkUses } from '../inspect/uses.ts';
import { surroundingsFrom } from '../document/addresses.ts';
import { parsePage } from '../document/page.ts';
import { applyRemedy } from '../remedies/apply.ts';
import { fixCertain } from '../remedies/certain.ts';
import { referencesOf } from '../inspect/references.ts';
import { makeUpOf } from '../inspect/makeUp.ts';
import { inspectImages, inspectLinks, inspectLists, inspectOutline, inspectTables } from '../inspect/views.ts';
import { useRowsOf } from '../registers/uses.ts';
import { speakPage } from '../spoken/page.ts';
import { auditPage } from './run.ts';

/** Words that every object answers to without having them (ECMA-262, properties of the Object prototype). */
const INHERITED = [...Object.getOwnPropertyNames(Object.prototype), 'prototype', 'length', 'name', 'caller', 'then', 'toJSON'];

/** One page in which a word stands everywhere a word of the author's can stand. */
const pageOf = (word: string) => `<!doctype html><html lang="${word}"><head><title>${word}</title><meta name="${word}" content="${word}">
<style>.${word}{${word}:${word};color:${word};background:${word}(1,2,3);font-size:${word};width:1${word};list-style-type:${word}}
p:${word}{color:red} p::${word}{color:red} @media (${word}: 1px){p{color:red}} @${word} x{} p{color:var(--${word})}</style></head>
<body><main id="${word}" class="${word}"><h1>${word}</h1><${word} id="x">${word}</${word}>
<img src="${word}"><img src="${word}.${word}" alt="${word}" srcset="${word} 1x"><a href="${word}#x">${word}</a><a href="#${word}">here</a>
<a href="${word}:x">${word}</a><a href="x" target="${word}" rel="${word}">${word}</a>
<p lang="${word}" role="${word}" aria-${word}="${word}" ${word}="${word}" align="${word}" dir="${word}" style="color:${word};font:${word}">${word}</p>
<p xml:lang="${word}">• ${word}<br>• ${word}<br>• ${word}</p><ul type="${word}"><li value="${word}" type="${word}">${word}</ul>
<table summary="${word}" align="${word}"><tr><th scope="${word}" headers="${word}" abbr="${word}">${word}<td align="${word}">${word}</table>
<input type="${word}" autocomplete="${word}" name="${word}" list="${word}"><label for="${word}">${word}</label>
<button type="${word}">${word}</button><iframe src="${word}" title="${word}"></iframe><video src="${word}"><track kind="${word}" srclang="${word}"></video>
<object data="${word}" type="${word}"></object><embed type="${word}"><font color="${word}" size="${word}" face="${word}">${word}</font>
<div aria-labelledby="${word}" aria-controls="${word}" role="list"><div role="${word}">${word}</div></div>
<svg><use href="#${word}"/><${word}/></svg><math><${word}>x</${word}></math></main></body></html>`;

test.each(INHERITED)('a page full of “%s” is audited, inspected, spoken and fixed like any other', (word) => {
  const neighbours = {
    titles: { [word]: word, 'page.html': word },
    files: [word, `${word}.png`],
    sheets: { 'main.css': `.x{color:${word}}` },
    anchors: { [word]: [word] },
    alternatives: { [word]: [{ page: word, alt: word }] },
    ledTo: { [word]: [word] },
  };
  const surroundings = surroundingsFrom({ address: word, scope: 'document', title: word }, neighbours);
  for (const given of [surroundings, surroundingsFrom({ address: 'page.html', scope: 'document', title: '' }, { titles: {} })]) {
    const page = parsePage(pageOf(word), { surroundings: given });
    const { findings, troubles } = auditPage(page);
    expect(troubles).toEqual([]);
    expect(findings.length).toBeGreaterThan(5);
    for (const inspect of [inspectImages, inspectLinks, inspectLists, inspectOutline, inspectTables]) inspect(page);
    referencesOf(page, 'page.html');
    makeUpOf(page);
    useRowsOf(page, 'page.html', findings);
    inspectImageUses(page, word);
    inspectLinkUses(page, word);
    speakPage(page);
    fixCertain(page);
  }
  expect(() => backgroundsIn(`.${word}{background:url(${word})}`)).not.toThrow();
});

const OWN_WORDS = Object.getOwnPropertyNames(Object.prototype).filter((word) => !word.includes('_'));

test.each(OWN_WORDS)('“%s” as a colour, role, language, tag or place is told just as a word of no meaning is', (word) => {
  const rulesFor = (written: string) => auditPage(parsePage(pageOf(written))).findings.map(({ rule, message }) => `${rule} ${message}`);
  const meaningless = 'quibblewick'.padEnd(word.length, 'k').slice(0, Math.max(3, word.length));
  expect(rulesFor(word).filter((one) => !one.startsWith('images/'))).toEqual(
    rulesFor(meaningless).filter((one) => !one.startsWith('images/')),
  );
});

test('50,000 sibling paragraphs with typed bullets exhaust no stack', () => {
  const page = parsePage('<p>• item</p>\n'.repeat(50_000));
  const { findings, troubles } = auditPage(page);
  expect(troubles).toEqual([]);
  expect(findings.map(({ rule }) => rule)).toContain('lists/typed');
  const typed = findings.find(({ rule }) => rule === 'lists/typed')!;
  expect(applyRemedy(page, typed, 'make-list', {}).ok).toBe(true);
}, 60_000);
