import { createGlobalStyle } from 'styled-components';

/** Every colour, size and motion of the interface. Components name tokens only. Text on any ground here holds at least 7:1. */
export const day = {
  ground: '#efe8d8', paper: '#faf6eb', sheet: '#fffefa', ink: '#1b2536', quiet: '#3f4858', line: '#d8cfba', edge: '#7d7560',
  gall: '#22406e', gallInk: '#fffefa', gallWash: '#e3e9f1', rubric: '#7f2f16', rubricWash: '#f6e6dc', bar: '#1b2536', barInk: '#f4efe2', barQuiet: '#cfd5df', barEdge: '#7f8aa0', marginRule: '#d9a98f', shade: '27, 37, 54',
};

/** Night ink: the same names, for dark surroundings. */
export const night: typeof day = {
  ground: '#12161d', paper: '#1a2029', sheet: '#20272f', ink: '#f1ebdc', quiet: '#c9c6bb', line: '#3a434f', edge: '#8f96a0',
  gall: '#a9c6f2', gallInk: '#10203a', gallWash: '#2a3850', rubric: '#f4b79c', rubricWash: '#3d2a22', bar: '#0b0e13', barInk: '#f4efe2', barQuiet: '#cfd5df', barEdge: '#7f8aa0', marginRule: '#8a5d49', shade: '0, 0, 0',
};

function variables(tokens: typeof day): string {
  return Object.entries(tokens).map(([name, value]) => `--${name}: ${value};`).join(' ');
}

const nightRules = `color-scheme: dark; ${variables(night)}`;

export const GlobalStyle = createGlobalStyle`
  :root { color-scheme: light; ${variables(day)}
    --serif: 'Source Serif 4 Variable', Georgia, serif;
    --sans: 'Atkinson Hyperlegible Next', Verdana, sans-serif;
    --mono: ui-monospace, 'DejaVu Sans Mono', 'Liberation Mono', monospace;
    --round: 3px; --gap: 0.75rem; --quick: 120ms;
  }
  @media (prefers-color-scheme: dark) { :root:not([data-ink='day']) { ${nightRules} } }
  :root[data-ink='night'] { ${nightRules} }
  @media (prefers-reduced-motion: reduce) { :root { --quick: 0ms; } }
  *, *::before, *::after { box-sizing: border-box; }
  body { margin: 0; background: var(--ground); color: var(--ink); font: 400 0.9375rem/1.45 var(--sans); }
  h1, h2, h3, p, ul, ol, dl, dd, figure { margin: 0; }
  h1, h2, h3 { font-family: var(--serif); font-weight: 600; line-height: 1.25; text-wrap: balance; }
  ul, ol { padding: 0; list-style: none; }
  a { color: var(--gall); }
  button, input, textarea, select { font: inherit; color: inherit; }
  kbd { font: 600 0.75rem var(--sans); border: 1px solid currentColor; border-radius: var(--round); padding: 0 0.3rem; }
  code { font: 0.8125rem/1.5 var(--mono); overflow-wrap: anywhere; }
  :focus-visible, [data-focus-visible] { outline: 3px solid var(--gall); outline-offset: 2px; }
  .aside-from-view { position: absolute; width: 1px; height: 1px; margin: -1px; overflow: hidden; clip-path: inset(50%); white-space: nowrap; }
`;
