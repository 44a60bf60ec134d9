import type { Clip } from '../model/project';
import type { Span } from './lanes';
import { endOf, spanAt } from './lanes';
import type { Work } from './work';

/**
 * Makes room in the pictures for a span. `ripple` pushes everything from there on back by its length, save titles that
 * are held to their time, and cuts a clip that it falls into in two; `overwrite` takes away what lies there. `newId` names the second part of a cut clip.
 */
export function makeRoom(work: Work, span: Span, way: 'ripple' | 'overwrite', newId: () => string): Work {
  return way === 'ripple' ? ripple(work, span, newId) : overwrite(work, span, newId);
}

function ripple(work: Work, span: Span, newId: () => string): Work {
  const at = span.startFrame;
  const clips = work.clips.flatMap((clip) => {
    if (clip.startFrame >= at) return [shifted(clip, span.lengthFrames)];
    if (endOf(clip) <= at) return [clip];
    const [before, after] = cutClip(clip, at, newId);
    return [before, shifted(after, span.lengthFrames)];
  });
  const push = <T extends { readonly frame: number }>(one: T): T =>
    one.frame >= at ? { ...one, frame: one.frame + span.lengthFrames } : one;
  return {
    clips,
    cues: work.cues.map((cue) => (cue.startFrame >= at ? shifted(cue, span.lengthFrames) : cue)),
    titles: work.titles.map((title) =>
      title.startFrame >= at && title.heldTo === 'clip' ? shifted(title, span.lengthFrames) : title,
    ),
    plan: { ...work.plan, markers: work.plan.markers.map(push) },
  };
}

function overwrite(work: Work, span: Span, newId: () => string): Work {
  const end = endOf(span);
  const clips = work.clips.flatMap((clip): Clip[] => {
    if (endOf(clip) <= span.startFrame || clip.startFrame >= end) return [clip];
    const parts: Clip[] = [];
    if (clip.startFrame < span.startFrame)
      parts.push({ ...clip, lengthFrames: span.startFrame - clip.startFrame });
    if (endOf(clip) > end) {
      const rest = trimClip(clip, 'start', end - clip.startFrame);
      parts.push(parts.length === 0 ? rest : { ...rest, id: newId() });
    }
    return parts;
  });
  return { ...work, clips };
}

/** A clip in two parts at a frame of the project that lies within it. */
export function cutClip(clip: Clip, frame: number, newId: () => string): readonly [Clip, Clip] {
  const first = frame - clip.startFrame;
  return [
    { ...clip, lengthFrames: first },
    { ...trimClip(clip, 'start', first), id: newId() },
  ];
}

/** The work with the clip at a frame cut in two there; the same work where a clip starts or none lies. */
export function cutAt(work: Work, frame: number, newId: () => string): Work {
  const clip = spanAt(work.clips, frame);
  if (clip === undefined || clip.startFrame === frame) return work;
  const parts = cutClip(clip, frame, newId);
  return { ...work, clips: work.clips.flatMap((one) => (one === clip ? parts : [one])) };
}

/** A clip with one end moved by frames; never shorter than a frame, and never from before its picture's start. */
export function trimClip(clip: Clip, end: 'start' | 'end', by: number): Clip {
  if (end === 'end') return { ...clip, lengthFrames: Math.max(1, clip.lengthFrames + by) };
  const least = -Math.min(clip.startFrame, clip.sourceStartFrame);
  const moved = Math.max(least, Math.min(clip.lengthFrames - 1, by));
  return {
    ...clip,
    startFrame: clip.startFrame + moved,
    lengthFrames: clip.lengthFrames - moved,
    sourceStartFrame: clip.sourceStartFrame + moved,
  };
}

/**
 * Moves one end of a clip and what follows with it, so that no gap opens and nothing is covered; titles go along with
 * the clips that they start over. A clip does not reach beyond what its picture has.
 */
export function trimRipple(work: Work, clipId: string, end: 'start' | 'end', by: number): Work {
  const clip = work.clips.find((one) => one.id === clipId);
  if (clip === undefined) return work;
  const most =
    clip.sourceLengthFrames === null
      ? Infinity
      : clip.sourceLengthFrames - clip.sourceStartFrame - clip.lengthFrames;
  const limited = end === 'end' ? Math.min(by, most) : Math.max(by, -clip.sourceStartFrame);
  const length = Math.max(1, clip.lengthFrames + (end === 'end' ? limited : -limited));
  const moved = length - clip.lengthFrames;
  const sourceStartFrame = end === 'end' ? clip.sourceStartFrame : clip.sourceStartFrame - moved;
  const clips = work.clips.map((one) => {
    if (one.id === clipId) return { ...clip, lengthFrames: length, sourceStartFrame };
    return one.startFrame >= endOf(clip) ? shifted(one, moved) : one;
  });
  return withClips(work, clips);
}

/**
 * Puts a clip elsewhere in the order: what lay behind it moves up, what it is put before moves back, and titles go
 * along with the clips that they start over. `frame` is where its start is dropped; it lands at the nearest cut.
 */
export function reorderClip(work: Work, clipId: string, frame: number): Work {
  const clip = work.clips.find((one) => one.id === clipId);
  if (clip === undefined) return work;
  const others = work.clips.filter((one) => one.id !== clipId);
  const closed = others.map((one) =>
    one.startFrame >= endOf(clip) ? shifted(one, -clip.lengthFrames) : one,
  );
  const at = nearestCut(closed, frame);
  const placed = closed.map((one) => (one.startFrame >= at ? shifted(one, clip.lengthFrames) : one));
  return withClips(work, [...placed, { ...clip, startFrame: at }]);
}

/** The work with clips at other times; cues, and titles that are held to the clip that they start over, go along. */
export function withClips(work: Work, clips: readonly Clip[]): Work {
  const before = new Map(work.clips.map((clip) => [clip.id, clip]));
  const moves = new Map<string, number>();
  for (const clip of clips) {
    const old = before.get(clip.id);
    // What a clip shows decides: one whose start is trimmed away keeps its pictures where they are.
    if (old !== undefined)
      moves.set(clip.id, clip.startFrame - clip.sourceStartFrame - (old.startFrame - old.sourceStartFrame));
  }
  const along = <T extends Span>(one: T): T => {
    const clip = spanAt(work.clips, one.startFrame);
    const by = clip === undefined ? 0 : (moves.get(clip.id) ?? 0);
    return by === 0 ? one : shifted(one, by);
  };
  const titles = work.titles.map((title) => (title.heldTo === 'time' ? title : along(title)));
  return { ...work, clips, titles, cues: work.cues.map(along) };
}

/** The work without a clip. `ripple` closes the gap, and titles over later clips go along. */
export function removeClip(work: Work, clipId: string, way: 'ripple' | 'leave'): Work {
  const clip = work.clips.find((one) => one.id === clipId);
  if (clip === undefined) return work;
  const rest = work.clips.filter((one) => one.id !== clipId);
  const clips =
    way === 'leave'
      ? rest
      : rest.map((one) => (one.startFrame >= endOf(clip) ? shifted(one, -clip.lengthFrames) : one));
  return withClips(work, clips);
}

/** The frames at which the pictures change, in order: the start and the end of every clip. */
export function cutFrames(clips: readonly Clip[]): number[] {
  return [...new Set(clips.flatMap((clip) => [clip.startFrame, endOf(clip)]))].sort((a, b) => a - b);
}

function nearestCut(clips: readonly Clip[], frame: number): number {
  const cuts = [0, ...cutFrames(clips)];
  return cuts.reduce((best, cut) => (Math.abs(cut - frame) < Math.abs(best - frame) ? cut : best), 0);
}

function shifted<T extends Span>(span: T, by: number): T {
  return { ...span, startFrame: Math.max(0, span.startFrame + by) };
}
