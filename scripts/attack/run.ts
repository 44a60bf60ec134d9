// npm run attack: a server under generated hostile input, kills and full folders. With --short a sample of each part.
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chanceFrom } from './chance';
import { attackWithFiles } from './files';
import { killFirstStarts, killWhileWriting } from './kills';
import { attackWithLarge } from './large';
import { attackLocks } from './locks';
import { attackParents } from './orphans';
import { attackWithRequests } from './requests';
import { end, residentBytes, start } from './server';

const SHORT = process.argv.includes('--short');
const SEED = Number(process.env.GILDER_SEED ?? 20_261_127);
const COUNTS = SHORT
  ? { requests: 800, files: 400, kills: 3, starts: 3, locks: 10, large: [60e6] }
  : { requests: 12_000, files: 5000, kills: 100, starts: 25, locks: 200, large: [190e6, 1.5e9] };

async function run(root: string): Promise<string[]> {
  const problems: string[] = [];
  const part = (name: string, figures: object, found: readonly string[]): void => {
    console.log(`${name}: ${JSON.stringify(figures)}`);
    for (const problem of found.slice(0, 20)) console.log(`  ✗ ${problem}`);
    problems.push(...found);
  };
  const folder = join(root, 'data');
  mkdirSync(folder);
  const server = await start(folder);
  // What a server has opened once stays: it is measured warm.
  await attackWithRequests(server, chanceFrom(SEED + 1), 400);
  await attackWithFiles(server, chanceFrom(SEED + 2), 100);
  const before = residentBytes(server.child.pid);
  const { problems: found, ...requests } = await attackWithRequests(
    server,
    chanceFrom(SEED),
    COUNTS.requests,
  );
  part('Requests', requests, found);
  const { problems: broken, ...files } = await attackWithFiles(server, chanceFrom(SEED), COUNTS.files);
  part('Files', files, broken);
  for (const bytes of COUNTS.large) {
    const wrong = await attackWithLarge(server, root, bytes);
    part('Large', { bytes }, wrong === null ? [] : [wrong]);
  }
  await new Promise((resolve) => setTimeout(resolve, 5000));
  const memory = residentBytes(server.child.pid) / before;
  part(
    'Memory',
    { beforeBytes: before, ratio: Number(memory.toFixed(2)) },
    memory > 1.3 && !SHORT ? [`memory grew to ${memory.toFixed(2)} of before`] : [],
  );
  if (server.child.exitCode !== null) problems.push(`The server ended: ${server.said()}`);
  await end(server, 'SIGTERM');
  const { problems: torn, ...kills } = await killWhileWriting(root, chanceFrom(SEED), COUNTS.kills);
  part('Kills while writing', kills, torn);
  const { problems: unopened, ...starts } = await killFirstStarts(root, chanceFrom(SEED), COUNTS.starts);
  part('Kills of first starts', starts, unopened);
  const { problems: shared, ...locks } = await attackLocks(root, COUNTS.locks);
  part('Locks', locks, shared);
  part('Parents', {}, await attackParents(root));
  return problems;
}

const root = mkdtempSync(join(tmpdir(), 'gilder-attack-'));
run(root)
  .then(
    (problems) => {
      console.log(problems.length === 0 ? 'Nothing gave way.' : `${problems.length} problems.`);
      process.exitCode = problems.length === 0 ? 0 : 1;
    },
    (error: unknown) => {
      console.error(error);
      process.exitCode = 1;
    },
  )
  .finally(() => rmSync(root, { recursive: true, force: true }));
