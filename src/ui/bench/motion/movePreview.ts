import { newBoxLayer } from '@/core/model/newLayers';
import { motionOf } from '@/core/model/newMove';
import { newTemplate } from '@/core/model/newTemplate';
import { fitMotion } from '@/core/edit/editTemplate';
import type { HoldUse, Layer, Motion, MoveUse, Template } from '@/core/model/template';
import { assertNever } from '@/core/kit/assertNever';
import { FORMATS } from '@/core/frame/formats';
import { previewFormat } from '@/core/frame/previewFormat';
import type { FontLibrary } from '@/core/text/fontLibrary';
import type { CompiledTitle } from '@/core/timeline/compile';
import { compile } from '@/core/timeline/compile';
import type { TitleTiming } from '@/core/titleTime/stretch';
import { stretchTiming } from '@/core/titleTime/stretch';
import { RATES } from '@/core/time/rates';

/** A layer by itself in the middle of a frame, playing a move, and the part of that frame that a tile shows. */
export interface MovePreview {
  readonly title: CompiledTitle;
  readonly timing: TitleTiming;
  readonly cropX: number;
  readonly cropY: number;
}

const FORMAT = FORMATS.get('wide-1080');
const RATE = RATES.get('50');
// How much of a tile the layer takes; the rest is for its movement.
const FILL_ACROSS = 0.74;
const FILL_DOWN = 0.42;

/** What a preview plays: a move of the in, of the out, or of the hold; or motion of the House, in and out. */
export type Previewed =
  | { readonly kind: 'in' | 'out'; readonly use: MoveUse }
  | { readonly kind: 'hold'; readonly use: HoldUse }
  | { readonly kind: 'kept'; readonly motion: Motion };

/** Makes a preview for a tile of a size in pixels; null for a text that is empty. */
export function makePreview(
  layer: Layer,
  previewed: Previewed,
  tile: { readonly widthPx: number; readonly heightPx: number },
  fonts: FontLibrary,
): MovePreview | null {
  const template = previewTemplate(layer, previewed);
  const [only] = template.layers;
  const box = compile(template, {}, FORMAT, fonts).boxes.get(only.id);
  if (box === undefined || box.width <= 0 || box.height <= 0) return null;
  const perUnit = Math.min(
    (tile.widthPx * FILL_ACROSS) / box.width,
    (tile.heightPx * FILL_DOWN) / box.height,
    2,
  );
  const format = previewFormat(FORMAT, 1920 * perUnit);
  const totalFrames = previewed.kind === 'hold' ? 250 : 100;
  return {
    title: compile(template, {}, format, fonts),
    timing: stretchTiming(template.timing, totalFrames, RATE),
    cropX: Math.round((format.widthPx - tile.widthPx) / 2),
    cropY: Math.round((format.heightPx - tile.heightPx) / 2),
  };
}

function previewTemplate(layer: Layer, previewed: Previewed): Template {
  const alone: Layer = {
    ...standIn(layer),
    visible: true,
    matte: null,
    place: {
      ...layer.place,
      point: 'centre',
      target: { kind: 'frame' },
      targetPoint: 'centre',
      dxU: 0,
      dyU: 0,
      keepInside: null,
    },
    motion: { ...previewMotion(previewed), perspectiveU: layer.motion.perspectiveU },
  };
  const start = { name: 'Preview', kind: 'opener', production: '', format: FORMAT.id, rate: '50' };
  return {
    ...newTemplate(start),
    timing: previewed.kind === 'hold' ? { inSeconds: 0.02, holdSeconds: 5, outSeconds: 0.02 } : IN_AND_OUT,
    layers: [alone],
    fields: [],
  };
}

// A second for each, with nothing between.
const IN_AND_OUT = { inSeconds: 1, holdSeconds: 0, outSeconds: 1 };

function previewMotion(previewed: Previewed): Motion {
  switch (previewed.kind) {
    case 'hold':
      return motionOf(null, null, { hold: [previewed.use] });
    case 'in':
      return motionOf(fitted(previewed.use), null);
    case 'out':
      return motionOf(null, fitted(previewed.use));
    case 'kept':
      // What lies elsewhere in the title, or hangs on it, is not there in a tile.
      return fitMotion({ ...previewed.motion, tracks: [], span: null, retime: null }, IN_AND_OUT);
    default:
      return assertNever(previewed, 'preview');
  }
}

/** What plays for a layer: a text or list itself, a box at a size of its own, and a plain box for all else. */
function standIn(layer: Layer): Layer {
  if (layer.kind === 'text' || layer.kind === 'rows') return layer;
  const plain = newBoxLayer(layer.id, layer.name, []);
  const box = layer.kind === 'box' ? layer : { ...plain, fill: PLAIN_FILL, fillOpacity: 1 };
  return { ...box, width: { kind: 'fixed', u: BOX_U.width }, height: { kind: 'fixed', u: BOX_U.height } };
}

const PLAIN_FILL = '#f0d9a2';
const BOX_U = { width: 420, height: 150 };

const fitted = (use: MoveUse): MoveUse => ({ ...use, startSeconds: 0, lengthSeconds: 1, gapSeconds: null });

/** Where in the title a preview is after so many seconds of playing; it goes round with a rest between. */
export function previewSeconds(kind: Previewed['kind'], played: number): number {
  const rest = 0.7;
  if (kind === 'hold') return played % 5;
  if (kind === 'kept') return Math.min(2, played % (2 + rest));
  const along = Math.min(1, played % (1 + rest));
  return kind === 'in' ? along : 1 + along;
}
