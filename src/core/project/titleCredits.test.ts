import { expect, test } from '@jest/globals';
import { harbourRoll, creditCards } from '../../../demo/creditTemplates';
import { tidelineStrap } from '../../../demo/templates';
import { NO_CREDITS } from '../model/credits';
import { newTitle, parseTitle } from '../model/project';
import { creditsLayer, withCredits } from './titleCredits';
import { titleTemplate } from './titleTemplate';

const said = { rows: [{ id: 'a', kind: 'name' as const, name: 'Ode Pell' }], wish: NO_CREDITS.wish };

test('what a title says stands in place of the sample, and no sample goes to air', () => {
  expect(creditsLayer(withCredits(harbourRoll, said))?.rows).toBe(said.rows);
  for (const nothing of [null, undefined, NO_CREDITS])
    expect(creditsLayer(withCredits(creditCards, nothing))?.rows).toEqual([]);
  expect(withCredits(tidelineStrap, said)).toBe(tidelineStrap);
});

test('asked again for the same, it gives the same object, also through all that a title has', () => {
  expect(withCredits(harbourRoll, said)).toBe(withCredits(harbourRoll, said));
  expect(withCredits(harbourRoll, null)).toBe(withCredits(harbourRoll, undefined));
  const own = { edge: null, moments: {}, credits: said };
  expect(titleTemplate(harbourRoll, own, {})).toBe(titleTemplate(harbourRoll, own, {}));
});

test('credits from outside are checked: kinds, ids, sizes', () => {
  const title = newTitle({
    id: 't',
    editionId: 'e',
    startFrame: 0,
    lengthFrames: 100,
    lane: 0,
    credits: said,
  });
  expect(parseTitle(title).credits).toEqual(said);
  const bad = (rows: unknown) => () => parseTitle({ ...title, credits: { ...said, rows } });
  expect(bad([{ id: 'a', kind: 'song', name: 'x' }])).toThrow(/heading/);
  expect(bad([said.rows[0], said.rows[0]])).toThrow(/an id each/);
  expect(bad([{ id: 'a', kind: 'gap', lines: -1 }])).toThrow();
  expect(bad([{ id: 'a', kind: 'name', name: 'x'.repeat(2001) }])).toThrow();
  expect(bad(Array.from({ length: 5001 }, (_, i) => ({ id: `${i}`, kind: 'name', name: 'x' })))).toThrow();
});
