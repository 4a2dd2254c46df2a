/** The parts of culori the tests call; the package ships no declarations. */
declare module 'culori' {
  interface Rgb {
    mode: 'rgb';
    r: number;
    g: number;
    b: number;
    alpha?: number;
  }
  export function parse(written: string): object | undefined;
  export function converter(mode: 'rgb'): (colour: object | undefined) => Rgb | undefined;
  export function wcagContrast(one: string, two: string): number;
}
