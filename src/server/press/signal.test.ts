import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { PNG } from 'pngjs';
import type { FileFacts } from '@/contract/jobs';
import { motionOf } from '@/core/model/newMove';
import { testBox, testTemplate } from '@/core/testing';
import type { Plane } from '@/core/outputs/output';
import type { JobPayload } from '@/db/schema';
import { RenderPool } from './renderPool';
import { ONLY_ATTEMPT, renderTitle } from './renderTitle';
import { NO_SOURCES } from './sources';

/*
 * Colours held to composite video, and studio levels, as other readers find them in finished files: a yellow field, half
 * opaque on its right.
 */
const bar = (id: string, dxU: number, fillOpacity: number) =>
  testBox(id, {
    fill: '#ffff00',
    fillOpacity,
    width: { kind: 'fixed', u: 400 },
    height: { kind: 'fixed', u: 400 },
    place: { ...testBox('x').place, dxU, dyU: 100 },
    motion: motionOf(null, null),
  });
const TITLE = testTemplate([bar('left', 100, 1), bar('right', 700, 0.5)], {
  timing: { inSeconds: 0.02, holdSeconds: 1, outSeconds: 0.02 },
});
const [WIDTH, HEIGHT] = [640, 360];
const [LEFT, RIGHT, NOWHERE] = [
  [100, 100],
  [300, 100],
  [620, 340],
] as const;

let folder: string;
let pool: RenderPool;
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'gilder-signal-'));
  pool = new RenderPool(1);
});
afterAll(async () => {
  await pool.close();
  rmSync(folder, { recursive: true });
});

function make(
  output: string,
  plane: Plane,
  signal: Pick<JobPayload, 'limited' | 'studio'>,
): Promise<FileFacts> {
  const content = {
    document: TITLE,
    values: {},
    lengthFrames: 25,
    onlyFrame: output.includes('still') ? 12 : null,
  };
  return renderTitle({
    payload: { name: 'x', output, format: 'custom-640x360', rate: '25', titles: [], ...signal },
    title: { titleId: 'a', fileStem: `${output}-${plane}`, plane, ...content },
    folder,
    pool,
    sources: NO_SOURCES,
    signal: new AbortController().signal,
    attempt: ONLY_ATTEMPT,
    onFrames: () => undefined,
  });
}

const at = (pixels: ArrayLike<number>, [x, y]: readonly [number, number]): number[] =>
  [0, 1, 2, 3].map((channel) => pixels[(y * WIDTH + x) * 4 + channel]);

/** What ffmpeg makes of a frame, which believes what the file says of itself. */
function decoded(name: string): Buffer {
  const args = [
    '-v',
    'error',
    '-i',
    join(folder, name),
    '-frames:v',
    '1',
    '-f',
    'rawvideo',
    '-pix_fmt',
    'rgba',
    '-',
  ];
  const bytes = execFileSync('ffmpeg', args, { maxBuffer: 1 << 26 });
  expect(bytes.length).toBe(WIDTH * HEIGHT * 4);
  return bytes;
}

test('pictures on studio levels have black at 16 and white at 235, and say so', async () => {
  const file = await make('png-still', 'straight', { studio: true });
  const bytes = readFileSync(join(folder, file.name));
  const { data } = PNG.sync.read(bytes);
  // Full yellow, opaque and half, and nothing at all, which is seen nowhere.
  expect(at(data, LEFT)).toEqual([235, 235, 16, 255]);
  expect(at(data, RIGHT).slice(0, 3)).toEqual([235, 235, 16]);
  expect(at(data, NOWHERE)[3]).toBe(0);
  const chunk = bytes.indexOf('cICP');
  expect([...bytes.subarray(chunk + 4, chunk + 8)]).toEqual([1, 13, 0, 0]);
  expect(bytes.includes('sRGB')).toBe(false);
  expect(file).toMatchObject({ studio: true, alphaErrorMax: 0, colourErrorMax: 0 });
});

test('a key on studio levels goes from 16 to 235, and a fill lies over a black of 16', async () => {
  const key = PNG.sync.read(
    readFileSync(join(folder, (await make('png-still', 'key', { studio: true })).name)),
  );
  expect([LEFT, RIGHT, NOWHERE].map((place) => at(key.data, place)[0])).toEqual([235, 126, 16]);
  const fill = await make('png-still', 'shapedFill', { studio: true });
  const { data } = PNG.sync.read(readFileSync(join(folder, fill.name)));
  expect(at(data, RIGHT)).toEqual([126, 126, 16, 255]);
  expect(at(data, NOWHERE)).toEqual([16, 16, 16, 255]);
});

test('multiplied by alpha, what is not seen stays nothing', async () => {
  const file = await make('tiff-still', 'premultiplied', { studio: true });
  const pixels = decoded(file.name);
  expect(at(pixels, LEFT)).toEqual([235, 235, 16, 255]);
  const [red, green, blue, alpha] = at(pixels, RIGHT);
  for (const [is, wanted] of [
    [red, 118],
    [green, 118],
    [blue, 8],
    [alpha, 128],
  ])
    expect(Math.abs(is - wanted)).toBeLessThanOrEqual(1);
  expect(at(pixels, NOWHERE)).toEqual([0, 0, 0, 0]);
});

test.each(['mov-png', 'mov-prores', 'webm-vp9'])(
  '%s: full yellow becomes that of the bars',
  async (output) => {
    const file = await make(output, 'straight', { limited: true });
    expect(file).toMatchObject({ limited: true });
    const [red, green, blue] = at(decoded(file.name), LEFT);
    // 75 % of 255.
    for (const [is, wanted] of [
      [red, 191],
      [green, 191],
      [blue, 0],
    ])
      expect(Math.abs(is - wanted)).toBeLessThanOrEqual(output === 'mov-png' ? 0 : 4);
  },
  300_000,
);

test('both: held first, then put on its levels', async () => {
  const file = await make('png-still', 'straight', { limited: true, studio: true });
  const { data } = PNG.sync.read(readFileSync(join(folder, file.name)));
  // 16 + 219 × 191 / 255.
  expect(at(data, LEFT)).toEqual([180, 180, 16, 255]);
});
