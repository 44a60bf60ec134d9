import { InputError } from '../../kit/inputError';
import { wellFormedText } from '../../kit/wellFormed';

/** Encodings that caption files come in where they are not Unicode, by their labels of the Encoding Standard. */
export const TEXT_ENCODINGS = [
  { id: 'utf-8', label: 'Unicode (UTF-8)' },
  { id: 'windows-1252', label: 'Western European' },
  { id: 'windows-1250', label: 'Central European' },
  { id: 'windows-1251', label: 'Cyrillic' },
  { id: 'windows-1253', label: 'Greek' },
  { id: 'windows-1254', label: 'Turkish' },
  { id: 'windows-1255', label: 'Hebrew' },
  { id: 'windows-1256', label: 'Arabic' },
  { id: 'iso-8859-5', label: 'Cyrillic (ISO 8859-5)' },
  { id: 'shift_jis', label: 'Japanese' },
  { id: 'gb18030', label: 'Chinese, simplified' },
  { id: 'big5', label: 'Chinese, traditional' },
  { id: 'euc-kr', label: 'Korean' },
] as const;

const LONGEST_BYTES = 16 * 1024 * 1024;

/** Text, and the note where its encoding is a guess. */
export interface DecodedText {
  readonly text: string;
  readonly notes: readonly string[];
}

/**
 * The text of a file, line ends as \n: as its byte order mark says, as it is asked for, else UTF-8 where it is that, UTF-16
 * where every second byte is nothing, else Windows-1252, which is told. Throws InputError for a file over 16 MB.
 */
export function decodeText(bytes: Uint8Array, encoding: string | null): DecodedText {
  if (bytes.length > LONGEST_BYTES)
    throw InputError.of('Caption file', 'at most 16 MB', `${Math.ceil(bytes.length / 1e6)} MB`);
  const marked = byMark(bytes);
  const label = marked ?? encoding;
  if (label !== null) return { text: tidy(new TextDecoder(label).decode(bytes)), notes: [] };
  const wide = unmarkedWide(bytes);
  if (wide !== null) return { text: tidy(new TextDecoder(wide).decode(bytes)), notes: [] };
  try {
    return { text: tidy(new TextDecoder('utf-8', { fatal: true }).decode(bytes)), notes: [] };
  } catch {
    const notes = ['It is not in Unicode, so it was read as Western European: look at letters with accents.'];
    return { text: tidy(new TextDecoder('windows-1252').decode(bytes)), notes };
  }
}

function byMark([a, b, c]: Uint8Array): string | null {
  if (a === 0xef && b === 0xbb && c === 0xbf) return 'utf-8';
  if (a === 0xff && b === 0xfe) return 'utf-16le';
  return a === 0xfe && b === 0xff ? 'utf-16be' : null;
}

/** UTF-16 without its mark: text of figures and signs has a zero in every second byte. */
function unmarkedWide(bytes: Uint8Array): string | null {
  const head = bytes.subarray(0, 200);
  const zeros = (odd: number): number => head.filter((byte, i) => i % 2 === odd && byte === 0).length;
  if (head.length < 8) return null;
  if (zeros(1) > head.length / 4 && zeros(0) < head.length / 50) return 'utf-16le';
  return zeros(0) > head.length / 4 && zeros(1) < head.length / 50 ? 'utf-16be' : null;
}

const tidy = (text: string): string =>
  wellFormedText(
    text
      .replace(/^\uFEFF/, '')
      .replace(/\r\n?/g, '\n')
      .replaceAll('\u0000', ''),
  );
