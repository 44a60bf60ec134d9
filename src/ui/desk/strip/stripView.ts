'use client';
import { createContext, useContext } from 'react';
import { cutFrames } from '@/core/project/clips';
import { endOf } from '@/core/project/lanes';
import type { DeskStore } from '../deskStore';

/** How the strip maps time to the screen, and what a drag on it stops at. */
export interface StripView {
  readonly pxPerFrame: number;
  readonly playFrame: number;
  /** The frames that are in view, and a little more on both sides. */
  readonly fromFrame: number;
  readonly toFrame: number;
  /** Shows the line that a drag stopped at. */
  onSnap(frame: number | null): void;
}

export const HEAD_PX = 72;
export const LANE_PX = 38;
export const SNAP_REACH_PX = 7;

const StripContext = createContext<StripView | null>(null);
export const StripProvider = StripContext.Provider;

/** How the strip is shown. */
export function useStrip(): StripView {
  const view = useContext(StripContext);
  if (view === null) throw new Error('This part belongs on the strip');
  return view;
}

/** Every frame that a drag may stop at: the start, the playhead, cuts, markers, and the edges of other titles. */
export function stopsOn(store: DeskStore, playFrame: number, except: ReadonlySet<string>): number[] {
  const { titles, clips, plan } = store.getState();
  return [
    0,
    playFrame,
    ...cutFrames(clips),
    ...plan.markers.map(({ frame }) => frame),
    ...titles.flatMap((one) => (except.has(one.id) ? [] : [one.startFrame, endOf(one)])),
  ];
}
