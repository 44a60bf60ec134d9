import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@jest/globals';
import { eq } from 'drizzle-orm';
import { DEMO_PROJECT_ID, seedDemo } from '../../demo/seed';
import { newTitle } from '@/core/model/project';
import { noteEmptiedWords } from './bringOver';
import { openDatabase } from './open';
import { changeProject, findProject, forgetEmptied } from './projects';
import { facts } from './schema';

test('titles that showed sample words which nobody typed are noted once, until somebody has seen it', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'gilder-over-'));
  const { db, close } = await openDatabase(folder);
  await seedDemo(db, async () => undefined);
  const place = { startFrame: 5, lengthFrames: 50, lane: 1, editionId: 'tideline-strap-1' };
  const put = [
    { value: newTitle({ ...place, id: 'no-role', values: { name: 'Ode Pell' } }), revision: null },
    {
      value: newTitle({ ...place, id: 'empty-role', values: { name: 'Ode Pell', role: '' } }),
      revision: null,
    },
  ];
  const none = { put: [], remove: [] };
  await changeProject(db, DEMO_PROJECT_ID, {
    titles: { put, remove: [] },
    clips: none,
    cues: none,
    plan: null,
  });
  // As a folder from before is: nothing was noted in it yet.
  await db.delete(facts).where(eq(facts.id, 'samples-stay-samples'));
  await noteEmptiedWords(db);
  const emptied = async () => (await findProject(db, DEMO_PROJECT_ID))?.emptied;
  expect(await emptied()).toEqual([
    { titleId: 'no-role', fieldId: 'role', label: 'Role', words: 'Lockkeeper, Osier Reach' },
  ]);
  await forgetEmptied(db, DEMO_PROJECT_ID);
  await noteEmptiedWords(db);
  expect(await emptied()).toEqual([]);
  await close();
  rmSync(folder, { recursive: true });
}, 60_000);
