import { createReadStream } from 'node:fs';
import { access, mkdir, rename } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { createInterface } from 'node:readline';
import { nanoid } from 'nanoid';
import { extract } from 'tar';
import { InputError } from '@/core/kit/inputError';
import type { Db } from '@/db/open';
import type { JsonRow, TableName } from '@/db/tables';
import { clearTables, TABLES, writeRows } from '@/db/tables';
import { completeListed } from '@/db/templates';
import { refuseWithoutRoom } from '../incoming/disk';
import { picturePath } from '../pictures/pictureFiles';
import { inWorkFolder } from './folder';
import type { BackupSource } from './makeBackup';
import { checkBackup } from './readBackup';

const ROWS_AT_ONCE = 200;

/**
 * Puts everything back as a backup has it, all or nothing: what is in the database now is replaced. Throws InputError
 * for a backup that is not whole; nothing is changed then.
 */
export async function restoreBackup(target: BackupSource, path: string): Promise<void> {
  const { db, dataFolder, mediaFolder, pictureFolder } = target;
  const { entries } = await checkBackup(path);
  await refuseWithoutRoom(dataFolder, 2 * entries.reduce((sum, { bytes }) => sum + bytes, 0));
  await inWorkFolder(dataFolder, nanoid(8), async (folder) => {
    const wanted = new Set(entries.map((entry) => entry.path));
    await extract({ file: path, cwd: folder, strict: true, filter: (name) => wanted.has(name) });
    for (const { path: entry } of entries) {
      const [part, name] = entry.split('/');
      if (part === 'tables') continue;
      const kept = part === 'videos' ? join(mediaFolder, name) : picturePath(pictureFolder, name);
      await mkdir(dirname(kept), { recursive: true });
      // Named by their content: one that is here already is the same.
      await access(kept).catch(() => rename(join(folder, entry), kept));
    }
    await db.transaction(async (tx) => {
      await clearTables(tx);
      for (const table of Object.keys(TABLES))
        // One from before there were things of a kind has none of them.
        if (wanted.has(`tables/${table}.ndjson`)) await writeTable(tx, table as TableName, folder);
    });
  });
  await completeListed(db);
}

async function writeTable(tx: Pick<Db, 'execute'>, table: TableName, folder: string): Promise<void> {
  let waiting: JsonRow[] = [];
  for await (const row of readTable(join(folder, 'tables', `${table}.ndjson`), table)) {
    waiting.push(row);
    if (waiting.length < ROWS_AT_ONCE) continue;
    await writeRows(tx, table, waiting);
    waiting = [];
  }
  await writeRows(tx, table, waiting);
}

async function* readTable(path: string, table: string): AsyncGenerator<JsonRow> {
  const lines = createInterface({ input: createReadStream(path), crlfDelay: Infinity });
  for await (const line of lines) {
    const row: unknown = JSON.parse(line);
    if (typeof row !== 'object' || row === null || !hasKey(row))
      throw InputError.of(`Backup, ${table}`, 'rows with ids', line.slice(0, 40));
    yield { ...row };
  }
}

/** Whether a row has an id, or is that of a delivered file: that has its path from the folder of delivery. */
function hasKey(row: object): boolean {
  if ('id' in row) return /^[\w-]{1,64}$/.test(String(row.id));
  return 'path' in row && /^(?!\/)(?!(?:.*\/)?\.\.(?:\/|$)).{1,2000}$/.test(String(row.path));
}
