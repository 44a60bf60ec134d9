// A number with groups of three, or without; with decimals behind a point or a comma, or without.
const NUMBER = /\d{1,3}(?:([,\u202f\u00a0 ])\d{3})+(?:(?!\1)[.,]\d+)?|\d+(?:[.,]\d+)?/gu;

/** The first number of a text, with a sign directly before it; null where there is none. */
export function figureIn(text: string): number | null {
  NUMBER.lastIndex = 0;
  const found = NUMBER.exec(text);
  if (found === null) return null;
  const [written, group] = found;
  const plain = group === undefined ? written : written.split(group).join('');
  const isBelow = /[-\u2212\u2013]$/.test(text.slice(0, found.index));
  return Number(plain.replace(',', '.')) * (isBelow ? -1 : 1);
}

/** A text whose numbers have been counted to a share (0 to 1) of what they are, written as they are written. */
export function countWords(text: string, share: number): string {
  return text.replace(NUMBER, (written: string, group?: string) => {
    const plain = group === undefined ? written : written.split(group).join('');
    const mark = /[.,](?=\d+$)/.exec(plain)?.[0];
    const decimals = mark === undefined ? 0 : plain.length - plain.lastIndexOf(mark) - 1;
    const counted = (Number(plain.replace(',', '.')) * share).toFixed(decimals);
    const [whole, part] = counted.split('.');
    const grouped = group === undefined ? whole : whole.replace(/\B(?=(\d{3})+$)/g, group);
    return part === undefined ? grouped : `${grouped}${mark ?? '.'}${part}`;
  });
}
