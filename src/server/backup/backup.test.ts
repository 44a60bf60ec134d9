import { execFileSync } from 'node:child_process';
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { DEMO_PROJECT_ID, seedDemo } from '../../../demo/seed';
import { faceFile } from '@/core/testing';
import { findAssets, putAsset } from '@/db/assets';
import { listFonts, putFont } from '@/db/fonts';
import { findHanded, putHanded } from '@/db/handovers';
import { insertJob } from '@/db/jobs';
import { putMedia } from '@/db/media';
import type { OpenDatabase } from '@/db/open';
import { openDatabase } from '@/db/open';
import { findProject } from '@/db/projects';
import { listTemplates, readTemplates, saveTemplate } from '@/db/templates';
import { foldersIn } from '../dataFolders';
import { keepPicture, picturePath } from '../pictures/pictureFiles';
import { backUpDaily } from './daily';
import { backupPath, listBackups } from './folder';
import type { BackupSource } from './makeBackup';
import { makeBackup } from './makeBackup';
import { checkBackup } from './readBackup';
import { restoreBackup } from './restoreBackup';

const all = mkdtempSync(join(tmpdir(), 'gilder-backup-'));
const HASH = 'ab'.repeat(32);
const VIDEO = `${'0'.repeat(24)}-webm`;
const PIXELS = Uint8Array.from({ length: 5000 }, (_, i) => (i * 7) % 256);
const FONT = faceFile({ id: 'cd'.repeat(32), byteCount: PIXELS.length });
const HANDED = { path: 'regatta/still/ilse.png', sha256: HASH, origin: 'made of this' };
let open: OpenDatabase;
let source: BackupSource;

const sourceOf = ({ db }: OpenDatabase, folder: string): BackupSource => ({ db, ...foldersIn(folder) });

beforeAll(async () => {
  const folder = join(all, 'first');
  open = await openDatabase(folder);
  source = sourceOf(open, folder);
  await seedDemo(open.db, (hash, bytes) => keepPicture(foldersIn(folder).pictureFolder, hash, bytes));
  await keepPicture(source.pictureFolder, HASH, PIXELS);
  const size = { widthPx: 8, heightPx: 6, ownWidth: 8, ownHeight: 6, byteCount: PIXELS.length };
  await putAsset(open.db, { id: 'leaf', name: 'leaf.png', mediaType: 'image/png', hash: HASH, ...size });
  cpSync('public/early.js', join(source.mediaFolder, `${'0'.repeat(24)}.webm`));
  await putMedia(open.db, { id: VIDEO, name: 'weir.webm', byteCount: 3, hash: HASH });
  await keepPicture(source.pictureFolder, FONT.id, PIXELS);
  await putFont(open.db, FONT);
  const payload = { name: 'J', output: 'png-still', format: 'wide-1080', rate: '25', titles: [] };
  await insertJob(open.db, 'j', payload, 0);
  await putHanded(open.db, HANDED);
});
afterAll(async () => {
  await open.close();
  rmSync(all, { recursive: true });
});

describe('a backup', () => {
  test('put into a fresh folder gives the same documents, pictures, fonts and videos', async () => {
    const path = backupPath(source.dataFolder, await makeBackup(source, false));
    // Another program reads the file as well, and finds what the manifest says.
    expect(execFileSync('tar', ['-tf', path]).toString()).toContain(`pictures/${HASH}`);
    const folder = join(all, 'second');
    const fresh = await openDatabase(folder);
    const target = sourceOf(fresh, folder);
    await restoreBackup(target, path);
    expect(await readTemplates(fresh.db)).toEqual(await readTemplates(open.db));
    expect(await findProject(fresh.db, DEMO_PROJECT_ID)).toEqual(await findProject(open.db, DEMO_PROJECT_ID));
    expect(await findAssets(fresh.db, ['leaf'])).toEqual(await findAssets(open.db, ['leaf']));
    expect(readFileSync(picturePath(target.pictureFolder, HASH)).equals(PIXELS)).toBe(true);
    // So that what is delivered from here takes the place of what was delivered from there.
    expect(await findHanded(fresh.db, HANDED.path)).toEqual(HANDED);
    expect(await listFonts(fresh.db)).toEqual([FONT]);
    expect(readFileSync(picturePath(target.pictureFolder, FONT.id)).equals(PIXELS)).toBe(true);
    expect(readdirSync(target.mediaFolder)).toEqual([`${'0'.repeat(24)}.webm`]);
    await fresh.close();
  });

  test('replaces what was changed since, and work goes on while it is made', async () => {
    const [first] = await listTemplates(open.db);
    const making = makeBackup(source, false, new Date('2026-11-20T10:00:00Z'));
    // Delivered after the backup, over the same file: what lies out there is not put back.
    const since = { ...HANDED, sha256: 'ef'.repeat(32) };
    const document = { ...(await readTemplates(open.db)).find(({ id }) => id === first.id)!.document };
    await saveTemplate(open.db, first.id, first.revision, { ...document, name: 'Changed while it was made' });
    const name = await making;
    await putHanded(open.db, since);
    await restoreBackup(source, backupPath(source.dataFolder, name));
    expect(await findHanded(open.db, HANDED.path)).toEqual(since);
    const back = (await listTemplates(open.db)).find(({ id }) => id === first.id);
    expect(['Changed while it was made', document.name]).toContain(back?.name);
  });

  test('does not take the place of another that was made in the same second', async () => {
    const now = new Date('2026-11-22T10:00:00Z');
    const names = [await makeBackup(source, false, now), await makeBackup(source, false, now)];
    expect(new Set(names).size).toBe(2);
    const listed = await listBackups(source.dataFolder);
    expect(listed.map(({ name }) => name)).toEqual(expect.arrayContaining(names));
    const expected = { name: names[0], madeAt: '2026-11-22T10:00:00.000Z', automatic: false };
    expect(listed).toContainEqual(expect.objectContaining(expected));
  });

  test('of which a byte is wrong, or the end is missing, is refused and changes nothing', async () => {
    const path = backupPath(
      source.dataFolder,
      await makeBackup(source, false, new Date('2026-11-21T10:00:00Z')),
    );
    const bytes = readFileSync(path);
    const at = bytes.indexOf('"name"');
    const wrong = Buffer.from(bytes);
    wrong[at + 12] ^= 1;
    const before = await readTemplates(open.db);
    for (const broken of [wrong, bytes.subarray(0, bytes.length / 2), Buffer.from('no backup')]) {
      writeFileSync(join(all, 'broken.tar'), broken);
      await expect(restoreBackup(source, join(all, 'broken.tar'))).rejects.toThrow(/Backup/);
    }
    expect(await readTemplates(open.db)).toEqual(before);
    await checkBackup(path);
  });

  test('is made once a day, and the last seven of those are kept', async () => {
    const day = (number: number): Date => new Date(Date.now() + number * 25 * 60 * 60 * 1000);
    await backUpDaily(source, day(0));
    await backUpDaily(source, new Date(day(0).getTime() + 3_600_000));
    const daily = async (): Promise<string[]> =>
      (await listBackups(source.dataFolder)).filter(({ automatic }) => automatic).map(({ name }) => name);
    expect(await daily()).toHaveLength(1);
    for (let i = 1; i < 10; i++) await backUpDaily(source, day(i));
    expect(await daily()).toHaveLength(7);
  });
});
