import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Cue } from '../model/captions';
import { newCue } from '../model/captions';
import { newPlan } from '../model/plan';
import type { Clip, Title } from '../model/project';
import { newClip, newTitle } from '../model/project';
import {
  cutAt,
  cutClip,
  cutFrames,
  makeRoom,
  removeClip,
  reorderClip,
  trimClip,
  trimRipple,
  withClips,
} from './clips';
import { endOf } from './lanes';
import type { Work } from './work';

const clip = (id: string, startFrame: number, lengthFrames: number, more: Partial<Clip> = {}): Clip =>
  newClip({ id, picture: 'weir', startFrame, lengthFrames, sourceStartFrame: 20, ...more });
const title = (id: string, startFrame: number, more: Partial<Title> = {}): Title =>
  newTitle({ id, editionId: 'e', startFrame, lengthFrames: 50, lane: 0, ...more });
const cue = (id: string, startFrame: number): Cue =>
  newCue({ id, trackId: 'en', startFrame, lengthFrames: 30 });
const work = (clips: readonly Clip[], titles: readonly Title[] = [], cues: readonly Cue[] = []): Work => ({
  clips,
  titles,
  cues,
  plan: { ...newPlan('wide-1080'), markers: [{ id: 'm', frame: 150, name: 'Start' }] },
});
const THREE = [clip('a', 0, 100), clip('b', 100, 100), clip('c', 200, 100)];
const spans = (list: readonly Clip[]): string[] =>
  list
    .toSorted((a, b) => a.startFrame - b.startFrame)
    .map((one) => `${one.id} ${one.startFrame}-${endOf(one)}`);
let made = 0;
const newId = (): string => `new-${++made}`;

describe('room in the pictures', () => {
  test('ripple cuts the clip it falls into and pushes what follows back, titles and markers too', () => {
    made = 0;
    const room = makeRoom(
      work(THREE, [title('t', 90), title('u', 160), title('clock', 260, { heldTo: 'time' })]),
      { startFrame: 140, lengthFrames: 30 },
      'ripple',
      newId,
    );
    expect(spans(room.clips)).toEqual(['a 0-100', 'b 100-140', 'new-1 170-230', 'c 230-330']);
    expect(room.clips.find(({ id }) => id === 'new-1')?.sourceStartFrame).toBe(60);
    expect(room.titles.map(({ startFrame }) => startFrame)).toEqual([90, 190, 260]);
    expect(room.plan.markers[0].frame).toBe(180);
  });

  test('overwrite takes away what lies there, in the middle of a clip too, and moves nothing', () => {
    made = 0;
    const across = makeRoom(
      work(THREE, [title('t', 160)]),
      { startFrame: 80, lengthFrames: 130 },
      'overwrite',
      newId,
    );
    expect(spans(across.clips)).toEqual(['a 0-80', 'c 210-300']);
    expect(across.clips.find(({ id }) => id === 'c')?.sourceStartFrame).toBe(30);
    expect(across.titles[0].startFrame).toBe(160);
    const within = makeRoom(work(THREE), { startFrame: 110, lengthFrames: 20 }, 'overwrite', newId);
    expect(spans(within.clips)).toEqual(['a 0-100', 'b 100-110', 'new-1 130-200', 'c 200-300']);
  });

  test('either way, what is free afterwards is exactly the span, and every frame shows what it showed', () => {
    const anywhere = fc.record({
      startFrame: fc.integer({ min: 0, max: 300 }),
      lengthFrames: fc.integer({ min: 1, max: 200 }),
    });
    fc.assert(
      fc.property(anywhere, fc.constantFrom('ripple' as const, 'overwrite' as const), (span, way) => {
        const room = makeRoom(work(THREE), span, way, newId);
        const shows = (clips: readonly Clip[], frame: number): number | null => {
          const at = clips.find((one) => one.startFrame <= frame && frame < endOf(one));
          return at === undefined ? null : frame - at.startFrame + at.sourceStartFrame;
        };
        for (let frame = 0; frame < 320; frame += 7) {
          const later = way === 'ripple' && frame >= span.startFrame ? frame + span.lengthFrames : frame;
          const covered = way === 'overwrite' && frame >= span.startFrame && frame < endOf(span);
          expect(shows(room.clips, later)).toBe(covered ? null : shows(THREE, frame));
        }
        expect(shows(room.clips, span.startFrame)).toBeNull();
      }),
    );
  });
});

describe('clips that change', () => {
  test('a cut shows the same pictures on both sides', () => {
    const [first, second] = cutClip(THREE[1], 130, () => 'x');
    expect(first).toMatchObject({ id: 'b', startFrame: 100, lengthFrames: 30, sourceStartFrame: 20 });
    expect(second).toMatchObject({ id: 'x', startFrame: 130, lengthFrames: 70, sourceStartFrame: 50 });
  });

  test('the clip at a frame is cut there; at its own start there is nothing to cut', () => {
    expect(spans(cutAt(work(THREE), 130, () => 'x').clips)).toEqual([
      'a 0-100',
      'b 100-130',
      'x 130-200',
      'c 200-300',
    ]);
    for (const frame of [100, 300]) expect(cutAt(work(THREE), frame, () => 'x').clips).toBe(THREE);
  });

  test('a trimmed start keeps its pictures where they are, down to the first picture there is', () => {
    expect(trimClip(THREE[1], 'start', 10)).toMatchObject({
      startFrame: 110,
      lengthFrames: 90,
      sourceStartFrame: 30,
    });
    expect(trimClip(THREE[1], 'start', -50)).toMatchObject({
      startFrame: 80,
      lengthFrames: 120,
      sourceStartFrame: 0,
    });
    expect(trimClip(THREE[1], 'start', 500).lengthFrames).toBe(1);
    expect(trimClip(THREE[1], 'end', -500).lengthFrames).toBe(1);
  });

  test('a ripple trim closes up, and titles stay with their clips unless they are held to the time', () => {
    const titles = [title('over-b', 120), title('over-c', 220), title('held', 230, { heldTo: 'time' })];
    const shorter = trimRipple(work(THREE, titles), 'b', 'end', -40);
    expect(spans(shorter.clips)).toEqual(['a 0-100', 'b 100-160', 'c 160-260']);
    expect(shorter.titles.map(({ startFrame }) => startFrame)).toEqual([120, 180, 230]);
    // From the start: the pictures come 30 frames later, and so the title over them 30 frames sooner.
    const later = trimRipple(work(THREE, titles), 'b', 'start', 30);
    expect(spans(later.clips)).toEqual(['a 0-100', 'b 100-170', 'c 170-270']);
    expect(later.titles.map(({ startFrame }) => startFrame)).toEqual([90, 190, 230]);
  });

  test('captions go along with the pictures that they are over, and are pushed by what is put in', () => {
    const said = [cue('a', 20), cue('b', 120), cue('c', 220), cue('none', 400)];
    const starts = (next: Work): number[] => next.cues.map(({ startFrame }) => startFrame);
    expect(starts(trimRipple(work(THREE, [], said), 'b', 'end', -40))).toEqual([20, 120, 180, 400]);
    expect(starts(reorderClip(work(THREE, [], said), 'a', 190))).toEqual([220, 20, 120, 400]);
    const span = { startFrame: 120, lengthFrames: 50 };
    expect(starts(makeRoom(work(THREE, [], said), span, 'ripple', newId))).toEqual([20, 170, 270, 450]);
    expect(starts(makeRoom(work(THREE, [], said), span, 'overwrite', newId))).toEqual([20, 120, 220, 400]);
  });

  test('a trim does not reach beyond what a picture has', () => {
    const short = [clip('a', 0, 100, { sourceLengthFrames: 130 }), clip('b', 100, 50)];
    expect(trimRipple(work(short), 'a', 'end', 500).clips[0].lengthFrames).toBe(110);
    expect(trimRipple(work(short), 'a', 'start', -500).clips[0]).toMatchObject({
      lengthFrames: 120,
      sourceStartFrame: 0,
    });
  });

  test('a clip that is dropped elsewhere goes to the nearest cut and takes its titles along', () => {
    const moved = reorderClip(work(THREE, [title('t', 20), title('u', 120)]), 'a', 190);
    expect(spans(moved.clips)).toEqual(['b 0-100', 'c 100-200', 'a 200-300']);
    expect(moved.titles.map(({ startFrame }) => startFrame)).toEqual([220, 20]);
    expect(spans(reorderClip(work(THREE), 'c', 0).clips)).toEqual(['c 0-100', 'a 100-200', 'b 200-300']);
  });

  test('a removed clip leaves a gap or closes it', () => {
    expect(spans(removeClip(work(THREE), 'b', 'leave').clips)).toEqual(['a 0-100', 'c 200-300']);
    const closed = removeClip(work(THREE, [title('t', 250)]), 'b', 'ripple');
    expect(spans(closed.clips)).toEqual(['a 0-100', 'c 100-200']);
    expect(closed.titles[0].startFrame).toBe(150);
  });

  test('titles over no clip stay where they are', () => {
    const moved = withClips(
      work(THREE, [title('t', 500)]),
      THREE.map((one) => ({ ...one, startFrame: one.startFrame + 50 })),
    );
    expect(moved.titles[0].startFrame).toBe(500);
  });

  test('cuts are told once each, in order', () => {
    expect(cutFrames(THREE.toReversed())).toEqual([0, 100, 200, 300]);
  });
});
