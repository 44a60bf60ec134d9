/** Whether two values of plain data (objects, arrays, primitives) say the same. Identical ones are not looked into. */
export function sameValue(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (!isObject(a) || !isObject(b)) return false;
  if (Array.isArray(a)) return Array.isArray(b) && sameList(a, b);
  if (Array.isArray(b)) return false;
  // Frames of a title are compared by this while it plays, so nothing is made on the way.
  let count = 0;
  for (const key in a) {
    if (!Object.hasOwn(b, key) || !sameValue(a[key], b[key])) return false;
    count++;
  }
  for (const _ in b) count--;
  return count === 0;
}

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null;

function sameList(a: readonly unknown[], b: readonly unknown[]): boolean {
  if (a.length !== b.length) return false;
  for (let i = 0; i < a.length; i++) if (!sameValue(a[i], b[i])) return false;
  return true;
}
