import type { Rect } from '../kit/rect';
import { mirrorRect } from '../kit/rect';
import type { MoveMask, MovePlan, Pivot, UnitPlace } from '../moves/move';
import type { MovePart } from '../moves/part';
import type { Pose, PoseProperty } from '../moves/pose';
import { REST } from '../moves/pose';

// What changes its sign in a mirror that swaps left and right; all else of a pose is the same seen from there.
const ACROSS: ReadonlySet<PoseProperty> = new Set(['xU', 'turnY', 'turnZ', 'skewX', 'fringeU']);

const PIVOTS: Readonly<Record<Pivot, Pivot>> = {
  centre: 'centre',
  baseline: 'baseline',
  left: 'right',
  right: 'left',
  top: 'top',
  bottom: 'bottom',
  topLeft: 'topRight',
  bottomLeft: 'bottomRight',
  topRight: 'topLeft',
  bottomRight: 'bottomLeft',
};

/** A point to turn about, as it is called on the other side. */
export function mirrorPivot(pivot: Pivot): Pivot {
  return PIVOTS[pivot];
}

/** A unit's place as a mirror shows it: what a move asks for when it is to go the other way. */
export function mirrorUnitPlace(place: UnitPlace): UnitPlace {
  const { frame } = place;
  return {
    ...place,
    all: place.all.map((box) => mirrorRect(box, frame)),
    box: mirrorRect(place.box, frame),
    line: mirrorRect(place.line, frame),
    layer: mirrorRect(place.layer, frame),
    lastLine: mirrorRect(place.lastLine, frame),
  };
}

/** What a move planned for a mirrored unit, brought back: it does the same from the other side. */
export function mirrorPlan(plan: MovePlan, frame: Rect): MovePlan {
  const { parts, pivot, mask, light, block } = plan;
  return {
    ...plan,
    parts: parts.map(mirrorPart),
    ...(pivot !== undefined && { pivot: mirrorPivot(pivot) }),
    ...(mask !== undefined && { mask: mirrorMask(mask, frame) }),
    ...(block !== undefined && { block: { ...block, fromRight: block.fromRight !== true } }),
    ...(light !== undefined && { light: { ...light, angleDegrees: -light.angleDegrees } }),
  };
}

/** The same of what goes on while a title holds. */
export function mirrorPose(pose: Partial<Pose>): Partial<Pose> {
  return Object.fromEntries(
    Object.entries(pose).map(([name, value]) => [name, mirrorValue(name as PoseProperty, value ?? 0)]),
  );
}

function mirrorPart(part: MovePart): MovePart {
  const { property, keys } = part;
  return { ...part, keys: keys.map((key) => ({ ...key, value: mirrorValue(property, key.value) })) };
}

function mirrorValue(property: PoseProperty, value: number): number {
  if (ACROSS.has(property)) return value === 0 ? 0 : -value;
  // A light goes from 0, not yet seen, to 1, gone by; the other way round it starts where it ended.
  return property === 'light' ? REST.light - value : value;
}

function mirrorMask(mask: MoveMask, frame: Rect): MoveMask {
  switch (mask.kind) {
    case 'wipe':
      return { ...mask, angleDegrees: 180 - mask.angleDegrees };
    case 'window':
      return { ...mask, rect: mirrorRect(mask.rect, frame) };
    case 'box':
    case 'iris':
      return mask;
  }
}
