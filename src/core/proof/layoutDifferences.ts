import { sameValue } from '../kit/sameValue';
import type { Layer } from '../model/template';
import type { FitFact } from '../text/fitFacts';
import type { CompiledTitle } from '../timeline/compile';

/** Something that a layer of words lays out otherwise than before. */
export type LayoutDifference = { readonly layerId: string; readonly layerName: string } & (
  | { readonly kind: 'overflow'; readonly fitsNow: boolean }
  /** Characters that no font here has, and that one had. */
  | { readonly kind: 'missing'; readonly characters: readonly string[] }
  /** What is done so that it fits, if anything. */
  | { readonly kind: 'fitted'; readonly before: readonly FitFact[]; readonly now: readonly FitFact[] }
  /** `share` is how many times as wide it is. */
  | { readonly kind: 'width'; readonly share: number }
);

/** The kinds of differences: what a viewer sees first comes first. */
export const DIFFERENCE_KINDS: readonly LayoutDifference['kind'][] = [
  'overflow',
  'missing',
  'fitted',
  'width',
];
// Less is not seen.
const LEAST_WIDTH = 0.02;

/**
 * What differs in how layers are laid out between two states of a template, in the same format with the same words: what
 * no longer fits or fits now, what is missing, what is done to fit, and how wide it is (from 2 % on, at rest).
 */
export function layoutDifferences(
  layers: readonly Layer[],
  before: CompiledTitle,
  now: CompiledTitle,
): LayoutDifference[] {
  const found = layers.flatMap(({ id, name }): LayoutDifference[] => {
    const about = { layerId: id, layerName: name };
    const [was, is] = [notesOf(before, id), notesOf(now, id)];
    const differences: LayoutDifference[] = [];
    if (was.overflows !== is.overflows)
      differences.push({ ...about, kind: 'overflow', fitsNow: was.overflows });
    const missing = is.missing.filter((one) => !was.missing.includes(one));
    if (missing.length > 0) differences.push({ ...about, kind: 'missing', characters: missing });
    if (!sameValue(was.fitted, is.fitted))
      differences.push({ ...about, kind: 'fitted', before: was.fitted, now: is.fitted });
    const share = widthOf(now, id) / widthOf(before, id);
    if (Math.abs(share - 1) >= LEAST_WIDTH) differences.push({ ...about, kind: 'width', share });
    return differences;
  });
  return found.toSorted((a, b) => DIFFERENCE_KINDS.indexOf(a.kind) - DIFFERENCE_KINDS.indexOf(b.kind));
}

/** Of a layer that is not there, what is as wide as itself. */
function widthOf({ boxes }: CompiledTitle, layerId: string): number {
  const width = boxes.get(layerId)?.width ?? 0;
  return width > 0 ? width : NaN;
}

interface Noted {
  readonly overflows: boolean;
  readonly missing: readonly string[];
  readonly fitted: readonly FitFact[];
}

function notesOf({ notes }: CompiledTitle, layerId: string): Noted {
  const own = notes.filter((note) => note.layerId === layerId);
  return {
    overflows: own.some(({ kind }) => kind === 'overflow'),
    missing: own.flatMap((note) => (note.kind === 'missing' ? note.characters : [])),
    fitted: own.flatMap((note) => (note.kind === 'fitted' ? note.facts : [])),
  };
}
