import type { BoxLayer, Layer, TextLayer } from '../model/template';
import type { Rect } from '../kit/rect';
import { containsRect, growRect, intersectRects } from '../kit/rect';
import { contrastRatio, luminance } from './luminance';

/**
 * Whether a text certainly stands out by `needed` against a plain panel of its own, whatever lies under that: worked out
 * from colours alone, without looking at pixels. false says nothing: it has to be looked at. Boxes at rest by layer id.
 */
export function standsOnPanel(
  text: Layer,
  layers: readonly Layer[],
  boxes: ReadonlyMap<string, Rect>,
  marginU: number,
  needed: number,
): boolean {
  const area = boxes.get(text.id);
  if (text.kind !== 'text' || area === undefined || !isPlainText(text)) return false;
  const around = growRect(area, marginU);
  const at = layers.indexOf(text);
  const meets = (layer: Layer): boolean => {
    const box = boxes.get(layer.id);
    if (box === undefined || layer === text || layer.opacity === 0) return false;
    const shared = intersectRects(box, around);
    return shared.width > 0 && shared.height > 0;
  };
  // A group is only where its members are, and those are looked at one by one.
  const solid = layers.filter((layer) => layer.kind !== 'group' && layer.kind !== 'stack');
  if (solid.some((layer) => layers.indexOf(layer) < at && meets(layer))) return false;
  const below = solid.find((layer) => layers.indexOf(layer) > at && meets(layer));
  const panel = below && boxes.get(below.id);
  if (below?.kind !== 'box' || panel === undefined || !isPlainPanel(below)) return false;
  const radius = below.shape.kind === 'rectangle' ? Math.max(0, ...below.shape.radiiU) : 0;
  // Within a rounded corner, the panel's edge comes in by less than a third of its radius.
  if (!containsRect(growRect(panel, -radius * 0.3), around)) return false;
  return textColours(text).every((colour) => leastOnPanel(colour, below) >= needed);
}

function isPlainText({ opacity, place, look, matte, highlight, motion }: TextLayer): boolean {
  const { gradient, picture, outlines, shadows, glow, solid } = look;
  const bare = gradient === null && picture === null && glow === null && solid === null && matte === null;
  return (
    bare &&
    opacity === 1 &&
    outlines.length + shadows.length === 0 &&
    highlight === null &&
    isLevel(place, motion)
  );
}

function isPlainPanel({ shape, place, look, matte, motion }: BoxLayer): boolean {
  const { gradient, picture, outlines, blurAcrossU, blurDownU } = look;
  const even = gradient === null && picture === null && outlines.every(({ side }) => side === 'outside');
  return (
    shape.kind === 'rectangle' &&
    even &&
    matte === null &&
    blurAcrossU + blurDownU === 0 &&
    isLevel(place, motion)
  );
}

function isLevel(place: Layer['place'], { turnX, turnY, fold, tracks }: Layer['motion']): boolean {
  if (fold != null) return false;
  return place.rotateDegrees === 0 && place.pin === null && turnX === 0 && turnY === 0 && tracks.length === 0;
}

function textColours(text: TextLayer): string[] {
  return [...new Set([text.style.fill, ...text.runs.flatMap((run) => run.style?.fill ?? [])])];
}

/** Contrast at worst over any picture; 1 where the picture may show through so much that the sides change. */
function leastOnPanel(colour: string, { fill, fillOpacity, opacity }: BoxLayer): number {
  const cover = fillOpacity * opacity;
  const over = (picture: number): number => {
    const [red, green, blue] = channels(fill).map((channel) => channel * cover + picture * (1 - cover));
    return luminance(red, green, blue);
  };
  const [red, green, blue] = channels(colour);
  const letters = luminance(red, green, blue);
  const [dark, light] = [over(0), over(255)];
  if (letters > light) return contrastRatio(letters, light);
  return letters < dark ? contrastRatio(letters, dark) : 1;
}

function channels(hex: string): number[] {
  return [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16));
}
