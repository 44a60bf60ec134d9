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
  /** The frame that the finished file is compared with. */
  readonly reference: number;
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
  return { listAt: (frame) => shown.frame(frame), start, end, reference: onlyFrame ?? resting };
}

function programmeFrames(
  { documents, parts, lengthFrames }: JobProgramme,
  tools: Tools & { readonly language?: string },
): Frames {
  const templates = documents.map(storedTemplate);
  const all = parts.map((part) => ({ ...part, template: templates[part.document] }));
  const programme = new ShownProgramme(all, tools);
  const first = parts.find(({ painted }) => painted);
  const reference = first === undefined ? 0 : first.startFrame + Math.floor(first.lengthFrames / 2);
  return { listAt: (frame) => programme.frame(frame), start: 0, end: lengthFrames, reference };
}

async function render(task: RenderTask): Promise<void> {
  const format = paintedFormat(task.format, task.interlaced === true);
  const rate = RATES.get(task.rate);
  const pictures = await decodePictures(task.pictures);
  const fonts = await serverFonts(String(root));
  const { listAt, start, end, reference } = framesFor(task, { format, rate, fonts, pictures });
  const painter = new Painter(surfacesWith(pictures));
  const raster = createRasterFrame(format.widthPx, format.heightPx);
  const ring = new FrameRing(task.ring);
  let list = listAt(start);
  for (let first = start, slot = 0; first < end; slot = (slot + 1) % task.ring.slots) {
    let next = first + 1;
    let following = list;
    while (next < end && sameDisplayList(list, (following = listAt(next)))) next++;
    if (!ring.take(slot)) return;
    raster.context.clearRect(0, 0, format.widthPx, format.heightPx);
    painter.paint(raster.context, list);
    const pixels = raster.readPixels();
    const bytes = task.frames === 'png' ? encodePng(pixels, format.widthPx, format.heightPx) : pixels;
    ring.bytes(slot).set(bytes);
    say({ type: 'frame', slot, byteLength: bytes.length, first, repeats: next - first });
    if (reference >= first && reference < next) {
      const png = task.frames === 'png' ? bytes : encodePng(pixels, format.widthPx, format.heightPx);
      say({ type: 'reference', frame: reference, alpha: alphaOf(pixels), png: Uint8Array.from(png) });
    }
    first = next;
    list = following;
    // The raster's memory is only given back between turns of the event loop.
    await new Promise((resolve) => setImmediate(resolve));
  }
}

function alphaOf(pixels: Uint8ClampedArray): Uint8Array {
  const alpha = new Uint8Array(pixels.length / 4);
  for (let i = 0; i < alpha.length; i++) alpha[i] = pixels[i * 4 + 3];
  return alpha;
}
