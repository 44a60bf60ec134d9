import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@jest/globals';
import { eq } from 'drizzle-orm';
import { DEMO_PROJECT_ID, seedDemo } from '../../demo/seed';
import { newTitle } from '@/core/model/project';
import { FIRST_HOUSE } from '@/core/model/house';
import { nameKnownColours, noteEmptiedWords } from './bringOver';
import { findHouse, saveHouse } from './house';
import { openDatabase } from './open';
import { changeProject, findProject, forgetEmptied } from './projects';
import { facts, templates } from './schema';
import { findTemplate, insertTemplate, readEditions, releaseTemplate } from './templates';
import { tidelineStrap } from '../../demo/templates';

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
});

test('colours of a folder from before refer to those of its House, once, and no revision counts it', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'gilder-over-'));
  const { db, close } = await openDatabase(folder);
  const gold = { id: 'own-gold', name: 'Own gold', colour: '#e3b94f' };
  const finish = { ...tidelineStrap.layers[0], kind: 'text', id: 'f', name: 'F', look: { fill: '#e3b94f' } };
  const kept = { ...FIRST_HOUSE, colours: [gold], finishes: [finish] };
  await saveHouse(db, 0, kept as unknown as typeof FIRST_HOUSE);
  await insertTemplate(db, 'strap', tidelineStrap);
  await releaseTemplate(db, 'strap', 1, 'strap-1');
  await db.delete(facts).where(eq(facts.id, 'colours-have-names'));
  const goldsIn = (document: unknown): number =>
    JSON.stringify(document).split('#e3b94f@own-gold').length - 1;
  const golds = JSON.stringify(tidelineStrap).split('#e3b94f').length - 1;
  await nameKnownColours(db);
  const record = await findTemplate(db, 'strap');
  expect(golds).toBeGreaterThan(0);
  expect(goldsIn(record?.document)).toBe(golds);
  expect(record).toMatchObject({ revision: 1, releasedRevision: 1 });
  expect((await readEditions(db, ['strap-1'])).map(({ document }) => goldsIn(document))).toEqual([golds]);
  expect(goldsIn((await findHouse(db)).document.finishes)).toBe(1);
  // What is a figure alone from then on stays one.
  await db.update(templates).set({ document: tidelineStrap });
  await nameKnownColours(db);
  expect(goldsIn((await findTemplate(db, 'strap'))?.document)).toBe(0);
  await close();
  rmSync(folder, { recursive: true });
});
