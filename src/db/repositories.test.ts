import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { ProjectChanges } from '@/contract/projects';
import { DEMO_PROJECT_ID, seedDemo } from '../../demo/seed';
import { CLOSING_ID } from '../../demo/closing';
import { DEMO_TEMPLATES, tidelineStrap } from '../../demo/templates';
import { FolderInUseError } from './folderLock';
import { insertJob, listJobs, unfinishedJobs, updateJob } from './jobs';
import type { Db, OpenDatabase } from './open';
import { openDatabase } from './open';
import { newCue } from '@/core/model/captions';
import { newTitle } from '@/core/model/project';
import { changeProject, findProject, insertProject, listProjects } from './projects';
import { StaleWriteError } from './staleWrite';
import {
  findTemplate,
  insertTemplate,
  listShelf,
  readEditions,
  listTemplates,
  releaseTemplate,
  saveTemplate,
} from './templates';

let folder: string;
let open: OpenDatabase;
let db: Db;

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'gilder-db-'));
  open = await openDatabase(folder);
  db = open.db;
  await seedDemo(db, async () => undefined);
});

afterAll(async () => {
  await open.close();
  rmSync(folder, { recursive: true });
});

describe('the demo', () => {
  test('has a project with ten titles and its closing, and every demo template is released', async () => {
    expect(await listProjects(db)).toEqual([
      expect.objectContaining({
        id: DEMO_PROJECT_ID,
        titleCount: 10,
        picture: 'lock-gates',
        changedAt: expect.stringMatching(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\dZ$/),
      }),
      expect.objectContaining({ id: CLOSING_ID, titleCount: 3 }),
    ]);
    expect(await listTemplates(db)).toHaveLength(DEMO_TEMPLATES.length);
    const uses = (await listShelf(db)).map((entry) => [entry.templateId, entry.number, entry.totalUses]);
    expect(uses.filter(([, , count]) => Number(count) > 0).toSorted()).toEqual([
      ['harbour-roll', 1, 1],
      ['opening-lockup', 1, 1],
      ['place-chain', 1, 1],
      ['place-corner', 1, 2],
      ['point-list', 1, 1],
      ['tideline-strap', 1, 7],
    ]);
  });
});

describe('templates', () => {
  test('are saved from the revision they were made from, and a stale write gets the newer state', async () => {
    await insertTemplate(db, 't', tidelineStrap);
    const mine = { ...tidelineStrap, name: 'Mine' };
    expect(await saveTemplate(db, 't', 1, mine)).toBe(2);
    const stale = saveTemplate(db, 't', 1, { ...tidelineStrap, name: 'Theirs' });
    await expect(stale).rejects.toMatchObject({ newer: { revision: 2, document: { name: 'Mine' } } });
    await expect(stale).rejects.toBeInstanceOf(StaleWriteError);
    expect((await findTemplate(db, 't'))?.document.name).toBe('Mine');
  });

  test('are released as editions that later changes do not touch', async () => {
    await insertTemplate(db, 'r', tidelineStrap);
    expect(await releaseTemplate(db, 'r', 1, 'r-1')).toBe(1);
    await saveTemplate(db, 'r', 1, { ...tidelineStrap, name: 'Changed' });
    await expect(releaseTemplate(db, 'r', 1, 'r-x')).rejects.toBeInstanceOf(StaleWriteError);
    expect(await releaseTemplate(db, 'r', 2, 'r-2')).toBe(2);
    const names = (await readEditions(db, ['r-1', 'r-2', 'r-3'])).map((e) => [e.number, e.document.name]);
    expect(names.toSorted()).toEqual([
      [1, 'Tideline strap'],
      [2, 'Changed'],
    ]);
    expect((await listShelf(db)).filter(({ templateId }) => templateId === 'r')).toMatchObject([
      { number: 2, name: 'Changed', fieldCount: tidelineStrap.fields.length },
    ]);
    expect(await findTemplate(db, 'r')).toMatchObject({ latestEdition: 2, releasedRevision: 2, revision: 2 });
  });

  test('two writers at once: one is kept, the other is told', async () => {
    await insertTemplate(db, 'race', tidelineStrap);
    const results = await Promise.allSettled(
      ['A', 'B', 'C'].map((name) => saveTemplate(db, 'race', 1, { ...tidelineStrap, name })),
    );
    expect(results.filter((result) => result.status === 'fulfilled')).toHaveLength(1);
    expect((await findTemplate(db, 'race'))?.revision).toBe(2);
  });
});

describe('titles', () => {
  const title = newTitle({
    id: 'new',
    editionId: 'tideline-strap-1',
    startFrame: 5,
    lengthFrames: 50,
    lane: 1,
    values: { name: 'Ode' },
  });
  const nothing = { put: [], remove: [] };
  const change = (titles: ProjectChanges['titles'], rest: Partial<ProjectChanges> = {}) =>
    changeProject(db, DEMO_PROJECT_ID, { titles, clips: nothing, cues: nothing, plan: null, ...rest });

  test('are added, changed and removed, all together or not at all', async () => {
    expect((await change({ put: [{ value: title, revision: null }], remove: [] })).titles).toEqual({
      new: 1,
    });
    const later = { ...title, startFrame: 9 };
    const half = change({
      put: [{ value: later, revision: 1 }],
      remove: [{ id: 'title-1', revision: 99 }],
    });
    await expect(half).rejects.toBeInstanceOf(StaleWriteError);
    const find = async (): Promise<number | undefined> =>
      (await findProject(db, DEMO_PROJECT_ID))?.titles.find((one) => one.id === 'new')?.startFrame;
    expect(await find()).toBe(5);
    await change({ put: [{ value: later, revision: 1 }], remove: [] });
    expect(await find()).toBe(9);
    await change({ put: [], remove: [{ id: 'new', revision: 2 }] });
    expect(await find()).toBeUndefined();
  });

  test('a title that was removed elsewhere is not brought back silently', async () => {
    const gone = { ...title, id: 'never-was' };
    const write = change({ put: [{ value: gone, revision: 3 }], remove: [] });
    await expect(write).rejects.toMatchObject({ newer: null });
  });

  test('cues are kept beside them, each by itself, and a stale one is refused', async () => {
    const cue = newCue({
      id: 'cue-a',
      trackId: 'en',
      startFrame: 5,
      lengthFrames: 40,
      words: '<i>नदी</i>',
      forced: true,
    });
    const cues = { put: [{ value: cue, revision: null }], remove: [] };
    expect((await change(nothing, { cues })).cues).toEqual({ 'cue-a': 1 });
    const kept = async () => (await findProject(db, DEMO_PROJECT_ID))?.cues.find(({ id }) => id === 'cue-a');
    expect(await kept()).toEqual({ ...cue, revision: 1 });
    const later = { put: [{ value: { ...cue, words: 'b' }, revision: 1 }], remove: [] };
    expect((await change(nothing, { cues: later })).cues).toEqual({ 'cue-a': 2 });
    await expect(change(nothing, { cues: later })).rejects.toBeInstanceOf(StaleWriteError);
    await change(nothing, { cues: { put: [], remove: [{ id: 'cue-a', revision: 2 }] } });
    expect(await kept()).toBeUndefined();
  });

  test('come by the thousand, and an id of another project is not taken over', async () => {
    const many = Array.from({ length: 1200 }, (_, i) => ({ ...title, id: `many-${i}` }));
    const put = many.map((value) => ({ value, revision: null }));
    expect(Object.keys((await change({ put, remove: [] })).titles)).toHaveLength(1200);
    await change({ put: [], remove: many.map(({ id }) => ({ id, revision: 1 })) });
    await insertProject(db, 'other', { name: 'O', production: '', format: 'wide-1080', rate: '25' }, []);
    const stolen = { ...title, id: 'title-1' };
    const steal = changeProject(db, 'other', {
      titles: { put: [{ value: stolen, revision: null }], remove: [] },
      clips: nothing,
      cues: nothing,
      plan: null,
    });
    await expect(steal).rejects.toBeInstanceOf(StaleWriteError);
    const mine = await findProject(db, DEMO_PROJECT_ID);
    expect(mine?.titles.find(({ id }) => id === 'title-1')?.values).toEqual({
      title: 'Lantern Regatta',
      line: 'Day two',
    });
  });

  test('clips and the plan are changed along with them, each from its own revision', async () => {
    const before = await findProject(db, DEMO_PROJECT_ID);
    if (before === undefined) throw new Error('no demo');
    const [{ revision, ...first }] = before.clips;
    const plan = { ...before.plan, words: ['lockkeeper', 'ketch'] };
    const revisions = await change(nothing, {
      clips: { put: [{ value: { ...first, label: 'Gates' }, revision }], remove: [] },
      plan: { value: plan, revision: before.planRevision },
    });
    expect(revisions).toMatchObject({ clips: { [first.id]: revision + 1 }, plan: before.planRevision + 1 });
    const after = await findProject(db, DEMO_PROJECT_ID);
    expect(after?.clips[0].label).toBe('Gates');
    expect(after?.plan.words).toEqual(['lockkeeper', 'ketch']);
    await expect(change(nothing, { plan: { value: plan, revision: before.planRevision } })).rejects.toThrow(
      'project was changed elsewhere',
    );
  });
});

test('a job that was running is queued again after a restart', async () => {
  const payload = { name: 'J', output: 'png-still', format: 'wide-1080', rate: '25', titles: [] };
  await insertJob(db, 'j', payload, 0);
  await updateJob(db, 'j', { status: 'running', startedAt: new Date() });
  expect(await unfinishedJobs(db)).toEqual(['j']);
  expect((await listJobs(db, 10))[0]).toMatchObject({ id: 'j', status: 'queued', error: null });
});

test('jobs come in pages, the newest first, without what is rendered', async () => {
  const payload = { name: 'P', output: 'png-still', format: 'wide-1080', rate: '25', titles: [] };
  for (const id of ['p1', 'p2', 'p3', 'p4', 'p5']) await insertJob(db, id, payload, 0);
  const all = (await listJobs(db, 100)).map(({ id }) => id);
  expect(all.slice(0, 5)).toEqual(['p5', 'p4', 'p3', 'p2', 'p1']);
  const first = await listJobs(db, 2);
  expect(first.map(({ id }) => id)).toEqual(all.slice(0, 2));
  expect((await listJobs(db, 100, first[1].id)).map(({ id }) => id)).toEqual(all.slice(2));
  expect(first[0]).toMatchObject({ name: 'P', output: 'png-still', titleCount: 0 });
  expect(first[0]).not.toHaveProperty('payload');
});

test('a second opening of the same folder is refused', async () => {
  await expect(openDatabase(folder)).rejects.toBeInstanceOf(FolderInUseError);
});
