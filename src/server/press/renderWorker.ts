import { parentPort, workerData } from 'node:worker_threads';
import { sameDisplayList } from '@/core/display/list';
import type { DisplayList } from '@/core/display/list';
import { ShownProgramme } from '@/core/captions/showProgramme';
import type { PictureSizes } from '@/core/layers/layerKind';
import { storedTemplate } from '@/core/model/upgradeTemplate';
import type { FrameFormat } from '@/core/frame/formats';
import { paintedFormat } from '@/core/frame/formats';
import { showTitle } from '@/core/project/deliver';
import { stretchTiming } from '@/core/titleTime/stretch';
import type { FontLibrary } from '@/core/text/fontLibrary';
import type { FrameRate } from '@/core/time/rates';
import { RATES } from '@/core/time/rates';
import type { JobProgramme, JobTitle } from '@/db/schema';
import { Painter } from '@/paint/painter';
import { serverFonts } from '../fontFiles';
import { createRasterFrame, decodePictures, surfacesWith } from '../raster';
import { bleedColour } from './bleed';
import { isTopFirst } from './colour';
import { FrameRing } from './frameRing';
import { encodePng } from './png';
import type { RenderTask, WorkerMessage } from './renderTask';

const port = parentPort;
if (port === null) throw new Error('The render worker runs in a worker thread only');

const root: unknown = workerData;
const say = (message: WorkerMessage): void => port.postMessage(message);

port.on('message', (task: RenderTask) => {
  render(task).then(
    () => say({ type: 'done' }),
    (error: unknown) =>
      say({ type: 'failed', message: error instanceof Error ? error.message : String(error) }),
  );
});

interface Frames {
  listAt(frame: number): DisplayList;
  readonly start: number;
  readonly end: number;
  /** The frame that stands for the file, at rest. */
  readonly resting: number;
  /** The frames that the finished file is compared with. */
  readonly compared: readonly number[];
}

interface Tools {
  readonly format: FrameFormat;
  readonly rate: FrameRate;
  readonly fonts: FontLibrary;
  readonly pictures: PictureSizes;
}

function framesFor({ content, language }: RenderTask, tools: Tools): Frames {
  return 'parts' in content
    ? programmeFrames(content, { ...tools, language })
    : titleFrames(content, tools, language);
}

function titleFrames(title: JobTitle, { format, rate, fonts, pictures }: Tools, language?: string): Frames {
  const { shift = null, scrim = null, fadeInFrames = 0, fadeOutFrames = 0, lengthFrames, onlyFrame } = title;
  const painted = { ...title, shift, scrim, fadeInFrames, fadeOutFrames, lengthFrames };
  const document = storedTemplate(title.document);
  const shown = showTitle(painted, document, title.values, format, rate, fonts, pictures, language);
  const timing = stretchTiming(document.timing, lengthFrames, rate);
  const start = onlyFrame ?? 0;
  const end = onlyFrame === null ? timing.totalFrames : start + 1;
  const resting = Math.min(end - 1, timing.inFrames + Math.floor(timing.holdFrames / 2));
  const moving = [Math.floor(timing.inFrames / 2), timing.totalFrames - 1 - Math.floor(timing.outFrames / 2)];
  const compared = onlyFrame === null ? [...moving, resting] : [onlyFrame];
  return { listAt: (frame) => shown.frame(frame), start, end, resting: onlyFrame ?? resting, compared };
}

function programmeFrames(
  { documents, parts, lengthFrames }: JobProgramme,
  tools: Tools & { readonly language?: string },
): Frames {
  const templates = documents.map(storedTemplate);
  const all = parts.map((part) => ({ ...part, template: templates[part.document] }));
  const programme = new ShownProgramme(all, tools);
  const first = parts.find(({ painted }) => painted);
  const resting = first === undefined ? 0 : first.startFrame + Math.floor(first.lengthFrames / 2);
  return {
    listAt: (frame) => programme.frame(frame),
    start: 0,
    end: lengthFrames,
    resting,
    compared: [resting],
  };
}

async function render(task: RenderTask): Promise<void> {
  const format = paintedFormat(task.format, task.interlaced === true);
  const rate = RATES.get(task.rate);
  const pictures = await decodePictures(task.pictures);
  const fonts = await serverFonts(String(root));
  const { listAt, start, end, resting, compared } = framesFor(task, { format, rate, fonts, pictures });
  const painter = new Painter(surfacesWith(pictures));
  const raster = createRasterFrame(format.widthPx, format.heightPx);
  const paint = (list: DisplayList): Uint8ClampedArray => {
    raster.context.clearRect(0, 0, format.widthPx, format.heightPx);
    painter.paint(raster.context, list);
    return raster.readPixels();
  };
  const ring = new FrameRing(task.ring);
  const wanted = new Set(compared);
  const png = (pixels: Uint8ClampedArray): Buffer =>
    encodePng(pixels, format.widthPx, format.heightPx, format.pixelAspect);
  // A picture by itself is one moment; what goes by in an interlaced delivery is two, half a frame apart.
  const inFields = format.interlaced === true && end - start > 1;
  const listsAt = (frame: number): DisplayList[] =>
    inFields ? [listAt(frame), listAt(frame + 0.5)] : [listAt(frame)];
  let lists = listsAt(start);
  for (let first = start, slot = 0; first < end; slot = (slot + 1) % task.ring.slots) {
    let next = first + 1;
    let following = lists;
    while (next < end && sameLists(lists, (following = listsAt(next)))) next++;
    if (!ring.take(slot)) return;
    const pixels = paint(lists[0]);
    if (lists.length > 1 && !sameDisplayList(lists[0], lists[1]))
      weaveFields(pixels, paint(lists[1]), format.widthPx, isTopFirst(format));
    const references = [...wanted].filter((frame) => frame >= first && frame < next);
    const painted = references.length === 0 ? null : Uint8Array.from(pixels);
    if (task.frames === 'rgba') bleedColour(pixels, format.widthPx, format.heightPx);
    const bytes = task.frames === 'png' ? png(pixels) : pixels;
    ring.bytes(slot).set(bytes);
    say({ type: 'frame', slot, byteLength: bytes.length, first, repeats: next - first });
    for (const frame of references)
      if (painted !== null)
        say({
          type: 'reference',
          frame,
          pixels: painted,
          png: frame === resting ? restingPng(painted, png) : null,
        });
    first = next;
    lists = following;
    // The raster's memory is only given back between turns of the event loop.
    await new Promise((resolve) => setImmediate(resolve));
  }
}

const sameLists = (a: readonly DisplayList[], b: readonly DisplayList[]): boolean =>
  a.every((list, i) => sameDisplayList(list, b[i]));

function restingPng(painted: Uint8Array, png: (pixels: Uint8ClampedArray) => Buffer): Uint8Array {
  return Uint8Array.from(png(new Uint8ClampedArray(painted.buffer)));
}

/** Puts the lines of the second field between those of the first. */
function weaveFields(
  first: Uint8ClampedArray,
  second: Uint8ClampedArray,
  widthPx: number,
  topFirst: boolean,
): void {
  const stride = widthPx * 4;
  for (let at = topFirst ? stride : 0; at < first.length; at += 2 * stride)
    first.set(second.subarray(at, at + stride), at);
}
