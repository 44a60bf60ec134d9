'use client';
import { nanoid } from 'nanoid';
import { useCallback } from 'react';
import { designFrames } from '@/core/timeline/stretch';
import { useDesk } from './deskContext';
import { freeLane } from './deskStore';

/** Places a title of an edition at a frame, with the design's own length, where nothing else is in its way. */
export function useAddTitle(frame: number): (editionId: string) => void {
  const { store, editions, rate, select } = useDesk();
  return useCallback(
    (editionId) => {
      const edition = editions.get(editionId);
      if (edition === undefined) return;
      const id = nanoid(12);
      const lengthFrames = designFrames(edition.document.timing, rate);
      store.getState().apply((titles) => [
        ...titles,
        {
          id,
          editionId,
          startFrame: frame,
          lengthFrames,
          lane: freeLane(titles, frame, lengthFrames),
          values: {},
        },
      ]);
      select(id);
    },
    [store, editions, rate, select, frame],
  );
}
