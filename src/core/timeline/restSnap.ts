import { isFollowed } from '../model/track';
import type { Template } from '../model/template';
import type { Matrix } from '../kit/matrix';
import type { FrameFormat } from '../frame/formats';
import { unitsToPixels } from '../frame/formats';
import type { PlacedLayer } from '../layout/resolveLayout';
import type { CompiledLayer, Offset } from './compileLayer';
import { NO_OFFSET } from './compileLayer';
import type { KeyedPath, Placed } from './keyedPaths';
import type { TitleTiming } from '../titleTime/stretch';
import { timedKeys } from '../titleTime/tracks';

/*
 * What rests lies on whole pixels; what moves is not moved onto them, or slow movement would go in steps. The step
 * from the one to the other is not seen: over the last pixels of a way the offset of its end comes in little by little.
 */

/** Where everything lies at the times at which movement by keyframes begins and ends. */
export interface RestSnap {
  /** Times of keys (seconds) that change where something lies or how large it is, in order. */
  readonly times: readonly number[];
  /** Where all layers lie at one of them. */
  placedAt(time: number): Placed;
}

/** `more` are times beside those of keys. Null where a layer's own time runs otherwise: its keys are not at the title's times. */
export function createRestSnap(
  { layers, timing: design }: Template,
  paths: readonly KeyedPath[],
  timing: TitleTiming,
  place: (seconds: number) => Placed,
  more: readonly number[] = [],
): RestSnap | null {
  const moving = new Set(paths.filter(({ stage }) => stage !== 'paint').map(({ layerId }) => layerId));
  const movers = layers.filter(({ id }) => moving.has(id));
  if (movers.some(({ motion }) => motion.retime !== null)) return null;
  const stageOf = (layerId: string, path: string): boolean =>
    paths.some((one) => one.layerId === layerId && one.path === path && one.stage !== 'paint');
  const times = movers.flatMap(({ id, motion }) =>
    motion.tracks
      .filter((track) => isFollowed(track) && stageOf(id, track.path))
      .flatMap((track) => timedKeys(track, design, timing).map(({ seconds }) => seconds)),
  );
  const known = new Map<number, Placed>();
  return {
    times: [...new Set([...times, ...more])].sort((a, b) => a - b),
    placedAt(time) {
      const before = known.get(time);
      if (before !== undefined) return before;
      const made = place(time);
      known.set(time, made);
      return made;
    },
  };
}

/** The last pixels of a way, over which the offset of its end comes in. */
const LAST_PX = 2;
const SAME_U = 1e-6;

/** A figure (u) that moves by keyframes: an edge, a baseline, a place. */
interface Figure {
  readonly now: number;
  /** The same in another layout; null where its layer is absent. */
  at(placed: Placed): number | null;
  /** How far a value of it is from a whole pixel. */
  offset(value: number): number;
  readonly perPx: number;
}

/** How far a figure is to be moved at a time: at rest onto a whole pixel, on its way not at all. */
function nudgeOf({ times, placedAt }: RestSnap, seconds: number, figure: Figure): number {
  const { now, at, offset, perPx } = figure;
  const next = times.findIndex((time) => time > seconds);
  const end = next < 0 ? times.length : next;
  const valueAt = (i: number): number | null => (i < 0 || i >= times.length ? null : at(placedAt(times[i])));
  const same = (a: number | null, b: number | null): boolean =>
    a === null || b === null || Math.abs(a - b) < SAME_U;
  const [from, to] = [valueAt(end - 1), valueAt(end)];
  if (same(from, now) && same(to, now)) return offset(now);
  if (from === null || to === null) return 0;
  const last = Math.min(LAST_PX / perPx, Math.abs(to - from) / 2);
  const near = (value: number): number => (last > 0 ? Math.max(0, 1 - Math.abs(now - value) / last) : 0);
  const before = same(valueAt(end - 2), from) ? near(from) * offset(from) : 0;
  const after = same(valueAt(end + 1), to) ? near(to) * offset(to) : 0;
  return before + after;
}

/** How far a layer that lies elsewhere than it was laid out is moved in addition, so that at rest it lies on whole pixels. */
export function restNudge(
  snap: RestSnap,
  { box: home, measured }: CompiledLayer,
  { layer, box }: PlacedLayer,
  seconds: number,
  format: FrameFormat,
): Offset {
  if (snap.times.length === 0) return NO_OFFSET;
  const [perX, , , perY] = unitsToPixels(format);
  const along = (axis: 'x' | 'y', perPx: number): number =>
    nudgeOf(snap, seconds, {
      now: box[axis],
      at: (placed) => placed.get(layer.id)?.box[axis] ?? null,
      offset(value) {
        const offPx = (value - home[axis]) * perPx;
        return (Math.round(offPx) - offPx) / perPx;
      },
      perPx,
    });
  const { x = false, y = false } = measured.snaps ?? {};
  return { dxU: x ? along('x', perX) : 0, dyU: y ? along('y', perY) : 0 };
}

/** The offsets of the edges or baselines of a layer that is laid out anew while it moves; undefined where it has none. */
export function blendSnaps(
  snap: RestSnap,
  { layer, measured, box }: PlacedLayer,
  seconds: number,
  toPixels: Matrix,
): readonly number[] | undefined {
  const atRest = measured.snap?.(box, toPixels);
  return atRest?.map((rest, i) => {
    const now = edgeOf(measured, box, i);
    const isAcross = measured.snaps?.x === true && i % 2 === 0;
    const [perPx, start] = isAcross ? [toPixels[0], toPixels[4]] : [toPixels[3], toPixels[5]];
    return nudgeOf(snap, seconds, {
      now,
      at(placed) {
        const one = placed.get(layer.id);
        return one === undefined ? null : edgeOf(one.measured, one.box, i);
      },
      offset(value) {
        const px = value * perPx + start;
        return value === now ? rest : (Math.round(px) - px) / perPx;
      },
      perPx,
    });
  });
}

/** The edge (left, top, right, bottom in turn) or the baseline whose offset has this number. */
function edgeOf({ snaps }: PlacedLayer['measured'], box: PlacedLayer['box'], i: number): number {
  if (snaps?.x === true) return [box.x, box.y, box.x + box.width, box.y + box.height][i];
  return box.y + (i === 0 ? box.firstBaseline : box.lastBaseline);
}
