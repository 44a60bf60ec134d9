import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, afterEach, beforeAll, describe, expect, test } from '@jest/globals';
import { PNG } from 'pngjs';
import { knowOwnFaces } from '@/core/faces/faces';
import { newBoxLayer } from '@/core/model/newLayers';
import type { Layer, Template } from '@/core/model/template';
import { parseTemplate } from '@/core/model/templateSchema';
import { STARTS } from '@/core/starts';
import { forgetFonts, listFonts } from '@/db/fonts';
import type { JobPayload } from '@/db/schema';
import { deleteThings } from '@/db/room';
import { insertTemplate } from '@/db/templates';
import { stopFaces } from '../faces/openFaceFile';
import { makeFont } from '../faces/testing/makeFont';
import { withHouseFaces } from '../press/facesOf';
import { renderKey } from '../press/renderKey';
import { RenderPool } from '../press/renderPool';
import { ONLY_ATTEMPT, renderTitle } from '../press/renderTitle';
import { ConflictError, NotFoundError } from '../respond';
import { sourcesIn } from '../sourcesIn';
import { workshop } from '../workshop';
import { dropFonts, fontFile, fontUses, getFonts, putFontInUse, removeFont, takeInFonts } from './fonts';
import { getHouse, putHouse } from './house';
import { takeInPackage, templatePackage } from './packages';
import { getTemplate, putTemplate } from './templates';

const FACE = 'own-marrow-sans';
const ID = 'squares';
const marrow = (more = {}): Buffer => makeFont({ family: 'Marrow Sans', ...more });
const START = { name: 'Squares', kind: 'name-strap', production: '', format: 'wide-480', rate: '25' };
/** A template of one text in a face. */
const SET = ((): Template => {
  const begun = parseTemplate(STARTS.get('one-line').begin(START));
  const inFace = (layer: Layer): Layer =>
    layer.kind === 'text'
      ? {
          ...layer,
          style: { ...layer.style, face: FACE, sizeU: 200, tracking: 0 },
          motion: { ...layer.motion, in: [], out: [] },
        }
      : layer;
  return { ...begun, layers: begun.layers.map(inFace) };
})();

let folder: string;
let pool: RenderPool;

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'gilder-fonts-'));
  process.env.GILDER_DATA = folder;
  await workshop();
  pool = new RenderPool(1);
});

afterEach(async () => {
  const { db } = await workshop();
  await deleteThings(db, 'template', [ID]);
  await dropFonts((await listFonts(db)).map(({ id }) => id));
});

afterAll(async () => {
  stopFaces();
  knowOwnFaces([]);
  await pool.close();
  const { press, close } = await workshop();
  await press.stop();
  await close();
  rmSync(folder, { recursive: true });
});

const take = async (more = {}) => (await takeInFonts('marrow.ttf', marrow(more))).fonts[0];
const states = async () => (await getFonts()).map(({ version, inUse }) => [version, inUse]);

describe('fonts', () => {
  test('are kept once, however often they are brought in, and come back as they were', async () => {
    const first = await take();
    expect(first).toMatchObject({ isNew: true, inUse: true, instead: null });
    expect(await take()).toEqual({ ...first, isNew: false });
    expect(await states()).toEqual([['1.0', true]]);
    const answer = await fontFile(new Request('http://127.0.0.1/'), first.id);
    expect(Buffer.from(await answer.arrayBuffer()).equals(marrow())).toBe(true);
  });

  test('another version waits until it is put in use, and the one before can be gone back to', async () => {
    const first = await take();
    const second = await take({ version: '2.0', advance: 900 });
    expect(second).toMatchObject({ isNew: true, inUse: false, instead: '1.0' });
    expect(await states()).toEqual([
      ['1.0', true],
      ['2.0', false],
    ]);
    await putFontInUse(second.id);
    expect(await states()).toEqual([
      ['1.0', false],
      ['2.0', true],
    ]);
    await putFontInUse(first.id);
    expect((await getFonts()).find(({ inUse }) => inUse)?.id).toBe(first.id);
  });

  test('other weights and slopes of the family stand beside it', async () => {
    for (const more of [{}, { weight: 700, style: 'Bold' }, { italic: true, style: 'Italic' }])
      await take(more);
    expect((await getFonts()).every(({ inUse }) => inUse)).toBe(true);
  });

  test('what is set in one keeps it, with the names of what that is', async () => {
    const { db } = await workshop();
    const { id } = await take();
    await insertTemplate(db, ID, SET);
    const { document, revision } = await getHouse();
    const faces = [...document.faces, { id: 'own', name: 'Shop signs', face: FACE }];
    const saved = await putHouse({ revision, document: { ...document, faces } });
    expect(await fontUses(id)).toEqual({ names: ['Squares', 'House, Shop signs'] });
    await expect(removeFont(id)).rejects.toThrow(ConflictError);
    await expect(removeFont(id)).rejects.toThrow(
      /“Marrow Sans Regular” is in use by Squares, House, Shop signs/,
    );
    // One that is not in use sets nothing.
    const other = await take({ version: '2.0' });
    await removeFont(other.id);
    await deleteThings(db, 'template', [ID]);
    await putHouse({ revision: saved, document });
    await removeFont(id);
    expect(await getFonts()).toEqual([]);
    await expect(fontFile(new Request('http://127.0.0.1/'), id)).rejects.toThrow(NotFoundError);
  });

  test('a refused file leaves nothing', async () => {
    await expect(takeInFonts('half.ttf', marrow().subarray(0, 700))).rejects.toThrow(
      /File "half.ttf": needs a font/,
    );
    expect(await getFonts()).toEqual([]);
  });

  test('those that are there are told as soon as they are others', async () => {
    const { news } = await workshop();
    const told: string[] = [];
    const stop = news.subscribe(({ kind }) => told.push(kind));
    const { id } = await take();
    await putFontInUse(id);
    await removeFont(id);
    stop();
    expect(told).toEqual(['fonts', 'fonts', 'fonts']);
  });
});

describe('a template in a font of the House', () => {
  test('is saved, and laid out with it', async () => {
    const { db } = await workshop();
    await take();
    await insertTemplate(db, ID, SET);
    expect(await putTemplate(ID, { revision: 1, document: SET })).toBe(2);
  });

  test('that comes from another House says what its colours are here', async () => {
    const { db } = await workshop();
    const panel = (id: string, fill: string) => ({ ...newBoxLayer(id, id, []), fill });
    const layers = [
      panel('a', '#112233@elsewhere'),
      panel('b', '#445566@lamp-gold'),
      panel('c', '#10303c@deep-water'),
    ];
    await insertTemplate(db, ID, { ...SET, layers, fields: [] });
    const file = join(folder, 'colours.zip');
    writeFileSync(file, Buffer.from(await (await templatePackage(ID)).arrayBuffer()));
    const opened = await takeInPackage('colours.zip', { path: file });
    expect(opened.notes).toEqual([
      'In one place its colours have names that this House does not know; they keep their figures.',
      '“Lamp gold” has another figure in it than in this House, and keeps it.',
    ]);
    const { document } = await getTemplate(opened.id);
    expect(document.layers).toMatchObject([
      { fill: '#112233' },
      { fill: '#445566@lamp-gold' },
      { fill: '#10303c@deep-water' },
    ]);
    await deleteThings(db, 'template', [opened.id]);
  });

  test('takes it along where it goes, and has it there', async () => {
    const { db } = await workshop();
    const { id } = await take();
    await insertTemplate(db, ID, SET);
    const file = join(folder, 'squares.zip');
    writeFileSync(file, Buffer.from(await (await templatePackage(ID)).arrayBuffer()));
    // Another program finds the font in it, whole.
    const inside = execFileSync('unzip', ['-p', file, 'fonts/1.ttf']);
    expect(inside.equals(marrow())).toBe(true);
    // Elsewhere, where nobody has it.
    await forgetFonts(db, [id]);
    const opened = await takeInPackage('squares.zip', { path: file });
    expect(opened.missingFaces).toEqual([]);
    expect(opened.notes).toEqual(['The font “Marrow Sans Regular” came with it.']);
    expect((await getFonts()).map((font) => font.id)).toEqual([id]);
    expect((await getTemplate(opened.id)).document.layers).toEqual(SET.layers);
    await deleteThings(db, 'template', [opened.id]);
  });

  test('goes without one that may not travel, and says what is missing where it is opened', async () => {
    const { db } = await workshop();
    const { id } = await take({ fsType: 0x2 });
    await insertTemplate(db, ID, SET);
    const file = join(folder, 'without.zip');
    writeFileSync(file, Buffer.from(await (await templatePackage(ID)).arrayBuffer()));
    expect(execFileSync('unzip', ['-l', file]).toString()).not.toContain('fonts/');
    await forgetFonts(db, [id]);
    const opened = await takeInPackage('without.zip', { path: file });
    expect(opened.missingFaces).toEqual([FACE]);
    await deleteThings(db, 'template', [opened.id]);
  });

  test('brings another version beside the one in use, and says so', async () => {
    const { db } = await workshop();
    const { id } = await take({ version: '2.0' });
    await insertTemplate(db, ID, SET);
    const file = join(folder, 'later.zip');
    writeFileSync(file, Buffer.from(await (await templatePackage(ID)).arrayBuffer()));
    await forgetFonts(db, [id]);
    await take({ version: '1.0' });
    const opened = await takeInPackage('later.zip', { path: file });
    expect(opened.notes).toEqual([
      'It brings another “Marrow Sans Regular” than the one in use, version 1.0. House, Fonts has both.',
    ]);
    expect(await states()).toEqual([
      ['1.0', true],
      ['2.0', false],
    ]);
    await deleteThings(db, 'template', [opened.id]);
  });
});

describe('the press', () => {
  const order = (): JobPayload => ({
    name: 'x',
    output: 'png-still',
    format: 'wide-480',
    rate: '25',
    titles: [
      {
        titleId: 't',
        fileStem: 't',
        document: SET,
        values: { [SET.fields[0].id]: 'MMMM' },
        lengthFrames: 50,
        onlyFrame: 25,
      },
    ],
  });

  /** The lengths of ink and of gaps in a rendered picture, along the row where its letters stand. */
  const runsOf = async (payload: JobPayload): Promise<number[]> => {
    const shop = await workshop();
    const { name } = await renderTitle({
      payload,
      title: payload.titles[0],
      folder,
      pool,
      sources: sourcesIn(shop.db, shop),
      attempt: ONLY_ATTEMPT,
      signal: new AbortController().signal,
      onFrames: () => undefined,
    });
    const { width, height, data } = PNG.sync.read(readFileSync(join(folder, name)));
    const row = Array.from({ length: height }, (_, y) => y).find((y) =>
      Array.from({ length: width }, (_, x) => data[(y * width + x) * 4 + 3]).some((alpha) => alpha === 255),
    );
    const runs: number[] = [];
    let [before, length] = [false, 0];
    for (let x = 0; x < width; x++) {
      const ink = data[(((row ?? 0) + 4) * width + x) * 4 + 3] > 127;
      if (ink !== before) runs.push(length);
      length = ink === before ? length + 1 : 1;
      before = ink;
    }
    return runs.slice(1);
  };

  test('sets words in it: squares of half an em, as far apart as the font says', async () => {
    const { db } = await workshop();
    await take({ advance: 900 });
    const [first, gap, ...rest] = await runsOf(await withHouseFaces(db, order()));
    expect(rest).toHaveLength(5);
    expect(gap / first).toBeCloseTo(0.8, 1);
  });

  test('keeps to the version that was ordered, and makes the file anew for another', async () => {
    const { db } = await workshop();
    const first = await take({ advance: 900 });
    const ordered = await withHouseFaces(db, order());
    const later = await take({ version: '2.0', advance: 600 });
    await putFontInUse(later.id);
    const anew = await withHouseFaces(db, order());
    expect(renderKey(anew, anew.titles[0])).not.toBe(renderKey(ordered, ordered.titles[0]));
    const [[square, gap], [, closer]] = [await runsOf(ordered), await runsOf(anew)];
    expect(gap / square).toBeCloseTo(0.8, 1);
    expect(closer / square).toBeCloseTo(0.2, 1);
    await removeFont(first.id);
    await expect(runsOf(ordered)).rejects.toThrow(/The font “Marrow Sans” is no longer here/);
  });

  test('takes letters that a font lacks from the one that the House names for their script', async () => {
    const { db } = await workshop();
    const shipped = (layer: Layer): Layer =>
      layer.kind === 'text' ? { ...layer, style: { ...layer.style, face: 'barlow-condensed' } } : layer;
    const [title] = order().titles;
    const document = { ...SET, layers: SET.layers.map(shipped) };
    const lacking = {
      ...order(),
      titles: [{ ...title, document, values: { [SET.fields[0].id]: 'กกกก' } }],
    };
    await take({ advance: 900, letters: 'กM' });
    const usual = await withHouseFaces(db, lacking);
    expect(usual).toEqual(lacking);
    const { document: house, revision } = await getHouse();
    const named = [
      { script: 'Thai', faces: [FACE] },
      { script: 'Taml', faces: [FACE] },
    ];
    await putHouse({ document: { ...house, fallbacks: named }, revision });
    const ordered = await withHouseFaces(db, lacking);
    // What is written in no letter of it counts for nothing.
    expect(ordered.fallbacks).toEqual([named[0]]);
    expect(renderKey(ordered, ordered.titles[0])).not.toBe(renderKey(usual, usual.titles[0]));
    const [first, gap, ...rest] = await runsOf(ordered);
    expect(rest).toHaveLength(5);
    expect(gap / first).toBeCloseTo(0.8, 1);
    await expect(removeFont((await getFonts())[0].id)).rejects.toThrow(/in use by House, fallback for Thai/);
    const now = await getHouse();
    await putHouse({ document: { ...now.document, fallbacks: undefined }, revision: now.revision });
    // The order keeps what it was ordered with; the next one is as before.
    expect(await runsOf(ordered)).toEqual([first, gap, ...rest]);
    expect(await withHouseFaces(db, lacking)).toEqual(lacking);
    expect(await runsOf(lacking)).not.toEqual([first, gap, ...rest]);
  });

  test('a title in shipped fonts alone has the key that it had', async () => {
    const { db } = await workshop();
    const plain = {
      ...order(),
      titles: [{ ...order().titles[0], document: parseTemplate(STARTS.get('one-line').begin(START)) }],
    };
    const key = renderKey(plain, plain.titles[0]);
    await take();
    const later = await withHouseFaces(db, plain);
    expect(later).toEqual(plain);
    expect(renderKey(later, later.titles[0])).toBe(key);
  });
});
