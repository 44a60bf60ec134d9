import { describe, expect, test } from '@jest/globals';
import { RATES } from '../../units/rates';
import { cutListToEdl, edlToCutList } from './edl';

const rate = RATES.get('25');
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
    const { name, clips, markers, notes } = edlToCutList(EDL, rate);
    expect(name).toBe('LANTERN REGATTA');
    expect(clips).toEqual([
      { name: 'Lock gates', startFrame: 0, lengthFrames: 100, sourceStartFrame: 250 },
      { name: 'WEIR, CLOSE', startFrame: 100, lengthFrames: 62, sourceStartFrame: 1500 },
    ]);
    expect(markers).toEqual([{ frame: 125, name: 'Second heat' }]);
    expect(notes).toEqual(['1 events of sound or other tracks were left out.']);
  });

  test('is written so that it reads the same, at a drop-frame rate too', () => {
    for (const id of ['25', '29.97', '50']) {
      const list = { ...edlToCutList(EDL, RATES.get('25')), notes: [] };
      expect(edlToCutList(cutListToEdl(list, RATES.get(id)), RATES.get(id))).toEqual(list);
    }
  });

  test.each([
    ['a picture list', /expected lines such as "001  AX/],
    ['001  AX  V  C  00:00:10:00 00:00:14:00 01:00:00:00', /Line 1: expected four times/],
    ['\n001  AX  V  C  00:00:10:00 00:00:14:00 01:00:00:40 01:00:04:00', /Line 2: expected frames below 25/],
    ['001  AX  V  C  00:00:10:00 00:00:14:00 01:00:04:00 01:00:04:00', /Line 1: expected a record out after/],
    ['{"OTIO_SCHEMA": "Timeline.1"}', /expected lines such as/],
  ])('%j is refused, with the line', (text, message) => {
    expect(() => edlToCutList(text, rate)).toThrow(message);
  });
});
