import type { CueSpan } from './cueMarks';

// ISO 6937 as EBU Tech 3264 has it (its table 00), from A0 to FF; a space where there is none.
const UPPER =
  '\u00a0¡¢£$¥#§¤‘“«←↑→↓' +
  '°±²³×µ¶·÷’”»¼½¾¿' +
  '                ' +
  '―¹®©™♪¬¦    ⅛⅜⅝⅞' +
  'ΩÆĐªĦ ĲĿŁØŒºÞŦŊŉ' +
  'ĸæđðħıĳŀłøœßþŧŋ\u00ad';

// Signs that stand before their letter, from C0: grave, acute, circumflex, tilde, macron, breve, dot, diaeresis …
const ACCENTS: Readonly<Record<number, string>> = {
  0xc1: '\u0300',
  0xc2: '\u0301',
  0xc3: '\u0302',
  0xc4: '\u0303',
  0xc5: '\u0304',
  0xc6: '\u0306',
  0xc7: '\u0307',
  0xc8: '\u0308',
  0xca: '\u030a',
  0xcb: '\u0327',
  0xcd: '\u030b',
  0xce: '\u0328',
  0xcf: '\u030c',
};
const ACCENT_BYTES = new Map(Object.entries(ACCENTS).map(([byte, sign]) => [sign, Number(byte)]));

/** The character tables of Tech 3264, by their code: ISO 6937 for Latin, parts of ISO 8859 for others. */
const TABLES: Readonly<Record<string, string>> = {
  '01': 'iso-8859-5',
  '02': 'iso-8859-6',
  '03': 'iso-8859-7',
  '04': 'iso-8859-8',
};
export const STL_TABLES = ['00', ...Object.keys(TABLES)];

const maps = new Map<string, ReadonlyMap<string, readonly number[]>>();

/** What each character is in a table, in bytes; a letter with a sign over it is two in ISO 6937. */
function bytesOf(table: string): ReadonlyMap<string, readonly number[]> {
  const known = maps.get(table);
  if (known !== undefined) return known;
  const map = new Map<string, readonly number[]>();
  const put = (character: string, byte: number): void => {
    if (character !== '\ufffd' && character !== ' ' && !map.has(character)) map.set(character, [byte]);
  };
  for (let byte = 0x20; byte < 0x7f; byte++) map.set(String.fromCharCode(byte), [byte]);
  if (table === '00') {
    // 24 is the currency sign in this table; the dollar has a place of its own.
    map.delete('$');
    Array.from(UPPER).forEach((character, i) => put(character, 0xa0 + i));
  } else {
    const decoder = new TextDecoder(TABLES[table]);
    for (let byte = 0xa0; byte < 0x100; byte++) put(decoder.decode(Uint8Array.of(byte)), byte);
  }
  maps.set(table, map);
  return map;
}

// Signs that typesetters use and narrow tables do not have.
const PLAIN: Readonly<Record<string, string>> = {
  '’': "'",
  '‘': "'",
  '“': '"',
  '”': '"',
  '„': '"',
  '–': '-',
  '—': '-',
  '―': '-',
  '…': '...',
  '\u00a0': ' ',
  '\u00ad': '',
  '♫': '♪',
  '\u200e': '',
  '\u200f': '',
};

/** A text in bytes of a table; null for each character that it does not have. */
export function encodeStl(text: string, table: string): (readonly number[] | null)[] {
  const map = bytesOf(table);
  return Array.from(text.normalize('NFC')).map((character): readonly number[] | null => {
    const own = map.get(character);
    if (own !== undefined) return own;
    const [letter = '', sign = '', more] = Array.from(character.normalize('NFD'));
    const accent = table === '00' && more === undefined ? ACCENT_BYTES.get(sign) : undefined;
    const base = map.get(letter);
    if (accent !== undefined && base !== undefined) return [accent, ...base];
    const plain = PLAIN[character];
    if (plain === undefined) return null;
    const parts = Array.from(plain, (one) => map.get(one) ?? null);
    return parts.some((part) => part === null) ? null : parts.flatMap((part) => part ?? []);
  });
}

// Control codes of the text field (Tech 3264, 5.2 and annex).
const [NEW_LINE, UNUSED, ITALIC_ON, ITALIC_OFF] = [0x8a, 0x8f, 0x80, 0x81];
// Teletext colours 00 to 07.
const COLOURS = ['black', 'red', 'lime', 'yellow', 'blue', 'magenta', 'cyan', 'white'];

/** The stretches that a text field holds; controls that captions do not have are passed over. */
export function decodeStl(field: Uint8Array, table: string): CueSpan[] {
  const spans: CueSpan[] = [];
  const decoder = table === '00' ? null : new TextDecoder(TABLES[table] ?? 'iso-8859-1');
  let [italic, colour]: [boolean, string | null] = [false, null];
  let accent = '';
  const add = (text: string): void => void spans.push({ text, italic, colour });
  for (const byte of field) {
    if (byte === UNUSED) continue;
    if (byte === NEW_LINE) {
      // Double height leaves a row out; that is no empty line. A colour lasts for its row.
      colour = null;
      if (spans.at(-1)?.text !== '\n') add('\n');
    } else if (byte === ITALIC_ON || byte === ITALIC_OFF) italic = byte === ITALIC_ON;
    else if (byte < 0x08) {
      // A control takes the room of a letter, which is seen as a space.
      if (/\S$/.test(spans.at(-1)?.text ?? '')) add(' ');
      colour = COLOURS[byte] === 'white' ? null : COLOURS[byte];
    } else if (byte < 0x20 || (byte > 0x7e && byte < 0xa0)) continue;
    else if (decoder !== null) add(decoder.decode(Uint8Array.of(byte)));
    else if (ACCENTS[byte] !== undefined) accent = ACCENTS[byte];
    else {
      const character = byte < 0x80 ? String.fromCharCode(byte) : (UPPER[byte - 0xa0] ?? '');
      add((character + accent).normalize('NFC'));
      accent = '';
    }
  }
  return spans;
}

/** Stretches as bytes of a text field, `?` for what the table does not have. */
export function spansToStl(spans: readonly CueSpan[], table: string): number[] {
  const bytes: number[] = [];
  let [italic, colour]: [boolean, string | null] = [false, null];
  const say = (text: string): void => {
    for (const one of encodeStl(text, table)) bytes.push(...(one ?? [0x3f]));
  };
  const tilt = (next: CueSpan): void => {
    if (next.italic !== italic) bytes.push(next.italic ? ITALIC_ON : ITALIC_OFF);
    italic = next.italic;
  };
  const turn = (next: CueSpan): void => {
    if (next.colour !== colour) {
      // It takes the room of the space before it, or of one of its own.
      if (bytes.at(-1) === 0x20) bytes.pop();
      bytes.push(COLOURS.indexOf(next.colour ?? 'white'));
    }
    colour = next.colour;
    tilt(next);
  };
  for (const span of spans) {
    span.text.split('\n').forEach((line, i) => {
      if (i > 0) {
        tilt(span);
        bytes.push(NEW_LINE);
        colour = null;
      }
      if (line === '') return;
      turn(span);
      say(line);
    });
  }
  return bytes;
}
