/** Whether a text has all words of a search in it, in any order, whatever their case; a search without words is in every text. */
export function saysAll(said: string, wanted: string): boolean {
  const text = plain(said);
  return plain(wanted)
    .split(/\s+/)
    .every((word) => text.includes(word));
}

const plain = (text: string): string => text.normalize('NFKC').toLowerCase();
