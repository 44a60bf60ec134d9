import { describe, expect, test } from '@jest/globals';
import { placeCorner, tidelineStrap } from '../../../../demo/templates';
import { CLIPS, edition, messages, of, prove, speller, title } from '../../../../demo/testing/prove';
import { serverFonts } from '../../../server/fontFiles';
import { createRasterEyes } from '../../../server/rasterEyes';
import { FIRST_HOUSE } from '../../model/house';
import { newMoveUse } from '../../model/newMove';
import type { Delivery } from '../../model/plan';
import { MASTER_ID, newPlan } from '../../model/plan';
import type { Title } from '../../model/project';
import { newClip, parseTitle } from '../../model/project';
import type { Field, Layer, Template } from '../../model/template';
import { newBoxLayer } from '../../model/newLayers';
import { place, testBox, testTemplate, testText } from '../../testing';
import { RATES } from '../../time/rates';
import { applyMend } from '../mend';
import { Proofer } from '../proofer';

describe('words and times', () => {
  test('a title with nothing wrong is clear', async () => {
    expect(await messages({ titles: [title()] })).toEqual([]);
  });

  test('too short is told with what is needed, and lengthening mends it', async () => {
    const short = title(undefined, { lengthFrames: 60 });
    const [finding] = await prove({ titles: [short] });
    expect(finding.message).toMatch(/^reads in \d\.\d s, fully visible for 1\.1$/);
    const work = { titles: [short], clips: CLIPS, cues: [], plan: newPlan('wide-1080') };
    const mended = applyMend(work, finding, finding.mends[0].change, () => undefined);
    expect(await messages({ titles: mended.titles })).toEqual([]);
  });

  test('what a field does not take is told with what it takes, and can be kept as it is shown', async () => {
    const limited = (limits: Field['limits']): Template => ({
      ...tidelineStrap,
      fields: tidelineStrap.fields.map((field) => (field.id === 'role' ? { ...field, limits } : field)),
    });
    const lane = title({ name: 'Ilse', role: 'Lane 12' });
    const template = limited({ allowed: 'figures' });
    const [finding] = of(await prove({ titles: [lane], template }), 'limits');
    expect(finding).toMatchObject({
      message: 'Role is not all shown',
      detail: 'Role takes figures and signs only; of “Lane 12” it shows “ 12”.',
    });
    const work = { titles: [lane], clips: CLIPS, cues: [], plan: newPlan('wide-1080') };
    const mended = applyMend(work, finding, finding.mends[0].change, () => undefined);
    expect(of(await prove({ titles: mended.titles, template }), 'limits')).toEqual([]);
    const long = title({ name: 'Ilse', role: 'Judge\nof the boats' });
    expect(await messages({ titles: [long], template: limited({ maxLines: 1 }) })).toContain(
      'Role is not all shown',
    );
    expect(await messages({ titles: [title({ name: 'Ilse', role: 'x' })], template })).toContain(
      'Role shows nothing',
    );
    const loud = limited({ allowed: 'capitals' });
    expect(of(await prove({ titles: [lane], template: loud }), 'limits')).toEqual([]);
  });

  test('what only one delivery says is looked at there, and mended there', async () => {
    const tall = { id: 'tall', name: 'Tall', format: 'tall-1080', interlaced: false };
    const own = title(undefined, {
      perDelivery: { tall: { leftOut: false, values: { role: 'Lockeeper of boats' }, shift: null } },
    });
    const plan = { ...newPlan('wide-1080'), deliveries: [...newPlan('wide-1080').deliveries, tall] };
    const { deliveries } = plan;
    const [finding, ...others] = of(await prove({ titles: [own], deliveries }), 'spelling');
    expect(others).toEqual([]);
    expect(finding).toMatchObject({ deliveryId: 'tall', message: '“Lockeeper”, perhaps “Lockkeeper”' });
    const work = { titles: [own], clips: CLIPS, cues: [], plan };
    const [mended] = applyMend(work, finding, finding.mends[0].change, () => undefined).titles;
    expect(mended.values).toEqual(own.values);
    expect(mended.perDelivery.tall.values).toEqual({ role: 'Lockkeeper of boats' });
    expect(of(await prove({ titles: [mended], deliveries }), 'spelling')).toEqual([]);
  });

  test('a needed field that is empty, whether nobody typed or somebody typed nothing, and stand-ins', async () => {
    expect(await messages({ titles: [title({ name: ' ', role: 'Lockkeeper' })] })).toContain('Name is empty');
    expect(await messages({ titles: [title({})] })).toEqual(['Name is empty']);
    expect(await messages({ titles: [title({ name: 'T.B.C.' })] })).toContain('Name still says “T.B.C.”');
    expect(await messages({ titles: [title({ name: 'Ode' })] })).toEqual([]);
  });

  test('a doubled word, which is taken out', async () => {
    const twice = title({ name: 'Ilse', role: 'Lockkeeper of the the Upper Weirs' });
    const [finding] = await prove({ titles: [twice] });
    expect(finding.message).toBe('“the” twice');
    expect(finding.mends[0].change).toEqual({
      kind: 'words',
      fieldId: 'role',
      value: 'Lockkeeper of the Upper Weirs',
    });
  });

  test('a word that no dictionary has, and how it may be spelt; names and own words are not looked up', async () => {
    const wrong = title({ name: 'Ilze Morrow', role: 'Lockeeper of Bickerstaith' });
    const findings = of(await prove({ titles: [wrong] }), 'spelling');
    expect(findings.map(({ message }) => message)).toEqual(['“Lockeeper”, perhaps “Lockkeeper”']);
    expect(findings[0].mends[0].change).toMatchObject({ value: 'Lockkeeper of Bickerstaith' });
    expect(of(await prove({ titles: [wrong], plan: { words: ['lockeeper'] } }), 'spelling')).toEqual([]);
  });

  test('a name that is spelt two ways, the rarer of them', async () => {
    const named = (id: string, name: string): Title =>
      title({ name, role: 'Lockkeeper' }, { id, startFrame: Number(id) * 220 });
    const titles = [
      named('0', 'Ilse Merrow'),
      named('1', 'Ilse Merrow'),
      named('2', 'Ilse Merow'),
      named('3', 'Noor Halloran'),
    ];
    const findings = of(
      await prove({
        titles,
        clips: [newClip({ id: 'a', picture: '#101418', startFrame: 0, lengthFrames: 2000 })],
      }),
      'names',
    );
    expect(findings).toMatchObject([{ titleId: '2', message: 'name also spelt Merrow' }]);
    expect(findings[0].mends[0].change).toEqual({ kind: 'words', fieldId: 'name', value: 'Ilse Merrow' });
    const words = [named('0', 'Sail First'), named('1', 'Tail First')];
    expect(of(await prove({ titles: words }), 'names')).toEqual([]);
  });

  test('cuts: over one by a few frames, before one, and just after one', async () => {
    const at = (startFrame: number, lengthFrames = 200): Promise<string[]> =>
      messages({ titles: [title(undefined, { startFrame, lengthFrames })] });
    expect(await at(308)).toEqual(['over a cut by 8 f']);
    expect(await at(490)).toEqual(['starts 10 f before a cut']);
    expect(await at(503)).toEqual(['starts 3 f after a cut']);
    expect(await at(400)).toEqual([]);
    expect(await at(500)).toEqual([]);
  });

  test('running past the end, and lying where no picture is', async () => {
    const end = await prove({ titles: [title(undefined, { startFrame: 900, lengthFrames: 150 })] });
    expect(end.map(({ message }) => message)).toEqual(['past the end by 50 f']);
    expect(end[0].mends[0].change).toEqual({ kind: 'title', set: { lengthFrames: 100 } });
    expect(await messages({ titles: [title(undefined, { startFrame: 1200 })] })).toEqual([
      'no picture under it',
    ]);
  });

  test('an older edition, unless the title keeps it', async () => {
    const newer = edition(tidelineStrap, 'e2', 2);
    const more = { newest: new Map([[newer.templateId, newer]]) };
    expect(await messages({ titles: [title()], more })).toEqual(['edition 2 is out']);
    expect(await messages({ titles: [title(undefined, { keepsEdition: true })], more })).toEqual([]);
  });

  test('a check that the house has switched off is not made', async () => {
    const house = { ...FIRST_HOUSE, checks: { ...FIRST_HOUSE.checks, off: ['reading'] } };
    expect(await messages({ titles: [title(undefined, { lengthFrames: 60 })], more: { house } })).toEqual([]);
  });
});

describe('collisions', () => {
  test('in a lane, with what would mend it', async () => {
    const titles = [title(), title({ name: 'Teo', role: '' }, { id: 'u', startFrame: 200 })];
    const findings = of(await prove({ titles }), 'collisions');
    expect(findings).toMatchObject([{ titleId: 'u', message: 'meets “Ilse”' }]);
    expect(findings[0].mends.map(({ label }) => label)).toEqual([
      'Start after it, end as before',
      'Start after it',
      'Move to titles 2',
    ]);
  });

  test('of words in different lanes only where they cover one another', async () => {
    const other = (editionId: string): Title =>
      title({ place: 'Weir', name: 'Teo', role: 'Boats' }, { id: 'u', startFrame: 100, lane: 1, editionId });
    const corner = edition(placeCorner, 'corner');
    const strap = edition(tidelineStrap);
    const more = {
      editions: new Map([
        [strap.id, strap],
        [corner.id, corner],
      ]),
    };
    expect(of(await prove({ titles: [title(), other('e')] }), 'collisions')).toMatchObject([
      { message: 'covers “Ilse”' },
    ]);
    expect(of(await prove({ titles: [title(), other('corner')], more }), 'collisions')).toEqual([]);
  });
});

const field = (id: string, layerId: string): Field => ({
  ...tidelineStrap.fields[0],
  id,
  label: id,
  required: false,
  targets: [{ layerId, path: 'text' }],
});
const words = (
  layer: Partial<Extract<Layer, { kind: 'text' }>> = {},
  more: readonly Layer[] = [],
): Template =>
  testTemplate(
    [testText('name', 'Ilse', { place: place({ target: { kind: 'titleSafe' } }), ...layer }), ...more],
    { fields: [field('name', 'name')] },
  );

describe('the layout in each delivery', () => {
  const tall: Delivery = { id: 'tall', name: 'Tall', format: 'tall-1080', interlaced: false };
  const master: Delivery = { id: MASTER_ID, name: 'Master', format: 'wide-1080', interlaced: false };

  test('words that leave title safe are told for the delivery where they do', async () => {
    const template = words({ place: place({ dxU: 1100, dyU: 400 }) });
    const findings = of(
      await prove({ titles: [title({ name: 'Ilse' })], template, deliveries: [master, tall] }),
      'safe',
    );
    expect(findings).toMatchObject([{ deliveryId: 'tall', message: 'name leaves title safe' }]);
  });

  test('the house’s own area counts where the template has none', async () => {
    const house = {
      ...FIRST_HOUSE,
      areas: [{ format: 'wide-1080', left: 0.3, top: 0.05, right: 0.05, bottom: 0.05 }],
    };
    const setup = { titles: [title({ name: 'Ilse' })], template: words(), more: { house } };
    expect(of(await prove(setup), 'safe')).toMatchObject([{ message: 'name leaves title safe' }]);
  });

  test('a title that is left out of a delivery is not looked at there, and one with other words by those', async () => {
    const template = words({ place: place({ dxU: 1100, dyU: 400 }) });
    const there = (change: Partial<Title['perDelivery'][string]>): Title =>
      title(
        { name: 'Ilse' },
        { perDelivery: { tall: { leftOut: false, values: {}, shift: null, ...change } } },
      );
    expect(
      await messages({ titles: [there({ leftOut: true })], template, deliveries: [master, tall] }),
    ).toEqual([]);
    expect(
      of(
        await prove({
          titles: [there({ shift: { dxU: -800, dyU: 0 } })],
          template,
          deliveries: [master, tall],
        }),
        'safe',
      ),
    ).toEqual([]);
  });

  test('words that are cut, too wide or squeezed hard; a light squeeze and lines that the designer allows are let pass', async () => {
    const long = { name: 'Bartholomew Quillfeather-Oduya of Weirs' };
    const narrow = (whenLong: Extract<Layer, { kind: 'text' }>['whenLong']): Promise<string[]> =>
      messages({ titles: [title(long)], template: words({ maxWidthShare: 0.3, whenLong }) });
    expect(await narrow([])).toContain('name is too wide');
    expect(await narrow([{ kind: 'cut' }])).toContain('name is cut');
    expect(await narrow([{ kind: 'squeeze', minPercent: 20 }])).toContain('name is squeezed hard');
    expect(await narrow([{ kind: 'wrap', maxLines: 4 }])).toEqual([]);
    expect(await narrow([{ kind: 'shrink', minSizeU: 8 }])).toEqual([]);
    const checks = { ...FIRST_HOUSE.checks, squeezeShare: 0.15 };
    const light = {
      titles: [title(long)],
      template: words({ maxWidthShare: 0.3, whenLong: [{ kind: 'squeeze', minPercent: 20 }] }),
      more: { house: { ...FIRST_HOUSE, checks } },
    };
    expect(await messages(light)).toEqual([]);
  });

  test('small capitals and characters that no face has', async () => {
    const style = { ...testText('x', '').style, sizeU: 20 };
    expect(await messages({ titles: [title({ name: 'Ilse' })], template: words({ style }) })).toEqual([
      'name is small, 1.3 %',
    ]);
    expect(await messages({ titles: [title({ name: 'Ilse \u{13000}' })], template: words() })).toContain(
      'a character is missing',
    );
  });

  test('lines thinner than two of an interlaced frame, in letters and in boxes', async () => {
    const style = { ...testText('x', '').style, sizeU: 30, weight: 400, face: 'fraunces' };
    const hair = testBox('hair', {
      name: 'Hair line',
      place: place({ dxU: 300, dyU: 600 }),
      height: { kind: 'fixed', u: 1 },
      width: { kind: 'fixed', u: 400 },
    });
    const template = words({ style }, [hair]);
    const at = async (interlaced: boolean): Promise<string[]> =>
      of(
        await prove({ titles: [title({ name: 'Ilse' })], template, deliveries: [{ ...master, interlaced }] }),
        'thin',
      ).map(({ message }) => message);
    expect(await at(false)).toEqual([]);
    const told = await at(true);
    expect(told).toHaveLength(2);
    expect(told[0]).toMatch(/^name flickers, 1\.\d lines$/);
    expect(told[1]).toBe('Hair line flickers, 1.0 lines');

    // Thickened in its own colour, neither does; what is taken away brings it back.
    const setup = { template, deliveries: [{ ...master, interlaced: true }] };
    const plain = title({ name: 'Ilse' });
    const findings = of(await prove({ titles: [plain], ...setup }), 'thin');
    for (const { mends } of findings) expect(mends[0].label).toBe('Thicken words and lines by 1 u');
    const work = { titles: [plain], clips: CLIPS, cues: [], plan: newPlan('wide-1080') };
    // It is thicker on both sides: six tenths make a line of one unit 2.2 high.
    const edged = title({ name: 'Ilse' }, { edge: { colour: 'own', widthU: 0.6, softU: 0 } });
    const left = of(await prove({ titles: [edged], ...setup }), 'thin');
    expect(left.map(({ message }) => message)).not.toContainEqual(expect.stringMatching(/^Hair line/));
    const [thick] = applyMend(work, findings[1], findings[1].mends[0].change, () => undefined).titles;
    expect(of(await prove({ titles: [thick], ...setup }), 'thin')).toEqual([]);
  });
});

describe('contrast over the pictures', () => {
  const pale = { ...testText('x', '').style, fill: '#fff6e2' };
  const bare = words({ style: pale, look: { ...testText('x', '').look, shadows: [] } });

  test('counts for as long as the words are read: fine over dark, not where the picture turns light', async () => {
    expect(of(await prove({ titles: [title({ name: 'Ilse' })], template: bare }), 'contrast')).toEqual([]);
    const across = title({ name: 'Ilse' }, { startFrame: 400, lengthFrames: 300 });
    const [finding] = of(await prove({ titles: [across], template: bare }), 'contrast');
    expect(finding.message).toBe('contrast 1.1 : 1');
    expect(finding.detail).toContain('at 00:00:20:00');
  });

  test('a scrim as strong as it needs is offered, and with it the check passes', async () => {
    const light = title({ name: 'Ilse' }, { startFrame: 600 });
    const [finding] = of(await prove({ titles: [light], template: bare }), 'contrast');
    const work = { titles: [light], clips: CLIPS, cues: [], plan: newPlan('wide-1080') };
    const [scrimmed] = applyMend(work, finding, finding.mends[0].change, () => undefined).titles;
    expect(scrimmed.scrim).toMatchObject({ colour: '#000000' });
    expect(of(await prove({ titles: [scrimmed], template: bare }), 'contrast')).toEqual([]);
    const weaker = {
      ...scrimmed,
      scrim: { colour: '#000000', opacity: (scrimmed.scrim?.opacity ?? 0) - 0.1 },
    };
    expect(of(await prove({ titles: [weaker], template: bare }), 'contrast')).toHaveLength(1);
  });

  test.each(['Soft dark edge', 'Dark outline'])(
    'a %s sets the words off, and with it the check passes',
    async (label) => {
      const light = title({ name: 'Ilse' }, { startFrame: 600 });
      const [finding] = of(await prove({ titles: [light], template: bare }), 'contrast');
      const mend = finding.mends.find((one) => one.label === label);
      if (mend === undefined) throw new Error('It is not offered');
      const work = { titles: [light], clips: CLIPS, cues: [], plan: newPlan('wide-1080') };
      const [edged] = applyMend(work, finding, mend.change, () => undefined).titles;
      expect(of(await prove({ titles: [edged], template: bare }), 'contrast')).toEqual([]);
    },
  );

  test('an edge for the largest letters is one that can be saved', async () => {
    const huge = words({ style: { ...pale, sizeU: 2000 }, look: { ...testText('x', '').look, shadows: [] } });
    const light = title({ name: 'I' }, { startFrame: 600 });
    const [finding] = of(await prove({ titles: [light], template: huge }), 'contrast');
    const work = { titles: [light], clips: CLIPS, cues: [], plan: newPlan('wide-1080') };
    for (const { label, change } of finding.mends) {
      if (!/edge|outline/.test(label)) continue;
      const [edged] = applyMend(work, finding, change, () => undefined).titles;
      expect(parseTitle(edged)).toMatchObject({ edge: edged.edge });
    }
  });

  test('words on a panel of their own pass over anything, and no picture is looked at', async () => {
    const eyes = createRasterEyes();
    const proofer = new Proofer({ fonts: await serverFonts(), eyes, speller });
    const one = edition(tidelineStrap);
    proofer.update([title(undefined, { startFrame: 600 })], {
      projectName: '',
      rate: RATES.get('25'),
      clips: CLIPS,
      plan: newPlan('wide-1080'),
      house: FIRST_HOUSE,
      editions: new Map([[one.id, one]]),
      newest: new Map(),
    });
    while ((await proofer.step()) !== null);
    expect(eyes.looked).toBe(0);
  });
});

describe('flashing', () => {
  const flashing = (times: number): Template => {
    const keys = Array.from({ length: times * 2 + 1 }, (_, i) => ({
      moment: { from: 'start' as const, offsetSeconds: 0.5 + i * 0.08, share: 0 },
      value: i % 2 === 0 ? 0 : 100,
      way: 'stepped' as const,
      curve: [0, 0, 1, 1] as const,
    }));
    const flash = testBox('flash', {
      fill: '#ffffff',
      width: { kind: 'fixed', u: 1920 },
      height: { kind: 'fixed', u: 700 },
    });
    const motion = { ...flash.motion, tracks: [{ path: 'opacity', on: true, keys }] };
    return testTemplate([{ ...flash, motion }], { timing: { inSeconds: 2, holdSeconds: 3, outSeconds: 1 } });
  };

  test('of a title without words is not taken for that of one whose words bring a panel', async () => {
    const [flash] = flashing(5).layers;
    const words = testText('words', 'Ode Pell');
    const padding = { leftU: 800, topU: 320, rightU: 800, bottomU: 320 };
    const panel = {
      ...newBoxLayer('panel', 'panel', ['words']),
      fill: '#ffffff',
      padding,
      motion: flash.motion,
    };
    const [field] = tidelineStrap.fields;
    const template = {
      ...flashing(5),
      layers: [{ ...words, place: place({ dxU: 860, dyU: 500 }) }, panel],
      fields: [{ ...field, required: false, targets: [{ layerId: 'words', path: 'text' }] }],
    };
    const titles = ['', 'Ode Pell'].map((name, i) => ({ ...title({ [field.id]: name }), id: `t${i}` }));
    const findings = of(await prove({ titles, template }), 'flash');
    expect(findings.map(({ titleId }) => titleId)).toEqual(['t1']);
  });

  test('more than three times in a second is told; three are let pass', async () => {
    const findings = of(await prove({ titles: [title({})], template: flashing(5) }), 'flash');
    expect(findings).toMatchObject([{ message: 'flashes 5 times a second' }]);
    expect(of(await prove({ titles: [title({})], template: flashing(3) }), 'flash')).toEqual([]);
  });

  test('a panel that comes in once does not flash', async () => {
    const box = testBox('panel', {
      fill: '#ffffff',
      width: { kind: 'fixed', u: 1920 },
      height: { kind: 'fixed', u: 900 },
    });
    const template = testTemplate([{ ...box, motion: { ...box.motion, in: [newMoveUse('fade')] } }]);
    expect(of(await prove({ titles: [title({})], template }), 'flash')).toEqual([]);
  });
});
