import { mkdir, readdir, readFile, rename, rm, stat } from 'node:fs/promises';
import { basename, extname, join } from 'node:path';
import { nanoid } from 'nanoid';
import type { JobSummary } from '@/contract/jobs';
import { decodeSheet, readSheet } from '@/core/formats/csv/csv';
import { InputError } from '@/core/kit/inputError';
import { pictureNames } from '@/core/project/pictureNames';
import { listAssets } from '@/db/assets';
import { findJob } from '@/db/jobs';
import type { Db } from '@/db/open';
import { listShelf, readEditions } from '@/db/templates';
import { orderedPayload } from '../clients/orderedPayload';
import { isThere } from '../isThere';
import type { Press } from '../press/press';
import { putFile } from '../press/takeMade';
import type { Batch, BatchRow } from './batch';
import { keepBatch, readBatch } from './batch';
import type { SheetOrder } from './sheetOrders';
import { sheetOrders } from './sheetOrders';

const LOOK_EVERY_MS = 2000;
const MOST_ROWS = 2000;

interface WatchOf {
  readonly db: Db;
  readonly press: Pick<Press, 'subscribe' | 'enqueue' | 'folderOf'>;
  readonly folder: string;
}

/**
 * Watches a folder: a sheet (CSV) that is put there becomes titles and files. It is moved into a folder of its name, in
 * which a report says what becomes of each row, and to which finished files come. What was taken is taken once, also
 * when the server ends in the middle.
 */
export class WatchFolder {
  /** The sheets that were there when it looked last, with their sizes and times: one that still grows is left alone. */
  private seen = new Map<string, string>();
  private readonly batches = new Map<string, Batch>();
  private work: Promise<void> = Promise.resolve();
  private timer: NodeJS.Timeout | undefined;
  private leave: () => void = () => undefined;

  constructor(private readonly of: WatchOf) {}

  /** Takes up what was begun, and begins to look. */
  async start(): Promise<void> {
    const { folder, press } = this.of;
    await mkdir(folder, { recursive: true });
    this.leave = press.subscribe((job) => {
      if (job.endedAt !== null) this.then(() => this.take(job));
    });
    this.then(() => this.resume());
    this.timer = setInterval(() => this.look(), LOOK_EVERY_MS);
    this.timer.unref();
  }

  /** Looks for sheets now. */
  look(): void {
    this.then(() => this.takeSheets());
  }

  /** Takes what is over and was not told of, or could not be put. */
  catchUp(): void {
    const waiting = [...this.batches.values()].flatMap(({ rows }) =>
      rows.flatMap(({ job, status }) => (status === 'waiting' ? job : [])),
    );
    for (const job of waiting) this.then(() => this.takeIfOver(job));
  }

  async stop(): Promise<void> {
    clearInterval(this.timer);
    this.leave();
    await this.work;
  }

  /** One thing after the other. */
  private then(doing: () => Promise<void>): void {
    this.work = this.work.then(doing).catch((error: unknown) => {
      console.error('Watch folder:', error instanceof Error ? error.message : error);
    });
  }

  private async takeSheets(): Promise<void> {
    const { folder } = this.of;
    const now = new Map<string, string>();
    for (const entry of await readdir(folder, { withFileTypes: true })) {
      if (!entry.isFile() || extname(entry.name).toLowerCase() !== '.csv' || entry.name.startsWith('.'))
        continue;
      const { size, mtimeMs } = await stat(join(folder, entry.name));
      now.set(entry.name, `${size} ${mtimeMs}`);
    }
    const before = this.seen;
    this.seen = now;
    for (const [name, state] of now) if (before.get(name) === state) await this.takeSheet(name);
  }

  private async takeSheet(name: string): Promise<void> {
    const { folder } = this.of;
    const path = join(folder, name);
    const orders = await this.read(path);
    const rows = orders.map(({ order, ...row }): BatchRow => {
      const begun =
        order === null
          ? ({ job: '', status: 'refused' } as const)
          : { job: nanoid(12), status: 'waiting' as const };
      return { ...row, ...begun, files: [] };
    });
    const into = await freeFolder(folder, basename(name, extname(name)));
    const batch = { folder: into, sheet: name, rows };
    // The ids are kept before anything is ordered, so that nothing is ordered twice.
    await keepBatch(batch);
    await rename(path, join(into, name));
    this.batches.set(into, batch);
    await this.order(batch, orders);
  }

  /** The orders of a sheet; one that cannot be read is one row with the reason. */
  private async read(path: string): Promise<SheetOrder[]> {
    const { db } = this.of;
    try {
      const { text } = decodeSheet(await readFile(path));
      const sheet = readSheet(text);
      if (sheet.rows.length > MOST_ROWS)
        throw InputError.of('Sheet', `at most ${MOST_ROWS} rows`, sheet.rows.length);
      const shelf = await listShelf(db);
      const here = await listAssets(db);
      return sheetOrders(sheet, {
        editions: await readEditions(
          db,
          shelf.map(({ id }) => id),
        ),
        pictures: pictureNames(here.map(({ id, name }) => ({ value: id, label: name }))),
      });
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      return [{ line: 1, template: '', output: '', words: '', order: null, problem: error.message }];
    }
  }

  /** Orders what waits of a batch and was not ordered yet. */
  private async order(batch: Batch, orders: readonly SheetOrder[]): Promise<void> {
    const { db, press } = this.of;
    const byLine = new Map(orders.map((one) => [one.line, one.order]));
    const rows: BatchRow[] = [];
    for (const row of batch.rows) {
      const order = byLine.get(row.line);
      if (row.status !== 'waiting' || !order || (await findJob(db, row.job)) !== undefined) {
        rows.push(row);
        continue;
      }
      try {
        await press.enqueue(await orderedPayload(db, order), null, row.job);
        rows.push(row);
      } catch (error) {
        if (!(error instanceof InputError)) throw error;
        rows.push({ ...row, job: '', status: 'refused', problem: error.message });
      }
    }
    await this.keep({ ...batch, rows });
    // Some may be over before anybody listened for them.
    for (const { job, status } of rows) if (status === 'waiting') await this.takeIfOver(job);
  }

  private async keep(batch: Batch): Promise<void> {
    await keepBatch(batch);
    if (batch.rows.some(({ status }) => status === 'waiting')) this.batches.set(batch.folder, batch);
    else this.batches.delete(batch.folder);
  }

  private async takeIfOver(id: string): Promise<void> {
    const job = await findJob(this.of.db, id);
    if (job !== undefined && job.endedAt !== null) await this.take(job);
  }

  /** Puts the files of a job that is over into its batch, and says so in its report. */
  private async take(job: JobSummary): Promise<void> {
    const batch = [...this.batches.values()].find(({ rows }) => rows.some((row) => row.job === job.id));
    const row = batch?.rows.find((one) => one.job === job.id);
    if (batch === undefined || row === undefined || row.status !== 'waiting') return;
    const files: { name: string; sha256: string }[] = [];
    for (const file of job.files) {
      const name = `${String(row.line).padStart(4, '0')}-${file.name}`;
      await putFile(join(this.of.press.folderOf(job.id), file.name), join(batch.folder, name));
      files.push({ name, sha256: file.sha256 ?? '' });
    }
    const status = job.status === 'done' ? 'done' : job.status === 'failed' ? 'failed' : 'stopped';
    const ended: BatchRow = { ...row, files, status, problem: job.error ?? '' };
    await this.keep({ ...batch, rows: batch.rows.map((one) => (one === row ? ended : one)) });
  }

  /** Takes up the batches of which something waits. */
  private async resume(): Promise<void> {
    const { folder } = this.of;
    for (const entry of await readdir(folder, { withFileTypes: true })) {
      if (!entry.isDirectory()) continue;
      const batch = await readBatch(join(folder, entry.name));
      if (batch === null || !batch.rows.some(({ status }) => status === 'waiting')) continue;
      const sheet = join(batch.folder, batch.sheet);
      if (await isThere(sheet)) await this.order(batch, await this.read(sheet));
      // It ended before the sheet was moved: nothing was ordered, and the sheet is taken anew.
      else await rm(batch.folder, { recursive: true });
    }
  }
}

/** A new folder by a name, with a figure where there is one. */
async function freeFolder(folder: string, name: string): Promise<string> {
  for (let i = 1; ; i++) {
    const path = join(folder, i === 1 ? name : `${name}-${i}`);
    if (await isThere(path)) continue;
    await mkdir(path);
    return path;
  }
}
