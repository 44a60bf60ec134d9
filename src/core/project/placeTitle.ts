import type { House } from '../model/house';
import type { Clip, Title } from '../model/project';
import { newClip, newTitle } from '../model/project';
import type { Template } from '../model/template';
import { designFrames } from '../titleTime/stretch';
import { SHORTEST_FRAMES } from '../time/rates';
import type { FrameRate } from '../time/rates';
import { secondsToNearestFrames } from '../time/rates';
import { makeRoom } from './clips';
import type { Span } from './lanes';
import { endOf, freeLane } from './lanes';
import type { Work } from './work';

/** Where a new title is put. */
export type Placing =
  | { readonly kind: 'playhead'; readonly frame: number }
  | { readonly kind: 'clip'; readonly clip: Clip; readonly part: 'whole' | 'start' | 'end' }
  | { readonly kind: 'range'; readonly span: Span }
  /** On a background of its own that becomes a clip of the strip. */
  | {
      readonly kind: 'alone';
      readonly frame: number;
      readonly picture: string;
      readonly way: 'ripple' | 'overwrite';
    };

/** The template that a title is made of, and what decides how it starts. */
export interface PlacedEdition {
  readonly id: string;
  readonly template: Template;
  readonly rate: FrameRate;
  readonly timing: House['timing'];
}

/**
 * The work with a new title. It lasts as long as the template suggests, but never beyond the clip or range it is put
 * on; a template without moves of its own fades as the house does. It takes the lowest free lane.
 */
export function placeTitle(
  work: Work,
  edition: PlacedEdition,
  placing: Placing,
  id: string,
  newId: () => string,
): Work {
  const span = spanOf(placing, designFrames(edition.template.timing, edition.rate));
  const room =
    placing.kind === 'alone'
      ? withBackground(makeRoom(work, span, placing.way, newId), span, placing.picture, newId())
      : work;
  const title = newTitle({
    id,
    editionId: edition.id,
    ...span,
    lane: freeLane(room.titles, span),
    ...defaultFades(edition, span.lengthFrames),
  });
  return { ...room, titles: [...room.titles, title] };
}

/** Titles like one, without words, each starting where the one before ends: for rows that are pasted below the last. */
export function titlesAfter(last: Title, count: number, newId: () => string): Title[] {
  const { editionId, lengthFrames, lane, fadeInFrames, fadeOutFrames } = last;
  return Array.from({ length: count }, (_, i) =>
    newTitle({
      id: newId(),
      editionId,
      startFrame: last.startFrame + (i + 1) * lengthFrames,
      lengthFrames,
      lane,
      fadeInFrames,
      fadeOutFrames,
    }),
  );
}

function spanOf(placing: Placing, suggested: number): Span {
  switch (placing.kind) {
    case 'playhead':
    case 'alone':
      return { startFrame: placing.frame, lengthFrames: suggested };
    case 'range':
      return {
        startFrame: placing.span.startFrame,
        lengthFrames: Math.max(SHORTEST_FRAMES, placing.span.lengthFrames),
      };
    case 'clip': {
      const { startFrame, lengthFrames } = placing.clip;
      const length = Math.max(
        SHORTEST_FRAMES,
        placing.part === 'whole' ? lengthFrames : Math.min(suggested, lengthFrames),
      );
      const start = placing.part === 'end' ? endOf(placing.clip) - length : startFrame;
      return { startFrame: Math.max(0, start), lengthFrames: length };
    }
  }
}

function withBackground(work: Work, span: Span, picture: string, id: string): Work {
  const clip = newClip({ id, picture, label: 'Background', ...span });
  return { ...work, clips: [...work.clips, clip] };
}

/** Frames of fade for a title whose template does not move by itself; none for one that does. */
export function defaultFades(
  { template, rate, timing }: Pick<PlacedEdition, 'template' | 'rate' | 'timing'>,
  lengthFrames: number,
): Pick<Title, 'fadeInFrames' | 'fadeOutFrames'> {
  const moves = template.layers.some(
    ({ motion }) =>
      motion.in.length > 0 || (motion.out !== 'mirror' && motion.out.length > 0) || motion.tracks.length > 0,
  );
  if (moves) return { fadeInFrames: 0, fadeOutFrames: 0 };
  const most = Math.floor(lengthFrames / 2);
  return {
    fadeInFrames: Math.min(most, secondsToNearestFrames(timing.fadeInSeconds, rate)),
    fadeOutFrames: Math.min(most, secondsToNearestFrames(timing.fadeOutSeconds, rate)),
  };
}
