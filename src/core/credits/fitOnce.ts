import type { LongStep, TextStyle } from '../model/template';
import { capHeightU } from '../text/capHeight';
import type { FittedText } from '../text/fitText';
import { fitText } from '../text/fitText';
import { knownFace } from '../text/knownFace';
import type { FontLibrary } from '../text/fontLibrary';

interface Asked {
  readonly designed: TextStyle;
  /** A share of the designed size. */
  readonly size: number;
  readonly room: number;
  readonly align: 'left' | 'centre' | 'right';
  readonly language: string;
}

interface FittedOnce {
  readonly fitted: FittedText;
  readonly capU: number;
}

// Some times the most rows that credits can have, in two columns.
const MOST_KEPT = 20_000;
const kept = new WeakMap<FontLibrary, WeakMap<TextStyle, Map<string, FittedOnce>>>();

/**
 * Words of a cell set as asked. Cells are set again only when they or what they are set in change: while one row is typed,
 * the others are as they were. `steps` are those of the style, and not asked for twice.
 */
export function fitOnce(
  text: string,
  { designed, size, room, align, language }: Asked,
  steps: readonly LongStep[],
  fonts: FontLibrary,
): FittedOnce {
  const byStyle = kept.get(fonts) ?? new WeakMap<TextStyle, Map<string, FittedOnce>>();
  kept.set(fonts, byStyle);
  const known = byStyle.get(designed) ?? new Map<string, FittedOnce>();
  byStyle.set(designed, known);
  const key = `${size} ${room} ${align} ${language} ${text}`;
  const before = known.get(key);
  if (before !== undefined) return before;
  const style = knownFace(size === 1 ? designed : { ...designed, sizeU: designed.sizeU * size });
  const spec = { runs: [{ text }], style, align, balanced: true, columnU: null, language };
  const fitted = fitText(spec, room, steps, fonts);
  const made = { fitted, capU: capHeightU(style, fonts) * fitted.scale };
  if (known.size >= MOST_KEPT) known.clear();
  known.set(key, made);
  return made;
}
