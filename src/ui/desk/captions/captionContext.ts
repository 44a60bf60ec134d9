'use client';
import { useCallback, useMemo } from 'react';
import { useStore } from 'zustand';
import type { CaptionRules, CaptionTrack, Cue } from '@/core/model/captions';
import { captionRules } from '@/core/model/house';
import type { Plan } from '@/core/model/plan';
import type { Work } from '@/core/project/work';
import { useHouse } from '../../shared/useHouse';
import { useApplyWork, useDesk, useDeskUi, usePlan } from '../deskContext';

const NONE: readonly CaptionTrack[] = [];

/** The caption tracks of the project. */
export function useTracks(): readonly CaptionTrack[] {
  return usePlan().captions ?? NONE;
}

/** The caption track that is worked on and seen; null where there is none. */
export function useTrack(): CaptionTrack | null {
  const plan = usePlan();
  const id = useDeskUi((ui) => ui.trackId);
  return trackOf(plan, id);
}

/** The track with an id; the first where there is none, null for no track at all. */
export function trackOf({ captions = NONE }: Plan, id: string | null): CaptionTrack | null {
  return captions.find((track) => track.id === id) ?? captions[0] ?? null;
}

/** The cues of the track that is worked on, in the order of their starts. */
export function useTrackCues(): readonly Cue[] {
  const id = useTrack()?.id;
  const cues = useStore(useDesk().store, (state) => state.cues);
  return useMemo(() => cues.filter(({ trackId }) => trackId === id), [cues, id]);
}

/** What captions keep to in this House. */
export function useCaptionRules(): CaptionRules {
  return captionRules(useHouse());
}

export type CuesChange = (track: readonly Cue[]) => readonly Cue[];

/** How to change the cues of the track that is worked on; those of other tracks stay. */
export function useApplyCues(): (change: CuesChange) => void {
  const apply = useApplyWork();
  const id = useTrack()?.id;
  return useCallback((change) => apply((work) => withTrackCues(work, id, change)), [apply, id]);
}

/** The work with the cues of one track changed; those of others stay. */
export function withTrackCues(work: Work, trackId: string | undefined, change: CuesChange): Work {
  const own = work.cues.filter((cue) => cue.trackId === trackId);
  const next = change(own);
  if (next === own) return work;
  return { ...work, cues: [...work.cues.filter((cue) => cue.trackId !== trackId), ...next] };
}

/** The chosen cues of the track that is worked on; the first of them is the one that is typed into. */
export function useChosenCues(): readonly Cue[] {
  const ids = useDeskUi((ui) => ui.cueIds);
  const cues = useTrackCues();
  return useMemo(() => {
    const byId = new Map(cues.map((cue) => [cue.id, cue]));
    return ids.flatMap((id) => byId.get(id) ?? []);
  }, [ids, cues]);
}
