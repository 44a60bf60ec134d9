import { InputError } from '../../kit/inputError';

/** What a file that is dropped as a sheet is: separated text, or a spreadsheet's own file. */
export type SheetKind = 'text' | 'workbook';

const ZIP = [0x50, 0x4b, 0x03, 0x04];
// The container of spreadsheets before they were archives (compound file binary).
const COMPOUND = [0xd0, 0xcf, 0x11, 0xe0];
const SIGNATURES: readonly (readonly [name: string, bytes: readonly number[]])[] = [
  ['a PNG picture', [0x89, 0x50, 0x4e, 0x47]],
  ['a JPEG picture', [0xff, 0xd8, 0xff]],
  ['a PDF', [0x25, 0x50, 0x44, 0x46]],
  ['a GZIP archive', [0x1f, 0x8b]],
  ['a WebM or Matroska video', [0x1a, 0x45, 0xdf, 0xa3]],
];
const EXPECTED = 'a CSV or TSV file, or a spreadsheet (.xlsx, .ods, .xls)';
const HEAD_BYTES = 8192;

const startsWith = (bytes: Uint8Array, start: readonly number[]): boolean =>
  start.every((byte, i) => bytes[i] === byte);

/**
 * What a file is by its first bytes, never by its name. Throws InputError for what is no sheet: pictures, videos and
 * other bytes, and for subtitles and edit lists with where those go.
 */
export function sheetKind(bytes: Uint8Array): SheetKind {
  if (startsWith(bytes, ZIP) || startsWith(bytes, COMPOUND)) return 'workbook';
  const other = SIGNATURES.find(([, start]) => startsWith(bytes, start));
  if (other !== undefined) throw InputError.of('Sheet', EXPECTED, other[0]);
  const head = bytes.subarray(0, HEAD_BYTES);
  const wide = startsWith(head, [0xff, 0xfe]) || startsWith(head, [0xfe, 0xff]);
  // A text has no zeros, save the halves of letters where each takes two bytes.
  if (!wide && head.includes(0)) throw InputError.of('Sheet', EXPECTED, 'bytes that are no text');
  refuseOtherText(
    new TextDecoder(wide ? (head[0] === 0xff ? 'utf-16le' : 'utf-16be') : 'utf-8').decode(head),
  );
  return 'text';
}

const CAPTIONS = 'Its lines are captions, and captions are not titles: put them on the strip as captions.';
const CUTS = 'Bring it in with “Cuts” above the strip.';
const OTHER_TEXTS: readonly (readonly [name: string, looks: RegExp, toDo: string])[] = [
  ['a WebVTT subtitle file', /^\s*WEBVTT\b/, CAPTIONS],
  ['a SubRip subtitle file', /^\s*\d+\s*\r?\n\d{1,2}:\d{2}:\d{2}[,.]\d{1,3}\s*-->/, CAPTIONS],
  ['a timed-text file (TTML)', /<(?:\w+:)?tt[\s>]/, CAPTIONS],
  ['a subtitle script', /^\s*\[Script Info\]/i, CAPTIONS],
  ['an edit list', /^\s*TITLE:.*\r?\n(?:\s*\r?\n)*\s*(?:FCM:|\d{1,6}\s+\S+\s+\S+\s+[CDWK])/i, CUTS],
  ['a timeline (OTIO)', /^\s*\{[^]*"OTIO_SCHEMA"/, CUTS],
];

function refuseOtherText(head: string): void {
  const text = head.replace(/^\uFEFF/, '');
  const found = OTHER_TEXTS.find(([, looks]) => looks.test(text));
  if (found !== undefined) throw InputError.of('Sheet', EXPECTED, found[0], found[2]);
}
