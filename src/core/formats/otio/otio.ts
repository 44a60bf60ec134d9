import { InputError } from '../../kit/inputError';
import type { Clock } from '../../time/clock';
import type { FrameRate } from '../../time/rates';
import { frameNearTicks, isTooLong } from '../../time/ticks';
import type { CutClip, CutList } from '../cutList';
import type { OtioNode, OtioRange } from './otioNode';
import { listIn, nameOf, nodeOf, rangeOf, schemaOf, timeOf } from './otioNode';

type Marker = CutList['markers'][number];

const LONGEST_TEXT = 64 * 1024 * 1024;
const MOST_CHILDREN = 200_000;

/**
 * The cuts of an OpenTimelineIO timeline (Timeline.1 in JSON): the clips of its first video track, gaps left out, and
 * the markers of the timeline, its tracks and its clips, in frames of the project's rate. Times are added up exactly and
 * only where something begins or ends they are rounded to frames, so long timelines do not drift. Throws InputError, with
 * where it is, for what is none.
 */
export function otioToCutList(text: string, { rate, mode }: Clock): CutList {
  const timeline = nodeOf(parseJson(text), 'Timeline');
  if (schemaOf(timeline, 'Timeline') !== 'Timeline')
    throw InputError.of('Timeline, OTIO_SCHEMA', 'a Timeline', timeline.OTIO_SCHEMA);
  const stack = nodeOf(timeline.tracks, 'Timeline, tracks');
  const tracks = listIn(stack, 'children', 'Timeline, tracks').map((track, i) =>
    nodeOf(track, `Timeline, track ${i + 1}`),
  );
  const first = tracks.find((track, i) => isVideo(track, `Timeline, track ${i + 1}`));
  if (first === undefined)
    throw InputError.of('Timeline, tracks', 'a video track', `${tracks.length} tracks`);
  const { clips, markers, left } = readTrack(first, rate);
  const own = [...markersOf(stack, 'Timeline'), ...markersOf(first, 'Timeline, track')];
  const start = timeline.global_start_time ?? null;
  const startFrame =
    start === null ? null : frameNearTicks(timeOf(start, 'Timeline, global_start_time'), rate);
  return {
    name: nameOf(timeline, 'Timeline'),
    clips,
    markers: [
      ...own.map(({ at, name }) => ({ frame: Math.max(0, frameNearTicks(at, rate)), name })),
      ...markers,
    ].toSorted((a, b) => a.frame - b.frame),
    clock: startFrame === null ? null : { mode, startFrame: Math.max(0, startFrame) },
    notes: [
      ...(tracks.length > 1
        ? [`${tracks.length - 1} further tracks were left out: cuts come from the first video track.`]
        : []),
      ...(left > 0 ? [`${left} things on the track are no clips and were left out.`] : []),
    ],
  };
}

function isVideo(track: OtioNode, where: string): boolean {
  return schemaOf(track, where) === 'Track' && (track.kind ?? 'Video') === 'Video';
}

interface Track {
  readonly clips: CutClip[];
  readonly markers: Marker[];
  readonly left: number;
}

function readTrack(track: OtioNode, rate: FrameRate): Track {
  const clips: CutClip[] = [];
  const markers: Marker[] = [];
  const children = listIn(track, 'children', 'Timeline, track');
  if (children.length > MOST_CHILDREN)
    throw InputError.of('Timeline, track', `at most ${MOST_CHILDREN} clips`, children.length);
  let at = 0n;
  let left = 0;
  for (const [i, child] of children.entries()) {
    const where = `Timeline, clip ${i + 1}`;
    const node = nodeOf(child, where);
    const kind = schemaOf(node, where);
    if (kind === 'Transition') continue;
    const { start, length } = shownRange(node, where);
    const end = at + length;
    if (isTooLong(end)) throw InputError.of(where, 'a timeline of at most 277 hours', 'a longer one');
    const startFrame = frameNearTicks(at, rate);
    const lengthFrames = frameNearTicks(end, rate) - startFrame;
    if (kind === 'Clip' && lengthFrames > 0) {
      const sourceStartFrame = Math.max(0, frameNearTicks(start, rate));
      clips.push({ name: nameOf(node, where), startFrame, lengthFrames, sourceStartFrame });
      for (const mark of markersOf(node, where))
        markers.push({
          frame: Math.max(0, frameNearTicks(at + mark.at - start, rate)),
          name: mark.name,
        });
    } else if (kind !== 'Gap' && kind !== 'Clip') left++;
    at = end;
  }
  return { clips, markers, left };
}

/** What of a clip is shown: its own range, or all of its media. */
function shownRange(node: OtioNode, where: string): OtioRange {
  const own = rangeOf(node.source_range, `${where}, source_range`);
  if (own !== null) return own;
  const references = node.media_references ?? {};
  const [first] = Object.values(nodeOf(references, `${where}, media_references`));
  const media = node.media_reference ?? first ?? null;
  const available =
    media === null
      ? null
      : rangeOf(nodeOf(media, `${where}, media`).available_range, `${where}, available_range`);
  if (available !== null) return available;
  throw InputError.of(where, 'a source range or the available range of its media', node.name);
}

function markersOf(node: OtioNode, where: string): { readonly at: bigint; readonly name: string }[] {
  return listIn(node, 'markers', where).map((one, i) => {
    const at = `${where}, marker ${i + 1}`;
    const mark = nodeOf(one, at);
    const range = rangeOf(mark.marked_range, `${at}, marked_range`);
    if (range === null) throw InputError.of(`${at}, marked_range`, 'a range', 'none');
    return { at: range.start, name: nameOf(mark, at) };
  });
}

function parseJson(text: string): unknown {
  if (text.length > LONGEST_TEXT) throw InputError.of('Timeline', 'at most 64 MB', `${text.length} bytes`);
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
