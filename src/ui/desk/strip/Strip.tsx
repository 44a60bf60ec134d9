'use client';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { DragEvent } from 'react';
import type { Cue } from '@/core/model/captions';
import type { Span } from '@/core/project/lanes';
import { endOf } from '@/core/project/lanes';
import type { Player } from '../../picture/usePlayer';
import { classes } from '../../shared/classes';
import { useClips, useDesk, useDeskUi, useTitles } from '../deskContext';
import { useTrackCues, useTracks } from '../captions/captionContext';
import { usePlaceTitle } from '../usePlaceTitle';
import { Ruler } from './Ruler';
import { StripClip } from './StripClip';
import { StripCue } from './StripCue';
import { StripTitle } from './StripTitle';
import { StripTools } from './StripTools';
import type { StripView } from './stripView';
import { HEAD_PX, LANE_PX, StripProvider, useStrip } from './stripView';
import { useStripZoom } from './useStripZoom';

/** What a template carries while it is dragged from the shelf's drawer. */
export const TEMPLATE_DRAG = 'application/x-gilder-edition';

/** The strip: the project's time, with its pictures, and its titles in lanes; what is higher is nearer the viewer. */
export function Strip({ player, end }: { readonly player: Player; readonly end: number }) {
  const { rate } = useDesk();
  const clips = useClips();
  const titles = useTitles();
  const selection = useDeskUi((ui) => ui.selection);
  const clipId = useDeskUi((ui) => ui.clipId);
  const [snapLine, setSnapLine] = useState<number | null>(null);
  const [box, zoom] = useStripZoom(end + rate.nominal * 4);
  const { pxPerFrame, widthPx, fromFrame, toFrame } = zoom;
  useReveal(player, zoom.reveal);
  const view = useMemo<StripView>(
    () => ({ pxPerFrame, playFrame: player.frame, fromFrame, toFrame, onSnap: setSnapLine }),
    [pxPerFrame, player.frame, fromFrame, toFrame],
  );
  const lanes = Math.max(1, ...titles.map((title) => title.lane)) + 1;
  const inView = <T extends Span>(list: readonly T[]): readonly T[] =>
    zoom.ready ? list.filter((one) => one.startFrame < toFrame && endOf(one) > fromFrame) : [];
  const seen = inView(titles);
  const seenClips = inView(clips);
  const cues = useTrackCues();
  const chosen = new Set(selection);
  const drop = useTemplateDrop(pxPerFrame, setSnapLine);
  return (
    <StripProvider value={view}>
      <section
        aria-label="Strip"
        className={classes(
          'relative flex shrink-0 flex-col border-t border-line bg-strip max-[1000px]:[@media(min-height:600px)]:sticky max-[1000px]:bottom-0 max-[1000px]:z-20',
          // With the lane of captions there is room down to the sound under the pictures.
          cues.length > 0 ? 'h-[224px]' : 'h-[200px]',
        )}
      >
        <StripTools player={player} zoom={zoom} />
        <div ref={box} className="min-h-0 flex-1 overflow-auto" tabIndex={-1}>
          <div className="relative min-h-full" style={{ width: widthPx + HEAD_PX }} {...drop}>
            <Ruler player={player} end={end} widthPx={widthPx} />
            {Array.from({ length: lanes }, (_, i) => lanes - 1 - i).map((lane) => (
              <div key={lane} className="flex items-center" style={{ height: LANE_PX }}>
                <RowName>Titles {lane + 1}</RowName>
                <div className="relative h-full" style={{ width: widthPx }} data-lane={lane}>
                  <Overview
                    spans={seen.length > MOST_DRAWN ? seen.filter((title) => title.lane === lane) : []}
                  />
                  {seen
                    .filter((title) => title.lane === lane)
                    .filter((title) => seen.length <= MOST_DRAWN || chosen.has(title.id))
                    .map((title) => (
                      <StripTitle key={title.id} title={title} chosen={chosen.has(title.id)} />
                    ))}
                </div>
              </div>
            ))}
            <CueLane cues={inView(cues)} widthPx={widthPx} />
            <div className="flex items-center" style={{ height: 50 }}>
              <RowName>Picture</RowName>
              <div className="relative h-11" style={{ width: widthPx }} data-clips>
                <Overview spans={seenClips.length > MOST_DRAWN ? seenClips : []} />
                {seenClips
                  .filter((clip) => seenClips.length <= MOST_DRAWN || clip.id === clipId)
                  .map((clip) => (
                    <StripClip key={clip.id} clip={clip} chosen={clip.id === clipId} />
                  ))}
              </div>
            </div>
            {snapLine !== null && (
              <div
                className="pointer-events-none absolute inset-y-0 z-20 w-px bg-leaf"
                style={{ left: HEAD_PX + snapLine * pxPerFrame }}
              />
            )}
            <div
              className="pointer-events-none absolute inset-y-0 z-20 w-0.5 bg-stop"
              style={{ left: HEAD_PX + player.frame * pxPerFrame - 1 }}
              aria-hidden="true"
            />
          </div>
        </div>
      </section>
    </StripProvider>
  );
}

/** The captions of the track that is worked on; no lane for a project without any. */
function CueLane({ cues, widthPx }: { readonly cues: readonly Cue[]; readonly widthPx: number }) {
  const chosen = new Set(useDeskUi((ui) => ui.cueIds));
  if (useTracks().length === 0) return null;
  const many = cues.length > MOST_DRAWN;
  return (
    <div className="flex items-center" style={{ height: 32 }}>
      <RowName>Captions</RowName>
      <div className="relative h-full" style={{ width: widthPx }} data-cues>
        <Overview spans={many ? cues : []} />
        {cues
          .filter((cue) => !many || chosen.has(cue.id))
          .map((cue) => (
            <StripCue key={cue.id} cue={cue} chosen={chosen.has(cue.id)} />
          ))}
      </div>
    </div>
  );
}

// More than so many on one screen are too narrow to be told apart, let alone to be taken hold of.
const MOST_DRAWN = 240;

/** Very many titles or clips as plain bars; nearer, each is drawn by itself. */
function Overview({ spans }: { readonly spans: readonly Span[] }) {
  const { pxPerFrame } = useStrip();
  if (spans.length === 0) return null;
  const bars = spans.map(({ startFrame, lengthFrames }) => {
    const width = Math.max(1, lengthFrames * pxPerFrame - 1);
    return `M${(startFrame * pxPerFrame).toFixed(1)} 5h${width.toFixed(1)}v28h-${width.toFixed(1)}z`;
  });
  return (
    <svg
      className="pointer-events-none absolute inset-y-0 left-0 h-full overflow-visible"
      width="1"
      role="img"
      aria-label={`${spans.length} of them; show less time to take hold of one`}
    >
      <path d={bars.join('')} className="fill-line-strong" />
    </svg>
  );
}

function RowName({ children }: { readonly children: React.ReactNode }) {
  return (
    <span
      className="sticky left-0 z-10 shrink-0 bg-strip pl-3 text-[12px] font-semibold text-soft"
      style={{ width: HEAD_PX }}
    >
      {children}
    </span>
  );
}

/** Keeps the playhead in view when it is moved by anything but the strip itself. */
function useReveal(player: Player, reveal: (frame: number) => void): void {
  const latest = useRef(reveal);
  useEffect(() => {
    latest.current = reveal;
  });
  useEffect(() => latest.current(player.frame), [player.frame]);
}

/** A template that is dropped from the shelf's drawer: on a clip it takes the clip's time, on a lane it starts there. */
function useTemplateDrop(pxPerFrame: number, onSnap: (frame: number | null) => void) {
  const { store } = useDesk();
  const place = usePlaceTitle();
  const frameAt = (event: DragEvent<HTMLElement>): number => {
    const { left } = event.currentTarget.getBoundingClientRect();
    return Math.max(0, Math.round((event.clientX - left - HEAD_PX) / pxPerFrame));
  };
  const carries = (event: DragEvent): boolean => event.dataTransfer.types.includes(TEMPLATE_DRAG);
  return {
    onDragOver: (event: DragEvent<HTMLElement>) => {
      if (!carries(event)) return;
      event.preventDefault();
      event.dataTransfer.dropEffect = 'copy';
      onSnap(frameAt(event));
    },
    onDragLeave: () => onSnap(null),
    onDrop: (event: DragEvent<HTMLElement>) => {
      if (!carries(event)) return;
      event.preventDefault();
      onSnap(null);
      const editionId = event.dataTransfer.getData(TEMPLATE_DRAG);
      const frame = frameAt(event);
      const onClips = event.target instanceof Element && event.target.closest('[data-clips]') !== null;
      const clip = store.getState().clips.find((one) => one.startFrame <= frame && frame < endOf(one));
      place(
        editionId,
        onClips && clip !== undefined ? { kind: 'clip', clip, part: 'whole' } : { kind: 'playhead', frame },
      );
    },
  };
}
