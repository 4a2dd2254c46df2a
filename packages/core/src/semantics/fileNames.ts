const CAMERA =
  /^(?:img|dsc|dscn|dscf|dcim|pict|pxl|sam|mvimg|gopr|scan|screenshot|screen[ _-]shot|photo|image|picture|untitled|bild|foto|whatsapp[ _-]image)[-_ ]?\(?\d*[\d_ .()-]*(?:at.*)?$/i;

/**
 * What is wrong with a file's name, its ending left out: named by a device, with signs that addresses do badly with, or without a word.
 * Common practice.
 */
export function troubleOfFileName(file: string): 'camera' | 'signs' | 'wordless' | null {
  const name = file.replace(/\.[a-z0-9]{2,5}$/i, '');
  if (CAMERA.test(name)) return 'camera';
  if (!/\p{L}{3}/u.test(name) || /^[0-9a-f]{8,}(?:-[0-9a-f]+)*$/i.test(name)) return 'wordless';
  return /[\s\p{Lu}%&+,'()]/u.test(name) ? 'signs' : null;
}
