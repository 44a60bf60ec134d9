import type { Clip, Title } from '../model/project';
import { MISSING_PICTURE } from '../model/project';
import type { Span } from './lanes';
import { endOf, spanAt } from './lanes';
import { plainName } from './swap';
import type { Work } from './work';

type HeldSpan = Pick<Title, 'id' | 'startFrame' | 'lengthFrames' | 'heldTo'>;

/** What becomes of a title when its project is cut anew. */
export interface RecutTitle {
  readonly titleId: string;
  /** Where it starts now. */
  readonly stayFrame: number;
  /** Where the moment that it stands over is in the new cut; null where it is not in it any more. */
  readonly alongFrame: number | null;
  /** What is proposed: that it goes along with its pictures, or stays at its time. */
  readonly proposed: 'along' | 'stay';
  /** Why somebody should look at it; null for one that is plain. */
  readonly doubt: 'gone' | 'several' | 'overEnd' | 'noPicture' | null;
}

const sourceKey = ({ source, label, picture }: Clip): string =>
  source === undefined
    ? plainName(label || picture)
    : plainName(source.file || label || source.reel || picture);

/** The moment of a clip's picture that a frame of the project shows. */
const pictureFrame = (clip: Clip, frame: number): number => frame - clip.startFrame + clip.sourceStartFrame;

/** The frame of the project at which a new clip shows what an old one shows at a frame; null where it does not. */
function momentIn(next: Clip, clip: Clip, frame: number): number | null {
  const samePicture = next.picture === clip.picture && clip.picture !== MISSING_PICTURE;
  if (!samePicture && sourceKey(next) !== sourceKey(clip)) return null;
  // Of one picture the place in it counts; else both sources count by their own timecode.
  const shift = samePicture ? 0 : (clip.source?.firstFrame ?? 0) - (next.source?.firstFrame ?? 0);
  const found = next.startFrame + pictureFrame(clip, frame) + shift - next.sourceStartFrame;
  return found >= next.startFrame && found < endOf(next) ? found : null;
}

/**
 * Where the titles of a project go when its clips are replaced: each stands over a moment of a source, and that moment is
 * looked for in the new clips. Titles that are held to their time stay. Nothing is changed; see `applyRecut`.
 */
export function planRecut(
  { titles, clips }: { readonly titles: readonly HeldSpan[]; readonly clips: Work['clips'] },
  next: readonly Clip[],
): RecutTitle[] {
  return titles.map((title) => {
    const stay = {
      titleId: title.id,
      stayFrame: title.startFrame,
      alongFrame: null,
      proposed: 'stay',
    } as const;
    const clip = spanAt(clips, title.startFrame);
    if (title.heldTo === 'time') return { ...stay, doubt: null };
    if (clip === undefined) return { ...stay, doubt: spanAt(next, title.startFrame) ? null : 'noPicture' };
    const places = next.flatMap((one) => {
      const frame = momentIn(one, clip, title.startFrame);
      return frame === null ? [] : [{ clip: one, frame }];
    });
    if (places.length === 0) return { ...stay, doubt: 'gone' };
    const nearest = places.reduce((best, one) =>
      Math.abs(one.frame - title.startFrame) < Math.abs(best.frame - title.startFrame) ? one : best,
    );
    const over = outlasts(clip, title) ? false : nearest.frame + title.lengthFrames > endOf(nearest.clip);
    return {
      ...stay,
      alongFrame: nearest.frame,
      proposed: 'along',
      doubt: places.length > 1 ? 'several' : over ? 'overEnd' : null,
    };
  });
}

const outlasts = (clip: Clip, title: Span): boolean => endOf(title) > endOf(clip);

/**
 * The work with new clips, and its titles where they were chosen to go; those without a choice as was proposed. Cues go
 * along with their pictures, where those are still there.
 */
export function applyRecut(
  work: Work,
  next: readonly Clip[],
  plan: readonly RecutTitle[],
  chosen: ReadonlyMap<string, 'along' | 'stay'> = new Map(),
): Work {
  const starts = new Map(
    plan.map(({ titleId, proposed, alongFrame, stayFrame }) => [
      titleId,
      (chosen.get(titleId) ?? proposed) === 'along' ? (alongFrame ?? stayFrame) : stayFrame,
    ]),
  );
  const held = work.cues.map((cue) => ({ ...cue, heldTo: 'clip' as const }));
  for (const { titleId: cueId, alongFrame } of planRecut({ titles: held, clips: work.clips }, next))
    if (alongFrame !== null) starts.set(cueId, alongFrame);
  const put = <T extends Span & { readonly id: string }>(one: T): T => {
    const startFrame = starts.get(one.id) ?? one.startFrame;
    return startFrame === one.startFrame ? one : { ...one, startFrame };
  };
  return { ...work, clips: next, titles: work.titles.map(put), cues: work.cues.map(put) };
}
