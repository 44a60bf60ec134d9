import { existsSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { and, eq } from 'drizzle-orm';
import type * as yup from 'yup';
import { takenPictureSchema } from '@/contract/assets';
import { houseRecordSchema } from '@/contract/house';
import { pressPageSchema } from '@/contract/jobs';
import { deskProjectSchema, projectSummarySchema } from '@/contract/projects';
import { roomFactsSchema, roomListSchema } from '@/contract/room';
import { shelfEntrySchema, templateRecordSchema, templateSummarySchema } from '@/contract/templates';
import { CLOSING_ID } from '../../../demo/closing';
import { DEMO_PROJECT_ID } from '../../../demo/seed';
import { insertJob, updateJob } from '@/db/jobs';
import { usesOfThing } from '@/db/room';
import { titles } from '@/db/schema';
import { NO_CREDITS } from '@/core/model/credits';
import { findAssets } from '@/db/assets';
import { newPictureLayer } from '@/core/model/newLayers';
import { picturePath } from '../pictures/pictureFiles';
import { stopPictures } from '../pictures/preparePicture';
import { encodePng } from '../press/pictures/png';
import { ConflictError, GoneError, NotFoundError } from '../respond';
import { workshop } from '../workshop';
import { takeInPicture } from './assets';
import { getHouse } from './house';
import { getJob, getPress } from './jobs';
import { getProject, getProjects } from './projects';
import { deleteForGood, getRoom, getThings, getUses, putAway, sweepDeleted } from './room';
import { getShelf, getTemplate, getTemplates, putTemplate, startTemplate } from './templates';

let folder: string;
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'gilder-room-'));
  process.env.GILDER_DATA = folder;
  await workshop();
});
afterAll(async () => {
  const { press, close } = await workshop();
  stopPictures();
  await press.stop();
  await close();
  rmSync(folder, { recursive: true });
});

const START = { name: 'Dock line', kind: 'name-strap', production: '', format: 'wide-1080', rate: '25' };
const names = async (kind: 'template' | 'picture' | 'job' | 'project', away: boolean): Promise<string[]> =>
  (await getThings(kind, away)).things.map(({ name }) => name);

describe('a thing', () => {
  test('that is set aside is in no list but its own, is still there, and comes back', async () => {
    await putAway('template', 'place-corner', { away: 'aside' });
    expect((await getShelf()).map(({ name }) => name)).not.toContain('Place corner');
    expect((await getTemplates()).map(({ name }) => name)).not.toContain('Place corner');
    expect((await getTemplate('place-corner')).document.name).toBe('Place corner');
    // What uses it goes on with it.
    const { editions } = await getProject(DEMO_PROJECT_ID);
    expect(editions.map(({ templateId }) => templateId)).toContain('place-corner');
    expect(await names('template', true)).toEqual(['Place corner']);
    await putAway('template', 'place-corner', { away: null });
    expect((await getShelf()).map(({ name }) => name)).toContain('Place corner');
  });

  test('that is deleted says so, and can be brought back', async () => {
    await putAway('project', DEMO_PROJECT_ID, { away: 'deleted' });
    expect((await getProjects()).map(({ id }) => id)).toEqual([CLOSING_ID]);
    await expect(getProject(DEMO_PROJECT_ID)).rejects.toBeInstanceOf(GoneError);
    await putAway('project', DEMO_PROJECT_ID, { away: null });
    expect((await getProject(DEMO_PROJECT_ID)).titles).toHaveLength(10);
  });

  test('that is in use is not deleted for good, and it is said by what', async () => {
    expect(await getUses('template', 'tideline-strap')).toEqual({
      names: ['Lantern Regatta, day two'],
      count: 1,
    });
    const deleting = deleteForGood('template', 'tideline-strap');
    await expect(deleting).rejects.toBeInstanceOf(ConflictError);
    await expect(deleting).rejects.toThrow(/in use by Lantern Regatta, day two/);
    expect((await getTemplate('tideline-strap')).document.name).toBe('Tideline strap');
  });

  test('that nothing uses is deleted for good', async () => {
    const id = await startTemplate(START);
    await deleteForGood('template', id);
    await expect(getTemplate(id)).rejects.toBeInstanceOf(NotFoundError);
    await expect(deleteForGood('template', id)).rejects.toBeInstanceOf(NotFoundError);
  });
});

describe('a picture', () => {
  test('is in use while a template shows it, and goes with its file when none does', async () => {
    const { db, pictureFolder } = await workshop();
    const { id, hash } = await takeInPicture('leaf.png', encodePng(new Uint8Array(64).fill(9), 4, 4));
    const template = await startTemplate({ ...START, name: 'With a leaf' });
    const { document } = await getTemplate(template);
    const shows = { ...document, layers: [newPictureLayer('leaf', 'Leaf', id), ...document.layers] };
    await putTemplate(template, { revision: 1, document: shows });
    expect(await getUses('picture', id)).toEqual({ names: ['With a leaf'], count: 1 });
    await expect(deleteForGood('picture', id)).rejects.toThrow(/in use by With a leaf/);
    await putTemplate(template, { revision: 2, document });
    await deleteForGood('picture', id);
    expect(await findAssets(db, [id])).toEqual([]);
    expect(existsSync(picturePath(pictureFolder, hash))).toBe(false);
  });

  test.each([
    ['a field', { values: { film: 'shown' } }],
    ['a field of one delivery', { perDelivery: { tall: { values: { film: 'shown' } } } }],
    ['words kept without a field', { kept: [{ label: 'Film', value: 'shown' }] }],
    [
      'credits',
      { credits: { ...NO_CREDITS, rows: [{ id: 'r', kind: 'pictures' as const, assets: ['shown'] }] } },
    ],
  ])('or a video is in use where a title shows it in %s', async (_, change) => {
    const { db } = await workshop();
    const [{ id, name }] = await getProjects();
    const of = and(
      eq(titles.projectId, id),
      eq(titles.startFrame, (await getProject(id)).titles[0].startFrame),
    );
    const [before] = await db.select().from(titles).where(of);
    for (const [kind, picture] of [
      ['picture', 'leaf-of-a-title'],
      ['video', 'video:leaf-of-a-title'],
    ] as const) {
      expect(await usesOfThing(db, kind, 'leaf-of-a-title')).toEqual({ names: [], count: 0 });
      const shows = JSON.parse(JSON.stringify(change).replaceAll('"shown"', JSON.stringify(picture)));
      await db.update(titles).set(shows).where(of);
      expect(await usesOfThing(db, kind, 'leaf-of-a-title')).toEqual({ names: [name], count: 1 });
      await db.update(titles).set(before).where(of);
    }
  });

  test('that is brought in again while it is out of the way is in use again', async () => {
    const png = encodePng(new Uint8Array(64).fill(77), 4, 4);
    const { id } = await takeInPicture('gull.png', png);
    await putAway('picture', id, { away: 'deleted' });
    expect(await names('picture', true)).toEqual(['gull.png']);
    expect(await takeInPicture('gull.png', png)).toMatchObject({ id, isNew: false });
    expect(await names('picture', true)).toEqual([]);
  });
});

describe('after 30 days', () => {
  test('what was deleted goes for good with its files, what was set aside or is in use stays', async () => {
    const shop = await workshop();
    const payload = { name: 'Old job', output: 'png-still', format: 'wide-1080', rate: '25', titles: [] };
    await insertJob(shop.db, 'old', payload, 0);
    await updateJob(shop.db, 'old', { status: 'done' });
    mkdirSync(shop.press.folderOf('old'), { recursive: true });
    writeFileSync(join(shop.press.folderOf('old'), 'a.png'), 'x');
    const aside = await startTemplate({ ...START, name: 'Aside' });
    await putAway('job', 'old', { away: 'deleted' });
    await putAway('template', aside, { away: 'aside' });
    await putAway('template', 'tideline-strap', { away: 'deleted' });
    const days = (count: number): number => Date.now() + count * 24 * 60 * 60 * 1000;
    await sweepDeleted(shop, days(29));
    await expect(getJob('old')).rejects.toBeInstanceOf(GoneError);
    await sweepDeleted(shop, days(31));
    await expect(getJob('old')).rejects.toBeInstanceOf(NotFoundError);
    expect(existsSync(shop.press.folderOf('old'))).toBe(false);
    expect((await names('template', true)).toSorted()).toEqual(['Aside', 'Tideline strap']);
    await putAway('template', 'tideline-strap', { away: null });
  });
});

test('what takes room is counted, in use and out of the way', async () => {
  const { kinds, databaseBytes, freeBytes } = await getRoom();
  expect(kinds.map(({ kind }) => kind)).toEqual(['template', 'project', 'picture', 'video', 'job']);
  const [templates, projects] = kinds;
  expect(templates.count).toBe((await getTemplates()).length + templates.awayCount);
  expect(templates.bytes).toBeGreaterThan(templates.awayBytes);
  expect(projects).toMatchObject({ count: 2, awayCount: 0, awayBytes: 0 });
  expect(databaseBytes).toBeGreaterThan(1_000_000);
  expect(freeBytes).toBeGreaterThan(1_000_000);
});

describe('answers', () => {
  const valid = (schema: yup.Schema, value: unknown): void => {
    // As it goes over the wire: what JSON leaves out is not there.
    schema.validateSync(JSON.parse(JSON.stringify(value)), { strict: true });
  };

  test('are as they are described', async () => {
    const shelf = await getShelf();
    expect(shelf.length).toBeGreaterThan(5);
    valid(shelfEntrySchema.noUnknown(), shelf[0]);
    valid(templateSummarySchema.noUnknown(), (await getTemplates())[0]);
    valid(templateRecordSchema.noUnknown(), await getTemplate('heat-board'));
    valid(deskProjectSchema.noUnknown(), await getProject(DEMO_PROJECT_ID));
    valid(projectSummarySchema.noUnknown(), (await getProjects())[0]);
    valid(pressPageSchema.noUnknown(), await getPress());
    valid(roomFactsSchema.noUnknown(), await getRoom());
    valid(roomListSchema.noUnknown(), await getThings('template', false));
    valid(houseRecordSchema.noUnknown(), await getHouse());
    valid(takenPictureSchema.noUnknown(), await takeInPicture('a.png', encodePng(new Uint8Array(4), 1, 1)));
  });
});
