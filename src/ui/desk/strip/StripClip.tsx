'use client';
import { memo } from 'react';
import type { Clip } from '@/core/model/project';
import { MISSING_PICTURE } from '@/core/model/project';
import { mergeEntry, mergeList } from '@/core/kit/mergeParts';
import { reorderClip, trimRipple } from '@/core/project/clips';
import type { Work } from '@/core/project/work';
import { workOf } from '@/core/project/work';
import { videoId } from '@/core/display/moving';
import { SCENES } from '@/core/scenes';
import { lengthToTimecode, frameToTimecode } from '@/core/time/clock';
import { frameToSeconds } from '@/core/time/rates';
import { SmallPicture } from '../../picture/SmallPicture';
import { classes } from '../../shared/classes';
import { useClock, useDesk } from '../deskContext';
import { snapFrames } from './stripDrag';
import { SNAP_REACH_PX, useStrip } from './stripView';
import { useStripDrag } from './useStripDrag';
import { Waveform } from './Waveform';

interface Props {
  readonly clip: Clip;
  readonly chosen: boolean;
}

// Narrower clips have no room for a picture beside their name.
const LEAST_PX = 150;
const PICTURE_PX = 78;

/** A clip on the strip: dragged it goes elsewhere in the order, by its ends it is trimmed and what follows moves up. */
export const StripClip = memo(function StripClip({ clip, chosen }: Props) {
  const { pxPerFrame } = useStrip();
  const { rate } = useDesk();
  const clock = useClock();
  const { says, ...handlers } = useClipDrag(clip);
  const plain = clip.picture === MISSING_PICTURE || clip.picture.startsWith('#');
  const pictured = !plain && clip.lengthFrames * pxPerFrame >= LEAST_PX;
  return (
    <button
      type="button"
      aria-label={`Clip ${clip.label}, from ${frameToTimecode(clip.startFrame, clock)}, lasts ${lengthToTimecode(clip.lengthFrames, clock)}`}
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
      {pictured && (
        <span aria-hidden="true" className="pointer-events-none absolute inset-y-0 left-0">
          <SmallPicture
            picture={clip.picture}
            seconds={frameToSeconds(clip.sourceStartFrame, rate)}
            widthPx={PICTURE_PX}
          />
        </span>
      )}
      <Waveform clip={clip} widthPx={Math.max(3, clip.lengthFrames * pxPerFrame - 2)} />
      <span
        className="absolute inset-y-0 right-0 truncate px-1.5 py-1 whitespace-nowrap"
        style={{ left: pictured ? PICTURE_PX : 0 }}
      >
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
  return videoId(picture) !== null
    ? 'linear-gradient(90deg, #3d5a52, #25343a)'
    : 'linear-gradient(90deg, #6a5a43, #413a30)';
}

/** The strip as it was when a clip was taken hold of, and as the drag has last left it. */
interface HeldClip {
  readonly before: Work;
  last: Work;
}

function useClipDrag(clip: Clip) {
  const { store, ui } = useDesk();
  const clock = useClock();
  const { pxPerFrame, playFrame, onSnap } = useStrip();
  const choose = (): void => ui.setState({ clipId: clip.id, selection: [] });
  return useStripDrag<HeldClip>({
    begin() {
      choose();
      const work = workOf(store.getState());
      return { before: work, last: work };
    },
    move({ held, grip, dxPx, snaps }) {
      const { before } = held;
      const own = before.clips.find(({ id }) => id === clip.id) ?? clip;
      const wanted = Math.round(dxPx / pxPerFrame);
      // A hand that only presses moves a little.
      if (grip === 'whole' && Math.abs(dxPx) < 6) return '';
      const stops = snaps ? [playFrame, ...before.plan.markers.map(({ frame }) => frame)] : [];
      const { by, line } = snapFrames(own, grip, wanted, stops, SNAP_REACH_PX / pxPerFrame);
      const work =
        grip === 'whole'
          ? reorderClip(before, clip.id, Math.max(0, own.startFrame + wanted))
          : trimRipple(before, clip.id, grip, by);
      const now = work.clips.find(({ id }) => id === clip.id) ?? clip;
      onSnap(grip === 'whole' ? now.startFrame : line);
      store.getState().applyWork((there) => carriedOn(held.last, work, there));
      held.last = work;
      return grip === 'whole' ? 'moved' : `lasts ${lengthToTimecode(now.lengthFrames, clock)}`;
    },
    choose,
  });
}

/** The work as it is now, with what one step of a drag changes; what another desk changed meanwhile stays. */
function carriedOn(last: Work, next: Work, now: Work): Work {
  return {
    titles: mergeList(last.titles, next.titles, now.titles, mergeEntry),
    clips: mergeList(last.clips, next.clips, now.clips, mergeEntry),
    cues: mergeList(last.cues, next.cues, now.cues, mergeEntry),
    plan: now.plan,
  };
}
