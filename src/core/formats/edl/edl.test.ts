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
      { name: 'Lock gates', startFrame: 0, lengthFrames: 100, sourceStartFrame: 250, reel: 'AX', file: '' },
      {
        name: 'WEIR, CLOSE',
        startFrame: 100,
        lengthFrames: 62,
        sourceStartFrame: 1500,
        reel: 'REEL2',
        file: '',
      },
    ]);
    expect(markers).toEqual([{ frame: 125, name: 'Second heat' }]);
    expect(notes).toEqual([
      'Record times are counted from 01:00:00:00.',
      '1 event of sound or other tracks was left out.',
    ]);
  });

  test('is written in the project’s own timecodes, in the mode that it says', () => {
    const list = { ...edlToCutList(EDL, clock), notes: [] };
    const written = (id: string, setting: ClockSetting): string[] =>
      cutListToEdl(list, clockOf(RATES.get(id), setting)).split('\r\n');
    const hour = written('29.97', { mode: 'drop', startFrame: 107_892 });
    expect(hour[1]).toBe('FCM: DROP FRAME');
    expect(hour[2]).toBe('001  AX       V     C        00:00:08;10 00:00:11;20 01:00:00;00 01:00:03;10');
    expect(hour[4]).toBe('002  REEL2    V     C        00:00:50;00 00:00:52;02 01:00:03;10 01:00:05;12');
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
    expect(notes).toEqual(['1 event of sound or other tracks was left out.']);
  });

  test.each([
    ['a picture list', /needs lines such as "001  AX/],
    ['001  AX  V  C  00:00:10:00 00:00:14:00 01:00:00:00', /Line 1: .*found an event with four times|Line 1/],
    ['\n001  AX  V  C  00:00:10:00 00:00:14:00 01:00:00:40 01:00:04:00', /Line 2: .*frames below 25/],
    ['001  AX  V  C  00:00:10:00 00:00:14:00 01:00:04:00 01:00:03:00', /Line 1: .*a record out after/],
    ['{"OTIO_SCHEMA": "Timeline.1"}', /needs lines such as/],
  ])('%j, in which no event can be read, is refused with the first line that cannot', (text, message) => {
    expect(() => edlToCutList(text, clock)).toThrow(message);
  });
});

// Written by hand by the rules of CMX 3600, in the shapes that edit systems really write.
describe('an edit list as it is in practice', () => {
  const list = (text: string, at = clock) => edlToCutList(text, at);
  const names = (text: string): string[] => list(text).clips.map(({ name }) => name);

  test('a dissolve has a lead event without length; its second name is the incoming clip’s', () => {
    const { clips, notes } = list(`TITLE: DISSOLVE
001  A001     V     C        01:00:00:00 01:00:04:00 01:00:00:00 01:00:04:00
* FROM CLIP NAME: LOCK GATES.MOV
002  A001     V     C        01:00:04:00 01:00:04:00 01:00:04:00 01:00:04:00
002  B002     V     D    025 02:00:00:00 02:00:05:00 01:00:04:00 01:00:09:00
* FROM CLIP NAME: LOCK GATES.MOV
* TO CLIP NAME: WEIR.MOV
003  C003     V     W001 012 03:00:00:00 03:00:02:00 01:00:09:00 01:00:11:00
* TO CLIP NAME: HARBOUR.MOV`);
    expect(
      clips.map(({ name, startFrame, lengthFrames, reel }) => [name, startFrame, lengthFrames, reel]),
    ).toEqual([
      ['LOCK GATES.MOV', 0, 100, 'A001'],
      ['WEIR.MOV', 100, 125, 'B002'],
      ['HARBOUR.MOV', 225, 50, 'C003'],
    ]);
    expect(notes).toContain('Event 002: a dissolve of 25 frames is a cut where it begins.');
    expect(notes).toContain('Event 003: a wipe of 12 frames is a cut where it begins.');
  });

  test('a fade from black has its name under the black, and black itself is no clip', () => {
    expect(
      names(`001  BL       V     C        00:00:00:00 00:00:00:00 01:00:00:00 01:00:00:00
001  A001     V     D    012 01:00:00:00 01:00:04:00 01:00:00:00 01:00:04:00
* FROM CLIP NAME: WEIR
002  BL       V     C        00:00:00:00 00:00:01:00 01:00:04:00 01:00:05:00
003  A002     V     C        01:00:00:00 01:00:01:00 01:00:05:00 01:00:06:00`),
    ).toEqual(['WEIR', 'A002']);
  });

  test('files come from their notes, with paths left away, and reels from the events', () => {
    const [clip] = list(`001  A001C003_261114 V C 01:00:00:00 01:00:04:00 01:00:00:00 01:00:04:00
* FROM CLIP NAME:  WEIR CLOSE
* SOURCE FILE: /rushes/day 1/A001C003_261114.MXF`).clips;
    expect(clip).toMatchObject({
      name: 'WEIR CLOSE',
      reel: 'A001C003_261114',
      file: 'A001C003_261114.MXF',
    });
    const [other] = list(`1 AX V C 01:00:00:00 01:00:04:00 01:00:00:00 01:00:04:00
* FROM FILE: D:\\Rushes\\weir.mov`).clips;
    expect(other.file).toBe('weir.mov');
  });

  test('bars and a countdown before the hour are a leader; what reaches into the programme is cut there', () => {
    const {
      clips,
      notes,
      clock: counted,
    } = list(`TITLE: NIGHT FERRY
001  BARS     V     C        00:00:00:00 00:00:30:00 00:58:30:00 00:59:30:00
002  CLOCK    V     C        00:00:00:00 00:00:30:00 00:59:30:00 01:00:00:00
003  A001     V     C        10:00:00:00 10:00:04:00 01:00:00:00 01:00:04:00
004  A002     V     C        11:00:00:00 11:00:04:00 01:00:04:00 01:00:08:00`);
    expect(clips.map(({ name, startFrame }) => [name, startFrame])).toEqual([
      ['A001', 0],
      ['A002', 100],
    ]);
    expect(counted?.startFrame).toBe(90_000);
    expect(notes).toContain('2 events before 01:00:00:00, a leader, were left out.');
    // A list that simply runs over an hour has no leader.
    const long = list(`001 A V C 00:00:00:00 00:59:00:00 00:00:00:00 00:59:00:00
002 B V C 00:00:00:00 00:10:00:00 00:59:00:00 01:09:00:00`);
    expect(long.clips).toHaveLength(2);
  });

  test('a line that is wrong is told by its number, and the others are read', () => {
    const { clips, notes } = list(`TITLE: JUNK
001  A001     V     C        00:00:00:00 00:00:04:00 01:00:00:00 01:00:04:00
this was typed by somebody
002  A002     V     C        00:00:00:00 00:00:04:00 01:00:04:40 01:00:08:00
003  A003     V     C        00:00:00:00 00:00:04:00 01:00:08:00
004  A004     V     C        00:00:00:00 00:00:04:00 01:00:12:00 01:00:16:00
>>> SOURCE 004 A004
FINAL EDIT`);
    expect(clips.map(({ name }) => name)).toEqual(['A001', 'A004']);
    expect(notes.filter((note) => note.startsWith('Line')).map((note) => note.slice(0, 6))).toEqual([
      'Line 3',
      'Line 4',
      'Line 5',
    ]);
  });

  test('speeds, held frames, further tracks and keys are told', () => {
    const { clips, notes } =
      list(`001  A001     V     C        00:00:00:00 00:00:08:00 01:00:00:00 01:00:04:00
M2   A001             050.0                00:00:00:00
002  A002     V     C        00:00:00:00 00:00:04:00 01:00:04:00 01:00:08:00
M2   A002             000.0                00:00:00:00
003  A003     V2    C        00:00:00:00 00:00:04:00 01:00:00:00 01:00:04:00
004  A004     V     K B      00:00:00:00 00:00:04:00 01:00:00:00 01:00:04:00
005  A005     A2    C        00:00:00:00 00:00:04:00 01:00:00:00 01:00:04:00
006  A006     AA/V  C        00:00:00:00 00:00:04:00 01:00:08:00 01:00:12:00`);
    expect(clips.map(({ name }) => name)).toEqual(['A001', 'A002', 'A006']);
    expect(notes).toEqual([
      'Record times are counted from 01:00:00:00.',
      '1 event of the video track V2 was left out.',
      '1 event of keys over the picture was left out.',
      '1 event of sound or other tracks was left out.',
      'Event 001 runs at 200 %; here its picture runs at its own speed.',
      'Event 002 holds one frame; here its picture goes on.',
    ]);
  });

  test('where events lie over one another the later one counts, and its source goes on behind it', () => {
    const { clips } = list(`001  A V C 00:00:00:00 00:00:10:00 01:00:00:00 01:00:10:00
002  B V C 00:00:00:00 00:00:02:00 01:00:04:00 01:00:06:00`);
    expect(
      clips.map(({ name, startFrame, lengthFrames, sourceStartFrame }) => [
        name,
        startFrame,
        lengthFrames,
        sourceStartFrame,
      ]),
    ).toEqual([
      ['A', 0, 100, 0],
      ['B', 100, 50, 0],
      ['A', 150, 100, 150],
    ]);
  });

  test('drop-frame labels that do not exist are told, and a decimal point before the frames is read', () => {
    const at = clockOf(RATES.get('29.97'));
    const { clips, notes } = list(
      `FCM: DROP FRAME
001  A V C 00:00:00;00 00:00:04;00 01:00:00;00 01:00:04;00
002  B V C 00:00:00;00 00:00:04;00 01:01:00;00 01:01:04;00
003  C V C 00:00:00.00 00:00:04.00 01:00:04.00 01:00:08.00`,
      at,
    );
    expect(clips.map(({ name }) => name)).toEqual(['A', 'C']);
    expect(notes.some((note) => note.startsWith('Line 3'))).toBe(true);
  });
});
