import type { DisplayItem } from '../display/list';
import type { Matrix } from '../kit/matrix';
import { IDENTITY } from '../kit/matrix';
import { sameValue } from '../kit/sameValue';
import type { LayerUnit } from '../layers/layerKind';
import type { CompiledLayer } from './compileLayer';
import type { MappedUnit } from './mapUnit';
import { STILL } from './mapUnit';
import { GOES_BY } from './motion';
import { paintUnit } from './paintUnit';

// Rounding of what is a whole number of pixels.
const DUST_PX = 1e-6;

interface Still {
  readonly layer: CompiledLayer;
  readonly toPixels: Matrix;
  readonly items: readonly DisplayItem[];
}

// Units of a roll are the same objects from frame to frame.
const stills = new WeakMap<LayerUnit, Still>();

/**
 * The display items of a unit that only goes by in whole pixels: as it lies at rest, and moved. Null for one that does
 * anything else, or goes parts of a pixel.
 */
export function movedUnit(
  layer: CompiledLayer,
  { unit, acts, flat }: MappedUnit,
  toPixels: Matrix,
): DisplayItem[] | null {
  const [act] = acts;
  if (acts.length !== 1 || act.plan !== GOES_BY || act.pose.opacity < 1 || flat === null) return null;
  const [a, b, c, d, xU, yU] = flat;
  if (a !== 1 || b !== 0 || c !== 0 || d !== 1) return null;
  const byPx = wholePoint(xU * toPixels[0] + yU * toPixels[2], xU * toPixels[1] + yU * toPixels[3]);
  if (byPx === null) return null;
  const items = itemsAtRest(layer, unit, toPixels);
  return items.length === 0 ? [] : [{ kind: 'moved', byPx, items }];
}

function wholePoint(x: number, y: number): { readonly x: number; readonly y: number } | null {
  const whole = { x: Math.round(x), y: Math.round(y) };
  return Math.abs(whole.x - x) < DUST_PX && Math.abs(whole.y - y) < DUST_PX ? whole : null;
}

function itemsAtRest(layer: CompiledLayer, unit: LayerUnit, toPixels: Matrix): readonly DisplayItem[] {
  const known = stills.get(unit);
  if (known?.layer === layer && sameValue(known.toPixels, toPixels)) return known.items;
  const items = paintUnit(layer, { unit, acts: [], map: STILL, flat: IDENTITY, before: [] }, toPixels, null);
  stills.set(unit, { layer, toPixels, items });
  return items;
}
