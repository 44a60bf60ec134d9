import { beforeAll, describe, expect, test } from '@jest/globals';
import { tidelineStrap } from '../../../demo/templates';
import { serverFonts } from '../../server/fontFiles';
import { createRasterEyes } from '../../server/rasterEyes';
import { cueTitle } from '../captions/cueTitle';
import { PLAIN_CAPTION, PLAIN_CAPTION_ID } from '../captions/plainCaption';
import type { Cue } from '../model/captions';
import { newCue } from '../model/captions';
import { FIRST_HOUSE } from '../model/house';
import { newPlan } from '../model/plan';
import type { Clip, Title } from '../model/project';
import { newClip, newTitle } from '../model/project';
import type { FontLibrary } from '../text/fontLibrary';
import { RATES } from '../time/rates';
import type { Finding } from './finding';
import { applyMend } from './mend';
import { Proofer } from './proofer';
import type { Speller } from './speller';
import { NO_SPELLER } from './speller';
import type { ProofEdition, ProofSurroundings } from './titleContext';

let fonts: FontLibrary;
beforeAll(async () => {
  fonts = await serverFonts();
});

const edition = (id: string, document: ProofEdition['document']): ProofEdition => ({
  id,
  templateId: id,
  number: 1,
  document,
});
const EDITIONS = [edition('strap', tidelineStrap), edition(PLAIN_CAPTION_ID, PLAIN_CAPTION)];
const CLIPS = [0, 500, 1000].map((startFrame, i) =>
  newClip({ id: `c${i}`, picture: 'weir', startFrame, lengthFrames: 500 }),
);
const track = (id: string, language: string) => ({ id, name: id, language, editionId: null });
const TRACKS = [track('en', 'en'), track('hi', 'hi')];

let count = 0;
const cue = (startFrame: number, lengthFrames: number, words: string, more: Partial<Cue> = {}): Cue =>
  newCue({ id: `q${count++}`, trackId: 'en', startFrame, lengthFrames, words, ...more });

interface Project {
  readonly cues: readonly Cue[];
  readonly titles?: readonly Title[];
  readonly clips?: readonly Clip[];
}

function surroundings({ cues, clips = CLIPS }: Project): ProofSurroundings {
  return {
    projectName: 'Regatta',
    rate: RATES.get('25'),
    clips,
    plan: { ...newPlan('wide-1080'), captions: TRACKS },
    house: FIRST_HOUSE,
    editions: new Map(EDITIONS.map((one) => [one.id, one])),
    newest: new Map(EDITIONS.map((one) => [one.templateId, one])),
    cues: new Map(cues.map((one) => [one.id, one])),
  };
}

function allTitles({ cues, titles = [] }: Project): Title[] {
  const said = cues.map((one) =>
    cueTitle(one, one.trackId === 'hi' ? TRACKS[1] : TRACKS[0], PLAIN_CAPTION, one.place === 'top'),
  );
  return [...titles, ...said].toSorted((a, b) => a.startFrame - b.startFrame);
}

async function prove(project: Project): Promise<Finding[]> {
  const proofer = new Proofer({ fonts, eyes: createRasterEyes(), speller: NO_SPELLER });
  proofer.update(allTitles(project), surroundings(project));
  const found = new Map<string, readonly Finding[]>();
  for (let step = await proofer.step(); step !== null; step = await proofer.step())
    for (const [id, list] of step) found.set(id, list);
  return [...found.values()].flat().filter(({ check }) => check !== 'spelling');
}

const told = async (...cues: readonly Cue[]): Promise<string[]> =>
  (await prove({ cues })).map(({ tone, message }) => `${tone}: ${message}`);

/** The cue after the first mend of what a check found in it. */
async function mended(cues: readonly Cue[], check: string): Promise<Cue> {
  const finding = (await prove({ cues })).find((one) => one.check === check);
  const [mend] = finding?.mends ?? [];
  if (finding === undefined || mend === undefined) throw new Error(`Nothing to mend by ${check}`);
  const work = { titles: [], clips: CLIPS, cues, plan: newPlan('wide-1080') };
  const after = applyMend(work, finding, mend.change, () => undefined).cues;
  return after.find(({ id }) => id === finding.titleId) ?? cues[0];
}

describe('captions as viewers read them', () => {
  test('one that is right has nothing to tell', async () => {
    expect(await told(cue(60, 75, 'The water came over\nthe wall at four.'))).toEqual([]);
  });

  test('pace counts characters a second, and is mended where there is room', async () => {
    const fast = [cue(60, 30, 'The water came over the wall at four.'), cue(200, 50, 'Then it rained.')];
    expect(await told(...fast)).toEqual(['stop: too fast, 30.8 a second']);
    // 37 characters at 17 a second are 2.18 s: 55 frames.
    expect((await mended(fast, 'caption-pace')).lengthFrames).toBe(55);
    const noRoom = (await prove({ cues: [fast[0], { ...fast[1], startFrame: 100 }] }))[0];
    expect(noRoom.mends).toEqual([]);
    expect(await told(cue(60, 20, 'Yes.'))).toEqual(['look: lasts 0.8\u00a0s']);
    expect(await told(cue(60, 200, 'Yes.'))).toEqual(['look: lasts 8.0\u00a0s']);
    // Exactly at the limits nothing is told.
    expect(await told(cue(60, 25, 'Seventeen letters'))).toEqual([]);
    expect(await told(cue(60, 175, 'Yes.'))).toEqual([]);
  });

  test('order: overlaps, gaps of less than two frames, and times that nobody set', async () => {
    expect(await told(cue(60, 50, 'One.'), cue(112, 50, 'Two.'))).toEqual([]);
    expect(await told(cue(60, 50, 'One.'), cue(111, 50, 'Two.'))).toEqual(['look: 1 f before the next']);
    const over = [cue(60, 50, 'One.'), cue(100, 50, 'Two.')];
    expect(await told(...over)).toEqual(['stop: over the next by 10 f']);
    expect((await mended(over, 'caption-gaps')).lengthFrames).toBe(38);
    expect(await told(cue(60, 50, 'One.', { guessed: true }))).toEqual(['stop: waits for its time']);
    // Another track is another matter.
    const both = [cue(60, 50, 'One.'), cue(60, 50, 'एक।', { trackId: 'hi' })];
    expect(await told(...both)).toEqual([]);
  });

  test('lines: how many, and of how many characters; broken by the sense', async () => {
    expect(await told(cue(60, 75, 'One\ntwo\nthree'))).toEqual(['stop: 3 lines']);
    const long = [cue(60, 120, 'The water came over the wall of the old mill at four')];
    expect(await told(...long)).toEqual(['stop: 52 characters in a line']);
    expect((await mended(long, 'caption-lines')).words).toBe(
      'The water came over the wall\nof the old mill at four',
    );
    expect(await told(cue(60, 120, 'ab cd '.repeat(7)))).toEqual([]);
  });

  test('cuts: a start or an end a few frames away from one, and not at it or before its gap', async () => {
    expect(await told(cue(500, 50, 'At it.'), cue(900, 98, 'Ends before it.'))).toEqual([]);
    const near = [cue(506, 50, 'Near.')];
    expect(await told(...near)).toEqual(['look: starts 6 f after a cut']);
    expect(await mended(near, 'caption-cuts')).toMatchObject({ startFrame: 500, lengthFrames: 56 });
    expect(await told(cue(512, 50, 'Far.'))).toEqual([]);
    expect(await told(cue(440, 67, 'Over it.'))).toEqual(['look: ends 7 f after a cut']);
  });

  test('another language that says nothing there is told, save for forced ones', async () => {
    const list = [cue(60, 50, 'One.'), cue(200, 50, 'Two.'), cue(210, 50, 'दो।', { trackId: 'hi' })];
    expect(await told(...list)).toEqual(['look: nothing in hi']);
    expect(await told(cue(60, 50, 'Sign.', { forced: true }), list[1], list[2])).toEqual([]);
  });

  test('italics that a face does not have are told', async () => {
    expect(await told(cue(60, 75, '<i>Rain</i> came.'))).toEqual([]);
    const barlow = {
      ...PLAIN_CAPTION,
      layers: PLAIN_CAPTION.layers.map((layer) =>
        layer.kind === 'text' ? { ...layer, style: { ...layer.style, face: 'fraunces' } } : layer,
      ),
    };
    const one = cue(60, 75, '<i>Rain</i> came.');
    const proofer = new Proofer({ fonts, eyes: createRasterEyes(), speller: NO_SPELLER });
    const around = {
      ...surroundings({ cues: [one] }),
      editions: new Map([[PLAIN_CAPTION_ID, edition(PLAIN_CAPTION_ID, barlow)]]),
    };
    proofer.update(allTitles({ cues: [one] }), around);
    const [step] = [...((await proofer.step()) ?? new Map()).values()];
    expect(step.map(({ message }: Finding) => message)).toContain('italics stand upright');
  });
});

describe('captions and titles', () => {
  const strap = newTitle({
    id: 'strap',
    editionId: 'strap',
    startFrame: 80,
    lengthFrames: 250,
    lane: 0,
    values: { name: 'Ilse Marrow', role: 'Lockkeeper' },
  });

  test('a caption goes above while a title stands where it would stand', async () => {
    const auto = cue(100, 75, 'The water came over\nthe wall at four.', { align: 'left' });
    expect((await prove({ cues: [auto], titles: [strap] })).map(({ message }) => message)).toEqual([]);
    const below = { ...auto, place: 'bottom' as const };
    expect((await prove({ cues: [below], titles: [strap] })).map(({ message }) => message)).toEqual([
      'covers “Ilse Marrow”',
    ]);
  });

  test('words of a script without capitals are not taken for names', async () => {
    const cues = [
      cue(60, 75, 'तीन नावें निकलीं, दो उलटी।', { trackId: 'hi' }),
      cue(200, 75, 'हम निकली हुई नावें गिनते हैं।', { trackId: 'hi' }),
    ];
    expect((await prove({ cues })).map(({ check }) => check)).not.toContain('names');
  });

  test('names of titles are spelt right in captions, and only as long as titles have them', async () => {
    const english = new Set(['opens', 'the', 'gate']);
    const speller: Speller = {
      languages: ['en'],
      correct: (word) => english.has(word.toLowerCase()),
      suggest: () => [],
    };
    const cues = [cue(400, 75, 'Marrow opens the gate.')];
    const proofer = new Proofer({ fonts, eyes: createRasterEyes(), speller });
    const spelt = async (titles: readonly Title[]): Promise<string[]> => {
      proofer.update(allTitles({ cues, titles }), surroundings({ cues, titles }));
      const found = new Map<string, readonly Finding[]>();
      for (let step = await proofer.step(); step !== null; step = await proofer.step())
        for (const [id, list] of step) found.set(id, list);
      const own = found.get(cues[0].id) ?? [];
      return own.filter(({ check }) => check === 'spelling').map(({ message }) => message);
    };
    expect(await spelt([])).toEqual(['“Marrow”?']);
    expect(await spelt([strap])).toEqual([]);
    expect(await spelt([{ ...strap, values: { ...strap.values, name: 'Teo Vance' } }])).toEqual([
      '“Marrow”?',
    ]);
  });

  test('a name spelt otherwise than on a title is told, and mended without its marks getting lost', async () => {
    const cues = [cue(400, 75, '<i>Ilse Marow</i> opens the gate.')];
    const found = await prove({ cues, titles: [strap] });
    const finding = found.find(({ check }) => check === 'names');
    expect(finding?.message).toBe('name also spelt Marrow');
    const work = { titles: [strap], clips: CLIPS, cues, plan: newPlan('wide-1080') };
    const change = finding?.mends[0].change ?? { kind: 'quiet' as const };
    const owner = { titleId: finding?.titleId ?? '', deliveryId: null };
    expect(applyMend(work, owner, change, () => undefined).cues[0].words).toBe(
      '<i>Ilse Marrow</i> opens the gate.',
    );
  });
});
