import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a choice that submits',
    html: '<form><select aria-label="Lock" onchange="this.form.submit()"><option>4</option></select></form>',
    at: ['/html[1]/body[1]/form[1]/select[1]'],
    outcome: 'cantTell',
    source: 'F37',
  },
  {
    shows: 'focus thrown away, and a window',
    html: '<p><a href="x" onfocus="this.blur()">Boats</a> <a href="y" onfocus="window.open(this.href)">Walks</a></p>',
    at: ['/html[1]/body[1]/p[1]/a[1]', '/html[1]/body[1]/p[1]/a[2]'],
    outcome: 'cantTell',
    source: 'F55',
  },
  {
    shows: 'a script that leaves at a change',
    html: '<select id="s" aria-label="Lock"><option>4</option></select><script>s.addEventListener("change", () => { location.href = s.value; });</script>',
    at: ['/html[1]/body[1]/script[1]'],
    outcome: 'cantTell',
    source: 'F36',
  },
  {
    shows: 'a choice that only shows something',
    html: '<select aria-label="Lock" onchange="show(this.value)"><option>4</option></select>',
    source: 'F36',
  },
];
