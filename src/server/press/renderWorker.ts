import { parentPort, workerData } from 'node:worker_threads';
import { knowOwnFaces } from '@/core/faces/faces';
import { knowFallbacks } from '@/core/faces/fallback';
import { sameDisplayList } from '@/core/display/list';
import type { DisplayItem, DisplayList } from '@/core/display/list';
import { programmeAt, programmeCut } from '@/core/display/programme';
import { ShownProgramme } from '@/core/captions/showProgramme';
import { burnInItems } from '@/core/captions/burnIn';
import type { PictureSize, PictureSizes } from '@/core/layers/layerKind';
import { storedTemplate } from '@/core/model/upgradeTemplate';
import type { FrameFormat } from '@/core/frame/formats';
import { paintedFormat } from '@/core/frame/formats';
import { showTitle } from '@/core/project/deliver';
import { groundItems } from '@/core/project/ground';
import { restingFrame, stretchTiming } from '@/core/titleTime/stretch';
import type { FontLibrary } from '@/core/text/fontLibrary';
import type { FrameRate } from '@/core/time/rates';
import { RATES } from '@/core/time/rates';
import type { JobGround, JobProgramme, JobTitle } from '@/db/schema';
import type { SurfaceMaker } from '@/paint/surface';
import { serverFonts } from '../fontFiles';
import { decodePictures, surfacesWith } from '../raster';
import { FrameRing } from './frameRing';
import type { GroundAt } from './ground/programmePictures';
import { ProgrammePictures } from './ground/programmePictures';
import { planeOf } from './planes';
import { VideoFrames } from './video/videoFrames';
import type { PaintedPicture, Pixels } from './pictures/picture';
import { isDeep } from './pictures/picture';
import { PICTURE_CODECS } from './pictures/pictureCodecs';
import { encodePng } from './pictures/png';
import { pictureKeys } from './reuse/pictureKey';
import type { RenderTask, WorkerMessage } from './renderTask';
import { FrameSlots, WholeFrame } from './wholeFrame';

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
  /** The clips that lie under it, where these are in the file. */
  readonly clips?: JobGround['clips'];
  /** What lies under it, where that is in the file. */
  readonly groundAt?: GroundAt;
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
  readonly videos: VideoFrames;
}

function framesFor({ content, language, drop = false }: RenderTask, tools: Tools): Frames {
  return 'parts' in content
    ? programmeFrames(content, { ...tools, language, drop })
    : titleFrames(content, tools, language);
}

/** A frame of a file that is laid over the programme later. */
const cutOut = (list: DisplayList): DisplayList => ({ ...list, items: programmeCut(list.items) });

function titleFrames(title: JobTitle, { format, rate, fonts, pictures }: Tools, language?: string): Frames {
  const { shift = null, scrim = null, fadeInFrames = 0, fadeOutFrames = 0, lengthFrames, onlyFrame } = title;
  const painted = { ...title, shift, scrim, fadeInFrames, fadeOutFrames, lengthFrames };
  const document = storedTemplate(title.document);
  const shown = showTitle(painted, document, title.values, format, rate, fonts, pictures, language);
  const timing = stretchTiming(document.timing, lengthFrames, rate);
  const start = onlyFrame ?? 0;
  const end = onlyFrame === null ? timing.totalFrames : start + 1;
  const resting = restingFrame(timing);
  const moving = [Math.floor(timing.inFrames / 2), timing.totalFrames - 1 - Math.floor(timing.outFrames / 2)];
  const compared = onlyFrame === null ? [...moving, resting] : [onlyFrame];
  return {
    listAt: (frame) => cutOut(shown.frame(frame)),
    start,
    end,
    resting: onlyFrame ?? resting,
    compared,
  };
}

function programmeFrames(
  { documents, parts, lengthFrames, ground, timecodeFrame = 0 }: JobProgramme,
  tools: Tools & { readonly language?: string; readonly drop: boolean },
): Frames {
  const templates = documents.map(storedTemplate);
  const all = parts.map((part) => ({ ...part, template: templates[part.document] }));
  const programme = new ShownProgramme(all, tools);
  const painted = parts.filter((part) => part.painted);
  const within = (at: number, share: number): number => {
    const part = painted.at(at);
    if (part === undefined) return 0;
    return Math.min(lengthFrames - 1, part.startFrame + Math.floor(part.lengthFrames * share));
  };
  const resting = within(0, 0.5);
  const numbered = parts.flatMap(({ number, painted, startFrame, lengthFrames: frames }) =>
    number === undefined || !painted ? [] : [{ startFrame, lengthFrames: frames, number }],
  );
  const { drop, videos, pictures } = tools;
  const burnt = {
    ...tools,
    firstLabel: timecodeFrame,
    mode: drop ? ('drop' as const) : ('non-drop' as const),
    titles: numbered,
  };
  const sizeOf = (id: string): PictureSize | undefined => pictures.size(id) ?? videos.fillingSize(id);
  const groundAt = ({ clips }: JobGround, frame: number): DisplayItem[] =>
    groundItems(clips, frame, { ...tools, sizeOf });
  const withGround = (frame: number, over: JobGround): DisplayList => {
    const list = programmeAt(programme.frame(frame), frame);
    const burntIn = over.burnIn ? burnInItems(burnt, Math.floor(frame)) : [];
    return { ...list, items: [...groundAt(over, frame), ...list.items, ...burntIn] };
  };
  return {
    listAt: (frame) => (ground === undefined ? cutOut(programme.frame(frame)) : withGround(frame, ground)),
    ...(ground === undefined ? {} : { groundAt: (frame: number) => groundAt(ground, frame) }),
    clips: ground?.clips,
    start: 0,
    end: lengthFrames,
    resting,
    // The first thing as it comes and at rest, one in the middle, and the last as it goes.
    compared: [
      ...new Set([within(0, 0.1), resting, within(Math.floor(painted.length / 2), 0.5), within(-1, 0.9)]),
    ],
  };
}

async function render(task: RenderTask): Promise<void> {
  const format = paintedFormat(task.format, task.interlaced === true);
  const rate = RATES.get(task.rate);
  const pictures = await decodePictures(task.pictures);
  const { own = { faces: [], files: new Map() } } = task;
  knowOwnFaces(own.faces);
  knowFallbacks(task.fallbacks ?? []);
  const fonts = (await serverFonts(String(root))).with(own.files);
  const videos = await VideoFrames.of(task.videos, format, rate);
  const sizes: PictureSizes = { size: (id) => pictures.size(id) ?? videos.size(id) };
  const frames = framesFor(task, { format, rate, fonts, pictures: sizes, videos });
  const plain = surfacesWith({ picture: (asset) => videos.picture(asset) ?? pictures.picture(asset) });
  const { groundAt } = frames;
  const below = groundAt === undefined ? null : new ProgrammePictures(plain, format, groundAt);
  const surfaces: SurfaceMaker = {
    ...plain,
    picture: (asset) => below?.picture(asset) ?? plain.picture(asset),
  };
  try {
    await paintFrames(task, frames, surfaces, { format, videos });
  } finally {
    videos.close();
  }
}

async function paintFrames(
  task: RenderTask,
  frames: Frames,
  surfaces: SurfaceMaker,
  { format, videos }: Pick<Tools, 'format' | 'videos'>,
): Promise<void> {
  const ring = new FrameRing(task.ring);
  const wanted = [...new Set(frames.compared)];
  const plane = planeOf(task.content);
  const coded = task.frames === 'rgba';
  const whole = new WholeFrame(surfaces, task, format, plane);
  const slots = coded ? new FrameSlots(task.ring, whole, format) : null;
  const { pixels } = whole;
  const keyOf = task.known && pictureKeys();
  let slot = 0;
  for (const { lists, first, next } of shownPictures(frames, format.interlaced === true)) {
    if (ring.cancelled()) return;
    const key = keyOf?.(lists) ?? null;
    const isKnown = key !== null && task.known?.has(key) === true;
    const compared = wanted.filter((frame) => frame >= first && frame < next);
    if (isKnown) say({ type: 'known', key, repeats: next - first });
    // One that is compared is painted all the same, so that what was coded before is held against it.
    if (isKnown && compared.length === 0) continue;
    await videos.prepare(frames.clips ?? [], first, lists);
    const changed = whole.show(lists);
    slots?.changed(changed);
    for (const frame of compared) {
      const png = frame === frames.resting ? restingPng(pixels, format) : null;
      say({ type: 'reference', frame, pixels: pixels.slice(), png });
    }
    if (!isKnown) {
      if (!ring.take(slot)) return;
      const byteLength =
        slots?.write(slot) ?? encodeInto(ring.bytes(slot), task, { ...format, pixels, plane });
      say({ type: 'frame', slot, byteLength, first, repeats: next - first, key });
      slot = (slot + 1) % task.ring.slots;
    }
    // The raster's memory is only given back between turns of the event loop.
    await new Promise((resolve) => setImmediate(resolve));
  }
}

/** Writes a picture as a file of its kind and gives its length. */
function encodeInto(bytes: Uint8Array, { frames, studio }: RenderTask, picture: PaintedPicture): number {
  if (frames === 'rgba') throw new Error('Raw pixels are no files');
  const file = PICTURE_CODECS[frames].encode({ ...picture, studio });
  bytes.set(file);
  return file.length;
}

/** What is shown from one frame on until the next picture. */
interface ShownPicture {
  /** One list, or one for each of two fields. */
  readonly lists: readonly DisplayList[];
  readonly first: number;
  readonly next: number;
}

/** The pictures of frames in order; frames in a row that look the same are one. */
function* shownPictures({ listAt, start, end }: Frames, interlaced: boolean): Generator<ShownPicture> {
  // A picture by itself is one moment; what goes by in an interlaced delivery is two, half a frame apart.
  const inFields = interlaced && end - start > 1;
  const listsAt = (frame: number): DisplayList[] =>
    inFields ? [listAt(frame), listAt(frame + 0.5)] : [listAt(frame)];
  let lists = listsAt(start);
  for (let first = start; first < end;) {
    let next = first + 1;
    let following = lists;
    while (next < end && sameLists(lists, (following = listsAt(next)))) next++;
    yield { lists, first, next };
    first = next;
    lists = following;
  }
}

const sameLists = (a: readonly DisplayList[], b: readonly DisplayList[]): boolean =>
  a.every((list, i) => sameDisplayList(list, b[i]));

/** A picture to look at, of 8 bits a channel. */
function restingPng(painted: Pixels, { widthPx, heightPx, pixelAspect }: FrameFormat): Uint8Array {
  const shown = isDeep(painted) ? Uint8Array.from(painted, (value) => value >> 8) : painted;
  return Uint8Array.from(encodePng(shown, widthPx, heightPx, pixelAspect));
}
