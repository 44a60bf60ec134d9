import { readFile, rename, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import * as yup from 'yup';
import { writeCsv } from '@/core/formats/csv/csv';
import { checkValue } from '@/core/model/check';

/** What became of a row: nothing yet, or how it ended. */
const STATUSES = ['waiting', 'done', 'failed', 'stopped', 'refused'] as const;

const rowSchema = yup
  .object({
    line: yup.number().required(),
    template: yup.string().defined(),
    output: yup.string().defined(),
    words: yup.string().defined(),
    /** The id that its job has; empty for one that was refused. */
    job: yup.string().defined(),
    status: yup.string().required().oneOf(STATUSES),
    files: yup
      .array()
      .of(yup.object({ name: yup.string().required(), sha256: yup.string().defined() }).required())
      .required(),
    problem: yup.string().defined(),
  })
  .required();
const batchSchema = yup
  .object({ sheet: yup.string().required(), rows: yup.array().of(rowSchema).required() })
  .required();

/** A row of a sheet that was taken, and what became of it. */
export interface BatchRow {
  readonly line: number;
  readonly template: string;
  readonly output: string;
  readonly words: string;
  readonly job: string;
  readonly status: (typeof STATUSES)[number];
  readonly files: readonly { readonly name: string; readonly sha256: string }[];
  readonly problem: string;
}

/** A sheet that was taken, in a folder of its own. */
export interface Batch {
  readonly folder: string;
  /** The name of the sheet in it. */
  readonly sheet: string;
  readonly rows: readonly BatchRow[];
}

const KEPT = '.orders.json';
const REPORT = 'report.csv';

/** The batch in a folder; null where there is none, or none that can be read. */
export async function readBatch(folder: string): Promise<Batch | null> {
  try {
    const kept: unknown = JSON.parse(await readFile(join(folder, KEPT), 'utf8'));
    return { ...checkValue<Omit<Batch, 'folder'>>(batchSchema, kept, KEPT), folder };
  } catch {
    return null;
  }
}

/** Keeps a batch, and writes its report: a sheet with a row for each of its rows. */
export async function keepBatch({ folder, ...kept }: Batch): Promise<void> {
  await write(folder, KEPT, JSON.stringify(kept));
  const headers = ['Line', 'Template', 'Words', 'Output', 'Status', 'File', 'SHA-256', 'What is wrong'];
  const rows = kept.rows.flatMap(({ line, template, words, output, status, files, problem }) => {
    const all = files.length === 0 ? [{ name: '', sha256: '' }] : files;
    return all.map(({ name, sha256 }) => [
      String(line),
      template,
      words,
      output,
      status,
      name,
      sha256,
      problem.replaceAll('\n', ' '),
    ]);
  });
  await write(folder, REPORT, writeCsv(headers, rows));
}

/** In one step: who reads the report reads all of it. */
async function write(folder: string, name: string, text: string): Promise<void> {
  const partial = join(folder, `${name}.part`);
  await writeFile(partial, text);
  await rename(partial, join(folder, name));
}
