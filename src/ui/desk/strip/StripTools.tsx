'use client';
import {
  Bars3BottomLeftIcon,
  Bars3BottomRightIcon,
  ArrowsPointingInIcon,
  FlagIcon,
  LinkIcon,
  MagnifyingGlassMinusIcon,
  MagnifyingGlassPlusIcon,
  RectangleGroupIcon,
  ScissorsIcon,
  TrashIcon,
  ViewfinderCircleIcon,
} from '@heroicons/react/24/outline';
import { nanoid } from 'nanoid';
import type { ReactNode } from 'react';
import { alignTitles, closeGaps } from '@/core/project/arrangeTitles';
import { cutAt, removeClip } from '@/core/project/clips';
import { spanAt } from '@/core/project/lanes';
import { missingClips } from '@/core/project/pictureMatch';
import type { Player } from '../../picture/usePlayer';
import { classes } from '../../shared/classes';
import { counted } from '../../shared/counted';
import { useApplyTitles, useApplyWork, useClips, useDesk, useDeskUi } from '../deskContext';
import { AddClip } from './AddClip';
import type { StripZoom } from './useStripZoom';

interface Props {
  readonly player: Player;
  readonly zoom: StripZoom;
}

/** What can be done on the strip: zoom, snapping, lining titles up, and changing the pictures. */
export function StripTools({ player, zoom }: Props) {
  const { ui } = useDesk();
  const snaps = useDeskUi((state) => state.snaps);
  const shelfOpen = useDeskUi((state) => state.shelfOpen);
  const icon = 'h-4 w-4';
  return (
    <div className="flex h-8 shrink-0 items-center gap-0.5 border-b border-line px-2">
      <Tool
        label="Show more time"
        tip="−"
        disabled={zoom.atLeast}
        onClick={() => zoom.zoomBy(1 / 1.6, player.frame)}
      >
        <MagnifyingGlassMinusIcon className={icon} />
      </Tool>
      <Tool
        label="Show less time"
        tip="+"
        disabled={zoom.atMost}
        onClick={() => zoom.zoomBy(1.6, player.frame)}
      >
        <MagnifyingGlassPlusIcon className={icon} />
      </Tool>
      <Tool label="Show everything" disabled={zoom.atLeast} onClick={zoom.fit}>
        <ViewfinderCircleIcon className={icon} />
      </Tool>
      <Tool
        label="Snapping"
        tip="Hold Alt to drag without it"
        pressed={snaps}
        onClick={() => ui.setState({ snaps: !snaps })}
      >
        <LinkIcon className={icon} />
      </Tool>
      <Divider />
      <TitleTools />
      <Divider />
      <ClipTools player={player} />
      <MissingPictures />
      <span className="flex-1" />
      <RangeNote />
      <Tool
        label="Shelf drawer"
        tip="Drag templates onto the strip"
        pressed={shelfOpen}
        onClick={() => ui.setState({ shelfOpen: !shelfOpen })}
      >
        <RectangleGroupIcon className={icon} />
      </Tool>
    </div>
  );
}

/** How many pictures are not here; a click looks for them. */
function MissingPictures() {
  const { ui } = useDesk();
  const missing = new Set(missingClips(useClips()).map(({ label, source }) => source?.file || label)).size;
  if (missing === 0) return null;
  return (
    <button
      type="button"
      className="ml-2 rounded-full bg-stop-wash px-2.5 py-0.5 text-[12px] font-semibold whitespace-nowrap text-stop-ink"
      onClick={() => ui.setState({ dialog: 'relink' })}
    >
      {`${counted(missing, 'picture is', 'pictures are')} missing`}
    </button>
  );
}

function TitleTools() {
  const selection = useDeskUi((ui) => ui.selection);
  const apply = useApplyTitles();
  const ids = new Set(selection);
  const few = ids.size < 2;
  const icon = 'h-4 w-4';
  return (
    <>
      <Tool
        label="Align starts"
        tip="of the chosen titles"
        disabled={few}
        onClick={() => apply((now) => alignTitles(now, ids, 'start'))}
      >
        <Bars3BottomLeftIcon className={icon} />
      </Tool>
      <Tool
        label="Align ends"
        tip="of the chosen titles"
        disabled={few}
        onClick={() => apply((now) => alignTitles(now, ids, 'end'))}
      >
        <Bars3BottomRightIcon className={icon} />
      </Tool>
      <Tool
        label="Close gaps"
        tip="between the chosen titles"
        disabled={few}
        onClick={() => apply((now) => closeGaps(now, ids))}
      >
        <ArrowsPointingInIcon className={icon} />
      </Tool>
    </>
  );
}

function ClipTools({ player }: { readonly player: Player }) {
  const { ui, store } = useDesk();
  const clips = useClips();
  const clipId = useDeskUi((state) => state.clipId);
  const apply = useApplyWork();
  const under = spanAt(clips, player.frame);
  const cuttable = under !== undefined && player.frame > under.startFrame;
  const icon = 'h-4 w-4';
  return (
    <>
      <AddClip frame={player.frame} />
      <Tool
        label="Cut the clip at the playhead"
        tip="C"
        disabled={!cuttable}
        onClick={() => apply((work) => cutAt(work, player.frame, () => nanoid(12)))}
      >
        <ScissorsIcon className={icon} />
      </Tool>
      <Tool
        label="Remove the chosen clip"
        disabled={clipId === null}
        onClick={() => {
          if (clipId === null) return;
          apply((work) => removeClip(work, clipId, 'ripple'));
          ui.setState({ clipId: null });
        }}
      >
        <TrashIcon className={icon} />
      </Tool>
      <Tool label="Set a marker at the playhead" tip="M" onClick={() => setMarker(store, player.frame)}>
        <FlagIcon className={icon} />
      </Tool>
    </>
  );
}

/** Puts a marker at a frame, or takes away the one that is there. */
export function setMarker(store: ReturnType<typeof useDesk>['store'], frame: number): void {
  store.getState().applyWork((work) => {
    const others = work.plan.markers.filter((marker) => marker.frame !== frame);
    const there = others.length < work.plan.markers.length;
    const marker = { id: nanoid(8), frame, name: `Marker ${work.plan.markers.length + 1}` };
    return { ...work, plan: { ...work.plan, markers: there ? others : [...others, marker] } };
  });
}

function RangeNote() {
  const { ui, rate } = useDesk();
  const range = useDeskUi((state) => state.range);
  if (range === null) return null;
  return (
    <span className="flex items-center gap-1.5 pr-2 text-[12px] text-soft">
      {`Range of ${(range.lengthFrames / (rate.numerator / rate.denominator)).toFixed(1)} s`}
      <button
        type="button"
        className="font-semibold text-leaf-ink hover:underline"
        onClick={() => ui.setState({ range: null })}
      >
        Clear
      </button>
    </span>
  );
}

function Divider() {
  return <span className="mx-1.5 h-4 w-px bg-line-strong" />;
}

interface ToolProps {
  readonly label: string;
  readonly tip?: string;
  readonly disabled?: boolean;
  readonly pressed?: boolean;
  readonly onClick: () => void;
  readonly children: ReactNode;
}

function Tool({ label, tip, disabled = false, pressed, onClick, children }: ToolProps) {
  return (
    <button
      type="button"
      aria-label={label}
      aria-pressed={pressed}
      title={tip === undefined ? label : `${label} (${tip})`}
      disabled={disabled}
      onClick={onClick}
      className={classes(
        'grid h-6 w-7 place-items-center rounded hover:bg-paper disabled:opacity-40',
        pressed === true ? 'bg-leaf-wash text-leaf-ink' : 'text-soft',
      )}
    >
      {children}
    </button>
  );
}
