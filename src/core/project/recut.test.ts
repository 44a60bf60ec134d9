import { describe, expect, test } from '@jest/globals';
import { edlToCutList } from '../formats/edl/edl';
import { newCue } from '../model/captions';
import { newPlan } from '../model/plan';
import type { Clip, Title } from '../model/project';
import { MISSING_PICTURE, newClip, newTitle, parseClip } from '../model/project';
import { clockOf } from '../time/clock';
import { RATES } from '../time/rates';
import { cutListToClips } from './cutListToClips';
import type { KnownPicture } from './pictureMatch';
import { findPicture, isOutside, relink, withPicture } from './pictureMatch';
import { applyRecut, planRecut } from './recut';

const rate = RATES.get('25');
const clock = clockOf(rate);
const HOUR = 90_000;
const video = (name: string, firstFrame: number | null, more: Partial<KnownPicture> = {}): KnownPicture => ({
  picture: `video:${name.replace(/\W/g, '-')}`,
  name,
  firstFrame,
  lengthFrames: 1000,
  ...more,
});
const clipsOf = (edl: string, media: readonly KnownPicture[] = [], clips: readonly Clip[] = []) => {
  let made = 0;
  return cutListToClips(edlToCutList(edl, clock), { clips }, media, rate, () => `c${made++}`);
};
const title = (id: string, startFrame: number, more: Partial<Title> = {}): Title =>
  newTitle({ id, editionId: 'e', startFrame, lengthFrames: 50, lane: 0, ...more });

describe('the picture that a list means', () => {
  const known = [video('Weir.mov', 0), video('A001C003.mxf', 0, { reel: 'A001' }), video('Harbour.mp4', 0)];
  test.each([
    [{ name: 'weir close', file: 'WEIR.MOV' }, 'video:Weir-mov'],
    [{ name: 'weir' }, 'video:Weir-mov'],
    [{ name: 'Weir.avi' }, 'video:Weir-mov'],
    [{ name: 'any', reel: 'A001C003' }, undefined],
    [{ name: 'any', reel: 'A001' }, 'video:A001C003-mxf'],
    [{ name: 'a001c003' }, 'video:A001C003-mxf'],
    // A reel that nobody named says nothing.
    [{ name: 'any', reel: 'AX' }, undefined],
    [{ name: '' }, undefined],
  ])('%j', (source, picture) => {
    expect(findPicture(source, known)?.picture).toBe(picture);
  });

  test('is none where two are called so', () => {
    const twice = [video('Weir.mov', 0), { ...video('weir.mp4', 0), picture: 'video:other' }];
    expect(findPicture({ name: 'weir' }, twice)).toBeUndefined();
    expect(findPicture({ name: 'weir', file: 'weir.mp4' }, twice)?.picture).toBe('video:other');
  });
});

describe('clips from a list', () => {
  const EDL = `TITLE: X
001  A001     V     C        10:00:20:00 10:00:24:00 01:00:00:00 01:00:04:00
* FROM CLIP NAME: WEIR.MOV
002  B001     V     C        00:00:10:00 00:00:14:00 01:00:04:00 01:00:08:00
* FROM CLIP NAME: LOST.MOV`;

  test('show the frame that their timecode names, by the file’s own start', () => {
    const { clips, notes } = clipsOf(EDL, [video('weir.mov', 10 * HOUR)]);
    expect(clips[0]).toMatchObject({
      picture: 'video:weir-mov',
      sourceStartFrame: 500,
      sourceLengthFrames: 1000,
      source: { reel: 'A001', file: '', firstFrame: 10 * HOUR },
    });
    expect(clips[1]).toMatchObject({ picture: MISSING_PICTURE, sourceStartFrame: 250, label: 'LOST.MOV' });
    expect(notes).toEqual(['One picture is not here: LOST.MOV.']);
    for (const clip of clips) expect(parseClip(clip)).toEqual(clip);
  });

  test('tell what was guessed, and what shows more than its picture has', () => {
    const { clips, notes } = clipsOf(EDL, [video('weir.mov', null, { lengthFrames: 550 })]);
    expect(clips[0].sourceStartFrame).toBe(500);
    expect(isOutside(clips[0])).toBe(true);
    expect(notes.slice(1)).toEqual([
      'One clip shows moments that its picture does not have: WEIR.MOV.',
      'Where these begin is not known, so the hour before their first use was taken: WEIR.MOV.',
    ]);
  });

  test('keep the pictures that the project’s clips of the same name have, with place and day', () => {
    const old = newClip({
      id: 'old',
      picture: 'video:mine',
      label: 'WEIR.MOV',
      startFrame: 0,
      lengthFrames: 10,
      place: 'Osier Reach',
      source: { reel: 'A001', file: '', firstFrame: 10 * HOUR },
    });
    expect(clipsOf(EDL, [], [old]).clips[0]).toMatchObject({ picture: 'video:mine', place: 'Osier Reach' });
  });
});

describe('pictures that are looked for again', () => {
  const lost = newClip({
    id: 'a',
    picture: MISSING_PICTURE,
    label: 'WEIR',
    startFrame: 0,
    lengthFrames: 100,
    sourceStartFrame: 500,
    source: { reel: 'A001', file: 'WEIR.MOV', firstFrame: 10 * HOUR },
  });

  test('show the same timecode, whatever the new file begins with', () => {
    expect(withPicture(lost, video('weir.mov', 10 * HOUR + 200))).toMatchObject({
      sourceStartFrame: 300,
      source: { firstFrame: 10 * HOUR + 200 },
    });
    expect(withPicture(lost, video('weir.mov', null)).sourceStartFrame).toBe(500);
  });

  test('are found all at once; what is not found stays, and what lies outside is counted', () => {
    const other = { ...lost, id: 'b', label: 'LOST', source: { reel: '', file: '', firstFrame: 0 } };
    const known = [video('weir.mov', 10 * HOUR, { lengthFrames: 550 })];
    const { clips, found, missing, outside } = relink([lost, other], known);
    expect({ found, missing, outside }).toEqual({ found: 1, missing: 1, outside: 1 });
    expect(clips.map(({ picture }) => picture)).toEqual(['video:weir-mov', MISSING_PICTURE]);
    expect(relink(clips, []).found).toBe(0);
  });
});

describe('a project that is cut anew', () => {
  const before = `001  A V C 10:00:00:00 10:00:08:00 01:00:00:00 01:00:08:00
002  B V C 11:00:00:00 11:00:08:00 01:00:08:00 01:00:16:00
003  C V C 12:00:00:00 12:00:08:00 01:00:16:00 01:00:24:00`;
  // B comes first and is shorter at its head, A follows, C is gone; D is new.
  const after = `001  B V C 11:00:02:00 11:00:08:00 01:00:00:00 01:00:06:00
002  A V C 10:00:00:00 10:00:05:00 01:00:06:00 01:00:11:00
003  D V C 13:00:00:00 13:00:08:00 01:00:11:00 01:00:19:00`;
  const old = clipsOf(before).clips;
  const next = clipsOf(after).clips;
  const plan = (list: readonly Title[], cut = next) => planRecut({ titles: list, clips: old }, cut);

  test('titles go along with the moment that they stand over', () => {
    // Over A at 1 s; over B at 4 s of it, which is 2 s into the new B.
    expect(plan([title('a', 25), title('b', 300)])).toEqual([
      { titleId: 'a', stayFrame: 25, alongFrame: 175, proposed: 'along', doubt: null },
      { titleId: 'b', stayFrame: 300, alongFrame: 50, proposed: 'along', doubt: null },
    ]);
  });

  test('what cannot go along is told, with the reason', () => {
    const doubts = plan([
      title('trimmed', 210),
      title('gone', 450),
      title('over', 60, { lengthFrames: 100 }),
      title('held', 450, { heldTo: 'time' }),
      title('late', 700),
    ]).map(({ titleId, proposed, doubt }) => [titleId, proposed, doubt]);
    expect(doubts).toEqual([
      ['trimmed', 'stay', 'gone'],
      ['gone', 'stay', 'gone'],
      ['over', 'along', 'overEnd'],
      ['held', 'stay', null],
      ['late', 'stay', 'noPicture'],
    ]);
    const twice = clipsOf(`${after}\n004  A V C 10:00:00:00 10:00:05:00 01:00:30:00 01:00:35:00`).clips;
    expect(plan([title('a', 25)], twice)[0]).toMatchObject({ alongFrame: 175, doubt: 'several' });
  });

  test('of one picture the place in it counts, whatever the lists call its timecode', () => {
    const own = newClip({ id: 'w', picture: 'video:w', label: 'Pan', startFrame: 0, lengthFrames: 200 });
    const listed = newClip({
      id: 'x',
      picture: 'video:w',
      label: 'WEIR.MOV',
      startFrame: 500,
      lengthFrames: 100,
      sourceStartFrame: 50,
      source: { reel: 'A', file: '', firstFrame: HOUR },
    });
    const work = { titles: [title('a', 75)], clips: [own] };
    expect(planRecut(work, [listed])[0]).toMatchObject({ alongFrame: 525, proposed: 'along' });
  });

  test('captions go along with their pictures, and stay where those are gone', () => {
    const said = [25, 300, 5000].map((startFrame, i) =>
      newCue({ id: `q${i}`, trackId: 'en', startFrame, lengthFrames: 10 }),
    );
    const held = said.map(({ id, startFrame }) => title(id, startFrame));
    const along = planRecut({ titles: held, clips: old }, next).map(
      ({ alongFrame, stayFrame }) => alongFrame ?? stayFrame,
    );
    const work = { titles: [], clips: old, cues: said, plan: newPlan('wide-1080') };
    const done = applyRecut(work, next, []).cues.map(({ startFrame }) => startFrame);
    expect(done).toEqual(along);
    expect(done).not.toEqual([25, 300, 5000]);
    expect(done[2]).toBe(5000);
  });

  test('choices count, and what nobody chose is done as proposed', () => {
    const titles = [title('a', 25), title('b', 300)];
    const work = { titles, clips: old, cues: [], plan: newPlan('wide-1080') };
    const done = applyRecut(work, next, plan(titles), new Map([['a', 'stay']]));
    expect(done.titles.map(({ startFrame }) => startFrame)).toEqual([25, 50]);
    expect(done.clips).toBe(next);
    expect(applyRecut(work, old, planRecut(work, old)).titles).toEqual(titles);
  });
});
