import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { FileFacts } from '@/contract/jobs';
import { newProgrammeLayer } from '@/core/model/newLayers';
import { motionOf, newMoveUse } from '@/core/model/newMove';
import { testBox, testTemplate } from '@/core/testing';
import type { JobProgramme } from '@/db/schema';
import { RenderPool } from './renderPool';
import { ONLY_ATTEMPT, renderTitle } from './renderTitle';
import { NO_SOURCES } from './sources';

/*
 * Programmes over their pictures. The video's brightness says which of its frames is seen, its sound begins in the
 * middle of it, and the finished file is decoded by ffmpeg.
 */
const [WIDTH, HEIGHT] = [640, 360];
let folder: string;
let pool: RenderPool;
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'gilder-over-'));
  pool = new RenderPool(1);
  execFileSync('ffmpeg', [
    ...'-v error -y -f lavfi -i nullsrc=s=640x480:r=25:d=2,format=yuv420p,geq=lum=16+4*N:cb=128:cr=128'.split(
      ' ',
    ),
    ...['-f', 'lavfi', '-i', "sine=1000:d=2,volume=0:enable='lt(t,1)'"],
    ...'-c:v libx264 -crf 1 -colorspace smpte170m -c:a pcm_s16le'.split(' '),
    join(folder, 'steps.mov'),
  ]);
});
afterAll(async () => {
  await pool.close();
  rmSync(folder, { recursive: true });
});

const box = testTemplate([
  testBox('box', {
    fill: '#c8102e',
    width: { kind: 'fixed', u: 400 },
    height: { kind: 'fixed', u: 200 },
    place: { ...testBox('x').place, dxU: 900, dyU: 600 },
    motion: motionOf(null, null),
  }),
]);

const programme: JobProgramme = {
  titleId: 'programme',
  fileStem: 'whole',
  lengthFrames: 80,
  onlyFrame: null,
  timecodeFrame: 90_000,
  documents: [box],
  parts: [
    {
      startFrame: 30,
      lengthFrames: 20,
      lane: 0,
      values: {},
      document: 0,
      place: null,
      painted: true,
      number: 7,
      shift: null,
      scrim: null,
      edge: null,
      fadeInFrames: 0,
      fadeOutFrames: 0,
    },
  ],
  ground: {
    burnIn: false,
    clips: [
      { picture: 'video:steps', startFrame: 5, lengthFrames: 40, sourceStartFrame: 10 },
      { picture: '#2040a0', startFrame: 45, lengthFrames: 10, sourceStartFrame: 0 },
      { picture: 'video:gone', startFrame: 55, lengthFrames: 10, sourceStartFrame: 0 },
    ],
  },
};

const make = (
  title: JobProgramme,
  videos: ReadonlyMap<string, string>,
  { output = 'mp4-h264', fine = false } = {},
): Promise<FileFacts> =>
  renderTitle({
    payload: { name: 'x', output, fine, format: `custom-${WIDTH}x${HEIGHT}`, rate: '25', titles: [] },
    title,
    folder,
    pool,
    sources: { ...NO_SOURCES, videos: async () => videos },
    signal: new AbortController().signal,
    attempt: ONLY_ATTEMPT,
    onFrames: () => undefined,
  });
const here = (): ReadonlyMap<string, string> => new Map([['steps', join(folder, 'steps.mov')]]);

function decode(name: string): (frame: number, x: number, y: number) => number[] {
  const args = `-v error -i ${join(folder, name)} -sws_flags accurate_rnd+full_chroma_int -f rawvideo -pix_fmt rgb24 -`;
  const all = execFileSync('ffmpeg', args.split(' '), { maxBuffer: 400e6 });
  return (frame, x, y) => {
    const at = ((frame * HEIGHT + y) * WIDTH + x) * 3;
    return [...all.subarray(at, at + 3)];
  };
}

const near = (is: readonly number[], wanted: readonly number[], by = 4): void =>
  is.forEach((value, i) => expect(Math.abs(value - wanted[i])).toBeLessThanOrEqual(by));

/** The grey of a frame of the video: full range of what was made in limited range. */
const grey = (sourceFrame: number): number[] => Array(3).fill((4 * sourceFrame * 255) / 219);

test('every frame of a programme lies over the frame of the clip that is there, and its sound with it', async () => {
  const facts = await make(programme, here());
  expect(facts).toMatchObject({ frames: 80, codec: 'h264' });
  const at = decode(facts.name);
  near(at(4, 150, 150), [0, 0, 0]);
  for (const frame of [5, 6, 20, 29, 44]) near(at(frame, 150, 150), grey(frame - 5 + 10));
  // To the very corners, although the video has another shape.
  near(at(20, 1, 1), grey(25));
  near(at(20, 638, 358), grey(25));
  near(at(45, 150, 150), [32, 64, 160]);
  near(at(60, 150, 150), [74, 76, 75]);
  near(at(70, 150, 150), [0, 0, 0]);
  const inBox = [360, 230] as const;
  near(at(29, ...inBox), grey(34));
  near(at(30, ...inBox), [200, 16, 46]);
  near(at(49, ...inBox), [200, 16, 46]);
  near(at(50, ...inBox), [32, 64, 160]);
  const said = execFileSync('ffprobe', [
    ...'-v error -show_entries stream=codec_name,nb_frames:stream_tags=timecode -of json'.split(' '),
    join(folder, facts.name),
  ]).toString();
  expect(said).toContain('"timecode": "01:00:00:00"');
  // The video's sound begins at its frame 25, which is the programme's frame 20, and is over with its clip.
  const sound = execFileSync(
    'ffmpeg',
    `-v error -i ${join(folder, facts.name)} -ac 1 -ar 8000 -f s16le -`.split(' '),
  );
  const loud = (frame: number): number =>
    Math.max(...Array.from({ length: 320 }, (_, i) => Math.abs(sound.readInt16LE((frame * 320 + i) * 2))));
  expect(loud(18)).toBeLessThan(300);
  expect(loud(21)).toBeGreaterThan(2000);
  expect(loud(43)).toBeGreaterThan(2000);
  expect(loud(47)).toBeLessThan(300);
});

test.each([
  ['mp4-h265', 'hevc', 'yuv420p'],
  ['mp4-av1', 'av1', 'yuv420p10le'],
])(
  '%s has the same frames; painted finely it has ten bits',
  async (output, codec, format) => {
    const fine = format.endsWith('10le');
    const facts = await make({ ...programme, fileStem: output }, here(), { output, fine });
    expect(facts).toMatchObject({ frames: 80, codec, bits: fine ? 10 : 8, comparedFrames: 3 });
    const at = decode(facts.name);
    for (const frame of [5, 6, 20, 29, 44]) near(at(frame, 150, 150), grey(frame - 5 + 10));
    near(at(30, 360, 230), [200, 16, 46]);
    near(at(50, 360, 230), [32, 64, 160]);
    const said = execFileSync('ffprobe', [
      ...'-v error -select_streams v -of csv=p=0 -show_entries stream=pix_fmt,color_space'.split(' '),
      join(folder, facts.name),
    ]);
    expect(said.toString().trim()).toBe(`${format},bt709`);
  },
  120_000,
);

test('timecode and the numbers of titles are burnt in where that is asked for', async () => {
  const burnt = { ...programme, fileStem: 'burnt', ground: { clips: [], burnIn: true } };
  const at = decode((await make(burnt, new Map())).name);
  const lit = (frame: number, from: number, to: number): number => {
    let count = 0;
    for (let x = from; x < to; x++) for (let y = 10; y < 45; y++) if (at(frame, x, y)[0] > 128) count++;
    return count;
  };
  expect(lit(10, 30, 100)).toBeGreaterThan(50);
  // The number stands beside the timecode only while its title is there.
  expect(lit(10, 106, 200)).toBe(0);
  expect(lit(35, 106, 200)).toBeGreaterThan(5);
});

test('a programme without a sound has no silent track, and one whose video is no video says so', async () => {
  const still = {
    ...programme,
    fileStem: 'still',
    lengthFrames: 4,
    parts: [],
    ground: { clips: [], burnIn: false },
  };
  const facts = await make(still, new Map());
  const tracks = execFileSync('ffprobe', [
    ...'-v error -show_entries stream=codec_type -of csv=p=0'.split(' '),
    join(folder, facts.name),
  ]);
  expect(tracks.toString()).not.toContain('audio');
  const broken = new Map([['steps', join(folder, 'none.mov')]]);
  await expect(make({ ...programme, fileStem: 'broken' }, broken)).rejects.toThrow(
    /A video that is shown cannot be read/,
  );
});

test('an interlaced programme is two fields a frame, in standard definition with its own pixels', async () => {
  const facts = await renderTitle({
    payload: {
      name: 'x',
      output: 'mp4-h264',
      format: 'classic-576',
      rate: '25',
      interlaced: true,
      titles: [],
    },
    title: { ...programme, fileStem: 'fields', lengthFrames: 40 },
    folder,
    pool,
    sources: { ...NO_SOURCES, videos: async () => here() },
    signal: new AbortController().signal,
    attempt: ONLY_ATTEMPT,
    onFrames: () => undefined,
  });
  const said = execFileSync('ffprobe', [
    ...'-v error -show_entries stream=field_order,sample_aspect_ratio,color_space -of csv=p=0'.split(' '),
    ...['-select_streams', 'v', join(folder, facts.name)],
  ]);
  expect(said.toString().trim().split(',').toSorted()).toEqual(['12:11', 'smpte170m', 'tt']);
  expect(facts).toMatchObject({ frames: 40, widthPx: 720, heightPx: 576 });
});

test('a title shows the programme smaller, frame for frame, and squeezes it from the whole frame', async () => {
  const beside = testTemplate(
    [
      {
        ...newProgrammeLayer('small', 'Programme', 960),
        place: { ...testBox('x').place, target: { kind: 'frame' }, dxU: 192, dyU: 108 },
        motion: motionOf(newMoveUse('squeeze', { lengthSeconds: 0.2, ease: 'even' }), null),
      },
      testBox('ground', {
        fill: '#c8102e',
        width: { kind: 'share', share: 1, of: 'frame' },
        height: { kind: 'share', share: 1, of: 'frame' },
        place: { ...testBox('x').place, target: { kind: 'frame' } },
        motion: motionOf(null, null),
      }),
    ],
    { timing: { inSeconds: 0.2, holdSeconds: 1, outSeconds: 0 } },
  );
  const [part] = programme.parts;
  const whole = {
    ...programme,
    documents: [beside],
    parts: [{ ...part, startFrame: 10, lengthFrames: 30 }],
    lengthFrames: 44,
  };
  const at = decode((await make({ ...whole, fileStem: 'beside' }, here())).name);
  // The layer covers 64 to 384 px across and 36 to 216 down.
  const [inside, outside] = [[224, 126] as const, [500, 300] as const];
  near(at(9, ...outside), grey(14));
  near(at(10, ...outside), grey(15));
  for (const frame of [16, 20, 39]) {
    near(at(frame, ...inside), grey(frame + 5));
    // Near edges the coding overshoots.
    near(at(frame, 68, 40), grey(frame + 5), 20);
    near(at(frame, 380, 212), grey(frame + 5), 20);
    for (const spot of [outside, [59, 126], [389, 126], [224, 31], [224, 221]] as const)
      near(at(frame, spot[0], spot[1]), [200, 16, 46], 20);
  }
  near(at(40, ...outside), grey(45));

  // In a file for the mixer its place is a hole, and the whole frame at first.
  const { ground: _, ...bare } = whole;
  const { name } = await make({ ...bare, fileStem: 'hole' }, here(), { output: 'mov-png' });
  const args = `-v error -i ${join(folder, name)} -f rawvideo -pix_fmt rgba -`;
  const all = execFileSync('ffmpeg', args.split(' '), { maxBuffer: 400e6 });
  const alpha = (frame: number, [x, y]: readonly [number, number]): number =>
    all[((frame * HEIGHT + y) * WIDTH + x) * 4 + 3];
  expect([alpha(10, inside), alpha(10, outside)]).toEqual([0, 0]);
  expect([alpha(20, inside), alpha(20, outside)]).toEqual([0, 255]);
  expect([alpha(39, [68, 40]), alpha(39, [380, 212]), alpha(39, [59, 126])]).toEqual([0, 0, 255]);
});
