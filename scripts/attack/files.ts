import { deflateSync } from 'node:zlib';
import { strToU8, zipSync } from 'fflate';
import sharp from 'sharp';
import { tidelineStrap } from '../../demo/templates';
import { readSheet } from '../../src/core/formats/csv/csv';
import { edlToCutList } from '../../src/core/formats/edl/edl';
import { otioToCutList } from '../../src/core/formats/otio/otio';
import { writeTemplatePackage } from '../../src/core/formats/templatePackage/templatePackage';
import { InputError } from '../../src/core/kit/inputError';
import { clockOf } from '../../src/core/time/clock';
import { RATES } from '../../src/core/time/rates';
import type { Chance } from './chance';
import type { AttackedServer } from './server';

export interface FileFigures {
  readonly count: number;
  readonly taken: number;
  readonly refused: number;
  readonly slowestMs: number;
  readonly problems: readonly string[];
}

const clock = clockOf(RATES.get('29.97'), { mode: 'drop', startFrame: 107_892 });
const EDL = `TITLE: Night Ferry\r\nFCM: DROP FRAME\r\n001  AX       V     C        00:00:00;00 00:00:04;00 01:00:00;00 01:00:04;00\r\n* FROM CLIP NAME: Weir\r\n* LOC: 01:00:02;00 RED Horn\r\n`;
const time = (value: number): object => ({ OTIO_SCHEMA: 'RationalTime.1', rate: 24, value });
const OTIO = JSON.stringify({
  OTIO_SCHEMA: 'Timeline.1',
  name: 'T',
  tracks: {
    OTIO_SCHEMA: 'Stack.1',
    children: [
      {
        OTIO_SCHEMA: 'Track.1',
        kind: 'Video',
        children: [
          {
            OTIO_SCHEMA: 'Clip.2',
            name: 'A',
            source_range: { start_time: time(0), duration: time(48) },
            markers: [{ name: 'm', marked_range: { start_time: time(4), duration: time(0) } }],
          },
        ],
      },
    ],
  },
});
const CSV =
  'Start;Name;Role\r\n00:00:01:00;"Ilse ""I."" Marrow";Lockkeeper\r\n00:00:09:00;Teo Vance;Sailmaker\r\n';
const SVG = `<?xml version="1.0"?><svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 60 30"><defs><linearGradient id="g"><stop offset="0" stop-color="#c80"/></linearGradient></defs><path d="M0 0h60v30H0z" fill="url(#g)"/><text x="4" y="20">Osier</text></svg>`;
const WORDS = [
  '',
  '\0',
  '1e308',
  '-1',
  'NaN',
  '"',
  '<',
  '&a;',
  '{',
  ']',
  ':',
  ';',
  '99:99:99:99',
  '\ud800',
  ' '.repeat(50),
  '\n',
];

/** Bytes with some of them changed, left out, doubled or replaced by what readers trip over. */
function broken(bytes: Uint8Array, chance: Chance): Uint8Array {
  let changed: Buffer = Buffer.from(bytes);
  for (let i = chance.below(5) + 1; i > 0; i--) {
    const at = chance.below(changed.length);
    const length = chance.below(40);
    const [before, after] = [changed.subarray(0, at), changed.subarray(at)];
    changed = chance.pick<() => Buffer>([
      () => Buffer.concat([before, Buffer.from([chance.below(256)]), after.subarray(1)]),
      () => Buffer.concat([before, after.subarray(length)]),
      () => Buffer.concat([before, after.subarray(0, length), after]),
      () => Buffer.concat([before, Buffer.from(chance.pick(WORDS)), after.subarray(chance.below(4))]),
      () => before,
    ])();
    if (changed.length === 0) return changed;
  }
  return changed;
}

/** Reads files in this process: nothing but words may come of them, and soon. */
function readHere(name: string, text: string): unknown {
  if (name === 'csv') return readSheet(text);
  return name === 'edl' ? edlToCutList(text, clock) : otioToCutList(text, clock);
}

/** Files over all readers: lists in this process, pictures, packages and videos through a server. */
export async function attackWithFiles(
  server: AttackedServer,
  chance: Chance,
  count: number,
): Promise<FileFigures> {
  const problems: string[] = [];
  const tally = { taken: 0, refused: 0, slowestMs: 0 };
  const note = (what: string, took: number, outcome: 'taken' | 'refused' | string): void => {
    if (outcome === 'taken' || outcome === 'refused') tally[outcome]++;
    else problems.push(`${what}: ${outcome}`);
    tally.slowestMs = Math.max(tally.slowestMs, took);
    if (took > 2000) problems.push(`${what}: ${Math.round(took)} ms`);
  };
  const lists: readonly [string, string][] = [
    ['csv', CSV],
    ['edl', EDL],
    ['otio', OTIO],
  ];
  const sent = await samples();
  const here = Math.floor(count * 0.7);
  for (let i = 0; i < here; i++) {
    const [name, text] = chance.pick(lists);
    const content = Buffer.from(broken(Buffer.from(text), chance)).toString('utf8');
    const before = performance.now();
    note(
      `${name} ${JSON.stringify(content).slice(0, 200)}`,
      performance.now() - before,
      outcomeOf(() => readHere(name, content)),
    );
  }
  for (let i = here; i < count; i++) {
    const [path, name, bytes] = chance.pick(sent);
    const before = performance.now();
    const answer = await fetch(`${server.url}/api/${path}?name=${name}`, {
      method: 'POST',
      body: Buffer.from(broken(bytes, chance)),
    }).catch((error: unknown) => String(error));
    const outcome =
      typeof answer === 'string'
        ? answer
        : answer.ok
          ? 'taken'
          : answer.status < 500
            ? 'refused'
            : `${answer.status}`;
    if (typeof answer !== 'string') await answer.arrayBuffer();
    note(`${path} ${name} ${i}`, performance.now() - before, outcome);
  }
  return { count, ...tally, problems };
}

function outcomeOf(read: () => unknown): string {
  try {
    const figures = numbersIn(read());
    return figures.every(Number.isFinite) ? 'taken' : `odd figures: ${figures.slice(0, 20).join(', ')}`;
  } catch (error) {
    return error instanceof InputError ? 'refused' : String(error);
  }
}

function numbersIn(value: unknown): number[] {
  if (typeof value === 'number') return [value];
  if (typeof value !== 'object' || value === null) return [];
  return Object.values(value).flatMap(numbersIn);
}

/** Whole files of each kind that goes to a server: the route, the name and the bytes. */
async function samples(): Promise<[string, string, Uint8Array][]> {
  const create = { width: 40, height: 30, channels: 4, background: '#c8801480' } as const;
  const picture = (): ReturnType<typeof sharp> => sharp({ create });
  const png = await picture().png().toBuffer();
  const packed = writeTemplatePackage(tidelineStrap, []);
  const bomb = zipSync({ 'manifest.json': new Uint8Array(20_000_000).fill(32) });
  const spaces = zipSync({ 'manifest.json': strToU8(' '.repeat(7_000_000)) });
  return [
    ['assets', 'a.png', png],
    ['assets', 'a.png', await sharp(png).toColourspace('rgb16').png().toBuffer()],
    ['assets', 'a.jpg', await picture().jpeg().toBuffer()],
    ['assets', 'a.webp', await picture().webp().toBuffer()],
    ['assets', 'a.svg', Buffer.from(SVG)],
    ['packages', 'a.zip', packed],
    ['packages', 'a.zip', packed],
    ['packages', 'bomb.zip', bomb],
    ['packages', 'spaces.zip', spaces],
    ['media', 'a.webm', Buffer.concat([Buffer.from('1a45dfa3', 'hex'), deflateSync(Buffer.alloc(4000))])],
  ];
}
