/** Drawings made by rule: one kind of thing in many variants. Each is an SVG of 480 by 320. */

const framed = (ground: string, inside: string) =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 480 320" width="480" height="320"><rect width="480" height="320" fill="${ground}"/>${inside}</svg>`;

const PETALS = [
  '#f4f1ff',
  '#f2c230',
  '#e27d60',
  '#4a6fb5',
  '#c9588f',
  '#f3d9e0',
  '#d9d27a',
  '#8c5fa8',
  '#e8e3d0',
  '#9db04a',
  '#b05a8e',
  '#7c63b8',
];

/** A flower: its petals in number, colour and length differ. */
export function flower(nth: number): string {
  const petals = 3 + ((nth * 5) % 9);
  const length = 46 + ((nth * 13) % 40);
  const ring = Array.from(
    { length: petals },
    (_none, at) =>
      `<ellipse cx="240" cy="${130 - length / 2}" rx="${12 + (nth % 4) * 4}" ry="${length / 2}" fill="${PETALS[nth % PETALS.length]}" stroke="#4b4a44" stroke-width="2" transform="rotate(${(360 / petals) * at} 240 130)"/>`,
  );
  return framed(
    '#e8efe0',
    `<path d="M240 130v170M240 220q40-30 70-10M240 250q-40-34-74-6" stroke="#4c7a3d" stroke-width="8" fill="none"/>` +
      `${ring.join('')}<circle cx="240" cy="130" r="${16 + (nth % 3) * 6}" fill="#d9a520" stroke="#4b4a44" stroke-width="2"/>`,
  );
}

/** A narrowboat: its colours, its windows and the side it lies to differ. */
export function boat(nth: number): string {
  const hull = ['#2f5d50', '#7a2f2a', '#2c4a7a', '#5b4a2c', '#4a2c5b', '#2c5b5b'][nth % 6];
  const windows = Array.from({ length: 2 + (nth % 4) }, (_none, at) => `<circle cx="${150 + at * 48}" cy="172" r="13" fill="#f3efdc"/>`);
  return framed(
    '#dbe6ea',
    `<rect y="210" width="480" height="110" fill="#6f98a1"/>` +
      `<path d="M60 196h340q24 0 40-22v50q-10 22-40 22H80Z" fill="${hull}"/>` +
      `<rect x="110" y="144" width="250" height="54" fill="${hull}" stroke="#20302c" stroke-width="4"/>` +
      `${windows.join('')}<path d="M${nth % 2 ? 70 : 420} 174v-60" stroke="#3b3a35" stroke-width="6"/>`,
  );
}

/** A water bird: its height, colour and bill differ. */
export function bird(nth: number): string {
  const neck = 30 + (nth % 4) * 24;
  const body = ['#8a98a3', '#f1f0ea', '#3c4149', '#6b5a44', '#cfd6da', '#2d6f86'][nth % 6];
  return framed(
    '#d8e4e8',
    `<rect y="230" width="480" height="90" fill="#739aa3"/>` +
      `<ellipse cx="230" cy="210" rx="86" ry="44" fill="${body}" stroke="#2c2b28" stroke-width="3"/>` +
      `<path d="M300 196q30-${neck / 2} 14-${neck + 30}" stroke="${body}" stroke-width="20" fill="none"/>` +
      `<circle cx="314" cy="${166 - neck}" r="18" fill="${body}" stroke="#2c2b28" stroke-width="3"/>` +
      `<path d="M330 ${162 - neck}l${26 + nth * 5} 6-${26 + nth * 5} 6Z" fill="${nth % 3 ? '#d7a13b' : '#b8432f'}"/>`,
  );
}

/** A tool of the beekeeper. */
export function tool(nth: number): string {
  const shapes = [
    '<path d="M110 190q130-120 260 0q-130 44-260 0Z" fill="#d9c98f" stroke="#3b3a35" stroke-width="4"/>' +
      '<path d="M150 196v80h180v-80" fill="none" stroke="#55534a" stroke-width="3"/>',
    '<path d="M190 90h100v120q0 60-50 60t-50-60Z" fill="#c79a5a" stroke="#3b3a35" stroke-width="4"/>',
    '<path d="M150 150h180v28H150zM330 150l30 14-30 14Z" fill="#8b8f94" stroke="#3b3a35" stroke-width="4"/>',
    '<rect x="120" y="150" width="120" height="22" fill="#a97c46"/>' +
      '<path d="M240 130h110v62H240Z" fill="#e8dcc0" stroke="#3b3a35" stroke-width="3"/>',
  ];
  return framed('#f0ebdd', shapes[nth % shapes.length]!);
}

/** Bees on a comb: as many as its number says and some more. */
export function bees(nth: number): string {
  const cells = Array.from({ length: 24 }, (_none, at) => {
    const [x, y] = [60 + (at % 6) * 72 + (Math.floor(at / 6) % 2) * 36, 60 + Math.floor(at / 6) * 62];
    return `<path d="M${x} ${y - 30}l26 15v30l-26 15-26-15v-30Z" fill="#e5b94e" stroke="#a8761f" stroke-width="3"/>`;
  });
  const some = Array.from({ length: 2 + nth }, (_none, at) => {
    const [x, y] = [90 + ((at * 97 + nth * 40) % 320), 80 + ((at * 61 + nth * 30) % 180)];
    return `<ellipse cx="${x}" cy="${y}" rx="${at === 0 ? 34 : 22}" ry="12" fill="#5a3c1a"/><ellipse cx="${x}" cy="${y - 12}" rx="14" ry="7" fill="#ffffff" opacity="0.8"/>`;
  });
  return framed('#f6e7b8', cells.join('') + some.join(''));
}
