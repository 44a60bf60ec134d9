import { LONGEST_NAME, MISSING_PICTURE, newClip } from '../model/project';
import type { CutList } from '../formats/cutList';
import { SCENES } from '../scenes';
import { plainName } from './swap';
import type { Work } from './work';

/**
 * The work with a cut list's clips in place of its own, and its markers besides those that are there. A clip keeps the
 * picture that a clip of the same name had, or gets the stand-in of that name; one with neither is missing its picture.
 */
export function cutListToWork(work: Work, list: CutList, newId: () => string): Work {
  const byName = new Map(work.clips.map((clip) => [plainName(clip.label), clip]));
  const clips = list.clips.map(({ name, startFrame, lengthFrames, sourceStartFrame }) => {
    const before = byName.get(plainName(name));
    const scene = SCENES.list.find(
      ({ id, label }) => plainName(label) === plainName(name) || id === plainName(name).replaceAll(' ', '-'),
    );
    return newClip({
      id: newId(),
      picture: before?.picture ?? scene?.id ?? MISSING_PICTURE,
      label: name.slice(0, LONGEST_NAME),
      startFrame,
      lengthFrames,
      sourceStartFrame,
      sourceLengthFrames: before?.sourceLengthFrames ?? null,
      place: before?.place ?? '',
      recordedAt: before?.recordedAt ?? '',
    });
  });
  const known = new Set(work.plan.markers.map(({ frame }) => frame));
  const markers = list.markers
    .filter(({ frame }) => !known.has(frame))
    .map(({ frame, name }) => ({ id: newId(), frame, name: name.slice(0, LONGEST_NAME) }));
  return { ...work, clips, plan: { ...work.plan, markers: [...work.plan.markers, ...markers] } };
}
