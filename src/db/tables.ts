import { asc, gt, sql } from 'drizzle-orm';
import type { Db } from './open';
import {
  assets,
  clips,
  cues,
  editions,
  facts,
  fonts,
  handedFiles,
  house,
  jobs,
  media,
  projects,
  templates,
  titles,
} from './schema';

type AnyTable =
  | typeof assets
  | typeof clips
  | typeof editions
  | typeof facts
  | typeof fonts
  | typeof handedFiles
  | typeof house
  | typeof jobs
  | typeof media
  | typeof projects
  | typeof templates
  | typeof titles
  | typeof cues;

/** Every table whose rows a backup keeps, what others refer to first; what was rendered can be made again. */
export const TABLES = {
  facts,
  house,
  media,
  assets,
  fonts,
  templates,
  editions,
  projects,
  clips,
  titles,
  cues,
  jobs,
  handed_files: handedFiles,
} as const;

export type TableName = keyof typeof TABLES;

/** A row of a table as JSON with its columns' names. */
export type JsonRow = Readonly<Record<string, unknown>>;

const ROWS_AT_ONCE = 200;

/**
 * The rows of a table by their key, some at a time, as they are when they are read. Several tables that are read in one
 * transaction are as they were at one moment.
 */
export async function* readRows(db: Pick<Db, 'select'>, name: TableName): AsyncGenerator<JsonRow> {
  const table: AnyTable = TABLES[name];
  const key = 'id' in table ? table.id : table.path;
  let after: string | null = null;
  for (;;) {
    const rows: { id: string; row: JsonRow }[] = await db
      .select({ id: key, row: sql<JsonRow>`to_jsonb(${table}) - 'bytes'` })
      .from(table)
      .where(after === null ? undefined : gt(key, after))
      .orderBy(asc(key))
      .limit(ROWS_AT_ONCE);
    for (const { row } of rows) yield row;
    if (rows.length < ROWS_AT_ONCE) return;
    after = rows[rows.length - 1].id;
  }
}

/** Removes everything from every table, but for what lies outside: files that were delivered stay where they are. */
export async function clearTables(db: Pick<Db, 'delete'>): Promise<void> {
  for (const table of Object.values(TABLES).toReversed()) if (table !== handedFiles) await db.delete(table);
}

/** Adds rows to a table as they were read from one; what is known of delivered files is newer than what is added. */
export async function writeRows(
  db: Pick<Db, 'execute'>,
  name: TableName,
  rows: readonly JsonRow[],
): Promise<void> {
  if (rows.length === 0) return;
  const table = sql.identifier(name);
  const known = name === 'handed_files' ? sql`on conflict do nothing` : sql``;
  await db.execute(
    sql`insert into ${table} select * from jsonb_populate_recordset(null::${table}, ${JSON.stringify(rows)}::jsonb) ${known}`,
  );
}
