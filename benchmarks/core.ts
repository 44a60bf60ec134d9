import { motionOf } from '@/core/model/newMove';
import { createCanvas, Path2D } from '@napi-rs/canvas';
import { openingLockup, tidelineStrap } from '../demo/templates';
import type { DisplayItem, DisplayList } from '@/core/display/list';
import { replayOutline } from '@/core/display/outline';
import { updateLayer } from '@/core/edit/editTemplate';
import type { Template } from '@/core/model/template';
import { FORMATS } from '@/core/frame/formats';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { compile } from '@/core/timeline/compile';
import { stretchTiming } from '@/core/titleTime/stretch';
import { RATES } from '@/core/time/rates';
import { Painter } from '@/paint/painter';
import { serverSurfaces } from '@/server/raster';
import { report, time } from './measure';

const WIDE = FORMATS.get('wide-1080');
const RATE = RATES.get('25');

/** The strap with a name of so many letters that come in one by one. */
function strapOf(letters: number): Template {
  const words = 'Quillfeather '
    .repeat(Math.ceil(letters / 12))
    .replace(/ /g, (_m, at: number) => (at % 5 === 0 ? ' ' : 'e'));
  const text = Array.from(words.replace(/\s/g, '')).slice(0, letters).join('');
  return updateLayer(tidelineStrap, 'name', (layer) =>
    layer.kind !== 'text' || layer.motion.in.length === 0
      ? layer
      : {
          ...layer,
          runs: [{ text }],
          maxWidthShare: 2,
          whenLong: [],
          motion: motionOf({ ...layer.motion.in[0], unit: 'letter', overlap: 0.8 }, 'mirror'),
        },
  );
}

/** Layout and evaluation: a frame of 60 letters, and how the cost grows to 2 000. */
export function benchCore(fonts: FontLibrary): void {
  console.log('\nLayout and evaluation');
  const perFrame: number[] = [];
  for (const letters of [60, 500, 2000]) {
    const template = strapOf(letters);
    const timing = stretchTiming(template.timing, 145, RATE);
    const title = compile(template, {}, WIDE, fonts);
    const compileMs = time(() => void compile(template, {}, WIDE, fonts), 9);
    const frameMs = time(() => void title.frame(0.5, timing), 25, 20);
    perFrame.push(frameMs / letters);
    report(`compile, ${letters} letters by letter`, `${compileMs.toFixed(2)} ms`);
    report(
      `frame(t), ${letters} letters moving`,
      `${frameMs.toFixed(3)} ms`,
      letters === 60 ? 'under 1 ms' : '',
    );
  }
  report(
    'cost of a letter at 2 000 ÷ at 60',
    `${(perFrame[2] / perFrame[0]).toFixed(2)} ×`,
    'linear: about 1',
  );
}

/** Painting one moving frame, against the same paths drawn straight with the raster library. */
export function benchPaint(fonts: FontLibrary): void {
  console.log('\nPainting one frame at 1920 × 1080 in the server raster, read back');
  for (const [name, template, seconds] of [
    ['Tideline strap, 60 letters', strapOf(60), 0.5],
    ['Opening lockup', openingLockup, 0.8],
  ] as const) {
    const timing = stretchTiming(template.timing, 145, RATE);
    const list = compile(template, {}, WIDE, fonts).frame(seconds, timing);
    const flat = { ...list, items: list.items.filter((item) => item.kind !== 'shadow') };
    comparePainting(`${name}, paths alone`, flat);
    comparePainting(`${name}, with its soft shadow`, list);
  }
}

function comparePainting(name: string, list: DisplayList): void {
  const context = createCanvas(1920, 1080).getContext('2d');
  const painter = new Painter(serverSurfaces);
  const straight = straightDrawing(list.items);
  const clear = (): void => context.clearRect(0, 0, 1920, 1080);
  // Drawing is recorded and done when the pixels are asked for, so that is measured with it.
  const read = (): void => void context.getImageData(0, 0, 1920, 1080);
  const ours = time(() => (clear(), painter.paint(context, list), read()), 15, 4);
  const theirs = time(() => (clear(), straight(context), read()), 15, 4);
  report(`${name}: painter`, `${ours.toFixed(2)} ms`);
  report(`${name}: same drawn straight`, `${theirs.toFixed(2)} ms`);
  report(`${name}: ratio`, `${(ours / theirs).toFixed(2)} ×`, 'at most 1.2');
}

type Context = ReturnType<ReturnType<typeof createCanvas>['getContext']>;

/** The fills and clips of a list as plain calls on ready paths; a shadow is drawn on a second frame and blurred onto this one. */
function straightDrawing(items: readonly DisplayItem[]): (context: Context) => void {
  const steps = items.map((item): ((context: Context) => void) => {
    if (item.kind === 'shadow') {
      const inner = straightDrawing(item.items);
      const second = createCanvas(1920, 1080);
      return (context) => {
        const other = second.getContext('2d');
        other.setTransform(1, 0, 0, 1, 0, 0);
        other.clearRect(0, 0, 1920, 1080);
        inner(other);
        context.save();
        context.setTransform(1, 0, 0, 1, 0, 0);
        context.filter = `blur(${item.blurPx}px)`;
        context.globalAlpha = item.opacity;
        context.drawImage(second, item.offsetPx.x, item.offsetPx.y);
        context.restore();
      };
    }
    if (item.kind === 'clip') {
      const inner = straightDrawing(item.items);
      const { x, y, width, height } = item.rectPx;
      return (context) => {
        context.save();
        context.setTransform(1, 0, 0, 1, 0, 0);
        context.beginPath();
        context.rect(x, y, width, height);
        context.clip();
        inner(context);
        context.restore();
      };
    }
    // What is done to items by themselves is the painter's own work; straight, they are drawn as they are.
    if (item.kind === 'average') return straightDrawing(item.exposures[0]);
    if (item.kind === 'image') return () => undefined;
    if (item.kind !== 'fill' && item.kind !== 'stroke') return straightDrawing(item.items);
    const path = new Path2D();
    replayOutline(item.outline, path);
    const colour = item.paint.kind === 'solid' ? item.paint.colour : '#ffffff';
    const [a, b, c, d, e, f] = item.matrix;
    return (context) => {
      context.setTransform(a, b, c, d, e, f);
      context.globalAlpha = item.opacity;
      if (item.kind === 'stroke') {
        context.strokeStyle = colour;
        context.lineWidth = item.width;
        context.stroke(path);
      } else {
        context.fillStyle = colour;
        context.fill(path);
      }
      context.globalAlpha = 1;
    };
  });
  return (context) => steps.forEach((step) => step(context));
}
