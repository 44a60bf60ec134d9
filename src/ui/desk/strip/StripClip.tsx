'use client';
import { memo, useRef, useState } from 'react';
import type { PointerEvent } from 'react';
import type { Clip } from '@/core/document/project';
import { MISSING_PICTURE } from '@/core/document/project';
import { reorderClip, trimRipple } from '@/core/project/clips';
import type { Work } from '@/core/project/work';
import { SCENES } from '@/core/scenes';
import { frameToShortTimecode, frameToTimecode } from '@/core/units/timecode';
import { classes } from '../../shared/classes';
import { useDesk } from '../deskContext';
import { gripAt, snapFrames } from './stripDrag';
import type { Grip } from './stripDrag';
import { SNAP_REACH_PX, useStrip } from './stripView';

interface Props {
  readonly clip: Clip;
  readonly chosen: boolean;
}

interface Drag {
  readonly x: number;
  readonly grip: Grip;
  readonly work: Work;
}

/** A clip on the strip: dragged it goes elsewhere in the order, by its ends it is trimmed and what follows moves up. */
export const StripClip = memo(function StripClip({ clip, chosen }: Props) {
  const { pxPerFrame } = useStrip();
  const { rate } = useDesk();
  const { says, ...handlers } = useClipDrag(clip);
  return (
    <button
      type="button"
      aria-label={`Clip ${clip.label}, from ${frameToTimecode(clip.startFrame, rate)}, lasts ${frameToShortTimecode(clip.lengthFrames, rate)}`}
      aria-pressed={chosen}
      {...handlers}
      className={classes(
        'absolute inset-y-0 touch-none overflow-hidden rounded-md px-1.5 py-1 text-left text-[11px] font-semibold text-white [text-shadow:0_1px_2px_#000]',
        chosen && 'outline-2 -outline-offset-2 outline-leaf-light',
        clip.picture === MISSING_PICTURE && 'border border-dashed border-white/60',
      )}
      style={{
        left: clip.startFrame * pxPerFrame,
        width: Math.max(3, clip.lengthFrames * pxPerFrame - 2),
        background: clipColours(clip.picture),
      }}
    >
      <span className="absolute inset-0 truncate px-1.5 py-1 whitespace-nowrap">
        {says === '' ? clip.label : says}
      </span>
      <span className="absolute inset-y-0 left-0 w-2 cursor-ew-resize" />
      <span className="absolute inset-y-0 right-0 w-2 cursor-ew-resize" />
    </button>
  );
});

function clipColours(picture: string): string {
  const scene = SCENES.find(picture);
  if (scene !== undefined) return `linear-gradient(90deg, ${scene.swatch[0]}, ${scene.swatch[1]})`;
  if (picture.startsWith('#')) return picture;
  if (picture === MISSING_PICTURE) return '#5d5f5c';
  return picture.startsWith('video:')
    ? 'linear-gradient(90deg, #3d5a52, #25343a)'
    : 'linear-gradient(90deg, #6a5a43, #413a30)';
}

function useClipDrag(clip: Clip) {
  const { store, ui, rate } = useDesk();
  const { pxPerFrame, playFrame, onSnap } = useStrip();
  const drag = useRef<Drag | null>(null);
  const [says, setSays] = useState('');
  const choose = (): void => ui.setState({ clipId: clip.id, selection: [] });
  const begin = (event: PointerEvent<HTMLButtonElement>): void => {
    if (event.button !== 0) return;
    choose();
    const grip = gripAt(event.clientX, event.currentTarget.getBoundingClientRect());
    event.currentTarget.setPointerCapture(event.pointerId);
    store.grouping.begin();
    const { titles, clips, plan } = store.getState();
    drag.current = { x: event.clientX, grip, work: { titles, clips, plan } };
  };
  const move = (event: PointerEvent): void => {
    const held = drag.current;
    if (held === null) return;
    const wanted = Math.round((event.clientX - held.x) / pxPerFrame);
    const before = held.work.clips.find(({ id }) => id === clip.id) ?? clip;
    if (held.grip === 'whole') {
      // A hand that only presses moves a little.
      if (Math.abs(event.clientX - held.x) < 6) return;
      const work = reorderClip(held.work, clip.id, Math.max(0, before.startFrame + wanted));
      onSnap(work.clips.find(({ id }) => id === clip.id)?.startFrame ?? null);
      store.getState().applyWork(() => work);
      setSays('moved');
      return;
    }
    const stops = [playFrame, ...held.work.plan.markers.map(({ frame }) => frame)];
    const { by, line } = event.altKey
      ? { by: wanted, line: null }
      : snapFrames(before, held.grip, wanted, stops, SNAP_REACH_PX / pxPerFrame);
    const work = trimRipple(held.work, clip.id, held.grip, by);
    const now = work.clips.find(({ id }) => id === clip.id) ?? clip;
    onSnap(line);
    setSays(`lasts ${frameToShortTimecode(now.lengthFrames, rate)}`);
    store.getState().applyWork(() => work);
  };
  const end = (): void => {
    if (drag.current === null) return;
    drag.current = null;
    store.grouping.end();
    setSays('');
    onSnap(null);
  };
  return {
    says,
    onPointerDown: begin,
    onPointerMove: move,
    onPointerUp: end,
    onPointerCancel: end,
    onClick: (event: React.MouseEvent) => {
      if (event.detail === 0) choose();
    },
  };
}
