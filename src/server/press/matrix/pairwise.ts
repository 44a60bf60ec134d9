/** One value of each dimension. */
export type Choice<D extends Readonly<Record<string, readonly unknown[]>>> = {
  readonly [K in keyof D]: D[K][number];
};

/**
 * Choices in which every two values of different dimensions meet at least once, unless `allowed` forbids it: each next
 * choice is the one of some tries with the most pairs that have not met. Always the same for the same dimensions.
 */
export function pairwise<D extends Readonly<Record<string, readonly unknown[]>>>(
  dimensions: D,
  allowed: (choice: Choice<D>) => boolean,
): Choice<D>[] {
  const all = product(dimensions).filter(allowed);
  const waiting = new Set(all.flatMap(pairsOf));
  const chosen: Choice<D>[] = [];
  while (waiting.size > 0) {
    let [best, most] = [all[0], -1];
    for (const choice of all) {
      const news = pairsOf(choice).filter((pair) => waiting.has(pair)).length;
      if (news > most) [best, most] = [choice, news];
    }
    for (const pair of pairsOf(best)) waiting.delete(pair);
    chosen.push(best);
  }
  return chosen;
}

/** Every two values of a choice, each pair as one text. */
export function pairsOf(choice: Readonly<Record<string, unknown>>): string[] {
  const values = Object.entries(choice).map(([name, value]) => `${name}=${String(value)}`);
  return values.flatMap((one, i) => values.slice(i + 1).map((other) => `${one} ${other}`));
}

function product<D extends Readonly<Record<string, readonly unknown[]>>>(dimensions: D): Choice<D>[] {
  const choices = Object.entries(dimensions).reduce<Readonly<Record<string, unknown>>[]>(
    (sofar, [name, values]) => sofar.flatMap((one) => values.map((value) => ({ ...one, [name]: value }))),
    [{}],
  );
  // Made of the dimensions' own values, name by name.
  return choices as Choice<D>[];
}
