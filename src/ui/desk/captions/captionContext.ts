'use client';
import { useCallback, useMemo } from 'react';
import { useStore } from 'zustand';
import type { CaptionRules, CaptionTrack, Cue } from '@/core/model/captions';
import { captionRules } from '@/core/model/house';
import { useHouse } from '../../shared/useHouse';
import { useApplyWork, useDesk, useDeskUi, usePlan } from '../deskContext';

const NONE: readonly CaptionTrack[] = [];

/** The caption tracks of the project. */
export function useTracks(): readonly CaptionTrack[] {
  return usePlan().captions ?? NONE;
}

/** The caption track that is worked on and seen; null where there is none. */
export function useTrack(): CaptionTrack | null {
  const tracks = useTracks();
  const id = useDeskUi((ui) => ui.trackId);
  return tracks.find((track) => track.id === id) ?? tracks[0] ?? null;
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
  return useCallback(
    (change) =>
      apply((work) => {
        const own = work.cues.filter(({ trackId }) => trackId === id);
        const next = change(own);
        return next === own
          ? work
          : { ...work, cues: [...work.cues.filter(({ trackId }) => trackId !== id), ...next] };
      }),
    [apply, id],
  );
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
