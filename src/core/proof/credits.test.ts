import { describe, expect, test } from '@jest/globals';
import { creditCards, harbourRoll } from '../../../demo/creditTemplates';
import { placeChain } from '../../../demo/placeChain';
import { tidelineStrap } from '../../../demo/templates';
import { CLIPS, edition, of, prove, title } from '../../../demo/testing/prove';
import { REGATTA_CREDITS } from '../../../demo/credits';
import { textToCredits } from '../credits/creditText';
import { FIRST_HOUSE } from '../model/house';
import type { CreditRow } from '../model/credits';
import { NO_CREDITS } from '../model/credits';
import { motionOf } from '../model/newMove';
import { newPlan } from '../model/plan';
import type { Clip, Title } from '../model/project';
import { newClip } from '../model/project';
import type { CreditsLayer, Layer, Template } from '../model/template';
import { applyMend } from './mend';

const credited = (rows: readonly CreditRow[], lengthFrames: number, more: Partial<Title> = {}): Title =>
  title({}, { startFrame: 0, lengthFrames, credits: { ...NO_CREDITS, rows }, ...more });
const from = (text: string): readonly CreditRow[] => textToCredits(text).rows;
const withLayer = (template: Template, change: (layer: CreditsLayer) => CreditsLayer): Template => ({
  ...template,
  layers: template.layers.map((layer) => (layer.kind === 'credits' ? change(layer) : layer)),
});
const own = ['credit-pace', 'credit-motion', 'credit-rows', 'credit-layout'];
// What looks at every frame of a long roll takes long, and is tested elsewhere.
const house = {
  ...FIRST_HOUSE,
  checks: { ...FIRST_HOUSE.checks, off: ['flash', 'contrast', 'collisions', 'thin', 'pictures'] },
};
const surely = { more: { house } };
const found = async (one: Title, template = harbourRoll, more = {}) =>
  (await prove({ titles: [one], template, ...surely, ...more })).filter(({ check }) => own.includes(check));
const said = async (...asked: Parameters<typeof found>): Promise<string[]> =>
  (await found(...asked)).map(({ message }) => message);

describe('a roll', () => {
  test('that can be read is clear, also of title safe and time to read', async () => {
    const all = await prove({
      titles: [credited(REGATTA_CREDITS, 1950)],
      template: harbourRoll,
      clips: CLIPS,
      ...surely,
    });
    expect(all.filter(({ check }) => [...own, 'safe', 'reading', 'fit'].includes(check))).toEqual([]);
  });

  test('too fast says how long a line is seen; lengthened, it is clear', async () => {
    const fast = credited(REGATTA_CREDITS, 300);
    const [finding] = await found(fast);
    expect(finding.message).toMatch(/^a line is seen for 1\.\d s$/);
    const work = { titles: [fast], clips: CLIPS, cues: [], plan: newPlan('wide-1080') };
    const [mended] = applyMend(work, finding, finding.mends[0].change, () => undefined).titles;
    expect(await said(mended)).toEqual([]);
  });

  test('by parts of a pixel tells the judder, in fields as in frames', async () => {
    const steady = withLayer(harbourRoll, (layer) => ({
      ...layer,
      roll: { ...layer.roll, wholeLines: false },
    }));
    expect(await said(credited(REGATTA_CREDITS, 1999), steady)).toEqual(['rolls by parts of a pixel']);
    const fields = { deliveries: [{ id: 'master', name: 'Master', format: 'wide-1080', interlaced: true }] };
    expect(await said(credited(REGATTA_CREDITS, 1999), harbourRoll, fields)).toEqual([]);
  });

  test('that is through early says by how much', async () => {
    expect(await said(credited(from('# Boats\nPilot\tOde Pell'), 4000))).toEqual([
      expect.stringMatching(/^is through 1\d\d\.\d s early$/),
    ]);
  });
});

describe('rows of credits', () => {
  test('nothing typed, roles without a name, headings over headings, names that are there twice', async () => {
    expect(await said(credited([], 500))).toEqual(['no credits typed']);
    const rows: CreditRow[] = [
      { id: '1', kind: 'heading', name: 'Boats' },
      { id: '2', kind: 'heading', name: 'Crew' },
      { id: '3', kind: 'role', role: 'Pilot', name: ' ' },
      { id: '4', kind: 'role', role: 'Oars', name: 'Ode Pell' },
      { id: '5', kind: 'role', role: '', name: 'ode  pell' },
      { id: '6', kind: 'role', role: 'Sails', name: 'Ode Pell' },
      { id: '7', kind: 'heading', name: 'Channel Osier' },
    ];
    const messages = await said(credited(rows, 1000));
    expect(messages).toEqual(
      expect.arrayContaining(['nothing under “Boats”', 'nobody for “Pilot”', '“ode  pell” is there twice']),
    );
  });

  test('what the House wants said', async () => {
    const credits = { lineSeconds: 3, pictureShare: 0.05, required: ['Channel OSIER', 'The Ferry Wardens'] };
    const more = { more: { house: { ...house, credits } } };
    expect(
      await said(
        credited(from('# Thanks\nThe  ferry wardens\n\n# Boats\nPilot\tOde Pell'), 300),
        harbourRoll,
        more,
      ),
    ).toEqual(['“Channel OSIER” is missing']);
  });

  test('a name spelt otherwise than on a title is told, and written alike', async () => {
    const rows = from('Guide\tIlse Marow\nPilot\tOde Pell');
    const roll = { ...credited(rows, 300), id: 'roll', editionId: 'roll' };
    const strap = title({ name: 'Ilse Marrow', role: 'Lockkeeper' }, { startFrame: 400 });
    const again = { ...strap, id: 'again', startFrame: 700 };
    const editions = new Map(
      [edition(tidelineStrap), edition(harbourRoll, 'roll')].map((one) => [one.id, one]),
    );
    const findings = of(await prove({ titles: [roll, strap, again], more: { editions, house } }), 'names');
    const inRoll = findings.find(({ titleId }) => titleId === 'roll');
    expect(inRoll?.message).toBe('name also spelt Marrow');
    if (inRoll === undefined) throw new Error('not found');
    const work = { titles: [roll, strap], clips: CLIPS, cues: [], plan: newPlan('wide-1080') };
    const [mended] = applyMend(work, inRoll, inRoll.mends[0].change, () => undefined).titles;
    expect(mended.credits?.rows[0]).toMatchObject({ role: 'Guide', name: 'Ilse Marrow' });
  });
});

describe('cards and pictures', () => {
  test('cards that stand too short are told; lengthened, they are clear', async () => {
    const rows = REGATTA_CREDITS.slice(0, 24);
    const short = credited(rows, 200);
    const pace = (await found(short, creditCards)).find(({ check }) => check === 'credit-pace');
    expect(pace?.message).toMatch(/cards stand too short$/);
    if (pace === undefined) throw new Error('not found');
    const work = { titles: [short], clips: CLIPS, cues: [], plan: newPlan('wide-1080') };
    const [mended] = applyMend(work, pace, pace.mends[0].change, () => undefined).titles;
    expect((await found(mended, creditCards)).filter(({ check }) => check === 'credit-pace')).toEqual([]);
  });

  test('a role whose names go on over two cards, and a last card of one line', async () => {
    const many = from(`Lanterns\t${Array.from({ length: 14 }, (_, i) => `Bearer ${i}`).join('\n\t')}`);
    expect(await said(credited(many, 2000), creditCards)).toEqual(['card 2 parts a role']);
    const lone = from(`# Bearers\n${Array.from({ length: 21 }, (_, i) => `- Bearer ${i}`).join('\n')}`);
    const oneColumn = withLayer(creditCards, (layer) => ({
      ...layer,
      nameColumns: 1,
      heightShare: 0.65,
      cards: { ...layer.cards, repeatsHeading: false },
    }));
    const messages = await said(credited(lone, 4000), oneColumn);
    expect(messages.every((message) => !/ends with/.test(message))).toBe(true);
  });

  test('pictures that are too small, and beside the credits without room', async () => {
    const rows: CreditRow[] = [
      ...from('Pilot\tOde Pell'),
      { id: 'p', kind: 'pictures', assets: ['a', 'b'] },
      { id: 'b', kind: 'beside', asset: 'c', side: 'left', atSeconds: null, forSeconds: 4 },
    ];
    const small = withLayer(harbourRoll, (layer) => ({
      ...layer,
      pictureHeightU: 40,
      widthShare: 1,
      gutterAt: 0.02,
    }));
    expect(await said(credited(rows, 400), small)).toEqual(
      expect.arrayContaining(['2 pictures are small', 'no room for a picture beside']),
    );
    expect(await said(credited(rows, 400))).not.toContain('2 pictures are small');
  });
});

test('contrast is measured where the lines are when they are looked at, not where they begin', async () => {
  const seen = async (one: Title, template: Template) =>
    of(
      await prove({
        titles: [one],
        template,
        more: { house: { ...house, checks: { ...house.checks, off: ['flash'] } } },
      }),
      'contrast',
    );
  // White on an almost black ground that covers the picture; then the same without a ground, over a light picture.
  const rows = REGATTA_CREDITS.slice(0, 30);
  expect(await seen(credited(rows, 400), harbourRoll)).toEqual([]);
  const bare = { ...harbourRoll, layers: harbourRoll.layers.filter(({ kind }) => kind === 'credits') };
  const [finding] = await seen({ ...credited(rows, 400), startFrame: 550 }, bare);
  expect(finding.message).toMatch(/^contrast 1\.\d : 1$/);
  expect(await seen(credited(REGATTA_CREDITS.slice(0, 24), 1000), creditCards)).toEqual([]);
});

describe('contrast of words that go by', () => {
  const told = async (template: Template, clips: readonly Clip[], one: Title) =>
    of(await prove({ template, clips, titles: [one], only: 'contrast' }), 'contrast');
  const clip = (id: string, picture: string, startFrame: number, lengthFrames: number): Clip =>
    newClip({ id, picture, startFrame, lengthFrames });

  test('is measured at all moments of a roll: its middle lines have a ground, those before and after have none', async () => {
    // A band in the middle, so narrow that the roll lies on it as a whole at no time.
    const rows = REGATTA_CREDITS.slice(0, 3);
    const one = { ...credited(rows, 400), startFrame: 0 };
    const [roll, ground] = harbourRoll.layers;
    const band = { ...ground, height: { kind: 'fixed' as const, u: 620 }, fillOpacity: 1 } as typeof ground;
    const light = [clip('light', '#f4f4f4', 0, 1000)];
    const [finding, ...more] = await told({ ...harbourRoll, layers: [roll, band] }, light, one);
    expect(more).toEqual([]);
    expect(finding.message).toMatch(/^contrast 1\.\d : 1$/);
    expect(await told(harbourRoll, [clip('dark', '#0b1010', 0, 1000)], one)).toEqual([]);
  });

  test('of a chain is measured line by line, each over the pictures that are there with it', async () => {
    const bare = { ...placeChain, layers: placeChain.layers.filter(({ kind }) => kind === 'rows') };
    const time = { startFrame: 0, lengthFrames: 300 };
    const one = title({ places: 'Weir\nHarbour\nGate' }, time);
    // Light only while the last line is there.
    const late = [clip('dark', '#0b1010', 0, 230), clip('light', '#f4f4f4', 230, 200)];
    const [finding, ...more] = await told(bare, late, one);
    expect(more).toEqual([]);
    expect(finding.frame).toBeGreaterThanOrEqual(230);
    // Only the second line is longer than its panel, and only then it is light.
    const lines = bare.layers[0];
    const panel = {
      ...harbourRoll.layers[1],
      id: 'panel',
      place: lines.place,
      width: { kind: 'fixed' as const, u: 320 },
      height: { kind: 'fixed' as const, u: 110 },
      fillOpacity: 1,
      motion: motionOf(null, null),
    } as Layer;
    const long = title({ places: 'Weir\nOsier Harbour and all the lower quays\nGate' }, time);
    const between = (from: number, to: number): Clip[] => [
      clip('a', '#0b1010', 0, from),
      clip('b', '#f4f4f4', from, to - from),
      clip('c', '#0b1010', to, 400),
    ];
    const onPanel = { ...bare, layers: [lines, panel] };
    expect((await told(onPanel, between(120, 180), long)).length).toBe(1);
    expect(await told(onPanel, between(20, 80), long)).toEqual([]);
  });

  test('is not measured while lines of a chain roll past one another, partly off their panel', async () => {
    const light = [clip('light', '#f4f4f4', 0, 1000)];
    // Lengths at which one look or another falls on the way between two lines.
    for (const lengthFrames of [271, 283, 299, 306, 331])
      expect(
        await told(
          placeChain,
          light,
          title({ places: 'Weir\nHarbour\nGate' }, { startFrame: 0, lengthFrames }),
        ),
      ).toEqual([]);
  });

  test('counts no area that stands for a picture which is not here', async () => {
    const row: CreditRow = {
      id: 'b',
      kind: 'beside',
      asset: 'video:gone',
      side: 'right',
      atSeconds: 2,
      forSeconds: 12,
    };
    const one = { ...credited([...REGATTA_CREDITS.slice(0, 24), row], 400), startFrame: 0 };
    const narrow = withLayer(harbourRoll, (layer) => ({ ...layer, widthShare: 0.4 }));
    expect(await told(narrow, [clip('dark', '#0b1010', 0, 1000)], one)).toEqual([]);
  });
});
