'use client';
import { useMemo } from 'react';
import { standsAbove, wordsCover } from '@/core/captions/cuePlace';
import { cueTitle } from '@/core/captions/cueTitle';
import { PLAIN_CAPTION_ID } from '@/core/captions/plainCaption';
import type { Rect } from '@/core/kit/rect';
import type { Cue } from '@/core/model/captions';
import type { Title } from '@/core/model/project';
import { titleIn } from '@/core/project/deliver';
import { endOf, meet } from '@/core/project/lanes';
import { useDelivery, useDesk, useDeskUi, useTitles } from '../deskContext';
import type { TitleCompiler } from '../useTitleCompiler';
import { useTrack, useTrackCues } from './captionContext';

interface ShownCaption {
  readonly cue: Cue;
  /** The cue as a title, below and above; the same where it is put somewhere. */
  readonly below: Title;
  readonly above: Title;
  /** The titles that are on screen with it. */
  readonly beside: readonly Title[];
}

export interface ShownCaptions {
  /** Everything that has to be laid out to know where they stand. */
  readonly seen: readonly Title[];
  /** The captions as titles, where they stand. */
  placed(compiler: TitleCompiler): readonly Title[];
}

/** The captions of the track that is worked on at a frame of the delivery that is shown. */
export function useShownCaptions(frame: number): ShownCaptions {
  const { editions } = useDesk();
  const delivery = useDelivery();
  const titles = useTitles();
  const track = useTrack();
  const cues = useTrackCues();
  const shown = useDeskUi((ui) => ui.captionsShown);
  const at = useMemo(
    () => (shown ? cues.filter((cue) => cue.startFrame <= frame && frame < endOf(cue)) : []),
    [shown, cues, frame],
  );
  // A frame later they are mostly the same.
  const ids = at.map(({ id }) => id).join(' ');
  return useMemo(() => {
    const template = editions.get(track?.editionId ?? PLAIN_CAPTION_ID)?.document;
    const list =
      track === null || template === undefined
        ? []
        : at.map((cue): ShownCaption => ({
            cue,
            below: cueTitle(cue, track, template, cue.place === 'top'),
            above: cueTitle(cue, track, template, true),
            beside: titles
              .filter((title) => meet(title, cue))
              .flatMap((title) => titleIn(title, delivery.id) ?? []),
          }));
    return {
      seen: list.flatMap(({ below, beside }) => [below, ...beside]),
      placed: (compiler) => list.map((one) => placedCaption(one, compiler)),
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the cues at the frame are told apart by their ids
  }, [ids, cues, titles, track, editions, delivery]);
}

function placedCaption({ cue, below, above, beside }: ShownCaption, compiler: TitleCompiler): Title {
  const coverOf = (title: Title): Rect | null => {
    const compiled = compiler(title);
    return compiled === null ? null : wordsCover(compiled);
  };
  if (cue.place !== 'auto' || beside.length === 0) return below;
  const others = beside.flatMap((title) => coverOf(title) ?? []);
  return standsAbove(cue, coverOf(below), others) ? above : below;
}
