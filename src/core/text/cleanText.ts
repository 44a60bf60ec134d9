import { wellFormedText } from '../kit/wellFormed';

const LONGEST_TEXT = 10_000;

/**
 * Text that can be typeset: well-formed, line ends as \n, tabs as spaces, cut at 10 000 characters. Direction marks and
 * joiners stay.
 */
export function cleanText(text: string): string {
  const cut = text.length > LONGEST_TEXT ? text.slice(0, LONGEST_TEXT) : text;
  return wellFormedText(
    cut
      .replace(/\r\n?|\u2028|\u2029/g, '\n')
      .replace(/\t/g, ' ')
      .replace(/\u0085/g, ''),
  );
}
