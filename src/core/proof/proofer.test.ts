import { designValue, isWords } from '../resolve/fieldValue';
import { beforeAll, describe, expect, test } from '@jest/globals';
import { DEMO_TEMPLATES, placeCorner, tidelineStrap } from '../../../demo/templates';
import { serverFonts } from '../../server/fontFiles';
import { createRasterEyes } from '../../server/rasterEyes';
import { FIRST_HOUSE } from '../model/house';
import { newPlan } from '../model/plan';
import type { Title } from '../model/project';
import { newClip, newTitle } from '../model/project';
import type { FontLibrary } from '../text/fontLibrary';
import { sampleCredits } from '../project/titleCredits';
import { designFrames } from '../titleTime/stretch';
import { RATES } from '../time/rates';
import type { Finding } from './finding';
import { Proofer } from './proofer';
import { NO_SPELLER } from './speller';
import type { ProofEdition, ProofSurroundings } from './titleContext';

let fonts: FontLibrary;
beforeAll(async () => {
  fonts = await serverFonts();
});

const STRAP: ProofEdition = { id: 'strap', templateId: 'strap', number: 1, document: tidelineStrap };
const CLIPS = Array.from({ length: 6 }, (_, i) =>
  newClip({ id: `c${i}`, picture: 'weir', startFrame: i * 400, lengthFrames: 400 }),
);
const AROUND: ProofSurroundings = {
  projectName: 'Regatta',
  rate: RATES.get('25'),
  clips: CLIPS,
  plan: newPlan('wide-1080'),
  house: FIRST_HOUSE,
  editions: new Map([[STRAP.id, STRAP]]),
  newest: new Map([[STRAP.templateId, STRAP]]),
};
const TITLES = Array.from({ length: 5 }, (_, i) =>
  newTitle({
    id: `t${i}`,
    editionId: 'strap',
    startFrame: 50 + i * 400,
    lengthFrames: 200,
    lane: 0,
    values: { name: `Name ${i}`, role: 'Judge' },
  }),
);

/** What is proofed, title by title, until nothing is left. */
async function steps(proofer: Proofer): Promise<string[]> {
  const seen: string[] = [];
  for (let step = await proofer.step(); step !== null; step = await proofer.step())
    seen.push([...step.keys()].join(' '));
  return seen.filter((ids) => ids !== '');
}

const changed = (index: number, change: Partial<Title>): readonly Title[] =>
  TITLES.with(index, { ...TITLES[index], ...change });

// Words on the picture itself: light ones are not seen over a light one.
const BARE_CORNER = { ...placeCorner, layers: placeCorner.layers.filter(({ id }) => id !== 'shade') };

describe('a proof that goes on', () => {
  const begin = async (): Promise<Proofer> => {
    const proofer = new Proofer({ fonts, eyes: createRasterEyes(), speller: NO_SPELLER });
    proofer.update(TITLES, AROUND);
    await steps(proofer);
    return proofer;
  };

  test('looks at every title once for its words and once for each delivery, and says how far it is', async () => {
    const proofer = new Proofer({ fonts, eyes: createRasterEyes(), speller: NO_SPELLER });
    proofer.update(TITLES, AROUND);
    expect(proofer.progress).toEqual({ done: 0, total: 10 });
    expect(await steps(proofer)).toEqual(['t0 t1 t2 t3 t4', 't0', 't1', 't2', 't3', 't4']);
    expect(proofer.progress).toEqual({ done: 10, total: 10 });
  });

  test('says at once which titles have to be looked at again, and calls none of them whole before', async () => {
    const proofer = await begin();
    expect(proofer.update(structuredClone(TITLES), AROUND)).toEqual([]);
    const edited = changed(2, { values: { name: 'Mira Stott', role: 'Judge' } });
    expect(proofer.update(edited, AROUND)).toEqual(['t2']);
    expect(proofer.isComplete('t2')).toBe(false);
    expect(proofer.isComplete('t1')).toBe(true);
    await steps(proofer);
    expect(proofer.isComplete('t2')).toBe(true);
    const other = newClip({ id: 'c1', picture: 'weir', startFrame: 400, lengthFrames: 390 });
    expect(proofer.update(edited, { ...AROUND, clips: CLIPS.with(1, other) })).toEqual(['t1']);
    expect(proofer.update(edited, { ...AROUND, projectName: 'Ferry' })).toEqual(TITLES.map(({ id }) => id));
  });

  test('tries a mend on a copy: whether it mends, what it brings about, and nothing is changed', async () => {
    const proofer = new Proofer({ fonts, eyes: createRasterEyes(), speller: NO_SPELLER });
    const short = changed(0, { lengthFrames: 60 });
    proofer.update(short, AROUND);
    const findings = new Map<string, readonly Finding[]>();
    for (let step = await proofer.step(); step !== null; step = await proofer.step())
      for (const [id, list] of step) findings.set(id, list);
    const [finding] = findings.get('t0') ?? [];
    expect(finding.check).toBe('reading');
    const set = (lengthFrames: number) => ({
      finding,
      change: { kind: 'title', set: { lengthFrames } } as const,
    });
    expect(await proofer.tryMend(set(120))).toEqual({ mends: true, causes: [] });
    expect(await proofer.tryMend(set(62))).toMatchObject({ mends: false });
    // So long that it runs into the next title, and over a cut.
    const long = await proofer.tryMend(set(410));
    expect(long?.mends).toBe(true);
    expect(long?.causes.map(({ titleId, check }) => `${titleId} ${check}`)).toContain('t1 collisions');
    expect(proofer.update(short, AROUND)).toEqual([]);
    expect(await steps(proofer)).toEqual([]);
    expect(await proofer.tryMend({ ...set(120), finding: { ...finding, titleId: 'gone' } })).toBeNull();
  });

  test('after one edit looks only at what it touches', async () => {
    const proofer = await begin();
    proofer.update(structuredClone(TITLES), AROUND);
    expect(await steps(proofer)).toEqual([]);
    proofer.update(changed(2, { values: { name: 'Mira Stott', role: 'Judge' } }), AROUND);
    expect(await steps(proofer)).toEqual(['t2', 't2']);
  });

  test('what was set aside, marked or delivered as before is not looked at again', async () => {
    const proofer = await begin();
    const { plan } = AROUND;
    const markers = [{ id: 'm', frame: 5, name: 'Go' }];
    const setAside = [{ key: 'reading t0', reason: 'Meant' }];
    // As another thread sends it: everything is a new object.
    proofer.update(TITLES, { ...AROUND, plan: structuredClone({ ...plan, markers, setAside }) });
    expect(await steps(proofer)).toEqual([]);
  });

  test('after a word was taken into the project’s own looks at words alone', async () => {
    const proofer = await begin();
    proofer.update(TITLES, { ...AROUND, plan: { ...AROUND.plan, words: ['ketch'] } });
    expect(await steps(proofer)).toEqual(['t0 t1 t2 t3 t4']);
  });

  test('what was found in a delivery is told until it is looked at again', async () => {
    const light = [newClip({ id: 'light', picture: '#f4f4f4', startFrame: 0, lengthFrames: 2400 })];
    const corner: ProofEdition = { id: 'strap', templateId: 'strap', number: 1, document: BARE_CORNER };
    const around = { ...AROUND, clips: light, editions: new Map([[corner.id, corner]]) };
    const proofer = new Proofer({ fonts, eyes: createRasterEyes(), speller: NO_SPELLER });
    const one = { ...TITLES[0], values: { place: 'Osier Reach', when: 'low water 14:20' } };
    proofer.update([one], around);
    const checksOf = (step: ReadonlyMap<string, readonly Finding[]> | null): string[] =>
      (step?.get(one.id) ?? []).map(({ check }) => check);
    await steps(proofer);
    proofer.update([{ ...one, values: { place: 'Weir' } }], around);
    expect(checksOf(await proofer.step())).toContain('contrast');
    const other = { ...around, plan: newPlan('tall-1080') };
    proofer.update([one], {
      ...other,
      plan: { ...other.plan, deliveries: [{ ...other.plan.deliveries[0], id: 'x' }] },
    });
    expect(checksOf(await proofer.step())).not.toContain('contrast');
  });

  test('what is found in one title is not taken for another that has words where it has none', async () => {
    const light = [newClip({ id: 'light', picture: '#f4f4f4', startFrame: 0, lengthFrames: 2400 })];
    const corner: ProofEdition = { id: 'strap', templateId: 'strap', number: 1, document: BARE_CORNER };
    const around = { ...AROUND, clips: light, editions: new Map([[corner.id, corner]]) };
    const proofer = new Proofer({ fonts, eyes: createRasterEyes(), speller: NO_SPELLER });
    const at = (id: string, values: Title['values']): Title => ({ ...TITLES[0], id, values });
    const found = new Map<string, readonly Finding[]>();
    proofer.update([at('none', {}), at('some', { place: 'Weir', when: 'low water' })], around);
    for (let step = await proofer.step(); step !== null; step = await proofer.step())
      for (const [id, list] of step) found.set(id, list);
    const checksOf = (id: string): string[] => (found.get(id) ?? []).map(({ check }) => check);
    expect(checksOf('none')).not.toContain('contrast');
    expect(checksOf('some')).toContain('contrast');
  });

  test('after a clip has changed looks at the titles over it and beside it', async () => {
    const proofer = await begin();
    proofer.update(TITLES, { ...AROUND, clips: CLIPS.with(3, { ...CLIPS[3], picture: 'lock-gates' }) });
    expect(await steps(proofer)).toEqual(['t3', 't3']);
  });

  test('looks first at the title that is worked on, its layout too', async () => {
    const proofer = await begin();
    const all = TITLES.map((one) => ({ ...one, values: { ...one.values, role: 'Pilot' } }));
    proofer.update(all, AROUND);
    proofer.focus('t3');
    expect((await steps(proofer)).slice(0, 3)).toEqual(['t3', 't3', 't0 t1 t2 t4']);
  });

  test('after a new edition looks only at the titles of that template', async () => {
    const proofer = await begin();
    const other = { ...STRAP, id: 'other', templateId: 'other' };
    const newest = new Map([...AROUND.newest, ['other', other]]);
    proofer.update(TITLES, { ...AROUND, newest });
    expect(await steps(proofer)).toEqual([]);
    proofer.update(TITLES, {
      ...AROUND,
      newest: new Map([['strap', { ...STRAP, id: 'strap-2', number: 2 }]]),
    });
    expect(await steps(proofer)).toHaveLength(6);
  });

  test('what is mended elsewhere is taken back from the titles that it was found in', async () => {
    const proofer = await begin();
    const meets = changed(1, { startFrame: 200 });
    const found = new Map<string, readonly Finding[]>();
    const run = async (titles: readonly Title[]): Promise<string[]> => {
      proofer.update(titles, AROUND);
      for (let step = await proofer.step(); step !== null; step = await proofer.step())
        for (const [id, list] of step) found.set(id, list);
      return (found.get('t1') ?? []).map(({ check }) => check);
    };
    expect(await run(meets)).toContain('collisions');
    expect(await run(meets.with(0, { ...meets[0], lengthFrames: 140 }))).not.toContain('collisions');
  });

  test('a title whose edition is not here is left out, and the rest goes on', async () => {
    const proofer = new Proofer({ fonts, eyes: createRasterEyes(), speller: NO_SPELLER });
    proofer.update(changed(0, { editionId: 'gone' }), AROUND);
    await steps(proofer);
    expect(proofer.progress).toEqual({ done: 10, total: 10 });
  });
});

test('every demo template is clear with words of its own, wide and tall, over a dark picture', async () => {
  const plan = newPlan('wide-1080');
  const deliveries = ['wide-1080', 'tall-1080'].map((format, i) => ({
    id: i === 0 ? 'master' : format,
    name: format,
    format,
    interlaced: false,
  }));
  const editions = DEMO_TEMPLATES.map((document): ProofEdition => ({
    id: document.name,
    templateId: document.name,
    number: 1,
    document,
  }));
  const titles = editions.map(({ id, document }, i) =>
    newTitle({
      id: `t${i}`,
      editionId: id,
      startFrame: i * 900,
      // Credits take the time that they are designed for.
      lengthFrames: sampleCredits(document) === null ? 300 : designFrames(document.timing, RATES.get('25')),
      lane: 0,
      credits: sampleCredits(document),
      values: Object.fromEntries(
        document.fields
          .filter(isWords)
          .map((field) => [field.id, field.kind === 'text' ? 'Osier' : designValue(document, field)]),
      ),
    }),
  );
  const proofer = new Proofer({
    fonts,
    eyes: createRasterEyes(),
    speller: { ...NO_SPELLER, languages: ['en'] },
  });
  proofer.update(titles, {
    ...AROUND,
    clips: [newClip({ id: 'c', picture: '#101418', startFrame: 0, lengthFrames: 20_000 })],
    plan: { ...plan, deliveries },
    editions: new Map(editions.map((one) => [one.id, one])),
    newest: new Map(),
  });
  const found = new Map<string, readonly Finding[]>();
  for (let step = await proofer.step(); step !== null; step = await proofer.step())
    for (const [id, list] of step) found.set(id, list);
  const told = [...found].flatMap(([id, list]) =>
    list.map(
      ({ message, deliveryId }) =>
        `${titles.find((one) => one.id === id)?.editionId} in ${deliveryId}: ${message}`,
    ),
  );
  expect(told).toEqual([]);
});
