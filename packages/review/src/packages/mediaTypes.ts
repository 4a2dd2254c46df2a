import { lookup } from '@inkwell/core';
/** Media types of files that pages show, by the ending of their names (IANA media type registry). */
const TYPES: Readonly<Record<string, string>> = {
  avif: 'image/avif',
  css: 'text/css',
  gif: 'image/gif',
  ico: 'image/vnd.microsoft.icon',
  jpeg: 'image/jpeg',
  jpg: 'image/jpeg',
  js: 'text/javascript',
  json: 'application/json',
  m4a: 'audio/mp4',
  mp3: 'audio/mpeg',
  mp4: 'video/mp4',
  ogg: 'audio/ogg',
  otf: 'font/otf',
  pdf: 'application/pdf',
  png: 'image/png',
  svg: 'image/svg+xml',
  ttf: 'font/ttf',
  txt: 'text/plain',
  vtt: 'text/vtt',
  wav: 'audio/wav',
  webm: 'video/webm',
  webp: 'image/webp',
  woff: 'font/woff',
  woff2: 'font/woff2',
  xml: 'application/xml',
};

export function mediaTypeOf(path: string): string {
  return lookup(TYPES, /\.([a-z0-9]+)$/i.exec(path)?.[1]?.toLowerCase() ?? '') ?? 'application/octet-stream';
}
