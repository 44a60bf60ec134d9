import { describe, expect, test } from '@jest/globals';
import { DEMO_TEMPLATES, tidelineStrap } from '../../../demo/templates';
import { testTemplate, testText } from '../testing';
import type { House } from './house';
import { captionRules, creditRules, FIRST_HOUSE } from './house';
import { motionOf, newMoveUse } from './newMove';
import { newBoxLayer } from './newLayers';
import {
  colourUses,
  faceUses,
  finishUses,
  followHouse,
  houseChanges,
  isBehind,
  moveUses,
  nameColours,
  nameColoursIn,
  unnamedColours,
  withFigure,
  withoutUnknownColours,
} from './houseChanges';
import { parseTemplate } from './templateSchema';

const GOLD = '#e3b94f';
const recoloured: House = {
  ...FIRST_HOUSE,
  colours: FIRST_HOUSE.colours.map((one) => (one.colour === GOLD ? { ...one, colour: '#aa3311' } : one)),
};

describe('changes of the house', () => {
  test('name the colours and faces that have another value, and the parts that differ', () => {
    expect(houseChanges(FIRST_HOUSE, FIRST_HOUSE)).toEqual([]);
    expect(houseChanges(FIRST_HOUSE, recoloured)).toEqual([
      { kind: 'colour', id: 'lamp-gold', name: 'Lamp gold', from: GOLD, to: '#aa3311' },
    ]);
    const refaced = { ...FIRST_HOUSE, faces: FIRST_HOUSE.faces.map((one) => ({ ...one, face: 'fraunces' })) };
    expect(houseChanges(FIRST_HOUSE, refaced).map(({ kind }) => kind)).toEqual(['face', 'face']);
    const rules = {
      ...FIRST_HOUSE,
      reading: { ...FIRST_HOUSE.reading, leastSeconds: 3 },
      areas: [{ format: 'wide-1080', left: 0.1, top: 0.1, right: 0.1, bottom: 0.1 }],
      colours: FIRST_HOUSE.colours.slice(1),
    };
    expect(houseChanges(FIRST_HOUSE, rules)).toEqual([
      { kind: 'gone', id: 'deep-water', name: 'Deep water' },
      { kind: 'reading' },
      { kind: 'areas' },
      { kind: 'names' },
    ]);
  });

  test('is told for every part that can be otherwise', () => {
    const otherwise: House = {
      ...FIRST_HOUSE,
      language: 'tr',
      filesDays: 7,
      timing: { ...FIRST_HOUSE.timing, fadeInSeconds: 9 },
      checks: { ...FIRST_HOUSE.checks, off: ['spelling'] },
      captions: { ...captionRules(FIRST_HOUSE), mostLines: 1 },
      credits: { ...creditRules(FIRST_HOUSE), lineSeconds: 9 },
    };
    const kinds = houseChanges(FIRST_HOUSE, otherwise).map(({ kind }) => kind);
    expect(kinds.sort()).toEqual(['captions', 'checks', 'credits', 'filesDays', 'language', 'timing']);
  });

  test('are told of entries that stay but are otherwise than before', () => {
    const move = { id: 'drop', name: 'Lantern drop', motion: motionOf([newMoveUse('bounce')], 'mirror') };
    const kept = (entry: House['moves'][number]): House => ({ ...FIRST_HOUSE, moves: [entry] });
    const told = (entry: House['moves'][number]) => houseChanges(kept(move), kept(entry));
    expect(told(move)).toEqual([]);
    for (const more of [{ name: 'Drop' }, { folder: 'Straps' }, { tags: ['river'] }])
      expect(told({ ...move, ...more })).toEqual([{ kind: 'names' }]);
  });

  test('go into every place that refers to the colour, and nowhere else', () => {
    const changes = houseChanges(FIRST_HOUSE, recoloured);
    for (const plain of DEMO_TEMPLATES) {
      expect(followHouse(plain, changes)).toBe(plain);
      const template = nameColours(plain, FIRST_HOUSE.colours);
      const next = followHouse(template, changes);
      const uses = colourUses(template, 'lamp-gold');
      expect(colourUses(next, 'lamp-gold')).toBe(uses);
      expect(JSON.stringify(next).split('#aa3311@lamp-gold')).toHaveLength(uses + 1);
      if (uses === 0) expect(next).toBe(template);
      else expect(parseTemplate(next)).toEqual(next);
      expect(followHouse(next, houseChanges(recoloured, FIRST_HOUSE))).toEqual(template);
    }
    const named = DEMO_TEMPLATES.map((one) => nameColours(one, FIRST_HOUSE.colours));
    expect(named.some((template) => colourUses(template, 'lamp-gold') > 0)).toBe(true);
  });

  test('follow where an earlier change was not taken', () => {
    const box = newBoxLayer('panel', 'Panel', []);
    const behind = testTemplate([{ ...box, fill: '#000000@lamp-gold' }]);
    expect(FIRST_HOUSE.colours.filter((one) => isBehind(behind, one)).map(({ id }) => id)).toEqual([
      'lamp-gold',
    ]);
    const [panel] = followHouse(behind, houseChanges(FIRST_HOUSE, recoloured)).layers;
    expect(panel).toMatchObject({ fill: '#aa3311@lamp-gold' });
  });

  test('of a new colour: places with its figure and no name can take it, those of another colour never', () => {
    const twin = { id: 'twin', name: 'Twin', colour: '#10303c' };
    const changes = houseChanges(FIRST_HOUSE, { ...FIRST_HOUSE, colours: [...FIRST_HOUSE.colours, twin] });
    expect(changes).toContainEqual({ kind: 'named', id: 'twin', name: 'Twin', figure: '#10303c' });
    const box = newBoxLayer('panel', 'Panel', []);
    const both = testTemplate([
      { ...box, fill: '#10303c' },
      { ...box, id: 'other', fill: '#10303c@deep-water' },
    ]);
    expect(unnamedColours(both).get('#10303c')).toBe(1);
    const next = followHouse(both, changes);
    expect(next.layers.map((layer) => layer.kind === 'box' && layer.fill)).toEqual([
      '#10303c@twin',
      '#10303c@deep-water',
    ]);
    const darker: House = { ...FIRST_HOUSE, colours: [{ ...twin, id: 'deep-water', colour: '#001122' }] };
    expect(colourUses(followHouse(next, houseChanges(FIRST_HOUSE, darker)), 'twin')).toBe(1);
  });

  test('of a colour that is gone leave its figure alone', () => {
    const box = newBoxLayer('panel', 'Panel', []);
    const template = testTemplate([
      { ...box, fill: '#10303c@deep-water' },
      { ...box, id: 'edge', fill: '#e3b94f@lamp-gold' },
    ]);
    const fewer = { ...FIRST_HOUSE, colours: FIRST_HOUSE.colours.slice(1) };
    const fills = (one: typeof template) => one.layers.map((layer) => layer.kind === 'box' && layer.fill);
    expect(fills(followHouse(template, houseChanges(FIRST_HOUSE, fewer)))).toEqual([
      '#10303c',
      '#e3b94f@lamp-gold',
    ]);
    const { template: own, places } = withoutUnknownColours(template, fewer.colours);
    expect([fills(own), places]).toEqual([['#10303c', '#e3b94f@lamp-gold'], 1]);
    expect(withoutUnknownColours(template, FIRST_HOUSE.colours).template).toBe(template);
  });

  test('never touch words that somebody typed, nor the backdrop', () => {
    const template = { ...testTemplate([testText('name', GOLD)]), backdrop: GOLD };
    const named = nameColours(template, [{ id: 'gold', name: 'Gold', colour: GOLD }]);
    expect(named).toBe(template);
  });

  test('a face goes into all that is set in it', () => {
    const from = tidelineStrap.layers.find((layer) => layer.kind === 'text');
    const face = from?.kind === 'text' ? from.style.face : '';
    const uses = faceUses(tidelineStrap, face);
    const next = followHouse(tidelineStrap, [{ kind: 'face', name: 'x', from: face, to: 'alegreya' }]);
    expect(uses).toBeGreaterThan(0);
    expect(faceUses(next, 'alegreya')).toBe(uses);
  });
});

test('uses of finishes and kept moves are counted by layer', () => {
  const [first, ...rest] = tidelineStrap.layers;
  const template = { ...tidelineStrap, layers: [{ ...first, finish: 'f' }, ...rest] };
  expect(finishUses(template, 'f')).toBe(1);
  expect(finishUses(tidelineStrap, 'f')).toBe(0);
  const moving = tidelineStrap.layers.find(({ motion }) => motion.in.length > 0);
  if (moving === undefined) throw new Error('nothing moves');
  expect(moveUses(tidelineStrap, { id: 'm', name: 'M', motion: moving.motion })).toBeGreaterThan(0);
  const other = { ...moving.motion, in: [] };
  expect(moveUses(tidelineStrap, { id: 'm', name: 'M', motion: other })).toBe(0);
});

test('of two colours of the house with one figure, designs from before have the first', () => {
  const twins = ['one', 'two'].map((id) => ({ id, name: id, colour: '#10303c' }));
  const panel = { ...newBoxLayer('panel', 'Panel', []), fill: '#10303c' };
  expect(nameColoursIn(panel, twins).fill).toBe('#10303c@one');
  expect(nameColours(testTemplate([panel]), twins).layers[0]).toMatchObject({ fill: '#10303c@one' });
});

test('what the house keeps has a colour of it as its new figure', () => {
  const look = { fill: '#10303c@deep-water', edges: ['#10303c', '#e3b94f@lamp-gold'] };
  expect(withFigure(look, 'deep-water', '#001122')).toEqual({
    fill: '#001122@deep-water',
    edges: ['#10303c', '#e3b94f@lamp-gold'],
  });
  expect(withFigure(look, 'paper', '#001122')).toBe(look);
});
