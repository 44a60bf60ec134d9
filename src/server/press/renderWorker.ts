import { parentPort, workerData } from 'node:worker_threads';
import { sameDisplayList } from '@/core/display/list';
import type { DisplayList } from '@/core/display/list';
import { storedTemplate } from '@/core/model/upgradeTemplate';
import { FORMATS } from '@/core/frame/formats';
import { showTitle } from '@/core/project/deliver';
import { stretchTiming } from '@/core/titleTime/stretch';
import { RATES } from '@/core/time/rates';
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

async function render(task: RenderTask): Promise<void> {
  const format = FORMATS.get(task.format);
  const rate = RATES.get(task.rate);
  const pictures = await decodePictures(task.pictures);
  const document = storedTemplate(task.document);
  const fonts = await serverFonts(String(root));
  const {
    shift = null,
    scrim = null,
    edge = null,
    moments,
    fadeInFrames = 0,
    fadeOutFrames = 0,
    lengthFrames,
  } = task;
  const painted = { shift, scrim, edge, moments, fadeInFrames, fadeOutFrames, lengthFrames };
  const title = showTitle(painted, document, task.values, format, rate, fonts, pictures, task.language);
  const timing = stretchTiming(task.document.timing, lengthFrames, rate);
  const listAt = (frame: number): DisplayList => title.frame(frame);
  const start = task.onlyFrame ?? 0;
  const end = task.onlyFrame === null ? timing.totalFrames : start + 1;
  const reference = task.onlyFrame ?? Math.min(end - 1, timing.inFrames + Math.floor(timing.holdFrames / 2));
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
