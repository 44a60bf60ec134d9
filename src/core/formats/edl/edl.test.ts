import { describe, expect, test } from '@jest/globals';
import { clockOf } from '../../time/clock';
import { RATES } from '../../time/rates';
import type { ClockSetting } from '../../time/clock';
import { cutListToEdl, edlToCutList } from './edl';

const clock = clockOf(RATES.get('25'));
const EDL = `TITLE: LANTERN REGATTA
FCM: NON-DROP FRAME

001  AX       V     C        00:00:10:00 00:00:14:00 01:00:00:00 01:00:04:00
* FROM CLIP NAME: Lock gates
002  REEL2    V     C        00:01:00:00 00:01:02:12 01:00:04:00 01:00:06:12
* FROM CLIP NAME: WEIR, CLOSE
* LOC: 01:00:05:00 RED     Second heat
003  AX       A     C        00:00:10:00 00:00:14:00 01:00:00:00 01:00:04:00
`;

describe('an edit list', () => {
  test('gives its clips by record time from the hour, their names and the named frames', () => {
    const { name, clips, markers, notes } = edlToCutList(EDL, clock);
    expect(name).toBe('LANTERN REGATTA');
    expect(clips).toEqual([
      { name: 'Lock gates', startFrame: 0, lengthFrames: 100, sourceStartFrame: 250 },
      { name: 'WEIR, CLOSE', startFrame: 100, lengthFrames: 62, sourceStartFrame: 1500 },
    ]);
    expect(markers).toEqual([{ frame: 125, name: 'Second heat' }]);
    expect(notes).toEqual([
      'Record times are counted from 01:00:00:00.',
      '1 events of sound or other tracks were left out.',
    ]);
  });

  test('is written in the project’s own timecodes, in the mode that it says', () => {
    const list = { ...edlToCutList(EDL, clock), notes: [] };
    const written = (id: string, setting: ClockSetting): string[] =>
      cutListToEdl(list, clockOf(RATES.get(id), setting)).split('\r\n');
    const hour = written('29.97', { mode: 'drop', startFrame: 107_892 });
    expect(hour[1]).toBe('FCM: DROP FRAME');
    expect(hour[2]).toBe('001  AX       V     C        00:00:08;10 00:00:11;20 01:00:00;00 01:00:03;10');
    expect(hour[4]).toBe('002  AX       V     C        00:00:50;00 00:00:52;02 01:00:03;10 01:00:05;12');
    const plain = written('29.97', { mode: 'non-drop', startFrame: 108_000 });
    expect(plain[1]).toBe('FCM: NON-DROP FRAME');
    expect(plain[2]).toContain('01:00:00:00 01:00:03:10');
  });

  test('counts drop frame and non-drop frame as its FCM lines say, each from its line on', () => {
    // Written by hand from SMPTE ST 12-1: a minute is 1 798 frames with drop frame but for each tenth, 1 800 without.
    const mixed = [
      'TITLE: MIXED',
      'FCM: DROP FRAME',
      '001  A001     V     C        10:00:00;00 10:01:00;02 01:00:00;00 01:01:00;02',
      'FCM: NON-DROP FRAME',
      '002  A002     V     C        10:00:00:00 10:01:00:00 01:01:00:00 01:02:00:00',
    ].join('\n');
    const { clips } = edlToCutList(mixed, clockOf(RATES.get('29.97')));
    expect(clips[0].lengthFrames).toBe(1800);
    expect(clips[0].sourceStartFrame).toBe(1_078_920);
    expect(clips[1].lengthFrames).toBe(1800);
    expect(clips[1].sourceStartFrame).toBe(1_080_000);
  });

  test('without FCM counts as its labels are written', () => {
    const event = (label: (text: string) => string): string =>
      `001  AX  V  C  ${['00:00:00:00', '00:10:00:00', '01:00:00:00', '01:10:00:00'].map(label).join(' ')}`;
    const at = clockOf(RATES.get('29.97'));
    expect(
      edlToCutList(
        event((text) => text),
        at,
      ).clips[0].lengthFrames,
    ).toBe(18_000);
    const drop = event((text) => text.replace(/:(\d\d)$/, ';$1'));
    expect(edlToCutList(drop, at).clips[0].lengthFrames).toBe(17_982);
    // An hour with drop frame is 107 892 frames, and clips begin on it.
    expect(edlToCutList(drop, at)).toMatchObject({
      clips: [{ startFrame: 0 }],
      clock: { mode: 'drop', startFrame: 107_892 },
    });
  });

  test('is counted from the project’s start where it lies after that', () => {
    const ten = clockOf(RATES.get('25'), { mode: 'non-drop', startFrame: 10 * 3600 * 25 });
    const late = EDL.replaceAll(' 01:', ' 10:');
    const { clips, notes } = edlToCutList(late, ten);
    expect(clips.map(({ startFrame }) => startFrame)).toEqual([0, 100]);
    expect(notes).toEqual(['1 events of sound or other tracks were left out.']);
  });

  test.each([
    ['a picture list', /expected lines such as "001  AX/],
    ['001  AX  V  C  00:00:10:00 00:00:14:00 01:00:00:00', /Line 1: expected four times/],
    ['\n001  AX  V  C  00:00:10:00 00:00:14:00 01:00:00:40 01:00:04:00', /Line 2: expected frames below 25/],
    ['001  AX  V  C  00:00:10:00 00:00:14:00 01:00:04:00 01:00:04:00', /Line 1: expected a record out after/],
    ['{"OTIO_SCHEMA": "Timeline.1"}', /expected lines such as/],
  ])('%j is refused, with the line', (text, message) => {
    expect(() => edlToCutList(text, clock)).toThrow(message);
  });
});
