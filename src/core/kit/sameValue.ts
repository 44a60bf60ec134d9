/** Whether two values of plain data (objects, arrays, primitives) say the same. Identical ones are not looked into. */
export function sameValue(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  if (Array.isArray(a)) {
    return Array.isArray(b) && a.length === b.length && a.every((item, i) => sameValue(item, b[i]));
  }
  const left = Object.entries(a);
  const right = new Map<string, unknown>(Object.entries(b));
  return left.length === right.size && left.every(([key, value]) => sameValue(value, right.get(key)));
}
