const FOOT = `
Exit codes: 0 nothing holds publication · 1 something does · 2 the call or an input was wrong
`;

export const HELP: Readonly<Record<string, string>> = {
  all: `inkwell: examines web and course pages for accessibility, with the engine of Inkwell Check.

  inkwell audit PATH...       what is wrong on each page, where, and how to fix it
  inkwell inspect FILE        what the engine knows of a page: outline, names, colours, tables, lists, links, images, spoken
  inkwell fix FILE            fixes what needs no one's judgement, or one finding as you say
  inkwell compare OLD NEW     what a new version of a page or folder fixed, kept and brought
  inkwell rules               every rule, with its criteria and remedies

inkwell COMMAND --help tells more about each.

  inkwell audit lesson.html
  inkwell audit site/ --format sarif --out report.sarif
  inkwell inspect lesson.html --view spoken
  inkwell fix lesson.html --diff
  cat lesson.html | inkwell audit -
${FOOT}`,
  audit: `inkwell audit PATH... [--profile NAME-or-FILE] [--scope document|fragment] [--css FILE] [--format FORMAT] [--out FILE]

PATH is an HTML file or a folder of them; - reads one page from standard input. A page with no html, head or body tag of its
own is taken for a fragment, and rules about the whole document say nothing of it; --scope decides otherwise. Style sheets that
a page links to are read from beside it; the pages of a folder know of one another.

  --profile   wcag22-aa (the default), any of wcag20, wcag21, wcag22 with -a, -aa, -aaa, or a profile file
  --css       a style sheet that applies beneath the page's own, as a platform's does; may be given several times
  --format    text for people; json, earl (JSON-LD), csv, sarif, junit for programs
  --out       writes there in place of standard output
${FOOT}`,
  inspect: `inkwell inspect FILE --view VIEW [--json] [--scope document|fragment] [--css FILE]

  outline   the headings, by level                    names     what each thing is called, and what it is
  colours   each text's colours as seen, their ratio  tables    grids, with the headers of each cell
  lists     real lists and typed ones                 links     where they lead and what is wrong with them
  images    their alternatives                        spoken    what a screen reader says, in order

--json gives the rows as data.
`,
  fix: `inkwell fix FILE [--only RULE,...] [--out FILE] [--diff]
inkwell fix FILE --finding FINGERPRINT [--remedy NAME] [--set key=value ...] [--out FILE] [--diff]

Without --finding, applies every remedy that needs no one's judgement. With it, applies one remedy to one finding; audit
--format json tells the fingerprints, the remedies and what each needs. Every byte outside an edit stays as it was. The page goes
to standard output, or to --out; --diff shows the change in its place.

  inkwell fix lesson.html --only lists/typed,text/pasted-markup --out lesson.html
  inkwell fix lesson.html --finding 1ee15576e34069b9 --remedy describe --set alt="A smoker, lit"
${FOOT}`,
  compare: `inkwell compare OLD NEW [--profile NAME-or-FILE] [--scope document|fragment] [--json]

OLD and NEW are two versions of one page, or two folders whose pages have the same names. A finding is kept when it is the same
problem on the same piece of the page, wherever an edit elsewhere moved it.
${FOOT}`,
  rules: `inkwell rules [--json]

Lists every rule: its weight, the success criteria and techniques behind it, and the remedies it offers.
`,
};
