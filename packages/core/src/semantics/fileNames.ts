const CAMERA =
  /^(?:img|dsc|dscn|dscf|dcim|pict|pxl|sam|mvimg|gopr|scan|screenshot|screen[ _-]shot|photo|image|picture|untitled|bild|foto|whatsapp[ _-]image)[-_ ]?\(?\d*[\d_ .()-]*(?:at.*)?$/i;

/**
 * What is wrong with a file's name, its ending left out: named by a device, with signs that addresses do badly with, or without a word.
 * Nothing is, where it is named after a plan of the house (`plans`, see `isAfterPlan`). Common practice.
 */
export function troubleOfFileName(file: string, plans?: readonly string[]): 'camera' | 'signs' | 'wordless' | null {
  if (isAfterPlan(plans, file)) return null;
  const name = file.replace(/\.[a-z0-9]{2,5}$/i, '');
  if (CAMERA.test(name)) return 'camera';
  if (!/\p{L}{3}/u.test(name) || /^[0-9a-f]{8,}(?:-[0-9a-f]+)*$/i.test(name)) return 'wordless';
  return /[\s\p{Lu}%&+,'()]/u.test(name) ? 'signs' : null;
}

/** Whether a file is named after a plan of the house: patterns in which `*` stands for any characters, capitals or not. */
export function isAfterPlan(patterns: readonly string[] = [], file: string): boolean {
  return patterns.some((pattern) => {
    const parts = pattern.toLowerCase().split('*');
    let rest = file.toLowerCase();
    if (parts.length === 1) return rest === parts[0];
    const [first, last] = [parts[0]!, parts.at(-1)!];
    if (!rest.startsWith(first)) return false;
    rest = rest.slice(first.length);
    for (const part of parts.slice(1, -1)) {
      const at = rest.indexOf(part);
      if (at < 0) return false;
      rest = rest.slice(at + part.length);
    }
    return rest.endsWith(last);
  });
}

/** Names that programs give a file when nobody does. */
const GIVEN =
  /^(?:unnamed|download(?:ed)?|file|default|temp|tmp|new|copy|untitled|noname|sans[-_ ]titre|unbenannt|descarga|image|img|pic)[-_ ]?\(?\d*\)?$/i;
/** One word and a number. */
const NUMBERED = /^\p{L}+[-_ ]?\(?\d+\)?$/iu;
/** Most characters of a name without its ending. Common practice. */
const LONGEST = 60;

export type OddName = 'camera' | 'signs' | 'wordless' | 'given' | 'numbered' | 'long';

/** What is odd about an image file's name, widely taken: also what a program gave it, a word with a number, what is too long. */
export function oddNameOf(file: string, plans?: readonly string[]): OddName | null {
  const own = file.replace(/^.*\//, '');
  if (isAfterPlan(plans, own)) return null;
  const name = own.replace(/\.[a-z0-9]{2,5}$/i, '');
  const trouble = troubleOfFileName(name);
  if (trouble === 'camera' || trouble === 'wordless') return trouble;
  if (GIVEN.test(name)) return 'given';
  if (name.length > LONGEST) return 'long';
  return trouble ?? (NUMBERED.test(name) ? 'numbered' : null);
}
