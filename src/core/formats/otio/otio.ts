import * as yup from 'yup';
import { checkValue } from '../../model/check';
import { InputError } from '../../kit/inputError';
import type { Clock } from '../../time/clock';
import type { FrameRate } from '../../time/rates';
import type { Rational } from '../../time/rational';
import {
  add,
  divide,
  fromNumber,
  rateFromNumber,
  rational,
  roundRational,
  subtract,
  times,
  ZERO,
} from '../../time/rational';
import type { CutClip, CutList } from '../cutList';

interface Time {
  readonly rate: number;
  readonly value: number;
}

interface TimeRange {
  readonly start_time: Time;
  readonly duration: Time;
}

interface Node {
  readonly OTIO_SCHEMA: string;
  readonly name?: string | null;
  readonly kind?: string | null;
  readonly children?: readonly Node[] | null;
  readonly source_range?: TimeRange | null;
  readonly markers?: readonly { readonly name?: string | null; readonly marked_range: TimeRange }[] | null;
  readonly media_references?: Readonly<
    Record<string, { readonly available_range?: TimeRange | null }>
  > | null;
  readonly media_reference?: { readonly available_range?: TimeRange | null } | null;
}

const time = yup.object({ rate: yup.number().required().moreThan(0), value: yup.number().required() });
const range = yup.object({ start_time: time.required(), duration: time.required() });
const DEEPEST = 12;

const node = (depth: number): yup.Schema =>
  yup.object({
    OTIO_SCHEMA: yup.string().required(),
    source_range: range.nullable().default(undefined),
    markers: yup
      .array()
      .of(yup.object({ marked_range: range.required() }))
      .nullable()
      .max(20_000),
    children:
      depth === 0
        ? yup.mixed()
        : yup
            .array()
            .of(yup.lazy(() => node(depth - 1)))
            .nullable()
            .max(20_000),
  });

/**
 * The cuts of an OpenTimelineIO timeline (Timeline.1 in JSON): the clips of its first video track, gaps left out, and
 * the markers of the timeline, its tracks and its clips, in frames of the project's rate. Times are added up as fractions
 * and only where something begins or ends they are rounded to frames, so long timelines do not drift. Throws InputError
 * for what is none.
 */
export function otioToCutList(text: string, { rate, mode }: Clock): CutList {
  const root = parseJson(text);
  const timeline = checkValue<Node & { readonly tracks: Node; readonly global_start_time?: Time | null }>(
    yup.object({
      OTIO_SCHEMA: yup
        .string()
        .required()
        .matches(/^Timeline\.\d+$/),
      tracks: node(DEEPEST).required(),
      global_start_time: time.nullable().default(undefined),
    }),
    root,
    'Timeline',
  );
  const tracks = timeline.tracks.children ?? [];
  const video = tracks.filter((track) => schemaOf(track) === 'Track' && (track.kind ?? 'Video') === 'Video');
  if (video.length === 0) throw InputError.of('Timeline, tracks', 'a video track', `${tracks.length} tracks`);
  const [first] = video;
  const { clips, markers, left } = readTrack(first, rate);
  const own = [...(timeline.tracks.markers ?? []), ...(first.markers ?? [])].map(
    ({ name, marked_range }) => ({
      frame: Math.max(0, frameAt(secondsOf(marked_range.start_time), rate)),
      name: name ?? '',
    }),
  );
  const start = timeline.global_start_time;
  const notes = [
    ...(tracks.length > 1
      ? [`${tracks.length - 1} further tracks were left out: cuts come from the first video track.`]
      : []),
    ...(left > 0 ? [`${left} things on the track are no clips and were left out.`] : []),
  ];
  return {
    name: timeline.name ?? '',
    clips,
    markers: [...own, ...markers].toSorted((a, b) => a.frame - b.frame),
    clock: start == null ? null : { mode, startFrame: Math.max(0, frameAt(secondsOf(start), rate)) },
    notes,
  };
}

function readTrack(
  track: Node,
  rate: FrameRate,
): { clips: CutClip[]; markers: CutList['markers'][number][]; left: number } {
  const clips: CutClip[] = [];
  const markers: CutList['markers'][number][] = [];
  let at = ZERO;
  let left = 0;
  for (const [i, child] of (track.children ?? []).entries()) {
    const kind = schemaOf(child);
    if (kind === 'Transition') continue;
    const shown = child.source_range ?? availableRange(child);
    if (shown === null)
      throw InputError.of(
        `Timeline, clip ${i + 1}`,
        'a source range or the available range of its media',
        child.name,
      );
    const [from, length] = [secondsOf(shown.start_time), secondsOf(shown.duration)];
    const end = length.n > 0n ? add(at, length) : at;
    const startFrame = frameAt(at, rate);
    const lengthFrames = frameAt(end, rate) - startFrame;
    if (kind === 'Clip' && lengthFrames > 0) {
      const sourceStartFrame = Math.max(0, frameAt(from, rate));
      clips.push({ name: child.name ?? '', startFrame, lengthFrames, sourceStartFrame });
      for (const mark of child.markers ?? [])
        markers.push({
          frame: frameAt(add(at, subtract(secondsOf(mark.marked_range.start_time), from)), rate),
          name: mark.name ?? '',
        });
    } else if (kind !== 'Gap' && kind !== 'Clip') left++;
    at = end;
  }
  return { clips, markers, left };
}

function availableRange({ media_reference, media_references }: Node): TimeRange | null {
  const [first] = Object.values(media_references ?? {});
  return media_reference?.available_range ?? first?.available_range ?? null;
}

const schemaOf = (one: Node): string => one.OTIO_SCHEMA.split('.')[0];

/** A time in seconds, exactly. Throws InputError for one that is no time. */
function secondsOf({ value, rate }: Time): Rational {
  try {
    return divide(fromNumber(value), rateFromNumber(rate));
  } catch {
    throw InputError.of('Timeline', 'a time of finite value at a rate above 0', `${value} at ${rate}`);
  }
}

/** The frame that begins nearest to a time. */
function frameAt(seconds: Rational, { numerator, denominator }: FrameRate): number {
  return roundRational(times(seconds, rational(BigInt(numerator), BigInt(denominator))));
}

function parseJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    throw InputError.of('Timeline', 'an OpenTimelineIO file in JSON', text.slice(0, 40));
  }
}

/** A cut list as an OpenTimelineIO timeline with one video track; its clips have no media. */
export function cutListToOtio(list: CutList, { rate, startFrame }: Clock): string {
  const perSecond = rate.numerator / rate.denominator;
  const moment = (value: number): object => ({ OTIO_SCHEMA: 'RationalTime.1', rate: perSecond, value });
  const span = (start: number, length: number): object => ({
    OTIO_SCHEMA: 'TimeRange.1',
    start_time: moment(start),
    duration: moment(length),
  });
  const children: object[] = [];
  let at = 0;
  for (const clip of list.clips) {
    if (clip.startFrame > at)
      children.push({ OTIO_SCHEMA: 'Gap.1', name: '', source_range: span(0, clip.startFrame - at) });
    children.push({
      OTIO_SCHEMA: 'Clip.2',
      name: clip.name,
      source_range: span(clip.sourceStartFrame, clip.lengthFrames),
      media_references: { DEFAULT_MEDIA: { OTIO_SCHEMA: 'MissingReference.1', name: clip.name } },
      active_media_reference_key: 'DEFAULT_MEDIA',
    });
    at = clip.startFrame + clip.lengthFrames;
  }
  const markers = list.markers.map(({ frame, name }) => ({
    OTIO_SCHEMA: 'Marker.2',
    name,
    marked_range: span(frame, 0),
  }));
  const track = { OTIO_SCHEMA: 'Track.1', name: 'Pictures', kind: 'Video', children, markers };
  const timeline = {
    OTIO_SCHEMA: 'Timeline.1',
    name: list.name,
    global_start_time: moment(startFrame),
    tracks: { OTIO_SCHEMA: 'Stack.1', name: 'tracks', children: [track] },
  };
  return `${JSON.stringify(timeline, null, 2)}\n`;
}
