import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, truncateSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { voteBars } from '../../../demo/voteBars';
import sharp from 'sharp';
import type { FileFacts } from '@/contract/jobs';
import { FORMATS } from '@/core/frame/formats';
import { motionOf } from '@/core/model/newMove';
import type { Template } from '@/core/model/template';
import { testBox, testTemplate } from '@/core/testing';
import type { Plane } from '@/core/outputs/output';
import { RATES } from '@/core/time/rates';
import { compareFrame } from './compareFrame';
import { createMov } from './mov/movFile';
import { readMov } from './mov/readMov';
import { encodePng } from './pictures/png';
import { RenderPool } from './renderPool';
import { ONLY_ATTEMPT, renderTitle } from './renderTitle';
import { NO_SOURCES } from './sources';

/*
 * Finished files, read by ffprobe and ffmpeg: what they say of themselves, and what is decoded by a reader that believes it.
 */
let folder: string;
let pool: RenderPool;
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'gilder-files-'));
  pool = new RenderPool(2);
});
afterAll(async () => {
  await pool.close();
  rmSync(folder, { recursive: true });
});

interface Asked {
  readonly output: string;
  readonly format: string;
  readonly rate: string;
  readonly interlaced?: boolean;
  readonly plane?: Plane;
}

function make(
  document: Template,
  { output, format, rate, interlaced, plane }: Asked,
  frames = 60,
): Promise<FileFacts> {
  return renderTitle({
    payload: { name: 'x', output, format, rate, interlaced, drop: true, titles: [] },
    title: {
      titleId: 'a',
      fileStem: plane ?? 'a',
      plane,
      document,
      values: {},
      lengthFrames: frames,
      onlyFrame: null,
      timecodeFrame: 1800,
    },
    folder,
    pool,
    sources: NO_SOURCES,
    signal: new AbortController().signal,
    attempt: ONLY_ATTEMPT,
    onFrames: () => undefined,
  });
}

function probe(name: string): Record<string, string> {
  const entries =
    'stream=codec_name,field_order,sample_aspect_ratio,color_space,color_primaries,color_transfer,color_range:stream_tags=timecode';
  const said = execFileSync('ffprobe', [
    ...'-v error -select_streams v:0 -of default=noprint_wrappers=1 -show_entries'.split(' '),
    entries,
    join(folder, name),
  ]).toString();
  return Object.fromEntries(
    said
      .trim()
      .split('\n')
      .map((line) => line.split('=') as [string, string]),
  );
}

/** How long each frame of a file lasts, in ticks of its own: each different length once. */
function durations(name: string): string[] {
  const args = '-v error -select_streams v:0 -of csv=p=0 -show_entries packet=duration'.split(' ');
  const said = execFileSync('ffprobe', [...args, join(folder, name)]).toString();
  return [
    ...new Set(
      said
        .trim()
        .split('\n')
        .map((line) => line.replace(',', '')),
    ),
  ];
}

const decode = (name: string, frame: number, rate: number): Uint8Array =>
  new Uint8Array(
    execFileSync(
      'ffmpeg',
      [
        ...`-v error ${name.endsWith('.webm') ? '-c:v libvpx-vp9' : ''} -ss ${(frame - 0.4) / rate}`
          .trim()
          .split(/ +/),
        ...['-i', join(folder, name)],
        ...'-frames:v 1 -sws_flags accurate_rnd+full_chroma_int -f rawvideo -pix_fmt rgba -'.split(' '),
      ],
      { maxBuffer: 100e6 },
    ),
  );

describe('a file says what it is', () => {
  test.each([
    ['mov-png', 'wide-720', '29.97', false, 'png', '1:1', 'bt709,bt709,bt709', 'progressive', ['1001']],
    ['mov-prores', 'wide-720', '59.94', false, 'prores', '1:1', 'bt709,bt709,bt709', 'progressive', ['1001']],
    [
      'mov-prores',
      'classic-480',
      '29.97',
      true,
      'prores',
      '10:11',
      'smpte170m,smpte170m,bt709',
      'bb',
      ['1001'],
    ],
    ['mov-prores', 'wide-576', '25', true, 'prores', '16:11', 'smpte170m,bt470bg,bt709', 'tt', ['1']],
    ['mov-png', 'classic-576', '25', true, 'png', '12:11', 'smpte170m,bt470bg,bt709', 'tt', ['1']],
  ] as const)(
    '%s in %s at %s, interlaced: %s',
    async (output, format, rate, interlaced, codec, aspect, colour, order, ticks) => {
      const facts = await make(voteBars, { output, format, rate, interlaced });
      expect(facts).toMatchObject({ frames: 60, codec, comparedFrames: 3 });
      expect(facts.colourErrorMean).toBeLessThan(1);
      expect(facts.colourErrorMax).toBeLessThanOrEqual(8);
      const said = probe(facts.name);
      expect(said).toMatchObject({ codec_name: codec, sample_aspect_ratio: aspect, field_order: order });
      expect([said.color_space, said.color_primaries, said.color_transfer].join()).toBe(colour);
      expect(durations(facts.name)).toEqual(ticks);
      const labels: Readonly<Record<string, string>> = { '29.97': '00:01:00;02', '59.94': '00:00:30;00' };
      expect(said['TAG:timecode']).toBe(labels[rate] ?? said['TAG:timecode']);
    },
    120_000,
  );

  test('WebM at 59.94 has its frames at their times, and its colour', async () => {
    const facts = await make(voteBars, { output: 'webm-vp9', format: 'wide-720', rate: '59.94' });
    expect(facts).toMatchObject({ frames: 60, codec: 'vp9' });
    expect(facts.colourErrorMean).toBeLessThan(2.5);
    expect(probe(facts.name)).toMatchObject({ color_space: 'bt709', color_range: 'tv' });
  });
});

const FLAT = [
  '#000000 #ffffff #ff0000 #00ff00 #0000ff #ffff00 #00ffff #ff00ff',
  '#808080 #10303c #e3b94f #6d2a2c #3c4a22 #f0d9a2 #1c5160 #c8102e',
]
  .join(' ')
  .split(' ');

describe('flat colours', () => {
  const patches = testTemplate(
    FLAT.map((fill, i) => {
      const side = { kind: 'fixed', u: 240 } as const;
      const place = { ...testBox('x').place, dxU: (i % 4) * 240, dyU: Math.floor(i / 4) * 240 };
      return testBox(`patch-${i}`, { fill, place, width: side, height: side, motion: motionOf(null, null) });
    }),
  );
  test.each([
    ['mov-prores', 'wide-1080', '25', 1],
    ['mov-prores', 'classic-576', '25', 1],
    ['mov-prores', 'wide-480', '29.97', 1],
    ['webm-vp9', 'wide-1080', '25', 3],
  ])(
    '%s in %s are decoded as they were painted by a reader that believes the tags',
    async (output, format, rate, most) => {
      const { name } = await make(patches, { output, format, rate }, 12);
      const pixels = decode(name, 6, Number(rate));
      const { widthPx, heightPx, activeWidthPx } = FORMATS.get(format);
      const perU = heightPx / 1080;
      const acrossU = format === 'wide-480' || format.startsWith('wide') ? 1920 : 1440;
      const worst = FLAT.map((fill, i) => {
        const x = ((i % 4) * 240 + 120) * (activeWidthPx / acrossU) + (widthPx - activeWidthPx) / 2;
        const at = (Math.round((Math.floor(i / 4) * 240 + 120) * perU) * widthPx + Math.round(x)) * 4;
        const wanted = [1, 3, 5].map((from) => parseInt(fill.slice(from, from + 2), 16));
        return Math.max(...wanted.map((value, channel) => Math.abs(value - pixels[at + channel])));
      });
      expect(Math.max(...worst)).toBeLessThanOrEqual(most);
    },
    120_000,
  );
});

describe('colours and alpha apart', () => {
  // A half seen red box on nothing: 128 of 255.
  const half = testTemplate([
    testBox('box', {
      fill: '#c81020',
      fillOpacity: 128 / 255,
      width: { kind: 'fixed', u: 800 },
      height: { kind: 'fixed', u: 400 },
      place: { ...testBox('x').place, dxU: 200, dyU: 200 },
      motion: motionOf(null, null),
    }),
  ]);
  const asked = { format: 'wide-720', rate: '29.97', output: 'mov-fill-key' } as const;
  const at = (pixels: Uint8Array, x: number, y: number): number[] => [
    ...pixels.subarray((y * 1280 + x) * 4, (y * 1280 + x) * 4 + 4),
  ];
  const near = (is: readonly number[], wanted: readonly number[]): void =>
    is.forEach((value, i) => expect(Math.abs(value - wanted[i])).toBeLessThanOrEqual(2));
  const [inside, outside] = [
    [400, 266],
    [1000, 600],
  ] as const;

  test('fill is the colours, key the alpha in the legal range, both with the same frames and timecode', async () => {
    const fill = await make(half, { ...asked, plane: 'fill' }, 30);
    const key = await make(half, { ...asked, plane: 'key' }, 30);
    near(at(decode(fill.name, 10, 29.97), ...inside), [200, 16, 32, 255]);
    // Next to the box its colour goes on.
    near(at(decode(fill.name, 10, 29.97), 130, 266), [200, 16, 32, 255]);
    near(at(decode(key.name, 10, 29.97), ...inside), [128, 128, 128, 255]);
    near(at(decode(key.name, 10, 29.97), ...outside), [0, 0, 0, 255]);
    const raw = execFileSync(
      'ffmpeg',
      `-v error -i ${join(folder, key.name)} -frames:v 1 -f rawvideo -pix_fmt yuv422p10le -`.split(' '),
      { maxBuffer: 100e6 },
    );
    const luma = (x: number, y: number): number => raw.readUInt16LE((y * 1280 + x) * 2);
    // Of 10 bits: black is 64, white 940.
    expect(luma(...outside)).toBe(64);
    expect(Math.abs(luma(...inside) - (64 + (876 * 128) / 255))).toBeLessThanOrEqual(3);
    expect(probe(fill.name)).toEqual(probe(key.name));
    expect([durations(fill.name), durations(key.name)]).toEqual([['1001'], ['1001']]);
    expect([fill.frames, key.frames]).toEqual([30, 30]);
    const mov = await readMov(join(folder, fill.name));
    expect([mov.codec, mov.depth, mov.graphicsMode]).toEqual(['apch', 24, 0x40]);
  });

  test('premultiplied colours are over black, and the file says so', async () => {
    const shaped = await make(half, { ...asked, plane: 'shapedFill' }, 12);
    near(at(decode(shaped.name, 6, 29.97), ...inside), [100, 8, 16, 255]);
    near(at(decode(shaped.name, 6, 29.97), ...outside), [0, 0, 0, 255]);
    const one = await make(half, { ...asked, output: 'mov-prores', plane: 'premultiplied' }, 12);
    near(at(decode(one.name, 6, 29.97), ...inside), [100, 8, 16, 128]);
    expect(one).toMatchObject({ plane: 'premultiplied', comparedFrames: 3 });
    expect(one.colourErrorMax).toBeLessThanOrEqual(8);
    expect((await readMov(join(folder, one.name))).graphicsMode).toBe(0x102);
    const straight = await make(half, { ...asked, output: 'mov-prores' }, 12);
    expect((await readMov(join(folder, straight.name))).graphicsMode).toBe(0x100);
    near(at(decode(straight.name, 6, 29.97), ...inside), [200, 16, 32, 128]);
  });
});

test('a moving edge is elsewhere in the second field of an interlaced frame', async () => {
  const slide = testTemplate(
    [
      testBox('bar', {
        width: { kind: 'fixed', u: 200 },
        height: { kind: 'fixed', u: 900 },
        motion: {
          ...motionOf(null, null),
          tracks: [
            {
              path: 'place.dxU',
              on: true,
              keys: [0, 1].map((share) => ({
                moment: { from: 'hold', offsetSeconds: 0, share },
                value: share * 1200,
                way: 'straight',
                curve: [0, 0, 1, 1],
              })),
            },
          ],
        },
      }),
    ],
    { timing: { inSeconds: 0.04, holdSeconds: 2, outSeconds: 0.04 } },
  );
  const { name } = await make(slide, {
    output: 'mov-png',
    format: 'classic-576',
    rate: '25',
    interlaced: true,
  });
  const pixels = decode(name, 30, 25);
  const edge = (row: number): number => {
    for (let x = 719; x >= 0; x--) if (pixels[(row * 720 + x) * 4 + 3] > 127) return x;
    return -1;
  };
  // Top first: the lower lines are half a frame later, so further to the right, all by the same.
  const steps = [100, 102, 104, 200].map((row) => edge(row + 1) - edge(row));
  expect(new Set(steps).size).toBe(1);
  expect(steps[0]).toBeGreaterThan(2);
});

test('an animated WebP of a title that never moves is one picture, and right', async () => {
  const still = testTemplate([testBox('box', { fill: '#e8b23a', motion: motionOf(null, null) })], {
    timing: { inSeconds: 0.02, holdSeconds: 1, outSeconds: 0.02 },
  });
  const file = await make(still, { output: 'webp-anim', format: 'classic-576', rate: '25' }, 20);
  expect(file).toMatchObject({ frames: 20, comparedFrames: 3, alphaErrorMax: 0 });
  const { pages = 1 } = await sharp(join(folder, file.name), { animated: true }).metadata();
  expect(pages).toBe(1);
});

test('a difference of 16 bits is said in steps of 255 too', () => {
  const painted = Uint16Array.from([65_535, 0, 0, 65_535]);
  const decoded = Uint16Array.from([65_535 - 2 * 257, 0, 0, 65_535]);
  expect(compareFrame(decoded, painted)).toEqual({ alphaMax: 0, colourMean: 0.67, colourMax: 2 });
  const thinner = compareFrame(Uint16Array.from([65_535, 0, 0, 65_535 - 257]), painted);
  expect([thinner.alphaMax, thinner.colourMax]).toEqual([1, 1]);
  expect(() => compareFrame(new Uint8ClampedArray(4), painted)).toThrow(/another size/);
});

test('a difference is what is seen over black, grey and white', () => {
  const of = (painted: number[], decoded: number[]) =>
    compareFrame(Uint8Array.from(decoded), Uint8Array.from(painted));
  expect(of([200, 100, 50, 255], [200, 100, 50, 255])).toEqual({ alphaMax: 0, colourMean: 0, colourMax: 0 });
  // Under nothing no colour is seen.
  expect(of([9, 9, 9, 0], [250, 0, 0, 0])).toEqual({ alphaMax: 0, colourMean: 0, colourMax: 0 });
  expect(of([200, 100, 50, 255], [210, 100, 50, 255])).toMatchObject({ alphaMax: 0, colourMax: 10 });
  expect(of([0, 0, 0, 255], [0, 0, 0, 205])).toMatchObject({ alphaMax: 50, colourMax: 50 });
});

describe('our MOV', () => {
  const format = FORMATS.get('custom-64x64');
  const options = {
    format,
    rate: RATES.get('25'),
    codec: 'png ',
    codecName: 'PNG',
    colour: [1, 1, 1],
    fields: 'progressive',
    timecode: null,
    plane: 'straight',
  } as const;
  const write = async (name: string, holds: readonly number[]): Promise<string> => {
    const path = join(folder, name);
    const mov = await createMov({ ...options, path });
    for (const [i, frames] of holds.entries())
      await mov.write(encodePng(new Uint8Array(64 * 64 * 4).fill(40 + i), 64, 64), frames);
    await mov.finish();
    return path;
  };

  test('has a picture that stands for long once, and every reader counts all of its frames', async () => {
    const [short, long] = [await write('short.mov', [1, 2, 1]), await write('long.mov', [1, 5000, 1])];
    // A frame more costs its entry in two tables.
    expect(readFileSync(long).length - readFileSync(short).length).toBe(4998 * 12);
    const args =
      '-v error -count_frames -select_streams v:0 -of csv=p=0 -show_entries stream=nb_read_frames'.split(' ');
    expect(
      execFileSync('ffprobe', [...args, long])
        .toString()
        .trim(),
    ).toBe('5002');
    const { samples, lasts, depth } = await readMov(long);
    expect([samples.length, lasts, depth]).toEqual([5002, [{ frames: 5002, ticks: 1 }], 32]);
    const last = execFileSync('ffmpeg', [
      ...`-v error -ss ${5001 / 25} -i ${long} -frames:v 1 -f rawvideo -pix_fmt rgba -`.split(' '),
    ]);
    expect(last[0]).toBe(42);
  });

  test('is read from other writers too', async () => {
    const path = join(folder, 'other.mov');
    execFileSync('ffmpeg', [
      ...`-v error -y -f lavfi -i testsrc=size=128x96:rate=30000/1001 -frames:v 9 -c:v prores_ks -f mov ${path}`.split(
        ' ',
      ),
    ]);
    const mov = await readMov(path);
    expect(mov).toMatchObject({
      codec: expect.stringMatching(/^ap/),
      widthPx: 128,
      heightPx: 96,
      timescale: 30000,
    });
    expect(mov.samples).toHaveLength(9);
  });

  test('is refused where it is cut off or is none', async () => {
    const path = await write('cut.mov', [1, 1]);
    truncateSync(path, readFileSync(path).length - 40);
    await expect(readMov(path)).rejects.toThrow('The file is not whole');
    writeFileSync(path, 'not a movie at all');
    await expect(readMov(path)).rejects.toThrow(/not whole/);
  });
});
