import { get } from 'node:http';
import { DEMO_TEMPLATES } from '../demo/templates';
import type { Template } from '@/core/model/template';
import { newTitle } from '@/core/model/project';
import { listedOf } from '@/core/resolve/listed';
import { setFact } from '@/db/facts';
import type { Db } from '@/db/open';
import { openDatabase } from '@/db/open';
import { editions, jobs, projects, templates, titles } from '@/db/schema';
import { median, report } from './measure';
import { start, withFolder } from './server';

const TEMPLATES = 1000;
const EDITIONS = 3;
const PROJECTS = 100;
const TITLES = 200;
const JOBS = 10_000;
const ROUNDS = 9;
const AT_ONCE = 200;

/** What lists cost with a large house: 1 000 templates of 3 editions, 100 projects of 200 titles, 10 000 jobs. */
export async function benchLists(): Promise<void> {
  console.log('\nLists of a large house');
  await withFolder(async (folder) => {
    const { db, close } = await openDatabase(folder);
    await fill(db);
    await setFact(db, 'demo');
    await close();
    const server = await start(folder);
    const wanted: readonly [string, string, string][] = [
      ['shelf', '/api/shelf', '≤ 100 ms, ≤ 300 kB'],
      ['bench list', '/api/templates', '≤ 100 ms'],
      ['projects', '/api/projects', '≤ 100 ms'],
      ['jobs', '/api/jobs', '≤ 100 ms, ≤ 300 kB'],
      ['desk of 200 titles', '/api/projects/p-50', '≤ 300 ms'],
      ['shelf screen', '/shelf', ''],
      ['desk screen', '/desk/p-50', ''],
      ['press screen', '/press', ''],
      ['what takes room', '/api/room', ''],
    ];
    for (const [label, path, limit] of wanted) await measure(server.url, label, path, limit);
    await server.stop();
  });
}

async function measure(url: string, label: string, path: string, limit: string): Promise<void> {
  const times: number[] = [];
  let sent = 0;
  for (let i = 0; i <= ROUNDS; i++) {
    const before = performance.now();
    sent = await bytesSent(url + path);
    // The first answer of a route loads its code.
    if (i > 0) times.push(performance.now() - before);
  }
  report(label, `${median(times).toFixed(0)} ms, ${Math.round(sent / 1000)} kB`, limit);
}

/** The bytes of an answer as they come over the wire. */
function bytesSent(url: string): Promise<number> {
  return new Promise((resolve, reject) => {
    get(url, { headers: { 'accept-encoding': 'gzip' } }, (answer) => {
      let bytes = 0;
      answer.on('data', (chunk: Buffer) => (bytes += chunk.length));
      answer.once('end', () => resolve(bytes));
    }).once('error', reject);
  });
}

async function fill(db: Db): Promise<void> {
  const documents = Array.from({ length: TEMPLATES }, (_, i): Template => {
    const document = DEMO_TEMPLATES[i % DEMO_TEMPLATES.length];
    return { ...document, name: `${document.name} ${i}`, production: `Production ${i % 20}` };
  });
  await insert(documents, (part, from) =>
    db.insert(templates).values(
      part.map((document, i) => ({
        id: `t-${from + i}`,
        name: document.name,
        kind: document.kind,
        production: document.production,
        document,
        listed: listedOf(document),
        revision: EDITIONS,
        releasedRevision: EDITIONS,
      })),
    ),
  );
  const all = documents.flatMap((document, i) =>
    Array.from({ length: EDITIONS }, (_, number) => ({
      id: `t-${i}-${number + 1}`,
      templateId: `t-${i}`,
      number: number + 1,
      document,
      listed: listedOf(document),
    })),
  );
  await insert(all, (part) => db.insert(editions).values(part));
  await db.insert(projects).values(
    Array.from({ length: PROJECTS }, (_, i) => ({
      id: `p-${i}`,
      name: `Project ${i}`,
      production: `Production ${i % 20}`,
      format: 'wide-1080',
      rate: '25',
    })),
  );
  const placed = Array.from({ length: PROJECTS * TITLES }, (_, i) => ({
    ...newTitle({
      id: `placed-${i}`,
      editionId: `t-${(i * 7) % 40}-${(i % EDITIONS) + 1}`,
      startFrame: (i % TITLES) * 200,
      lengthFrames: 150,
      lane: 0,
      values: { name: `Ilse Marrow ${i}`, role: 'Lockkeeper, Osier Reach' },
    }),
    projectId: `p-${Math.floor(i / TITLES)}`,
    revision: 1,
  }));
  await insert(placed, (part) => db.insert(titles).values(part));
  const payload = { name: 'Job', output: 'png-still', format: 'wide-1080', rate: '25' };
  const order = {
    ...payload,
    titles: [
      { titleId: 'a', fileStem: 'a', document: documents[0], values: {}, lengthFrames: 150, onlyFrame: null },
    ],
  };
  const file = {
    titleId: 'a',
    name: 'a.png',
    bytes: 5000,
    widthPx: 1920,
    heightPx: 1080,
    frames: 1,
    codec: 'png',
    framesPainted: 1,
    alphaErrorMax: 0,
  };
  const done = Array.from({ length: JOBS }, (_, i) => ({
    id: `j-${i}`,
    status: 'done' as const,
    payload: order,
    ...payload,
    titleCount: 1,
    progress: { doneFrames: 1, totalFrames: 1, paintedFrames: 1 },
    files: [file],
    createdAt: new Date(1_790_000_000_000 + i * 60_000),
  }));
  await insert(done, (part) => db.insert(jobs).values(part));
}

async function insert<T>(
  rows: readonly T[],
  put: (part: T[], from: number) => PromiseLike<unknown>,
): Promise<void> {
  for (let i = 0; i < rows.length; i += AT_ONCE) await put(rows.slice(i, i + AT_ONCE), i);
}
