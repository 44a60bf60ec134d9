import { sameValue } from '../kit/sameValue';
import { comesLate, FACES } from './faces';
import { scriptName, scriptTag } from './scripts';

/** The faces that the House has asked first for letters of a script (ISO 15924), in their order. */
export interface ScriptFallback {
  readonly script: string;
  readonly faces: readonly string[];
}

/** The order in which shipped faces stand in for others, where nothing else decides. */
const USUAL_ORDER = [
  'hanken-grotesk',
  'barlow-condensed',
  'alegreya',
  'fraunces',
  'archivo',
  'noto-sans-symbols',
] as const;

let ofHouse: readonly ScriptFallback[] = [];
let orders = new Map<string, readonly string[]>();
let ordersOf = FACES.list;

/** Makes the House's order known, in place of the one that was before. A program has one House. */
export function knowFallbacks(fallbacks: readonly ScriptFallback[]): void {
  if (sameValue(fallbacks, ofHouse)) return;
  ofHouse = fallbacks;
  orders = new Map();
}

/** The House's order as it is known here; another list only when it differs. */
export const knownFallbacks = (): readonly ScriptFallback[] => ofHouse;

/** The order without what the House says of it. */
export function usualFallbacks(script: string): readonly string[] {
  const rank = (id: string): number => {
    const scripts = FACES.get(id).scripts.map(scriptTag);
    if (scripts[0] === script) return 0;
    if (scripts.includes(script)) return 1;
    return scripts[0] === 'Latn' ? 2 : 3;
  };
  // Those that come late stand in for their own script only: no page fetches them to look for another's letter.
  const late = FACES.list.filter(
    ({ late: isLate, own, scripts }) => isLate === true && own !== true && scriptTag(scripts[0]) === script,
  );
  return [...late.map(({ id }) => id), ...USUAL_ORDER].toSorted((a, b) => rank(a) - rank(b));
}

/**
 * The faces that are asked in turn for a character of a script (ISO 15924) that the chosen face does not have: those
 * that the House names for it and that are here, those made for the script, those that have it as well, then those for
 * Latin, then the others. So a Latin letter never comes from another script's face while a Latin face has it, and signs
 * that go with any script come from a Latin one.
 */
export function fallbackFaces(script: string): readonly string[] {
  if (ordersOf !== FACES.list) [orders, ordersOf] = [new Map(), FACES.list];
  const before = orders.get(script);
  if (before !== undefined) return before;
  const first = ofHouse.find((one) => one.script === script)?.faces.filter((id) => FACES.find(id)) ?? [];
  const order = [...first, ...usualFallbacks(script).filter((id) => !first.includes(id))];
  orders.set(script, order);
  return order;
}

/** Those of some orders whose script has letters in a text. */
export function fallbacksIn(text: string, fallbacks: readonly ScriptFallback[]): readonly ScriptFallback[] {
  return fallbacks.filter(({ script }) => hasScript(text, script));
}

function hasScript(text: string, tag: string): boolean {
  const name = scriptName(tag);
  return name !== undefined && new RegExp(`\\p{Script=${name}}`, 'u').test(text);
}

/** The faces whose files are fetched only when they are needed and that stand in for letters of some words. */
export function lateFacesFor(words: string): string[] {
  const shipped = FACES.list.filter(
    ({ late, scripts }) => late === true && hasScript(words, scriptTag(scripts[0])),
  );
  const named = fallbacksIn(words, ofHouse).flatMap(({ faces }) =>
    faces.flatMap((id) => FACES.find(id) ?? []).filter(comesLate),
  );
  return [...new Set([...shipped, ...named].map(({ id }) => id))];
}
