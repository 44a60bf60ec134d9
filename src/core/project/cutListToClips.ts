import type { Clip } from '../model/project';
import { LONGEST_NAME, MISSING_PICTURE, newClip } from '../model/project';
import type { CutClip, CutList } from '../formats/cutList';
import { SCENES } from '../scenes';
import type { FrameRate } from '../time/rates';
import type { KnownPicture } from './pictureMatch';
import { findPicture, isOutside } from './pictureMatch';
import type { Work } from './work';

/** The clips that a cut list makes in a project, and what should be known of their pictures before they are taken. */
export interface CutClips {
  readonly clips: readonly Clip[];
  readonly notes: readonly string[];
}

/**
 * A cut list's clips as a project shows them. A clip's picture is found by file, name or reel among those that are known
 * (the project's own first, then what was brought in, then the stand-ins); one that is not found is missing. Its own
 * timecode decides which frame is shown; where a picture does not say at which timecode it begins, the whole hour before
 * the first moment that the list uses of it is taken, which is told.
 */
export function cutListToClips(
  list: CutList,
  work: Pick<Work, 'clips'>,
  media: readonly KnownPicture[],
  rate: FrameRate,
  newId: () => string,
): CutClips {
  // Stand-ins are for projects that use them: nobody else asked for any.
  const usesStandIns = work.clips.some(({ picture }) => SCENES.find(picture) !== undefined);
  const known = [...ownPictures(work.clips), ...media, ...(usesStandIns ? standIns() : [])];
  const guessed = new Map<string, number>();
  const clips = list.clips.map((clip): Clip => {
    const found = findPicture(clip, known);
    const first = clip.sourceFirstFrame ?? found?.firstFrame ?? null;
    const firstFrame = first ?? guess(clip, list.clips, rate);
    if (first === null && firstFrame > 0 && found !== undefined) guessed.set(clip.name, firstFrame);
    const before = work.clips.find((one) => one.picture === found?.picture);
    return newClip({
      id: newId(),
      picture: found?.picture ?? MISSING_PICTURE,
      label: clip.name.slice(0, LONGEST_NAME),
      startFrame: clip.startFrame,
      lengthFrames: clip.lengthFrames,
      sourceStartFrame: Math.max(0, clip.sourceStartFrame - firstFrame),
      sourceLengthFrames: found?.lengthFrames ?? null,
      place: before?.place ?? '',
      recordedAt: before?.recordedAt ?? '',
      source: { reel: clip.reel ?? '', file: clip.file ?? '', firstFrame },
    });
  });
  const missing = new Set(
    clips.filter(({ picture }) => picture === MISSING_PICTURE).map(({ label }) => label),
  );
  const outside = clips.filter(isOutside);
  return {
    clips,
    notes: [
      ...(missing.size === 0
        ? []
        : [
            `${missing.size === 1 ? 'One picture is' : `${missing.size} pictures are`} not here: ${few([...missing])}.`,
          ]),
      ...(outside.length === 0
        ? []
        : [
            `${outside.length === 1 ? 'One clip shows' : `${outside.length} clips show`} moments that ${outside.length === 1 ? 'its picture does' : 'their pictures do'} not have: ${few(outside.map(({ label }) => label))}.`,
          ]),
      ...(guessed.size === 0
        ? []
        : [
            `Where these begin is not known, so the hour before their first use was taken: ${few([...guessed.keys()])}.`,
          ]),
    ],
  };
}

const MOST_NAMED = 4;

const few = (names: readonly string[]): string =>
  `${names.slice(0, MOST_NAMED).join(', ')}${names.length > MOST_NAMED ? ` and ${names.length - MOST_NAMED} more` : ''}`;

/** The work with a cut list's markers besides those that are there. */
export function withMarkers(work: Work, list: CutList, newId: () => string): Work {
  const known = new Set(work.plan.markers.map(({ frame }) => frame));
  const markers = list.markers
    .filter(({ frame }) => !known.has(frame))
    .map(({ frame, name }) => ({ id: newId(), frame, name: name.slice(0, LONGEST_NAME) }));
  return { ...work, plan: { ...work.plan, markers: [...work.plan.markers, ...markers] } };
}

/** The pictures that a project's clips show already, by their names. */
function ownPictures(clips: readonly Clip[]): KnownPicture[] {
  return clips
    .filter(({ picture }) => picture !== MISSING_PICTURE)
    .map(({ picture, label, source, sourceLengthFrames }) => ({
      picture,
      name: source?.file || label,
      ...(source === undefined || source.reel === '' ? {} : { reel: source.reel }),
      firstFrame: source?.firstFrame ?? null,
      lengthFrames: sourceLengthFrames,
    }));
}

function standIns(): KnownPicture[] {
  return SCENES.list.flatMap(({ id, label }) =>
    [label, id].map((name) => ({ picture: id, name, firstFrame: null, lengthFrames: null })),
  );
}

/** The whole hour before the earliest moment that a list uses of a source; 0 for one that begins within the first. */
function guess(clip: CutClip, all: readonly CutClip[], rate: FrameRate): number {
  const same = all.filter((one) => one.name === clip.name && (one.file ?? '') === (clip.file ?? ''));
  const first = same.reduce((least, one) => Math.min(least, one.sourceStartFrame), clip.sourceStartFrame);
  const hour = 3600 * rate.nominal;
  return Math.floor(first / hour) * hour;
}
