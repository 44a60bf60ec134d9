interface Click {
  readonly ctrlKey: boolean;
  readonly metaKey: boolean;
  readonly shiftKey: boolean;
}

/** Whether a click adds one to what is chosen, or takes it away, and goes nowhere. */
export const isOneMore = ({ ctrlKey, metaKey }: Click): boolean => ctrlKey || metaKey;

/**
 * What is chosen after a click on one of a list: that one alone, with Shift all from the first chosen up to it, with Ctrl
 * one more or less. The first of them stays the first, save where one more becomes it.
 */
export function chosenByClick(
  click: Click,
  chosen: readonly string[],
  id: string,
  ids: readonly string[],
): readonly string[] {
  if (isOneMore(click)) {
    const without = chosen.filter((one) => one !== id);
    return without.length === chosen.length ? [id, ...chosen] : without;
  }
  const [first] = chosen;
  if (!click.shiftKey || first === undefined) return [id];
  const [a, b] = [ids.indexOf(first), ids.indexOf(id)];
  const between = ids.slice(Math.min(a, b), Math.max(a, b) + 1);
  return [first, ...between.filter((one) => one !== first)];
}
