const FOOT = `
Exit codes: 0 nothing holds publication · 1 something does · 2 the call or an input was wrong
`;

export const HELP: Readonly<Record<string, string>> = {
  all: `inkwell: examines web and course pages for accessibility, with the engine of Inkwell Check.

  inkwell audit PATH...       what is wrong on each page, where, and how to fix it
  inkwell inspect PATH        what the engine knows of a page: outline, names, colours, tables, lists, links, images, spoken
  inkwell fix PATH            fixes what needs no one's judgement, or one finding as you say
  inkwell rename PACKAGE      gives files of a folder or package better names, and every reference follows
  inkwell fill PACKAGE        takes a sheet of images that was filled in elsewhere
  inkwell check PATH...       the same verdicts from a running application, for continuous integration
  inkwell compare OLD NEW     what a new version of a page, folder or package fixed, kept and brought
  inkwell rules               every rule, with its criteria and remedies

PATH is an HTML file, a folder, or a package: a .zip of a site, a course package (IMS Common Cartridge, Content Package), an EPUB.

inkwell COMMAND --help tells more about each.

  inkwell audit lesson.html
  inkwell audit site/ --format sarif --out report.sarif
  inkwell inspect lesson.html --view spoken
  inkwell fix lesson.html --diff
  cat lesson.html | inkwell audit -
${FOOT}`,
  check: `inkwell check PATH... --server URL [--token-file FILE] [--profile NAME-or-FILE] [--scope document|fragment] [--format FORMAT] [--out FILE]

Each page is sent to a running application, which looks at it under what its house asks, and keeps nothing of it. The token is the
only thing in FILE, or in INKWELL_TOKEN; bin/token makes one with the reach check. FORMAT is text, json, earl, csv, sarif or junit.

  inkwell check lesson.html --server https://check.larkmoor.example --token-file token
  inkwell check site/ --server https://check.larkmoor.example --format sarif --out report.sarif
${FOOT}`,
  audit: `inkwell audit PATH... [--profile NAME-or-FILE] [--scope document|fragment] [--css FILE] [--format FORMAT] [--out FILE]

PATH is an HTML file, a folder or a package; - reads one page from standard input. A page with no html, head or body tag of its
own is taken for a fragment, and rules about the whole document say nothing of it; --scope decides otherwise. Style sheets that
a page links to are read from beside it; the pages of a folder or package know of one another, and come in reading order: by a
course's organisation, a book's spine, a site's links. HTML inside a course's XML is a page too. What cannot be read is named, and
does not stop the rest; a package that would do harm is refused. INKWELL_MOST_ENTRIES, INKWELL_MOST_UNPACKED_MB and
INKWELL_MOST_RATIO say how much a package may hold.

  --profile   wcag22-aa (the default), any of wcag20, wcag21, wcag22 with -a, -aa, -aaa, or a profile file
  --css       a style sheet that applies beneath the page's own, as a platform's does; may be given several times
  --format    text for people; json, earl (JSON-LD), csv, sarif, junit for programs
  --out       writes there in place of standard output
${FOOT}`,
  inspect: `inkwell inspect PATH --view VIEW [--format text|json|csv] [--scope document|fragment] [--css FILE]

  outline   the headings, by level                    names     what each thing is called, and what it is
  colours   each text's colours as seen, their ratio  tables    grids, with the headers of each cell
  lists     real lists and typed ones                 links     where they lead and what is wrong with them
  images    their alternatives                        spoken    what a screen reader says, in order
  pages     titles, words, verdicts and what is open

Of a folder or package each row says its page. --json is short for --format json.
`,
  fix: `inkwell fix PATH [--only RULE,...] [--out PATH] [--diff]
inkwell fix PATH --finding FINGERPRINT [--page PAGE] [--remedy NAME] [--set key=value ...] [--out PATH] [--diff]

Without --finding, applies every remedy that needs no one's judgement. With it, applies one remedy to one finding; audit
--format json tells the fingerprints, the remedies and what each needs. Every byte outside an edit stays as it was. The page goes
to standard output, or to --out; --diff shows the change in its place. A folder goes to a new folder, a package to a package whose
other entries are byte for byte what they were; without --out it is only said what would be fixed. --page names the page of a
finding in them.

  inkwell fix lesson.html --only lists/typed,text/pasted-markup --out lesson.html
  inkwell fix lesson.html --finding 1ee15576e34069b9 --remedy describe --set alt="A smoker, lit"
${FOOT}`,
  rename: `inkwell rename PACKAGE --propose [--out FILE.csv]
inkwell rename PACKAGE --map FILE.csv [--out PACKAGE] [--redirects FILE.csv]

--propose lists images whose names say nothing and for which words are known, an alternative or a caption, as CSV: old,new. --map takes such
a list: the files are renamed and every reference follows, in pages, style sheets, drawings and manifests, as relative as it was. A map that
names a file that is missing, one that is there already, or one twice is refused whole. --redirects writes the old and new addresses from
the root of the site.
`,
  fill: `inkwell fill PACKAGE --from FILE.csv [--out PACKAGE]

Takes the images sheet that inspect --view images --format csv writes, filled in: page,path,file,alternative,decorative (yes, no or empty). A row
fits when its element still shows its file; others are named and left as they are.

Exit codes: 0 every row fitted · 2 some did not, or the call was wrong
`,
  compare: `inkwell compare OLD NEW [--profile NAME-or-FILE] [--scope document|fragment] [--json]

OLD and NEW are two versions of one page, or two folders or packages whose pages have the same names. A finding is kept when it is the same
problem on the same piece of the page, wherever an edit elsewhere moved it.
${FOOT}`,
  rules: `inkwell rules [--json]

Lists every rule: its weight, the success criteria and techniques behind it, and the remedies it offers.
`,
};
