import { CUE_COLOURS, nearestCueColour } from './cueMarks';

// The named colours of HTML that occur in caption files beside those that captions have.
const OTHER_NAMES: Readonly<Record<string, string>> = {
  green: 'lime',
  aqua: 'cyan',
  fuchsia: 'magenta',
  purple: 'magenta',
  gray: 'white',
  grey: 'white',
  silver: 'white',
  orange: 'yellow',
};

/** The caption colour that a colour of a file is: by its name, else the nearest; null for what is no colour. */
export function readColour(value: string): string | null {
  const said = value.trim().toLowerCase();
  const named = CUE_COLOURS.find(said)?.id ?? OTHER_NAMES[said];
  if (named !== undefined) return named;
  const [, hex] = /^#?([0-9a-f]{6})(?:[0-9a-f]{2})?$/.exec(said) ?? [];
  const [, ...rgb] = /^rgba?\(\s*(\d+)\s*,\s*(\d+)\s*,\s*(\d+)/.exec(said) ?? [];
  if (hex !== undefined)
    return nearestCueColour(...threeOf([0, 2, 4].map((at) => Number.parseInt(hex.slice(at, at + 2), 16))));
  return rgb.length === 3 ? nearestCueColour(...threeOf(rgb.map(Number))) : null;
}

const threeOf = ([a, b, c]: readonly number[]): [number, number, number] => [a, b, c];

const ENTITIES: Readonly<Record<string, string>> = {
  amp: '&',
  lt: '<',
  gt: '>',
  quot: '"',
  apos: "'",
  nbsp: '\u00a0',
  lrm: '\u200e',
  rlm: '\u200f',
};

/** Character references as the characters they stand for; what is none stays. */
export function readEntities(text: string): string {
  return text.replace(/&(?:#(\d{1,7})|#x([0-9a-f]{1,6})|(\w{2,8}));/gi, (whole, dec, hex, name) => {
    if (name !== undefined) return ENTITIES[String(name).toLowerCase()] ?? whole;
    const code = dec !== undefined ? Number(dec) : Number.parseInt(hex, 16);
    return code > 0x10ffff || code === 0 ? whole : String.fromCodePoint(code);
  });
}

/** Words as they stand between tags of WebVTT and XML. */
export function writeEntities(text: string): string {
  return text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;');
}
