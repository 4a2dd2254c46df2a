import { defineRule } from '../../types.ts';
import { nameOf } from '../../../semantics/names.ts';
import { valueOf, rawText } from '../../../document/tree.ts';
import { tagged } from '../../../document/tagged.ts';
export const rule = defineRule({
  id: 'structure/change-acts',
  title: 'Choice that acts by itself',
  why: 'Someone who goes through the choices by keyboard is sent away at the first of them.',
  fix: 'Let a button do what the choice does now, and leave the focus where the reader put it.',
  question: {
    ask: 'Does this happen without the reader asking for it?',
    yes: 'Yes, it has to wait',
    no: 'No, the reader is told before',
    same: ['piece'],
  },
  criteria: ['3.2.2', '2.1.1'],
  techniques: ['F36', 'F37', 'F55'],
  weight: 'should',
  scope: 'any',
  remedies: [],
  messages: {
    sends: 'Choosing in “{text}” sends the form or leaves the page by itself',
    throws: '“{text}” throws the focus away as soon as it has it',
    opens: '“{text}” opens a window by itself',
  },
  tags: ['*'],
  visit(page, element, tell) {
    for (const { name, value } of element.attributes) {
      if (!name.startsWith('on')) continue;
      const message = troubleOf(name, value);
      if (!message) continue;
      const text = nameOf(page, element).name || valueOf(element, 'name') || element.tag;
      tell({ at: element, message, values: { text }, subject: `${name} ${text}`, outcome: 'cantTell' });
    }
  },
  end(page, tell) {
    for (const element of tagged(page, 'script')) {
      const text = rawText(element).slice(0, 100_000);
      if (
        /addEventListener\(\s*['"]change['"][^]{0,160}?(?:\.submit\(|location(?:\.href)?\s*=|location\.(?:assign|replace)\()|\.onchange\s*=[^]{0,160}?(?:\.submit\(|location(?:\.href)?\s*=)/.test(
          text,
        )
      )
        tell({ at: element, message: 'sends', values: { text: 'a script' }, subject: 'script', outcome: 'cantTell' });
    }
  },
});

function troubleOf(name: string, script: string): 'sends' | 'throws' | 'opens' | null {
  if ((name === 'onchange' || name === 'oninput') && /submit\s*\(|location\b|\.href\s*=|\bgo\w*\(|jump\w*\(|navigate\w*\(/i.test(script))
    return 'sends';
  if (name === 'onfocus' && /(?:^|[^\w])(?:this\.)?blur\s*\(/.test(script)) return 'throws';
  return (name === 'onload' || name === 'onfocus' || name === 'onmouseover') && /window\.open\s*\(/.test(script) ? 'opens' : null;
}
