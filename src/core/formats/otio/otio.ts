import { InputError } from '../../kit/inputError';
import type { Clock } from '../../time/clock';
import type { FrameRate } from '../../time/rates';
import { frameNearTicks, isTooLong } from '../../time/ticks';
import type { CutClip, CutList } from '../cutList';
import { fewNotes } from '../cutList';
import type { OtioNode, OtioRange } from './otioNode';
import { otioTimes } from './otioTimes';
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
  const { clips, markers, left, transitions, notes } = readTrack(first, rate);
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
        ? [
            `${tracks.length === 2 ? 'A further track was' : `${tracks.length - 1} further tracks were`} left out: cuts come from the first video track.`,
          ]
        : []),
      ...(left > 0
        ? [
            `${left === 1 ? 'One thing on the track is no clip and was' : `${left} things on the track are no clips and were`} left out.`,
          ]
        : []),
      ...(transitions > 0
        ? [
            `${transitions === 1 ? 'A transition is a cut' : `${transitions} transitions are cuts`} here, where one clip gives way to the next.`,
          ]
        : []),
      ...fewNotes(notes),
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
  readonly transitions: number;
  readonly notes: readonly string[];
}

function readTrack(track: OtioNode, rate: FrameRate): Track {
  const clips: CutClip[] = [];
  const markers: Marker[] = [];
  const children = listIn(track, 'children', 'Timeline, track');
  if (children.length > MOST_CHILDREN)
    throw InputError.of('Timeline, track', `at most ${MOST_CHILDREN} clips`, children.length);
  const notes: string[] = [];
  let at = 0n;
  let [left, transitions] = [0, 0];
  let failed: InputError | null = null;
  for (const [i, child] of children.entries()) {
    const where = `Timeline, clip ${i + 1}`;
    try {
      const node = nodeOf(child, where);
      const kind = schemaOf(node, where);
      if (kind === 'Transition') {
        transitions++;
        continue;
      }
      const { start, length } = shownRange(node, where);
      const end = at + length;
      if (isTooLong(end)) throw InputError.of(where, 'a timeline of at most 277 hours', 'a longer one');
      const startFrame = frameNearTicks(at, rate);
      const lengthFrames = frameNearTicks(end, rate) - startFrame;
      if (kind === 'Clip' && lengthFrames > 0 && node.enabled !== false) {
        const sourceStartFrame = Math.max(0, frameNearTicks(start, rate));
        const name = nameOf(node, where);
        clips.push({ name, startFrame, lengthFrames, sourceStartFrame, ...sourceOf(node, where, rate) });
        notes.push(...speedNotes(node, where, name));
        for (const mark of markersOf(node, where))
          markers.push({
            frame: Math.max(0, frameNearTicks(at + mark.at - start, rate)),
            name: mark.name,
          });
      } else if (kind !== 'Gap' && kind !== 'Clip') left++;
      at = end;
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      failed ??= error;
      const [{ where: place, expected, got }] = error.problems;
      notes.push(`${place}: needs ${expected}, found ${got}. It was left out; what follows it may be early.`);
    }
  }
  // Where nothing can be read, the first reason is the answer.
  if (clips.length === 0 && failed !== null) throw failed;
  return { clips, markers, left, transitions, notes };
}

/** The file that a clip's media is in, and its first timecode, where the timeline says them. */
function sourceOf(
  node: OtioNode,
  where: string,
  rate: FrameRate,
): Pick<CutClip, 'file' | 'sourceFirstFrame'> {
  const media = mediaOf(node, where);
  if (media === null) return {};
  const url = typeof media.target_url === 'string' ? media.target_url : '';
  const last = url.split(/[\\/]/).at(-1) ?? '';
  const available = rangeOf(media.available_range, `${where}, available_range`);
  return {
    ...(last === '' ? {} : { file: decoded(last).slice(0, 200) }),
    ...(available === null ? {} : { sourceFirstFrame: Math.max(0, frameNearTicks(available.start, rate)) }),
  };
}

function decoded(name: string): string {
  try {
    return decodeURIComponent(name);
  } catch {
    // A name with a per cent sign of its own.
    return name;
  }
}

/** What is told of effects that change a clip's speed: here its picture runs at its own. */
function speedNotes(node: OtioNode, where: string, name: string): string[] {
  return listIn(node, 'effects', where).flatMap((one, i) => {
    const effect = nodeOf(one, `${where}, effect ${i + 1}`);
    const kind = schemaOf(effect, `${where}, effect ${i + 1}`);
    if (kind === 'FreezeFrame') return [`“${name}” holds one frame; here its picture goes on.`];
    if (kind !== 'LinearTimeWarp') return [];
    const percent = Math.round(Number(effect.time_scalar ?? 1) * 100);
    return percent === 100 ? [] : [`“${name}” runs at ${percent} %; here its picture runs at its own speed.`];
  });
}

/** The media that a clip shows: the one it names as active, else its first; null for none. */
function mediaOf(node: OtioNode, where: string): OtioNode | null {
  const references = nodeOf(node.media_references ?? {}, `${where}, media_references`);
  const key = node.active_media_reference_key;
  const active = typeof key === 'string' ? references[key] : undefined;
  const media = node.media_reference ?? active ?? Object.values(references)[0] ?? null;
  return media === null ? null : nodeOf(media, `${where}, media`);
}

/** What of a clip is shown: its own range, or all of its media. */
function shownRange(node: OtioNode, where: string): OtioRange {
  const own = rangeOf(node.source_range, `${where}, source_range`);
  if (own !== null) return own;
  const media = mediaOf(node, where);
  const available = media === null ? null : rangeOf(media.available_range, `${where}, available_range`);
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
  const { moment, span, gap } = otioTimes(rate);
  const children: object[] = [];
  let at = 0;
  for (const clip of list.clips) {
    if (clip.startFrame > at) children.push(gap(clip.startFrame - at));
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
