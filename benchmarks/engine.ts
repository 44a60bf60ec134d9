import { motionOf, newMoveUse } from '@/core/model/newMove';
import { newGroupLayer, newLightLayer, newTextLayer, placeAt } from '@/core/model/newLayers';
import { testTemplate } from '@/core/testing';
import type { Keyframe, Layer, Moment, Template, TextLayer } from '@/core/model/template';
import { FORMATS } from '@/core/frame/formats';
import type { DisplayItem } from '@/core/display/list';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { compile } from '@/core/timeline/compile';
import { stretchTiming } from '@/core/titleTime/stretch';
import { RATES } from '@/core/time/rates';
import { Painter } from '@/paint/painter';
import { createRasterFrame, serverSurfaces } from '@/server/raster';
import { median, report, time } from './measure';

const WIDE = FORMATS.get('wide-1080');
const RATE = RATES.get('25');
const FRAMES = 100;
const TEXTS = 12;

function textAt(i: number): TextLayer {
  return {
    ...newTextLayer(`t${i}`, `Text ${i}`),
    runs: [{ text: 'Bartholomew Quillfeather-Oduya' }],
    place: placeAt({
      point: 'topLeft',
      target: { kind: 'titleSafe' },
      targetPoint: 'topLeft',
      dyU: i * 70,
    }),
    motion: { ...newTextLayer('x', 'x').motion, in: [], out: [] },
  };
}

function keyed(layer: Layer, path: string, from: number, to: number): Layer {
  const moment = (at: Moment['from']): Moment => ({ from: at, offsetSeconds: 0, share: 0 });
  const key = (at: Moment['from'], value: number): Keyframe => ({
    moment: moment(at),
    value,
    way: 'straight',
    curve: [0.45, 0, 0.3, 1],
  });
  const tracks = [{ path, on: true, keys: [key('start', from), key('end', to)] }];
  return { ...layer, motion: { ...layer.motion, tracks } };
}

function templateOf(layers: readonly Layer[]): Template {
  return testTemplate(layers);
}

/** All frames of a title, one after the other: with keys every one of them is another state. */
function framesOf(template: Template, fonts: FontLibrary): () => void {
  const timing = stretchTiming(template.timing, FRAMES, RATE);
  const title = compile(template, {}, WIDE, fonts);
  return () => {
    for (let i = 0; i < FRAMES; i++) title.frame(i / 25, timing);
  };
}

/** Milliseconds a frame of two titles that take turns, at the median, and the median of the ratios of the turns. */
function inTurns(first: () => void, second: () => void): { readonly ms: number; readonly ratio: number } {
  const turns = Array.from({ length: 25 }, () => [time(first, 1), time(second, 1)]);
  return {
    ms: median(turns.map(([, ms]) => ms)) / FRAMES,
    ratio: median(turns.map(([rest, keyed]) => keyed / rest)),
  };
}

const countItems = (items: readonly DisplayItem[]): number =>
  items.reduce(
    (sum, item) =>
      sum + 1 + ('items' in item ? countItems(item.items) : 0) + ('mask' in item ? countItems(item.mask) : 0),
    0,
  );

/** What keys on paint and on layout properties cost, how lights and scaled groups grow, and fitting. */
export function benchEngine(fonts: FontLibrary): void {
  console.log(`\nEngine: a frame of ${TEXTS} texts, laid out before`);
  const texts = Array.from({ length: TEXTS }, (_, i) => textAt(i));
  const rest = framesOf(templateOf(texts), fonts);
  report('at rest', `${(time(rest, 15) / FRAMES).toFixed(3)} ms`);
  for (const [name, path, from, to, wanted] of [
    ['one keyed offset', 'place.dxU', 0, 400, 'at most 1.3'],
    ['one keyed opacity', 'opacity', 0, 100, 'at most 1.3'],
    ['one keyed turn', 'place.rotateDegrees', 0, 90, 'at most 1.3'],
    ['one keyed blur', 'look.blurAcrossU', 0, 40, 'at most 1.3'],
    ['one keyed tip in depth', 'motion.turnX', 0, 60, 'at most 1.3'],
    ['one keyed size (layout)', 'style.sizeU', 60, 90, 'at most 3'],
  ] as const) {
    const keys = framesOf(templateOf([keyed(texts[0], path, from, to), ...texts.slice(1)]), fonts);
    const { ms, ratio } = inTurns(rest, keys);
    report(`${name}, ÷ at rest`, `${ms.toFixed(3)} ms, ${ratio.toFixed(2)} ×`, wanted);
  }
  benchLights(fonts, texts);
  benchScaledGroup(fonts, texts);
  benchFitting(fonts);
}

function benchLights(fonts: FontLibrary, texts: readonly TextLayer[]): void {
  for (const count of [1, 8]) {
    const lights = Array.from({ length: count }, (_, i) => newLightLayer(`l${i}`, `Light ${i}`));
    const template = templateOf([...lights, ...texts.slice(0, 2)]);
    const timing = stretchTiming(template.timing, FRAMES, RATE);
    const list = compile(template, {}, WIDE, fonts).frame(2, timing);
    const painter = new Painter(serverSurfaces);
    const frame = createRasterFrame(1920, 1080);
    const ms = time(() => {
      frame.context.clearRect(0, 0, 1920, 1080);
      painter.paint(frame.context, list);
      frame.readPixels();
    }, 5);
    report(`${count} lights: items, painting`, `${countItems(list.items)}, ${ms.toFixed(1)} ms`);
  }
}

function benchScaledGroup(fonts: FontLibrary, texts: readonly TextLayer[]): void {
  const group = {
    ...newGroupLayer('g', 'Group', ['t0', 't1']),
    motion: motionOf(newMoveUse('fade', { lengthSeconds: 1 }), null),
    place: placeAt({
      point: 'centre',
      target: { kind: 'frame' },
      targetPoint: 'centre',
      scaleX: 20,
      scaleY: 20,
    }),
  };
  const template = templateOf([group, ...texts.slice(0, 2)]);
  const timing = stretchTiming(template.timing, FRAMES, RATE);
  const list = compile(template, {}, WIDE, fonts).frame(0.5, timing);
  let pixels = 0;
  const counting = {
    ...serverSurfaces,
    surface(width: number, height: number) {
      pixels += width * height;
      return serverSurfaces.surface(width, height);
    },
  };
  new Painter(counting).paint(createRasterFrame(1920, 1080).context, list);
  report('a group at scale 20 that fades: pixels of its surfaces', `${(pixels / 1e6).toFixed(1)} M`);
}

function benchFitting(fonts: FontLibrary): void {
  const name = 'Bartholomew Quillfeather-Oduya and Ilse Marrow of Reedmouth Quay';
  const layer: TextLayer = {
    ...textAt(0),
    maxWidthShare: 0.3,
    whenLong: [
      { kind: 'wrap', maxLines: 2 },
      { kind: 'squeeze', minPercent: 82 },
      { kind: 'shrink', minSizeU: 24 },
    ],
  };
  // Another word each time: nothing that is kept of the one before may serve.
  let round = 0;
  const ms = time(() => {
    const runs = [{ text: `${name} ${++round}` }];
    compile(templateOf([{ ...layer, runs }]), {}, WIDE, fonts);
  }, 15);
  report('fitting a name of 60 letters', `${ms.toFixed(2)} ms`);
}
