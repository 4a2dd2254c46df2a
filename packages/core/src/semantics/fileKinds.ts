import { lookup } from '../source/lookup.ts';
/** Files that no browser shows as a page, by the end of their address: what people call them. */
const KINDS: Record<string, string> = {
  pdf: 'PDF',
  doc: 'Word',
  docx: 'Word',
  odt: 'OpenDocument',
  rtf: 'RTF',
  xls: 'Excel',
  xlsx: 'Excel',
  ods: 'OpenDocument',
  csv: 'CSV',
  ppt: 'PowerPoint',
  pptx: 'PowerPoint',
  odp: 'OpenDocument',
  zip: 'ZIP',
  rar: 'RAR',
  '7z': '7z',
  gz: 'GZ',
  epub: 'EPUB',
  mp3: 'MP3',
  wav: 'WAV',
  ogg: 'Ogg',
  m4a: 'M4A',
  mp4: 'MP4',
  mov: 'MOV',
  avi: 'AVI',
  webm: 'WebM',
  mkv: 'MKV',
  ics: 'ICS',
  exe: 'EXE',
  dmg: 'DMG',
  apk: 'APK',
};

/** The kind of file an address leads to; null for pages and for what cannot be known. */
export function fileKindOf(address: string): string | null {
  const end = /\.([a-z0-9]{2,4})$/i.exec(address.split(/[?#]/)[0]!)?.[1];
  const isHost = /^(?:https?:)?\/\/[^/]+$/i.test(address);
  return end && !isHost ? (lookup(KINDS, end.toLowerCase()) ?? null) : null;
}
