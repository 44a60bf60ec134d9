/** A name, or the same with the next number that is free; numbered, it has at most so many characters. */
export function freeName(name: string, taken: ReadonlySet<string>, most: number): string {
  if (!taken.has(name)) return name;
  const stem = name.replace(/ \d+$/, '');
  for (let n = 2; ; n++) {
    const number = ` ${n}`;
    const next = stem.slice(0, most - number.length) + number;
    if (!taken.has(next)) return next;
  }
}
