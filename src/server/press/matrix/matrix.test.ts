import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import sharp from 'sharp';
import type { FileFacts } from '@/contract/jobs';
import type { FrameFormat } from '@/core/frame/formats';
import { FORMATS, paintedFormat } from '@/core/frame/formats';
import { motionOf } from '@/core/model/newMove';
import { OUTPUTS } from '@/core/outputs';
import { isFillAndKey, isStill, planesOf } from '@/core/outputs/output';
import { showTitle } from '@/core/project/deliver';
import { testBox, testTemplate, testText } from '@/core/testing';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { labelOf } from '@/core/time/timecode';
import type { FrameRate } from '@/core/time/rates';
import { RATES } from '@/core/time/rates';
import { Painter } from '@/paint/painter';
import { serverFonts } from '../../fontFiles';
import { createRasterFrame, serverSurfaces } from '../../raster';
import { RenderPool } from '../renderPool';
import { ONLY_ATTEMPT, renderTitle } from '../renderTitle';
import type { MatrixCase } from './cases';
import { SHORT_MATRIX, WHOLE_MATRIX } from './cases';
import { decodeOf, inZip, probeFile } from './decoded';
import { pairsOf } from './pairwise';
import { NO_SOURCES } from '../sources';

/*
 * Every kind of file in formats, rates and scans, decoded by other readers and compared with frames that are painted here
 * again. `npm run matrix` goes through every two values together; the short form has every kind once.
 */
// `1/2` and `2/2` are the halves of the whole, which run side by side.
const [PART, PARTS] = (process.env.MATRIX ?? '').split('/').map(Number);
const CASES = PARTS > 0 ? WHOLE_MATRIX.filter((_, i) => i % PARTS === PART - 1) : SHORT_MATRIX;

// As few as show in, rest and out: what is painted and coded is the same in each.
const framesOf = ({ format }: MatrixCase): number => (format === 'wide-2160' ? 4 : 8);
const restingOf = (asked: MatrixCase): number => framesOf(asked) / 2;
/** Where the title stands, as a count of frames from midnight. */
const START = 1800;

/** A box that slides for as long as the title, half opaque, over another and words; the first layer lies on top. */
const slide = {
  ...motionOf(null, null),
  tracks: [
    {
      path: 'place.dxU',
      on: true,
      keys: [0, 1].map((share) => ({
        moment: { from: 'hold' as const, offsetSeconds: 0, share },
        value: 60 + share * 700,
        way: 'straight' as const,
        curve: [0, 0, 1, 1] as const,
      })),
    },
  ],
};
const TITLE = testTemplate(
  [
    testBox('slides', {
      fill: '#e8b23a',
      fillOpacity: 0.5,
      width: { kind: 'fixed', u: 160 },
      height: { kind: 'fixed', u: 240 },
      place: { ...testBox('x').place, dyU: 70 },
      motion: slide,
    }),
    testText('words', 'Osier Reach', { motion: motionOf(null, null) }),
    testBox('back', {
      fill: '#1f6454',
      width: { kind: 'fixed', u: 900 },
      height: { kind: 'fixed', u: 300 },
      place: { ...testBox('x').place, dxU: 40, dyU: 40 },
      motion: motionOf(null, null),
    }),
  ],
  { timing: { inSeconds: 0.02, holdSeconds: 1, outSeconds: 0.02 } },
);

let folder: string;
let pool: RenderPool;
let fonts: FontLibrary;
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'gilder-matrix-'));
  pool = new RenderPool(1);
  fonts = await serverFonts();
});
afterAll(async () => {
  await pool.close();
  rmSync(folder, { recursive: true });
});

function make(asked: MatrixCase, plane: FileFacts['plane'], at: number): Promise<FileFacts> {
  const { output, format, rate, interlaced, fine } = asked;
  return renderTitle({
    payload: { name: 'x', output, format, rate, interlaced, fine, drop: rate === '29.97', titles: [] },
    title: {
      titleId: 'a',
      fileStem: `${at}-${plane}`,
      plane,
      document: TITLE,
      values: {},
      lengthFrames: framesOf(asked),
      onlyFrame: isStill(OUTPUTS.get(output)) ? restingOf(asked) : null,
      timecodeFrame: START,
    },
    folder,
    pool,
    sources: NO_SOURCES,
    signal: new AbortController().signal,
    attempt: ONLY_ATTEMPT,
    onFrames: () => undefined,
  });
}

/** A frame as it is seen over black, painted here: both fields where there are two. */
function painted(asked: MatrixCase, frame: number): Uint8Array {
  const rate = RATES.get(asked.rate);
  const format = paintedFormat(asked.format, asked.interlaced);
  const painter = new Painter(serverSurfaces);
  const shown = showTitle(
    { lengthFrames: framesOf(asked), shift: null, scrim: null, fadeInFrames: 0, fadeOutFrames: 0 },
    TITLE,
    {},
    format,
    rate,
    fonts,
  );
  const paint = (at: number): Uint8ClampedArray => {
    const raster = createRasterFrame(format.widthPx, format.heightPx);
    painter.paint(raster.context, shown.frame(at));
    return raster.readPixels();
  };
  const first = paint(frame);
  if (asked.interlaced && !isStill(OUTPUTS.get(asked.output))) weave(first, paint(frame + 0.5), format);
  return overBlack(first);
}

/** Every other line is half a frame later: the upper ones in 525 lines, else the lower ones. */
function weave(
  first: Uint8ClampedArray,
  second: Uint8ClampedArray,
  { widthPx, heightPx }: FrameFormat,
): void {
  for (let y = heightPx === 480 ? 0 : 1; y < heightPx; y += 2)
    first.set(second.subarray(y * widthPx * 4, (y + 1) * widthPx * 4), y * widthPx * 4);
}

/** Red, green and blue as they are seen over black, by an alpha that may be another picture's. */
function overBlack(pixels: Uint8Array | Uint8ClampedArray, alpha: Uint8Array | null = null): Uint8Array {
  const count = pixels.length / 4;
  const out = new Uint8Array(count * 3);
  // Plain loops: this goes over every channel of every frame.
  for (let i = 0, at = 0, to = 0; i < count; i++, at += 4) {
    const share = alpha === null ? pixels[at + 3] : alpha[at];
    for (let channel = 0; channel < 3; channel++)
      out[to++] = ((pixels[at + channel] * share + 127) / 255) | 0;
  }
  return out;
}

function colours(pixels: Uint8Array): Uint8Array {
  const count = pixels.length / 4;
  const out = new Uint8Array(count * 3);
  for (let i = 0, at = 0, to = 0; i < count; i++, at += 4)
    for (let channel = 0; channel < 3; channel++) out[to++] = pixels[at + channel];
  return out;
}

/** What files of a case show over black together. */
async function seen(asked: MatrixCase, files: readonly FileFacts[], frame: number): Promise<Uint8Array> {
  const perSecond = RATES.get(asked.rate).numerator / RATES.get(asked.rate).denominator;
  const [first, key] = await Promise.all(
    files.map(({ name }) => decodeOf(join(folder, name), frame, perSecond)),
  );
  if (key !== undefined) {
    return asked.premultiplied ? colours(first) : overBlack(first, key);
  }
  return files[0].plane === 'premultiplied' ? colours(first) : overBlack(first);
}

function meanApart(a: Uint8Array, b: Uint8Array): number {
  expect(a.length).toBe(b.length);
  let sum = 0;
  for (let i = 0; i < a.length; i++) sum += Math.abs(a[i] - b[i]);
  return sum / a.length;
}

const HD = 'bt709,bt709,bt709';
const SD = { 576: 'smpte170m,bt470bg,bt709', 480: 'smpte170m,smpte170m,bt709' } as const;

/** What a file of video says of itself. */
async function checkSaid(asked: MatrixCase, { name, frames }: FileFacts): Promise<void> {
  const { widthPx, heightPx, pixelAspect } = FORMATS.get(asked.format);
  const rate: FrameRate = RATES.get(asked.rate);
  const path = join(folder, name);
  if (name.endsWith('.zip')) return expect(inZip(path).names).toHaveLength(frames);
  if (name.endsWith('.webp')) {
    const {
      width,
      height,
      pageHeight = height,
      delay = [],
    } = await sharp(path, { animated: true }).metadata();
    expect([width, pageHeight]).toEqual([widthPx, heightPx]);
    const ms = (frames * 1000 * rate.denominator) / rate.numerator;
    expect(Math.abs(delay.reduce((sum, one) => sum + one, 0) - ms)).toBeLessThanOrEqual(2);
    return;
  }
  const said = probeFile(path);
  expect(said).toMatchObject({ size: `${widthPx}x${heightPx}`, packets: frames });
  if (isStill(OUTPUTS.get(asked.output))) return;
  // WebM's times are whole milliseconds: of a few frames only about how many come in a second can be told.
  const [frameCount, ofSeconds] = said.rate.split('/').map(Number);
  const perSecond = rate.numerator / rate.denominator;
  expect(frameCount / ofSeconds / perSecond).toBeCloseTo(1, name.endsWith('.webm') ? 2 : 9);
  for (const seconds of said.lasts)
    if (!Number.isNaN(seconds)) expect(seconds).toBeCloseTo(rate.denominator / rate.numerator, 2);
  if (name.endsWith('.png')) return;
  expect(said.colour.replace(/^bt470bg/, 'smpte170m')).toBe(
    heightPx === 576 || heightPx === 480 ? SD[heightPx] : HD,
  );
  // WebM says the shape in whole pixels, MPEG-2 as that of the whole picture.
  const [across, down] = said.aspect.split(':').map(Number);
  expect(across / down / (pixelAspect.across / pixelAspect.down)).toBeCloseTo(
    1,
    name.endsWith('.webm') ? 2 : name.endsWith('.mxf') ? 1 : 6,
  );
  const order = heightPx === 480 ? /^bb|^bt|^tb/ : /^tt|^tb/;
  const mode = asked.rate === '29.97' ? 'drop' : 'non-drop';
  const { timecode } = OUTPUTS.get(asked.output);
  expect(said.timecode).toBe(timecode ? labelOf(START, { rate, mode }) : null);
  if (asked.interlaced) expect(said.fields).toMatch(order);
  else expect(['progressive', 'unknown']).toContain(said.fields);
}

describe('what is decoded is what was painted, and what is said is true', () => {
  test.each(CASES.map((asked, at) => [Object.values(asked).join(' '), asked, at] as const))(
    '%s',
    async (_, asked, at) => {
      const output = OUTPUTS.get(asked.output);
      const planes = planesOf(output, asked.premultiplied);
      const files = await Promise.all(planes.map((plane) => make(asked, plane, at)));
      expect(files).toHaveLength(isFillAndKey(output) ? 2 : 1);
      const bits = asked.fine || output.fine === 'always' ? output.bits : 8;
      expect(files.map((file) => file.bits)).toEqual(files.map(() => bits));
      for (const file of files) await checkSaid(asked, file);
      // Light that is turned into colours by itself is right where it is opaque; the file's own check knows the rest.
      if (output.linear) return;
      const resting = restingOf(asked);
      for (const frame of isStill(output) ? [resting] : [0, resting, framesOf(asked) - 1]) {
        const apart = meanApart(await seen(asked, files, isStill(output) ? 0 : frame), painted(asked, frame));
        expect(apart).toBeLessThan(output.colourTolerance.mean > 0 ? 1.6 : asked.fine ? 0.6 : 0.02);
      }
    },
    900_000,
  );
});

test('the whole matrix has every two values together', () => {
  const pairs = new Set(WHOLE_MATRIX.flatMap((asked) => pairsOf({ ...asked })));
  expect(pairs).toContain('output=mxf-mpeg2-fill-key interlaced=true');
  expect(pairs).toContain('format=wide-2160 rate=59.94'.split(' ').toReversed().join(' '));
  expect(pairs).not.toContain('output=webm-vp9 interlaced=true');
  const kinds = new Set(WHOLE_MATRIX.map(({ output }) => output));
  expect(kinds.size).toBe(SHORT_MATRIX.length);
});
