import type { Shift } from '../model/project';
import type { FieldValues, Template } from '../model/template';
import type { Rect } from '../kit/rect';
import type { QuietMap } from './quietMap';
import { restlessness } from './quietMap';

/** A place that is proposed for a title. */
export interface QuietPlace {
  readonly label: string;
  /** Values that put it there, for one of the template's own positions. */
  readonly values: FieldValues;
  /** How far it is moved from there; null for not at all. */
  readonly shift: Shift | null;
  /** What it covers then, in design units. */
  readonly cover: Rect;
  /** 0 is an even surface that stands still. */
  readonly restlessness: number;
}

/** A choice of the template's card that moves things, with what each choice sets. */
export interface OwnPosition {
  readonly label: string;
  readonly values: FieldValues;
}

/** The positions that a template offers itself: every choice of its fields that sets where something stands. */
export function ownPositions(template: Template): OwnPosition[] {
  return template.fields
    .filter((field) => field.kind === 'choice')
    .filter((field) => {
      const direct = field.targets.some(({ path }) => path.startsWith('place.'));
      const sets = (field.limits.choices ?? []).some((choice) =>
        choice.sets?.some(({ path }) => path.startsWith('place.')),
      );
      return direct || sets;
    })
    .flatMap((field) =>
      (field.limits.choices ?? []).map((choice) => ({
        label: `${field.label}: ${choice.label}`,
        values: { [field.id]: choice.value },
      })),
    );
}

const STEPS = 9;
const FREE_PLACES = 3;

/**
 * The quietest places for a title: its own positions first among equals, then free ones within `safe`, each in
 * another part of the picture and none over a quieter one. `cover` is what the title covers unmoved; all in design units.
 */
export function quietPlaces(
  map: QuietMap,
  picture: { readonly widthU: number; readonly heightU: number },
  safe: Rect,
  cover: Rect,
  own: readonly (OwnPosition & { readonly cover: Rect })[],
): QuietPlace[] {
  const score = (rect: Rect): number =>
    restlessness(map, {
      x: rect.x / picture.widthU,
      y: rect.y / picture.heightU,
      width: rect.width / picture.widthU,
      height: rect.height / picture.heightU,
    });
  const offered = own.map((one) => ({ ...one, shift: null, restlessness: score(one.cover) }));
  const free = freeCovers(safe, cover)
    .map((rect) => ({ rect, label: placeName(rect, picture), restlessness: score(rect) }))
    .toSorted((a, b) => a.restlessness - b.restlessness);
  const chosen: typeof free = [];
  for (const one of free) {
    if (chosen.length === FREE_PLACES) break;
    if (chosen.every((other) => other.label !== one.label && !overlaps(one.rect, other.rect)))
      chosen.push(one);
  }
  const places = chosen.map(({ rect, label, restlessness: restless }): QuietPlace => ({
    label,
    values: {},
    shift: { dxU: Math.round(rect.x - cover.x), dyU: Math.round(rect.y - cover.y) },
    cover: rect,
    restlessness: restless,
  }));
  return [...offered.toSorted((a, b) => a.restlessness - b.restlessness), ...places];
}

/** Rectangles of the cover's size spread evenly over the safe area. */
function freeCovers(safe: Rect, cover: Rect): Rect[] {
  const width = Math.min(cover.width, safe.width);
  const height = Math.min(cover.height, safe.height);
  return Array.from({ length: STEPS * STEPS }, (_, i) => ({
    x: safe.x + ((safe.width - width) * (i % STEPS)) / (STEPS - 1),
    y: safe.y + ((safe.height - height) * Math.floor(i / STEPS)) / (STEPS - 1),
    width: cover.width,
    height: cover.height,
  }));
}

function overlaps(a: Rect, b: Rect): boolean {
  return a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height;
}

/** Where a rectangle lies, in words. */
function placeName(
  rect: Rect,
  { widthU, heightU }: { readonly widthU: number; readonly heightU: number },
): string {
  const third = (middle: number, size: number, names: readonly string[]): string =>
    names[Math.max(0, Math.min(2, Math.floor((middle / size) * 3)))];
  const down = third(rect.y + rect.height / 2, heightU, ['top', 'middle', 'bottom']);
  const across = third(rect.x + rect.width / 2, widthU, ['left', 'centre', 'right']);
  return `Free, ${down} ${across}`;
}
