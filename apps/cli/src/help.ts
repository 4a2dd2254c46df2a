const FOOT = `
Exit codes: 0 nothing holds publication · 1 something does · 2 the call or an input was wrong
`;

export const HELP: Readonly<Record<string, string>> = {
  all: `inkwell: examines web and course pages for accessibility, with the engine of Inkwell Check.

  inkwell audit PATH...       what is wrong on each page, where, and how to mend it
  inkwell compare OLD NEW     what a new version of a page or folder fixed, kept and brought
  inkwell rules               every rule, with its criteria and remedies

inkwell COMMAND --help tells more about each.

  inkwell audit lesson.html
  inkwell audit site/ --format json --out report.json
  cat lesson.html | inkwell audit -
${FOOT}`,
  audit: `inkwell audit PATH... [--profile NAME] [--scope document|fragment] [--format text|json] [--out FILE]

PATH is an HTML file or a folder of them; - reads one page from standard input. A page with no html, head or body tag of its
own is taken for a fragment, and rules about the whole document say nothing of it; --scope decides otherwise.

  --profile   wcag22-aa (the default), or any of wcag20, wcag21, wcag22 with -a, -aa, -aaa
  --format    text for people, json for programs
  --out       writes there in place of standard output
${FOOT}`,
  compare: `inkwell compare OLD NEW [--profile NAME] [--scope document|fragment] [--json]

OLD and NEW are two versions of one page, or two folders whose pages have the same names. A finding is kept when it is the same
problem on the same piece of the page, wherever an edit elsewhere moved it.
${FOOT}`,
  rules: `inkwell rules [--json]

Lists every rule: its weight, the success criteria and techniques behind it, and the remedies it offers.
`,
};
