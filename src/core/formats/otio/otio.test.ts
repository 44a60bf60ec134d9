import { describe, expect, test } from '@jest/globals';
import { RATES } from '../../units/rates';
import { cutListToOtio, otioToCutList } from './otio';

const rate = RATES.get('25');
const LIST = {
  name: 'Night Ferry',
  clips: [
    { name: 'Night deck', startFrame: 0, lengthFrames: 100, sourceStartFrame: 12 },
    { name: 'Weir', startFrame: 130, lengthFrames: 50, sourceStartFrame: 0 },
  ],
  markers: [{ frame: 40, name: 'Horn' }],
  notes: [],
};
const time = (value: number, of = 24): object => ({ OTIO_SCHEMA: 'RationalTime.1', rate: of, value });
const range = (start: number, length: number): object => ({
  OTIO_SCHEMA: 'TimeRange.1',
  start_time: time(start),
  duration: time(length),
});
const timeline = (children: object[], more: object[] = []): string =>
  JSON.stringify({
    OTIO_SCHEMA: 'Timeline.1',
    name: 'T',
    tracks: {
      OTIO_SCHEMA: 'Stack.1',
      children: [{ OTIO_SCHEMA: 'Track.1', kind: 'Video', children, markers: [] }, ...more],
    },
  });

describe('a timeline', () => {
  test('is written so that it reads the same, gaps and markers too', () => {
    expect(otioToCutList(cutListToOtio(LIST, rate), rate)).toEqual(LIST);
    expect(otioToCutList(cutListToOtio(LIST, RATES.get('29.97')), RATES.get('29.97'))).toEqual(LIST);
  });

  test('of another rate is read in frames of this one', () => {
    const clip = { OTIO_SCHEMA: 'Clip.2', name: 'A', source_range: range(24, 48) };
    expect(otioToCutList(timeline([clip]), rate).clips).toEqual([
      { name: 'A', startFrame: 0, lengthFrames: 50, sourceStartFrame: 25 },
    ]);
  });

  test('takes the media’s range for a clip without its own, markers from clips, and tells what was left out', () => {
    const list = otioToCutList(
      timeline(
        [
          { OTIO_SCHEMA: 'Clip.1', name: 'A', media_reference: { available_range: range(0, 24) } },
          { OTIO_SCHEMA: 'Transition.1' },
          {
            OTIO_SCHEMA: 'Clip.2',
            name: 'B',
            source_range: range(24, 24),
            markers: [{ OTIO_SCHEMA: 'Marker.2', name: 'Here', marked_range: range(36, 0) }],
          },
          { OTIO_SCHEMA: 'Stack.1', name: 'Nested', source_range: range(0, 24) },
        ],
        [{ OTIO_SCHEMA: 'Track.1', kind: 'Audio', children: [] }],
      ),
      rate,
    );
    expect(list.clips.map(({ name, startFrame }) => [name, startFrame])).toEqual([
      ['A', 0],
      ['B', 25],
    ]);
    expect(list.markers).toEqual([{ frame: 38, name: 'Here' }]);
    expect(list.notes).toEqual([
      '1 further tracks were left out: cuts come from the first video track.',
      '1 things on the track are no clips and were left out.',
    ]);
  });

  test.each([
    ['001 AX V C', /expected an OpenTimelineIO file in JSON/],
    ['[]', /Timeline/],
    ['{"OTIO_SCHEMA":"Clip.2"}', /OTIO_SCHEMA: expected text of the form/],
    [
      '{"OTIO_SCHEMA":"Timeline.1","tracks":{"OTIO_SCHEMA":"Stack.1","children":[]}}',
      /expected a video track/,
    ],
    [timeline([{ OTIO_SCHEMA: 'Clip.2', name: 'A' }]), /clip 1: expected a source range/],
    [
      timeline([
        { OTIO_SCHEMA: 'Clip.2', source_range: { start_time: { rate: 0, value: 1 }, duration: time(4) } },
      ]),
      /rate/,
    ],
  ])('%s is refused', (text, message) => {
    expect(() => otioToCutList(text, rate)).toThrow(message);
  });
});
