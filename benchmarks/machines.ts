import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { setTimeout as sleep } from 'node:timers/promises';
import { tidelineStrap } from '../demo/templates';
import type { FileFacts } from '@/contract/jobs';
import type { OpenDatabase } from '@/db/open';
import { openServer } from '@/db/server';
import type { JobTitle } from '@/db/schema';
import type { TitleMaker } from '@/server/press/makeTitle';
import { Press } from '@/server/press/press';
import { PressMachine } from '@/server/press/pressMachine';
import { RenderPool } from '@/server/press/renderPool';
import { TitleQueue } from '@/server/press/titleQueue';
import { startPostgres } from '@/server/testing/postgres';
import { withFolder } from './server';
import { report } from './measure';
import { NO_SOURCES } from '@/server/press/sources';

const LANES = 2;
const TITLE_SECONDS = 5;
const WATCH_SECONDS = 20;

/** Takes as long as a title takes, tells of its frames, and makes nothing. */
const MAKER: TitleMaker = {
  async make({ title, onFrames, signal }) {
    const from = performance.now();
    // Not all alike, so that machines do not keep step.
    const ms = TITLE_SECONDS * 1000 * (0.5 + Math.random());
    while (performance.now() - from < ms) {
      await sleep(200, undefined, { signal });
      onFrames(5, true);
    }
    return { titleId: title.titleId, name: `${title.fileStem}.mov`, framesPainted: 25 } as FileFacts;
  },
  clear: () => Promise.resolve(),
};

/** Processor seconds that all processes of the server have used. */
function serverSeconds(): number {
  const ticks = Number(execFileSync('getconf', ['CLK_TCK']));
  const ids = execFileSync('pgrep', ['-x', 'postgres']).toString().trim().split('\n');
  return ids.reduce((sum, id) => {
    try {
      const fields = readFileSync(`/proc/${id}/stat`, 'utf8').split(') ')[1].split(' ');
      // utime and stime, proc(5).
      return sum + (Number(fields[11]) + Number(fields[12])) / ticks;
    } catch {
      return sum;
    }
  }, 0);
}

async function committed({ runSql }: OpenDatabase): Promise<number> {
  const { rows } = await runSql(
    'select xact_commit::float8 as count from pg_stat_database where datname = current_database()',
  );
  return Number(rows[0].count);
}

interface Watched {
  readonly transactions: number;
  readonly processor: number;
}

/** What the database does in a second, over a while. */
async function watch(database: OpenDatabase): Promise<Watched> {
  const before = { count: await committed(database), seconds: serverSeconds() };
  await sleep(WATCH_SECONDS * 1000);
  return {
    transactions: ((await committed(database)) - before.count) / WATCH_SECONDS,
    processor: (serverSeconds() - before.seconds) / WATCH_SECONDS,
  };
}

const show = ({ transactions, processor }: Watched): string =>
  `${transactions.toFixed(0)} a s, ${(processor * 100).toFixed(0)} % of a core`;

async function withMachines(count: number, url: string, folder: string): Promise<void> {
  const database = await openServer(url, { alone: folder });
  const sources = NO_SOURCES;
  const press = await Press.open({ database, pool: new RenderPool(0), folder, sources });
  const all = await Promise.all(
    Array.from({ length: count }, async (_, i) => {
      const own = await openServer(url);
      const queue = await TitleQueue.open(own);
      const machine = new PressMachine({ database: own, queue, maker: MAKER, name: `m${i}`, lanes: LANES });
      await machine.start();
      return { own, machine };
    }),
  );
  report(`${count} machines, nothing to do: transactions`, show(await watch(database)));
  const titles = Array.from({ length: 200 }, (_, i): JobTitle => ({
    titleId: `t${i}`,
    fileStem: `${i}`,
    document: tidelineStrap,
    values: {},
    lengthFrames: 125,
    onlyFrame: null,
  }));
  const payload = { name: 'J', output: 'mov-png', format: 'wide-1080', rate: '25', titles };
  // More than they can make while they are watched.
  const jobs = Math.ceil((count * LANES * (WATCH_SECONDS + 10)) / (TITLE_SECONDS * titles.length)) + 1;
  for (let i = 0; i < jobs; i++) await press.enqueue(payload);
  await sleep(TITLE_SECONDS * 1000);
  const done = async (): Promise<number> =>
    Number((await database.runSql('select sum(jsonb_array_length(files)) as count from jobs')).rows[0].count);
  const before = await done();
  report(
    `${count} machines of ${LANES} lanes, titles of ${TITLE_SECONDS} s: transactions`,
    show(await watch(database)),
  );
  const made = ((await done()) - before) / WATCH_SECONDS;
  report('titles a second', made.toFixed(1), ((count * LANES) / TITLE_SECONDS).toFixed(1));
  for (const { own, machine } of all) {
    await machine.stop();
    await own.close();
  }
  await press.stop();
  await database.close();
}

/** What press machines ask of their database: many of them at once, without the painting. */
export async function benchMachines(): Promise<void> {
  console.log('\nPress machines on one PostgreSQL server, on this machine');
  const postgres = await startPostgres();
  try {
    for (const count of [3, 100])
      await withFolder((folder) => withMachines(count, postgres.newDatabase(`bench${count}`), folder));
  } finally {
    postgres.stop();
  }
}
