import { describe, expect, test } from '@jest/globals';
import { clockOf } from '../../time/clock';
import { RATES } from '../../time/rates';
import { cutListToOtio, otioToCutList } from './otio';

const clock = clockOf(RATES.get('25'));
const LIST = {
  name: 'Night Ferry',
  clips: [
    { name: 'Night deck', startFrame: 0, lengthFrames: 100, sourceStartFrame: 12 },
    { name: 'Weir', startFrame: 130, lengthFrames: 50, sourceStartFrame: 0 },
  ],
  markers: [{ frame: 40, name: 'Horn' }],
  clock: { mode: 'non-drop', startFrame: 90_000 } as const,
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
  test('is written so that it reads the same, gaps, markers and start too', () => {
    const at = clockOf(RATES.get('25'), LIST.clock);
    expect(otioToCutList(cutListToOtio(LIST, at), at)).toEqual(LIST);
  });

  test('begins and ends each clip at the exact sum of what is before it, so that nothing drifts', () => {
    // A thousand clips of 10 frames at 24, read at 25: each ends at 10.41666… frames more than the one before.
    const many = Array.from({ length: 1000 }, (_, i) => ({
      OTIO_SCHEMA: 'Clip.2',
      name: String(i),
      source_range: range(0, 10),
    }));
    const { clips } = otioToCutList(timeline(many), clock);
    clips.forEach(({ startFrame, lengthFrames }, i) => {
      expect(startFrame).toBe(Math.round((i * 10 * 25) / 24));
      expect(startFrame + lengthFrames).toBe(Math.round(((i + 1) * 10 * 25) / 24));
    });
    expect(clips[999].startFrame + clips[999].lengthFrames).toBe(10_417);
  });

  test.each([23.976, 23.98, 23.976023976, 24000 / 1001])(
    'knows the rate that is written as %d',
    (written) => {
      const at24 = (value: number): object => ({ OTIO_SCHEMA: 'RationalTime.1', rate: written, value });
      const clip = {
        OTIO_SCHEMA: 'Clip.2',
        name: 'Hour',
        source_range: { OTIO_SCHEMA: 'TimeRange.1', start_time: at24(0), duration: at24(86_400) },
      };
      // 86 400 frames are 3 603.6 seconds, and those are 90 090 frames at 25.
      expect(otioToCutList(timeline([clip]), clock).clips[0].lengthFrames).toBe(90_090);
    },
  );

  test('has the start that its file says', () => {
    const text = timeline([{ OTIO_SCHEMA: 'Clip.2', name: 'A', source_range: range(0, 24) }]);
    expect(otioToCutList(text, clock).clock).toBeNull();
    const withStart = JSON.stringify({ ...JSON.parse(text), global_start_time: time(86_400) });
    expect(otioToCutList(withStart, clock).clock).toEqual({ mode: 'non-drop', startFrame: 90_000 });
  });

  test('of another rate is read in frames of this one', () => {
    const clip = { OTIO_SCHEMA: 'Clip.2', name: 'A', source_range: range(24, 48) };
    expect(otioToCutList(timeline([clip]), clock).clips).toEqual([
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
      clock,
    );
    expect(list.clips.map(({ name, startFrame }) => [name, startFrame])).toEqual([
      ['A', 0],
      ['B', 25],
    ]);
    expect(list.markers).toEqual([{ frame: 38, name: 'Here' }]);
    expect(list.notes).toEqual([
      'A further track was left out: cuts come from the first video track.',
      'One thing on the track is no clip and was left out.',
      'A transition is a cut here, where one clip gives way to the next.',
    ]);
  });

  test('knows files and their first timecodes, speeds, held frames, and what is switched off', () => {
    const media = (url: string): object => ({
      OTIO_SCHEMA: 'ExternalReference.1',
      target_url: url,
      available_range: range(86_400, 2400),
    });
    const { clips, notes } = otioToCutList(
      timeline([
        {
          OTIO_SCHEMA: 'Clip.2',
          name: 'A',
          source_range: range(86_424, 24),
          media_references: {
            OTHER: media('file:///x/proxy.mov'),
            DEFAULT_MEDIA: media('file:///rushes/Weir%20close.mov'),
          },
          active_media_reference_key: 'DEFAULT_MEDIA',
          effects: [{ OTIO_SCHEMA: 'LinearTimeWarp.1', time_scalar: 2 }],
        },
        { OTIO_SCHEMA: 'Clip.2', name: 'Off', source_range: range(0, 24), enabled: false },
        {
          OTIO_SCHEMA: 'Clip.2',
          name: 'B',
          source_range: range(0, 24),
          media_references: { DEFAULT_MEDIA: media('100%.mov') },
          effects: [{ OTIO_SCHEMA: 'FreezeFrame.1', time_scalar: 0 }],
        },
      ]),
      clock,
    );
    expect(clips).toEqual([
      {
        name: 'A',
        startFrame: 0,
        lengthFrames: 25,
        sourceStartFrame: 90_025,
        file: 'Weir close.mov',
        sourceFirstFrame: 90_000,
      },
      {
        name: 'B',
        startFrame: 50,
        lengthFrames: 25,
        sourceStartFrame: 0,
        file: '100%.mov',
        sourceFirstFrame: 90_000,
      },
    ]);
    expect(notes).toEqual([
      '“A” runs at 200 %; here its picture runs at its own speed.',
      '“B” holds one frame; here its picture goes on.',
    ]);
  });

  test('one clip that cannot be read is told, and the others are read', () => {
    const { clips, notes } = otioToCutList(
      timeline([
        { OTIO_SCHEMA: 'Clip.2', name: 'A', source_range: range(0, 24) },
        { OTIO_SCHEMA: 'Clip.2', name: 'B' },
        { OTIO_SCHEMA: 'Clip.2', name: 'C', source_range: range(0, 24) },
      ]),
      clock,
    );
    expect(clips.map(({ name }) => name)).toEqual(['A', 'C']);
    expect(notes[0]).toMatch(/^Timeline, clip 2: needs a source range .* what follows it may be early\.$/);
  });

  test.each([
    ['001 AX V C', /needs an OpenTimelineIO file in JSON/],
    ['[]', /Timeline/],
    ['{"OTIO_SCHEMA":"Clip.2"}', /OTIO_SCHEMA: needs a Timeline/],
    ['{"OTIO_SCHEMA":"Timeline.1","tracks":{"OTIO_SCHEMA":"Stack.1","children":[]}}', /needs a video track/],
    [timeline([{ OTIO_SCHEMA: 'Clip.2', name: 'A' }]), /clip 1: needs a source range/],
    [
      timeline([
        { OTIO_SCHEMA: 'Clip.2', source_range: { start_time: { rate: 0, value: 1 }, duration: time(4) } },
      ]),
      /rate/,
    ],
  ])('%s is refused', (text, message) => {
    expect(() => otioToCutList(text, clock)).toThrow(message);
  });
});
