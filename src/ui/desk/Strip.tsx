'use client';
import { MagnifyingGlassMinusIcon, MagnifyingGlassPlusIcon } from '@heroicons/react/24/outline';
import { useState } from 'react';
import type { PointerEvent } from 'react';
import { SCENES } from '@/core/scenes';
import { frameToTimecode } from '@/core/units/timecode';
import { useElementSize } from '../picture/useElementSize';
import type { Player } from '../picture/usePlayer';
import { useDesk, useTitles } from './deskContext';
import { StripTitle } from './StripTitle';

const HEAD_PX = 72;
const LANE_PX = 38;
const ZOOMS = [0.5, 1, 2, 4, 8, 16];
// Wide enough for a full timecode and some air.
const RULER_STEP_PX = 104;

/** The strip: the project's time, with its pictures, and its titles in lanes; what is higher is nearer the viewer. */
export function Strip({ player, end }: { readonly player: Player; readonly end: number }) {
  const { clips, rate } = useDesk();
  const titles = useTitles();
  const [box, size] = useElementSize<HTMLDivElement>();
  const [zoom, setZoom] = useState(1);
  const [snapLine, setSnapLine] = useState<number | null>(null);
  const frames = end + rate.nominal * 4;
  const pxPerFrame = (Math.max(200, size.width - HEAD_PX) / frames) * ZOOMS[zoom];
  const width = frames * pxPerFrame;
  const lanes = Math.max(1, ...titles.map((title) => title.lane)) + 1;
  const scrub = (event: PointerEvent<HTMLDivElement>): void => {
    const { left } = event.currentTarget.getBoundingClientRect();
    player.seek(Math.max(0, Math.min(end, Math.round((event.clientX - left) / pxPerFrame))));
  };
  return (
    <section aria-label="Strip" className="relative h-[188px] shrink-0 border-t border-line bg-strip">
      <div className="absolute top-1 left-2 z-30 flex">
        <ZoomButton
          label="Show more time"
          icon={<MagnifyingGlassMinusIcon className="h-4 w-4" />}
          disabled={zoom === 0}
          onClick={() => setZoom(zoom - 1)}
        />
        <ZoomButton
          label="Show less time"
          icon={<MagnifyingGlassPlusIcon className="h-4 w-4" />}
          disabled={zoom === ZOOMS.length - 1}
          onClick={() => setZoom(zoom + 1)}
        />
      </div>
      <div ref={box} className="h-full overflow-auto" tabIndex={-1}>
        <div className="relative min-h-full" style={{ width: width + HEAD_PX }}>
          <div
            role="slider"
            tabIndex={0}
            aria-label="Playhead"
            aria-valuemin={0}
            aria-valuemax={end}
            aria-valuenow={player.frame}
            aria-valuetext={frameToTimecode(player.frame, rate)}
            className="sticky top-0 z-20 h-7 cursor-col-resize touch-none bg-strip"
            style={{ marginLeft: HEAD_PX, width }}
            onPointerDown={(event) => {
              event.currentTarget.setPointerCapture(event.pointerId);
              scrub(event);
            }}
            onPointerMove={(event) => event.buttons === 1 && scrub(event)}
          >
            <Ruler width={width} pxPerFrame={pxPerFrame} />
          </div>
          {Array.from({ length: lanes }, (_, i) => lanes - 1 - i).map((lane) => (
            <div key={lane} className="flex items-center" style={{ height: LANE_PX }}>
              <span
                className="sticky left-0 z-10 shrink-0 bg-strip pl-3 text-[12px] font-semibold text-soft"
                style={{ width: HEAD_PX }}
              >
                Titles {lane + 1}
              </span>
              <div className="relative h-full" style={{ width }}>
                {titles
                  .filter((title) => title.lane === lane)
                  .map((title) => (
                    <StripTitle
                      key={title.id}
                      title={title}
                      pxPerFrame={pxPerFrame}
                      playFrame={player.frame}
                      laneHeightPx={LANE_PX}
                      onSnap={setSnapLine}
                    />
                  ))}
              </div>
            </div>
          ))}
          <div className="flex items-center" style={{ height: 54 }}>
            <span
              className="sticky left-0 z-10 shrink-0 bg-strip pl-3 text-[12px] font-semibold text-soft"
              style={{ width: HEAD_PX }}
            >
              Picture
            </span>
            <div className="relative h-12" style={{ width }}>
              {clips.map((clip) => {
                const [from, to] = (SCENES.find(clip.scene) ?? SCENES.list[0]).swatch;
                return (
                  <div
                    key={clip.id}
                    className="absolute inset-y-0 overflow-hidden rounded-md px-1.5 py-1 text-[11px] font-semibold text-white [text-shadow:0_1px_2px_#000]"
                    style={{
                      left: clip.startFrame * pxPerFrame,
                      width: clip.lengthFrames * pxPerFrame - 2,
                      background: `linear-gradient(90deg, ${from}, ${to})`,
                    }}
                  >
                    {clip.label}
                  </div>
                );
              })}
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
  );
}

function Ruler({ width, pxPerFrame }: { readonly width: number; readonly pxPerFrame: number }) {
  const { rate } = useDesk();
  const steps = [1, 2, 5, 10, 15, 30, 60, 120, 300, 600].map((seconds) => seconds * rate.nominal);
  const step = steps.find((frames) => frames * pxPerFrame >= RULER_STEP_PX) ?? steps[steps.length - 1];
  const marks = Array.from({ length: Math.floor(width / (step * pxPerFrame)) + 1 }, (_, i) => i * step);
  return (
    <>
      {marks.map((frame) => (
        <span
          key={frame}
          className="absolute top-1.5 border-l border-line-strong pl-1 font-mono text-[11.5px] text-soft"
          style={{ left: frame * pxPerFrame }}
        >
          {frameToTimecode(frame, rate)}
        </span>
      ))}
    </>
  );
}

interface ZoomProps {
  readonly label: string;
  readonly icon: React.ReactNode;
  readonly disabled: boolean;
  readonly onClick: () => void;
}

function ZoomButton({ label, icon, disabled, onClick }: ZoomProps) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      disabled={disabled}
      onClick={onClick}
      className="grid h-6 w-6 place-items-center rounded text-soft hover:bg-paper disabled:opacity-40"
    >
      {icon}
    </button>
  );
}
