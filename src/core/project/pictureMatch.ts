import type { Clip } from '../model/project';
import { MISSING_PICTURE } from '../model/project';
import { plainName } from './swap';

/** A picture that clips can show, by what lists call it. */
export interface KnownPicture {
  /** What a clip calls it. */
  readonly picture: string;
  /** Its file's name, or what it is called. */
  readonly name: string;
  readonly reel?: string;
  /** The timecode of its first frame, in frames of the project; null where nobody knows. */
  readonly firstFrame: number | null;
  /** null for one without an end. */
  readonly lengthFrames: number | null;
}

/** What a list says of where a clip's picture comes from. */
export interface PictureSource {
  readonly name: string;
  readonly reel?: string;
  readonly file?: string;
}

const withoutEnding = (name: string): string => name.replace(/\.[a-z0-9]{2,5}$/i, '');
/** What two names of one file have in common, however they are written and with or without an ending. */
export const plainFileName = (name: string): string => plainName(withoutEnding(name));
// What a list says of a clip whose reel nobody named.
const NO_REEL = new Set(['', 'ax', 'bl', 'black', 'none', 'unknown']);

/**
 * The picture that a list means: by the file's whole name, by file or clip name without an ending, by the reel. undefined
 * where none is called so, or where several of one rank are and nothing says which.
 */
export function findPicture(source: PictureSource, known: readonly KnownPicture[]): KnownPicture | undefined {
  const named = [source.file ?? '', source.name].map((name) => name.trim()).filter((name) => name !== '');
  const exact = new Set(named.map((name) => name.toLowerCase()));
  const plain = new Set(named.map(plainFileName));
  const reel = plainName(source.reel ?? '');
  const ranks: readonly ((one: KnownPicture) => boolean)[] = [
    ({ name }) => exact.has(name.toLowerCase()),
    ({ name }) => plain.has(plainFileName(name)),
    (one) => !NO_REEL.has(reel) && reel === plainName(one.reel ?? withoutEnding(one.name)),
  ];
  for (const fits of ranks) {
    const found = known.filter(fits);
    const pictures = new Set(found.map(({ picture }) => picture));
    if (pictures.size === 1) return found[0];
    if (pictures.size > 1) return undefined;
  }
  return undefined;
}

/** A clip with another picture, showing the moment of it that its own timecode means. */
export function withPicture(clip: Clip, known: KnownPicture): Clip {
  const first = clip.source?.firstFrame ?? 0;
  const next = known.firstFrame ?? first;
  return {
    ...clip,
    picture: known.picture,
    sourceStartFrame: Math.max(0, clip.sourceStartFrame + first - next),
    sourceLengthFrames: known.lengthFrames,
    ...(clip.source === undefined ? {} : { source: { ...clip.source, firstFrame: next } }),
  };
}

/** Whether a clip shows moments that its picture does not have. */
export function isOutside({ sourceStartFrame, lengthFrames, sourceLengthFrames }: Clip): boolean {
  return sourceLengthFrames !== null && sourceStartFrame + lengthFrames > sourceLengthFrames;
}

/** The clips whose pictures are not here. */
export function missingClips(clips: readonly Clip[]): Clip[] {
  return clips.filter(({ picture }) => picture === MISSING_PICTURE);
}

/** What relinking did. */
export interface Relinked {
  readonly clips: readonly Clip[];
  /** How many clips have a picture now that had none, and how many still have none. */
  readonly found: number;
  readonly missing: number;
  /** How many of those that were found show moments that their picture does not have. */
  readonly outside: number;
}

/** Every clip without a picture gets the one that its list means, where that is among those that are known. */
export function relink(clips: readonly Clip[], known: readonly KnownPicture[]): Relinked {
  let [found, outside] = [0, 0];
  const next = clips.map((clip) => {
    if (clip.picture !== MISSING_PICTURE) return clip;
    const picture = findPicture({ name: clip.label, ...clip.source }, known);
    if (picture === undefined) return clip;
    const linked = withPicture(clip, picture);
    found++;
    if (isOutside(linked)) outside++;
    return linked;
  });
  return { clips: next, found, outside, missing: missingClips(next).length };
}
