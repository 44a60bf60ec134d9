import { expect, test } from '@jest/globals';
import { clockOf } from '../../time/clock';
import { RATES } from '../../time/rates';
import { edlToCutList } from '../edl/edl';
import type { PlacedFile } from './placedFiles';
import { placedToCsv } from './placedToCsv';
import { placedToEdls } from './placedToEdl';
import { placedToOtio } from './placedToOtio';

const clock = clockOf(RATES.get('29.97'), { mode: 'drop', startFrame: 107_892 });
const file = (change: Partial<PlacedFile>): PlacedFile => ({
  number: 1,
  file: '001-ilse marrow.mov',
  sha256: 'ab',
  template: 'Name strap',
  words: 'Ilse Marrow · Skipper',
  startFrame: 1798,
  lengthFrames: 100,
  lane: 0,
  fileFrames: 100,
  firstLabel: 109_690,
  ...change,
});
const files = [
  file({}),
  file({ number: 2, file: null, words: '', startFrame: 1950, firstLabel: 109_842 }),
  file({ number: 3, file: '003.png', startFrame: 10, lane: 2, fileFrames: 1, firstLabel: null }),
];
const placed = { name: 'Regatta', clock, files };

interface Track {
  readonly name: string;
  readonly kind: string;
  readonly children: readonly Record<string, unknown>[];
}

test('OTIO: a track for each lane, gaps before, and references by the names of the files that lie beside it', () => {
  const { global_start_time, tracks } = JSON.parse(placedToOtio(placed));
  expect(global_start_time).toEqual({ OTIO_SCHEMA: 'RationalTime.1', rate: 30000 / 1001, value: 107_892 });
  const [first, second]: Track[] = tracks.children;
  expect([first.name, first.kind, second.name]).toEqual(['Titles 1', 'Video', 'Titles 3']);
  const span = (start: number, frames: number): object => ({
    OTIO_SCHEMA: 'TimeRange.1',
    start_time: { OTIO_SCHEMA: 'RationalTime.1', rate: 30000 / 1001, value: start },
    duration: { OTIO_SCHEMA: 'RationalTime.1', rate: 30000 / 1001, value: frames },
  });
  expect(first.children.map((child) => [child.OTIO_SCHEMA, child.source_range])).toEqual([
    ['Gap.1', span(0, 1798)],
    ['Clip.2', span(109_690, 100)],
    ['Gap.1', span(0, 52)],
    ['Clip.2', span(109_842, 100)],
  ]);
  expect(first.children[1].media_references).toEqual({
    DEFAULT_MEDIA: {
      OTIO_SCHEMA: 'ExternalReference.1',
      name: '001-ilse marrow.mov',
      target_url: '001-ilse%20marrow.mov',
      available_range: span(109_690, 100),
    },
  });
  expect(first.children[3].media_references).toMatchObject({
    DEFAULT_MEDIA: { OTIO_SCHEMA: 'MissingReference.1' },
  });
  // A still stands as long as its title.
  expect(second.children[1].media_references).toMatchObject({
    DEFAULT_MEDIA: { available_range: span(0, 100) },
  });
});

test('OTIO: a track has one thing at a time', () => {
  const over = [
    file({}),
    file({ startFrame: 1850, firstLabel: 109_742 }),
    file({ startFrame: 1900, lengthFrames: 10 }),
  ];
  const [track]: Track[] = JSON.parse(placedToOtio({ ...placed, files: over })).tracks.children;
  const frames = track.children.map((child) => JSON.parse(JSON.stringify(child.source_range)).duration.value);
  // The second begins under the first and gives way to it; the third lies wholly under the second.
  expect(frames).toEqual([1798, 100, 52]);
  // What is left of it begins so much later in its file too.
  expect(track.children[2].source_range).toMatchObject({ start_time: { value: 109_742 + 48 } });
});

test('EDL: a list for each lane, with the names of files, sources by their own timecode', () => {
  const [first, second] = placedToEdls(placed);
  expect(first.split('\r\n')).toEqual([
    'TITLE: Regatta, TITLES 1',
    'FCM: DROP FRAME',
    // Frame 1798 from one hour on is 59 s and 28 frames; 1898 is in the minute after, of which two labels are left out.
    '001  AX       V     C        01:00:59;28 01:01:03;10 01:00:59;28 01:01:03;10',
    '* FROM CLIP NAME: 001-ilse marrow.mov',
    '* SOURCE FILE: 001-ilse marrow.mov',
    '* COMMENT: Ilse Marrow · Skipper',
    '* NO FILE: TITLE 2 AT 01:01:05;02',
    '',
  ]);
  expect(second).toContain('001  AX       V     C        00:00:00;00 00:00:03;10 01:00:00;10 01:00:03;20');
  const { clips } = edlToCutList(first, clock);
  expect(clips).toMatchObject([{ startFrame: 1798, lengthFrames: 100, file: '001-ilse marrow.mov' }]);
});

test('CSV: a row for each title, also one without a file', () => {
  const lines = placedToCsv(placed).trim().split('\r\n');
  expect(lines).toHaveLength(4);
  expect(lines[1]).toBe(
    '1,01:00:59;28,01:01:03;10,100,1,Name strap,Ilse Marrow · Skipper,001-ilse marrow.mov,ab',
  );
  expect(lines[2]).toBe('2,01:01:05;02,01:01:08;12,100,1,Name strap,,,ab');
});
