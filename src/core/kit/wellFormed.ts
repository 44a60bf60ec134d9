// NUL and other controls but tab and line ends, the C1 controls, and what is no character at all (Unicode 16, 23.7).
const CONTROLS =
  /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f-\u0084\u0086-\u009f\ufdd0-\ufdef\ufffe\uffff]/g;
const LONE_SURROGATES = /[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g;
// Embeddings and overrides end with PDF, isolates with PDI (UAX 9, 2.1 to 2.5).
const DIRECTIONS = /[\u202a-\u202e\u2066-\u2069]/;
const PDF = '\u202c';
const PDI = '\u2069';

/**
 * Text that every part of the program can keep, send and set: controls left out but tabs and line ends, unpaired
 * surrogates replaced by U+FFFD, and every direction that is begun on a line ended on it, so that none swallows what
 * comes after. Text that is well-formed comes back as it is.
 */
export function wellFormedText(text: string): string {
  const clean = text.replace(CONTROLS, '').replace(LONE_SURROGATES, '\ufffd');
  return DIRECTIONS.test(clean) ? clean.split('\n').map(closeDirections).join('\n') : clean;
}

function closeDirections(line: string): string {
  const open: string[] = [];
  let kept = '';
  for (const one of line) {
    if (/[\u202a\u202b\u202d\u202e]/.test(one)) open.push(PDF);
    else if (/[\u2066-\u2068]/.test(one)) open.push(PDI);
    else if (one === PDF || one === PDI) {
      // One that ends nothing would end what stands round this text.
      if (open.at(-1) !== one) continue;
      open.pop();
    }
    kept += one;
  }
  return kept + open.toReversed().join('');
}

const DEEPEST = 64;

/**
 * A value from outside with all its texts well-formed, keys included. The value itself where nothing had to change.
 * Gives undefined for one that is nested more than 64 deep, which nothing of ours is.
 */
export function wellFormedValue(value: unknown, depth = 0): unknown {
  if (typeof value === 'string') return wellFormedText(value);
  if (typeof value !== 'object' || value === null) return value;
  if (depth >= DEEPEST) return undefined;
  if (Array.isArray(value)) return value.map((one: unknown) => wellFormedValue(one, depth + 1));
  // Not by assignment: a key may be called like a property that every object has.
  return Object.fromEntries(
    Object.entries(value).map(([key, one]: [string, unknown]) => [
      wellFormedText(key),
      wellFormedValue(one, depth + 1),
    ]),
  );
}
