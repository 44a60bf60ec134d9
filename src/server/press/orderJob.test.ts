import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { DEMO_PROJECT_ID, seedDemo } from '../../../demo/seed';
import { CLOSING_ID } from '../../../demo/closing';
import { InputError } from '@/core/kit/inputError';
import type { OpenDatabase } from '@/db/open';
import { openDatabase } from '@/db/open';
import { parseTitle } from '@/core/model/project';
import { changeProject, findProject } from '@/db/projects';
import { fileSlug } from '@/core/kit/fileSlug';
import { OUTPUTS } from '@/core/outputs';
import { orderToPayload, parseOrder, parseOrders } from './orderJob';
import { paperNames, paperOf } from './papers';

let folder: string;
let database: OpenDatabase;

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'gilder-order-'));
  database = await openDatabase(folder);
  await seedDemo(database.db, async () => undefined);
});

afterAll(async () => {
  await database.close();
  rmSync(folder, { recursive: true });
});

/** An ffmpeg that has every encoder. */
const ALL = new Set(OUTPUTS.list.flatMap(({ encoders }) => encoders));

const order = (output: string, titleIds: readonly string[] = [], there: ReadonlySet<string> | null = ALL) =>
  orderToPayload(database.db, parseOrder({ projectId: DEMO_PROJECT_ID, output, titleIds }), there);

test('all titles of a project, numbered in the order of their start and named by their words', async () => {
  const payload = await order('mov-png');
  expect(payload).toMatchObject({
    format: 'wide-1080',
    rate: '25',
    name: 'Lantern Regatta, day two, 10 titles',
  });
  expect(payload.titles.map((title) => title.fileStem).slice(0, 3)).toEqual([
    '001-lantern-regatta',
    '002-osier-reach',
    '003-ilse-marrow',
  ]);
  expect(payload.titles.every((title) => title.onlyFrame === null)).toBe(true);
});

test('one title keeps the number that it has among all', async () => {
  const { titles } = await order('mov-png', ['title-4']);
  expect(titles.map((title) => title.fileStem)).toEqual(['004-teo-vance']);
});

test('what a title has of its own in the picture goes to the press with it, as it was kept', async () => {
  const painted = {
    shift: { dxU: 12, dyU: -4 },
    scrim: { colour: '#000000', opacity: 0.4 },
    edge: { colour: 'own', widthU: 1.5, softU: 0 },
    fadeInFrames: 5,
    fadeOutFrames: 6,
  };
  const before = await findProject(database.db, DEMO_PROJECT_ID);
  const { revision, ...title } = before?.titles.find(({ id }) => id === 'title-3') ?? { revision: 0 };
  const cameAs = { name: { label: 'Who', value: 'Ilse Marrow' } };
  const value = parseTitle({ ...title, ...painted, cameAs });
  const rows = { put: [{ value, revision }], remove: [] };
  await changeProject(database.db, DEMO_PROJECT_ID, {
    titles: rows,
    clips: { put: [], remove: [] },
    cues: { put: [], remove: [] },
    plan: null,
  });
  const after = await findProject(database.db, DEMO_PROJECT_ID);
  expect(after?.titles.find(({ id }) => id === 'title-3')).toMatchObject({ ...painted, cameAs });
  expect((await order('mov-png', ['title-3'])).titles).toMatchObject([painted]);
});

test('a still is taken from the middle of each title’s own hold', async () => {
  const { titles } = await order('png-still', ['title-1', 'title-4']);
  // 6 s with 1.4 in and 1 out: frame 35 + 90 / 2; 5 s with 1 in and 0.8 out: frame 25 + 80 / 2.
  expect(titles.map((title) => title.onlyFrame)).toEqual([80, 65]);
});

test.each([
  [
    { projectId: 'gone', output: 'mov-png', titleIds: [] },
    /Project: needs a project that exists, found "gone"/,
  ],
  [
    { projectId: DEMO_PROJECT_ID, output: 'mov-png', titleIds: ['gone'] },
    /Titles: needs titles of this project, found \["gone"\]/,
  ],
])('%j is refused', async (body, message) => {
  await expect(orderToPayload(database.db, parseOrder(body), ALL)).rejects.toThrow(message);
});

test.each([
  [{ projectId: 'p', output: 'gif', titleIds: [] }, /output: needs one of mov-png/],
  [{ projectId: 'p', output: 'mov-png' }, /titleIds: needs a value, found nothing/],
  [
    { projectId: 'p', output: 'mov-png', titleIds: [1] },
    /titleIds\[0\]: needs a value of type string, found 1/,
  ],
])('an order such as %j is no order', (body, message) => {
  expect(() => parseOrder(body)).toThrow(message);
});

test('without ffmpeg videos are refused with what to do, and stills are still made', async () => {
  await expect(order('mov-prores', [], null)).rejects.toBeInstanceOf(InputError);
  await expect(order('mov-prores', [], null)).rejects.toThrow(
    /needs ffmpeg on this machine, found "none"\. Install the Debian package ffmpeg/,
  );
  expect((await order('png-sequence', [], null)).titles).toHaveLength(10);
});

test('file names keep letters of any script and nothing that a shell or a disk minds', () => {
  expect(fileSlug('Bartholomew Quillfeather-Oduya')).toBe('bartholomew-quillfeather-oduya');
  expect(fileSlug('../../etc/passwd')).toBe('etc-passwd');
  expect(fileSlug('نور الهلالي')).toBe('نور-الهلالي');
  expect(fileSlug('…')).toBe('');
  // Cut at a whole letter, and not at a hyphen.
  expect(fileSlug(`${'a'.repeat(39)} ${'𐐨'.repeat(3)}`)).toBe('a'.repeat(39));
  expect(fileSlug('𐐨'.repeat(50))).toBe('𐐨'.repeat(40));
});

test('a whole programme is one file with titles, captions or both, as long as everything on the strip', async () => {
  const sent = (programme: { titles: boolean; trackId: string | null }, output = 'mov-png') =>
    orderToPayload(
      database.db,
      parseOrder({ projectId: DEMO_PROJECT_ID, output, titleIds: [], programme }),
      ALL,
    );
  const both = await sent({ titles: true, trackId: 'captions-hi' });
  expect(both.name).toBe('Lantern Regatta, day two, titles-and-captions');
  const [programme] = both.titles;
  if (!('parts' in programme)) throw new Error('not a programme');
  expect(programme.lengthFrames).toBe(3000);
  expect(programme.parts.filter(({ place }) => place !== null)).toHaveLength(26);
  expect(programme.parts.every(({ painted }) => painted)).toBe(true);
  // Each template once, however many captions have it.
  expect(programme.documents.map(({ name }) => name)).toContain('Plain captions');
  expect(new Set(programme.documents).size).toBe(programme.documents.length);
  const alone = (await sent({ titles: false, trackId: 'captions-en' })).titles[0];
  if (!('parts' in alone)) throw new Error('not a programme');
  expect(alone.fileStem).toBe('captions');
  expect(alone.parts.filter(({ painted }) => painted)).toHaveLength(26);
  await expect(sent({ titles: false, trackId: null })).rejects.toThrow(/titles or captions to paint/);
  await expect(sent({ titles: true, trackId: 'gone' })).rejects.toThrow(/caption track of the project/);
  await expect(sent({ titles: true, trackId: null }, 'png-still')).rejects.toThrow(/a video or a sequence/);
});

test('several orders are read together; one that cannot be made refuses all', async () => {
  const one = { projectId: DEMO_PROJECT_ID, output: 'mov-png', titleIds: ['title-4'], deliveryId: 'tall' };
  const [first, second] = parseOrders({
    orders: [one, { ...one, output: 'png-still', names: '{words}_e{edition}_{size}-{rate}_{in}' }],
  });
  expect((await orderToPayload(database.db, first, ALL)).titles[0].fileStem).toBe('004-teo-vance');
  const { titles, format } = await orderToPayload(database.db, second, ALL);
  expect([titles[0].fileStem, format]).toEqual(['teo-vance_e1_1080x1920-25p_00002700', 'tall-1080']);
  expect(() => parseOrders({ orders: [] })).toThrow(InputError);
  expect(() => parseOrders({ orders: [one, { ...one, output: 'vhs' }] })).toThrow(/orders/);
});

test('files whose names would be alike get figures, and a pattern that is none is told', async () => {
  const sent = (names: string) =>
    orderToPayload(
      database.db,
      parseOrder({ projectId: DEMO_PROJECT_ID, output: 'png-still', titleIds: [], names }),
      ALL,
    );
  const { titles, alike = 0 } = await sent('{project}');
  expect(titles.map(({ fileStem }) => fileStem).slice(0, 3)).toEqual([
    'lantern-regatta-day-two',
    'lantern-regatta-day-two-2',
    'lantern-regatta-day-two-3',
  ]);
  expect(alike).toBe(titles.length - 1);
  await expect(sent('{nobody}')).rejects.toThrow(/a token that there is, found "\{nobody\}"/);
});

test('what this ffmpeg cannot do is refused by the encoder’s name; what has no fields is made of whole frames', async () => {
  const some = new Set(['prores_ks', 'libx264']);
  await expect(order('apng', [], some)).rejects.toThrow(/the encoder apng of ffmpeg on this machine/);
  expect((await order('mov-prores', [], some)).output).toBe('mov-prores');
  const into = async (output: string) =>
    orderToPayload(
      database.db,
      parseOrder({ projectId: CLOSING_ID, output, titleIds: [], deliveryId: 'broadcast' }),
      ALL,
    );
  expect((await into('mov-prores')).interlaced).toBe(true);
  expect((await into('webm-vp9')).interlaced).toBe(false);
  const narrow = { projectId: CLOSING_ID, titleIds: [], deliveryId: 'archive', output: 'apng' };
  await expect(orderToPayload(database.db, parseOrder(narrow), ALL)).rejects.toThrow(
    /a format with square pixels for Animated PNG/,
  );
});

test('a title’s file starts at its place in the project, by the project’s clock', async () => {
  const { titles, drop } = await order('mov-png', ['title-3']);
  const project = await findProject(database.db, DEMO_PROJECT_ID);
  const start = project?.titles.find(({ id }) => id === 'title-3')?.startFrame;
  expect([titles[0].timecodeFrame, drop]).toEqual([start, false]);
});

test('beside a job’s files go timelines that refer to them, and captions as files', async () => {
  const payload = await order('mov-png');
  expect(paperNames(payload)).toEqual([
    'lantern-regatta-day-two-10-titles.otio',
    'lantern-regatta-day-two-10-titles.edl',
    'lantern-regatta-day-two-10-titles.csv',
    'lantern-regatta-day-two-10-titles-sheet.pdf',
  ]);
  const files = payload.titles.map(({ titleId, fileStem }) => ({
    titleId,
    name: `${fileStem}.mov`,
    bytes: 1,
    widthPx: 1920,
    heightPx: 1080,
    frames: 100,
    codec: 'png',
    framesPainted: 1,
    alphaErrorMax: 0,
    reused: false,
  }));
  const text = async (name: string): Promise<string> =>
    String((await paperOf(payload, files, name, folder))?.bytes);
  const otio = await text('lantern-regatta-day-two-10-titles.otio');
  const named = [...otio.matchAll(/"target_url": "([^"]*)"/g)].map(([, url]) => decodeURIComponent(url));
  expect(named.toSorted()).toEqual(files.map(({ name }) => name).toSorted());
  expect(await text('lantern-regatta-day-two-10-titles.csv')).toContain('Ilse Marrow');
  expect(await paperOf(payload, files, 'other.csv', folder)).toBeUndefined();
  // A list of one track for each lane.
  const twoLanes = payload.titles.map((title, i) =>
    'parts' in title || title.place === undefined || i > 0
      ? title
      : { ...title, place: { ...title.place, lane: 2 } },
  );
  expect(paperNames({ ...payload, titles: twoLanes })).toContain(
    'lantern-regatta-day-two-10-titles-lane-3.edl',
  );
  expect(paperNames(await order('png-sequence'))).toEqual(['lantern-regatta-day-two-10-titles-sheet.pdf']);
  expect(paperNames(await order('mov-png', ['title-4']))).toEqual([]);
  const programme = { titles: false, trackId: 'captions-en', captionFiles: ['srt', 'stl'] };
  const captions = await orderToPayload(
    database.db,
    parseOrder({ projectId: DEMO_PROJECT_ID, output: 'mov-png', titleIds: [], programme }),
    ALL,
  );
  expect(paperNames(captions)).toEqual(['english.srt', 'english.stl']);
  expect(String((await paperOf(captions, [], 'english.srt', folder))?.bytes)).toMatch(/^1\r?\n00:00:/);
});

test('fill and key are two files of each title, in one job', async () => {
  const sent = async (output: string, premultiplied: boolean) =>
    (
      await orderToPayload(
        database.db,
        parseOrder({ projectId: DEMO_PROJECT_ID, output, titleIds: ['title-4'], premultiplied }),
        ALL,
      )
    ).titles.map(({ fileStem, plane }) => [fileStem, plane]);
  expect(await sent('mov-fill-key', false)).toEqual([
    ['004-teo-vance-fill', 'fill'],
    ['004-teo-vance-key', 'key'],
  ]);
  expect(await sent('png-fill-key', true)).toEqual([
    ['004-teo-vance-fill', 'shapedFill'],
    ['004-teo-vance-key', 'key'],
  ]);
  expect(await sent('mov-prores', true)).toEqual([['004-teo-vance', 'premultiplied']]);
  // What cannot be premultiplied is as it always is.
  expect(await sent('mov-png', true)).toEqual([['004-teo-vance', undefined]]);
});
