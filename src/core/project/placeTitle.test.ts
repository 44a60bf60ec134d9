import { describe, expect, test } from '@jest/globals';
import { placeCorner, tidelineStrap } from '../../../demo/templates';
import { FIRST_HOUSE } from '../model/house';
import { newPlan } from '../model/plan';
import { newClip, newTitle } from '../model/project';
import { testTemplate, testText } from '../testing';
import { RATES } from '../time/rates';
import type { Placing } from './placeTitle';
import { defaultFades, placeTitle } from './placeTitle';
import type { Work } from './work';

const rate = RATES.get('25');
const CLIPS = [
  newClip({ id: 'a', picture: 'weir', label: 'Weir', startFrame: 0, lengthFrames: 500 }),
  newClip({ id: 'b', picture: 'lock-gates', label: 'Gates', startFrame: 500, lengthFrames: 60 }),
];
const EMPTY: Work = { titles: [], clips: CLIPS, cues: [], plan: newPlan('wide-1080') };
const edition = { id: 'strap', template: tidelineStrap, rate, timing: FIRST_HOUSE.timing };
const place = (placing: Placing, work = EMPTY): Work =>
  placeTitle(work, edition, placing, 'new', () => 'clip-new');
const placed = (placing: Placing, work = EMPTY) => place(placing, work).titles.find(({ id }) => id === 'new');

describe('a new title', () => {
  test('starts at the playhead and lasts as the template suggests', () => {
    expect(placed({ kind: 'playhead', frame: 40 })).toMatchObject({
      startFrame: 40,
      lengthFrames: 145,
      lane: 0,
    });
  });

  test('takes a whole clip, or lies at its start or its end, never beyond it', () => {
    const on = (index: number, part: 'whole' | 'start' | 'end') =>
      placed({ kind: 'clip', clip: CLIPS[index], part });
    expect(on(0, 'whole')).toMatchObject({ startFrame: 0, lengthFrames: 500 });
    expect(on(0, 'start')).toMatchObject({ startFrame: 0, lengthFrames: 145 });
    expect(on(0, 'end')).toMatchObject({ startFrame: 355, lengthFrames: 145 });
    expect(on(1, 'end')).toMatchObject({ startFrame: 500, lengthFrames: 60 });
  });

  test('fills a range that was marked', () => {
    expect(placed({ kind: 'range', span: { startFrame: 10, lengthFrames: 33 } })).toMatchObject({
      startFrame: 10,
      lengthFrames: 33,
    });
  });

  test('goes to the lowest lane that is free for all of its time', () => {
    const busy = {
      ...EMPTY,
      titles: [newTitle({ id: 'x', editionId: 'e', startFrame: 100, lengthFrames: 50, lane: 0 })],
    };
    expect(placed({ kind: 'playhead', frame: 40 }, busy)?.lane).toBe(1);
    expect(placed({ kind: 'playhead', frame: 150 }, busy)?.lane).toBe(0);
  });

  test('alone on a background takes its own time on the strip', () => {
    const alone = place({ kind: 'alone', frame: 500, picture: '#1d2226', way: 'ripple' });
    expect(alone.clips.find(({ id }) => id === 'clip-new')).toMatchObject({
      picture: '#1d2226',
      startFrame: 500,
      lengthFrames: 145,
    });
    expect(alone.clips.find(({ id }) => id === 'b')?.startFrame).toBe(645);
    expect(alone.titles[0]).toMatchObject({ startFrame: 500, lengthFrames: 145 });
    const over = place({ kind: 'alone', frame: 450, picture: '#1d2226', way: 'overwrite' });
    expect(over.clips.map(({ id, lengthFrames }) => [id, lengthFrames])).toEqual([
      ['a', 450],
      ['clip-new', 145],
    ]);
  });
});

describe('the house’s fades', () => {
  const still = testTemplate([testText('name', 'Ilse')]);

  test('are for templates that do not move by themselves', () => {
    expect(defaultFades({ template: placeCorner, rate, timing: FIRST_HOUSE.timing }, 100)).toEqual({
      fadeInFrames: 0,
      fadeOutFrames: 0,
    });
    expect(defaultFades({ template: still, rate, timing: FIRST_HOUSE.timing }, 100)).toEqual({
      fadeInFrames: 10,
      fadeOutFrames: 10,
    });
  });

  test('are never longer than half of the title', () => {
    expect(
      defaultFades({ template: still, rate, timing: { fadeInSeconds: 3, fadeOutSeconds: 0 } }, 20),
    ).toEqual({ fadeInFrames: 10, fadeOutFrames: 0 });
  });
});
