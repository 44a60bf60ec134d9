import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { NO_CREDITS } from '@/core/model/credits';
import type { CreditRow } from '@/core/model/credits';
import type { FileFacts } from '@/contract/jobs';
import type { Field, Retime } from '@/core/model/template';
import { newCreditsLayer, newPictureLayer } from '@/core/model/newLayers';
import { testTemplate } from '@/core/testing';
import type { JobTitle } from '@/db/schema';
import { RenderPool } from './renderPool';
import { ONLY_ATTEMPT, renderTitle } from './renderTitle';
import { NO_SOURCES } from './sources';

/*
 * A video within titles: beside a roll, and as an editor's picture. Its brightness says which of its frames is seen: it
 * is two seconds long, upright, and has wide pixels. The finished files are decoded by ffmpeg.
 */
const [WIDTH, HEIGHT] = [640, 360];
const FRAMES = 50;
let folder: string;
let pool: RenderPool;
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'gilder-moving-'));
  pool = new RenderPool(1);
  const picture = 'nullsrc=s=120x320:r=25:d=2,format=yuv420p,geq=lum=16+4*N:cb=128:cr=128,setsar=4/3';
  execFileSync('ffmpeg', [
    ...['-v', 'error', '-y', '-f', 'lavfi', '-i', picture],
    ...'-c:v libx264 -crf 1 -bf 2 -g 12 -colorspace smpte170m'.split(' '),
    join(folder, 'steps.mov'),
  ]);
});
afterAll(async () => {
  await pool.close();
  rmSync(folder, { recursive: true });
});

const roll = testTemplate([{ ...newCreditsLayer('roll', 'Roll'), widthShare: 0.4 }]);
const beside: CreditRow = {
  id: 'b',
  kind: 'beside',
  asset: 'video:steps',
  side: 'left',
  atSeconds: 1,
  forSeconds: 4,
};
const names: readonly CreditRow[] = Array.from({ length: 12 }, (_, i) => ({
  id: `n${i}`,
  kind: 'name',
  name: `Name ${i}`,
}));

const title: JobTitle = {
  titleId: 't',
  fileStem: 'beside',
  document: roll,
  values: {},
  lengthFrames: 150,
  credits: { ...NO_CREDITS, rows: [...names, beside] },
  onlyFrame: null,
};

const make = (
  of: Partial<JobTitle>,
  { interlaced = false, output = 'mov-png', here = true } = {},
): Promise<FileFacts> =>
  renderTitle({
    payload: { name: 'x', output, format: `custom-${WIDTH}x${HEIGHT}`, rate: '25', interlaced, titles: [] },
    title: { ...title, ...of },
    folder,
    pool,
    sources: {
      ...NO_SOURCES,
      videos: async (ids) =>
        new Map(here && ids.includes('steps') ? [['steps', join(folder, 'steps.mov')]] : []),
    },
    signal: new AbortController().signal,
    attempt: ONLY_ATTEMPT,
    onFrames: () => undefined,
  });

interface Decoded {
  readonly frames: number;
  at(frame: number, x: number, y: number): readonly number[];
}

function decode(name: string): Decoded {
  const args = `-v error -i ${join(folder, name)} -f rawvideo -pix_fmt rgba -`;
  const all = execFileSync('ffmpeg', args.split(' '), { maxBuffer: 400e6 });
  return {
    frames: all.length / (WIDTH * HEIGHT * 4),
    at(frame, x, y) {
      const from = ((frame * HEIGHT + y) * WIDTH + x) * 4;
      return [...all.subarray(from, from + 4)];
    },
  };
}

/** The grey of a frame of the video, which ends with its last. */
const grey = (frame: number): number => (4 * Math.min(frame, FRAMES - 1) * 255) / 219;
const isGrey = (pixel: readonly number[], value: number): void => {
  for (const channel of pixel.slice(0, 3)) expect(Math.abs(channel - value)).toBeLessThanOrEqual(4);
  expect(pixel[3]).toBe(255);
};

/** How far a picture reaches in a row of a frame: its first and last opaque pixel left of the credits. */
function reach({ at }: Decoded, frame: number, y: number): readonly [number, number] {
  const seen = Array.from({ length: 180 }, (_, x) => x).filter((x) => at(frame, x, y)[3] === 255);
  return [Math.min(...seen), Math.max(...seen)];
}

test('a video beside a roll begins as it comes, goes on frame by frame, and ends with its last frame', async () => {
  const file = decode((await make({})).name);
  expect(file.frames).toBe(150);
  const [x, y] = [80, 180];
  expect(file.at(24, x, y)[3]).toBe(0);
  for (const frame of [40, 41, 57, 74]) isGrey(file.at(frame, x, y), grey(frame - 25));
  // It stands for four seconds, and is two long.
  for (const frame of [75, 90, 109]) isGrey(file.at(frame, x, y), grey(49));
  expect(file.at(125, x, y)[3]).toBe(0);
  // 120 by 320 with pixels of 4 : 3 is looked at as 160 by 320: half as wide as high.
  const [left, right] = reach(file, 60, y);
  const column = Array.from({ length: HEIGHT }, (_, down) => down).filter(
    (down) => file.at(60, x, down)[3] > 0,
  );
  expect((right - left + 1) / column.length).toBeCloseTo(0.5, 1);
});

test('the same video twice at different moments, and a still from the middle of it', async () => {
  const rows = [...names, beside, { ...beside, id: 'c', side: 'right' as const, atSeconds: 2 }];
  const both = decode((await make({ fileStem: 'both', credits: { ...NO_CREDITS, rows } })).name);
  for (const frame of [66, 80, 108]) {
    isGrey(both.at(frame, 80, 180), grey(frame - 25));
    isGrey(both.at(frame, WIDTH - 80, 180), grey(frame - 50));
  }
  for (const frame of [60, 100]) {
    const { name } = await make({ fileStem: `still-${frame}`, onlyFrame: frame }, { output: 'png-still' });
    isGrey(decode(name).at(0, 80, 180), grey(frame - 25));
  }
});

test('both fields of a frame show the same frame of it', async () => {
  const file = decode((await make({ fileStem: 'fields' }, { interlaced: true })).name);
  for (const y of [180, 181]) isGrey(file.at(57, 80, y), grey(57 - 25));
});

test('an editor’s picture may be a video, at its own speed too', async () => {
  const film = {
    ...newPictureLayer('film', 'Film', null),
    sizing: 'fixed' as const,
    widthU: 300,
    heightU: 600,
  };
  const slow: Retime = { kind: 'speed', speed: 0.5, fromSeconds: 0, spanSeconds: 1 };
  const field: Field = {
    id: 'picture',
    label: 'Picture',
    kind: 'picture',
    help: '',
    required: false,
    section: '',
    automatic: null,
    targets: [{ layerId: 'film', path: 'asset' }],
    limits: {},
  };
  const file = async (fileStem: string, retime: Retime | null): Promise<Decoded> => {
    const layers = [{ ...film, motion: { ...film.motion, in: [], out: [], retime } }];
    const document = testTemplate(layers, { fields: [field] });
    return decode((await make({ fileStem, document, values: { picture: 'video:steps' } })).name);
  };
  const middle = [WIDTH / 2, HEIGHT / 2] as const;
  const plain = await file('plain', null);
  for (const frame of [0, 1, 30, 49, 80]) isGrey(plain.at(frame, ...middle), grey(frame));
  const half = await file('half', slow);
  for (const frame of [30, 61]) isGrey(half.at(frame, ...middle), grey(Math.floor(frame / 2)));
});

test('one that is not here leaves its place grey', async () => {
  const file = decode((await make({ fileStem: 'gone', lengthFrames: 80 }, { here: false })).name);
  const [red, green, blue, alpha] = file.at(60, 80, 180);
  expect([red, green, blue]).not.toEqual([0, 0, 0]);
  expect(alpha).toBeGreaterThan(100);
});
