const LONGEST_TEXT = 10_000;

/**
 * Text that can be typeset: line ends as \n, tabs as spaces, control characters left out, unpaired
 * surrogates replaced by U+FFFD, cut at 10 000 characters. Direction marks and joiners stay.
 */
export function cleanText(text: string): string {
  const cut = text.length > LONGEST_TEXT ? text.slice(0, LONGEST_TEXT) : text;
  return cut
    .replace(/\r\n?|\u2028|\u2029/g, '\n')
    .replace(/\t/g, ' ')
    .replace(/[\u0000-\u0009\u000b-\u001f\u007f-\u009f]/g, '')
    .replace(/[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g, '\ufffd');
}
