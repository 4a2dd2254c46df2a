/**
 * A short, stable hash of a text: two 32-bit FNV-1a lanes over its UTF-16 units, as 16 hexadecimal digits.
 * It tells texts apart; it protects nothing. Source: Fowler–Noll–Vo hash, IETF draft-eastlake-fnv.
 */
export function hashText(text: string): string {
  let low = 0x811c9dc5;
  let high = 0xcbf29ce4;
  for (let i = 0; i < text.length; i++) {
    const unit = text.charCodeAt(i);
    low = Math.imul(low ^ unit, 0x01000193);
    high = Math.imul(high ^ (unit + i), 0x01000193);
  }
  return hex(high) + hex(low);
}

function hex(lane: number): string {
  return (lane >>> 0).toString(16).padStart(8, '0');
}
