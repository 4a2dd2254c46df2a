/** What was read in a file of captions. Times are in seconds. */
export interface CaptionFacts {
  of: 'captions';
  cues: number;
  /** Cues that show nothing. */
  empty: number;
  /** Cues that begin while one before them still shows. */
  overlaps: number;
  /** Cues that end before they begin, or begin before the one before them. */
  disorder: number;
  /** Stretches between two cues of more than `LONG_GAP`. */
  gaps: number;
  /** The longest stretch without captions, and where it begins; null below `LONG_GAP`. */
  longestGap: { seconds: number; at: number } | null;
  /** Lines with an arrow that give no times. */
  broken: number;
  /** The language the file or its name says it is in. */
  language: string | null;
  /** Where the last cue ends. */
  ends: number;
}

/** A stretch without captions that is worth a look, in seconds. Common practice; no standard names one. */
export const LONG_GAP = 30;

interface Cue {
  start: number;
  end: number;
  text: string;
}

/**
 * Reads WebVTT (W3C, section 4 "WebVTT file body structure" and 6.1 "WebVTT file parsing", blocks and timings) or SubRip (common practice:
 * no standard). Forgiving: what is no cue is passed over, and a broken time is counted.
 */
export function readCaptions(text: string, path: string): CaptionFacts {
  const { cues, broken, header } = cuesOf(text);
  const gaps = gapsBetween(cues);
  return {
    of: 'captions',
    cues: cues.length,
    empty: cues.filter((cue) => shownIn(cue.text) === '').length,
    overlaps: overlapsIn(cues),
    disorder: cues.filter((cue, nth) => cue.end < cue.start || (nth > 0 && cue.start < cues[nth - 1]!.start)).length,
    gaps: gaps.length,
    longestGap: gaps.sort((a, b) => b.seconds - a.seconds)[0] ?? null,
    broken,
    language: languageSaid(header, path),
    ends: Math.max(0, ...cues.map(({ end }) => end)),
  };
}

function cuesOf(text: string): { cues: Cue[]; broken: number; header: string } {
  const blocks = text
    .replace(/^\ufeff/, '')
    .replace(/\r\n?/g, '\n')
    .split(/\n(?:[ \t]*\n)+/);
  const isVtt = /^WEBVTT(?:[ \t\n]|$)/.test(blocks[0] ?? '');
  const cues: Cue[] = [];
  let broken = 0;
  for (const block of blocks) {
    if (/^(?:NOTE|STYLE|REGION)(?:[ \t\n]|$)/.test(block)) continue;
    const lines = block.split('\n');
    const at = lines.findIndex((line) => line.includes('-->'));
    if (at < 0) continue;
    const times = /^\s*(\S+)\s*-->\s*(\S+)/.exec(lines[at]!);
    const [start, end] = [timeOf(times?.[1]), timeOf(times?.[2])];
    if (start === null || end === null) broken++;
    else cues.push({ start, end, text: lines.slice(at + 1).join('\n') });
  }
  return { cues, broken, header: isVtt ? blocks[0]! : '' };
}

/** 1:02:03.400, 02:03.400, or with SubRip's comma; in seconds. */
function timeOf(written: string | undefined): number | null {
  const [, hours, minutes, seconds, parts] = /^(?:(\d+):)?(\d{1,2}):(\d{2})[.,](\d{1,3})$/.exec(written ?? '') ?? [];
  if (seconds === undefined) return null;
  return Number(hours ?? 0) * 3_600 + Number(minutes) * 60 + Number(seconds) + Number(parts!.padEnd(3, '0')) / 1_000;
}

function shownIn(text: string): string {
  return text.replace(/<[^>]*>|&nbsp;|[\s\u200b\ufeff]/g, '');
}

function overlapsIn(cues: readonly Cue[]): number {
  let [ends, many] = [0, 0];
  for (const { start, end } of [...cues].sort((a, b) => a.start - b.start)) {
    if (start < ends) many++;
    ends = Math.max(ends, end);
  }
  return many;
}

function gapsBetween(cues: readonly Cue[]): { seconds: number; at: number }[] {
  const gaps: { seconds: number; at: number }[] = [];
  let ends = 0;
  for (const { start, end } of [...cues].sort((a, b) => a.start - b.start)) {
    if (start - ends > LONG_GAP) gaps.push({ seconds: start - ends, at: ends });
    ends = Math.max(ends, end);
  }
  return gaps;
}

/** What the header says ("Language: en", common practice), or the name ("talk.en.vtt"). */
function languageSaid(header: string, path: string): string | null {
  const said = /^Language:[ \t]*([A-Za-z]{2,3}(?:-[A-Za-z0-9]+)*)/im.exec(header)?.[1];
  return said ?? /[._-]([a-z]{2}(?:-[A-Za-z]{2,4})?)\.(?:vtt|srt)$/.exec(path)?.[1] ?? null;
}
