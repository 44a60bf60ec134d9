'use client';
import { closestCenter, DndContext } from '@dnd-kit/core';
import type { DragEndEvent } from '@dnd-kit/core';
import { SortableContext, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { memo, useCallback, useMemo, useRef, useState } from 'react';
import type { PointerEvent } from 'react';
import { moveLayer } from '@/core/edit/editTemplate';
import { findLayers } from '@/core/edit/findLayers';
import { fromDesignSeconds, toDesignSeconds } from '@/core/titleTime/moments';
import { clockOf, frameToTimecode } from '@/core/time/clock';
import type { Layer } from '@/core/model/template';
import type { FrameRate } from '@/core/time/rates';
import { frameToSeconds, secondsToFrame } from '@/core/time/rates';
import { playheadKey } from '../../picture/playheadKey';
import { useElementSize } from '../../picture/useElementSize';
import { useSortSensors } from '../../shared/useSortSensors';
import { useApply, useTemplate } from '../state/benchStore';
import { FindLayer } from './FindLayer';
import { Ticks } from './Ticks';
import { MarkFlags } from './MarkFlags';
import { PaintedBand } from './PaintedBand';
import { ScoreHead } from './ScoreHead';
import { ScoreRow } from './ScoreRow';
import type { ScoreScale } from './scoreScale';
import { HEAD_PX, scoreScale, secondsToX, xToSeconds } from './scoreScale';
import { SoundWave } from './SoundWave';
import type { PlayedTitle } from './useTitleTime';
import { loopFrames } from './useTitleTime';

const ZOOMS = [1, 2, 4, 8];
const PLAYHEAD_PX = 2;

/** The bench's picture of a template's time: a row a layer, the nearest to the viewer on top, and in, hold, out. */
export function Score({ time, player, seconds: at }: PlayedTitle) {
  const { rate, totalFrames } = time;
  const [zoom, setZoom] = useState(1);
  const template = useTemplate();
  const [wanted, setWanted] = useState('');
  const shown = useMemo(() => findLayers(template.layers, wanted), [template.layers, wanted]);
  const [tracks, size] = useElementSize<HTMLDivElement>();
  const { timing } = template;
  const width = Math.max(100, size.width - HEAD_PX) * zoom;
  const scale = useMemo(() => scoreScale(timing, width, zoom), [timing, width, zoom]);
  const seconds = toDesignSeconds(at, timing, time.timing);
  const looped = useRef<number | null>(null);
  const frameX = useCallback(
    (frame: number): number =>
      secondsToX(toDesignSeconds(frameToSeconds(frame, rate), timing, time.timing), timing, scale),
    [rate, timing, time.timing, scale],
  );
  const range = typeof time.loop === 'object' ? loopFrames(time.loop, time.timing) : null;
  const loopBand =
    range === null ? null : { left: frameX(range.from), width: frameX(range.to) - frameX(range.from) };
  const frameAt = (event: PointerEvent<HTMLDivElement>): number => {
    const left = event.currentTarget.getBoundingClientRect().left;
    const here = fromDesignSeconds(xToSeconds(event.clientX - left, timing, scale), timing, time.timing);
    return Math.min(totalFrames, secondsToFrame(here, rate));
  };
  const scrub = (event: PointerEvent<HTMLDivElement>): void => player.seek(frameAt(event));
  return (
    <section aria-label="Timeline" className="flex h-[292px] shrink-0 flex-col border-t border-line bg-card">
      <ScoreHead time={time} player={player} zoom={zoom} zooms={ZOOMS} onZoom={setZoom} />
      <div ref={tracks} className="min-h-0 flex-1 overflow-auto border-t border-line">
        <div className="relative min-h-full" style={{ width: HEAD_PX + width }}>
          <div
            className="pointer-events-none absolute inset-y-0 right-0 flex min-h-full"
            style={{ left: HEAD_PX }}
            aria-hidden="true"
          >
            <div className="bg-in-wash" style={{ width: scale.inPx }} />
            <div className="hatch" style={{ width: scale.holdPx }} />
            <div className="bg-out-wash" style={{ width: scale.outPx }} />
          </div>
          <FindLayer wanted={wanted} onWant={setWanted} found={shown} />
          <div
            role="slider"
            tabIndex={0}
            aria-label="Playhead"
            aria-valuemin={0}
            aria-valuemax={totalFrames}
            aria-valuenow={player.frame}
            aria-valuetext={frameToTimecode(player.frame, clockOf(rate))}
            onKeyDown={(event) => {
              const to = playheadKey(event, player.frame, totalFrames, rate.nominal);
              if (to === null) return;
              event.preventDefault();
              player.seek(to);
            }}
            className="sticky top-0 z-20 h-6 cursor-col-resize touch-none border-b border-line bg-card/80"
            style={{ marginLeft: HEAD_PX }}
            title="Drag to move the playhead; with Shift, to choose what loops"
            onPointerDown={(event) => {
              event.currentTarget.setPointerCapture(event.pointerId);
              looped.current = event.shiftKey ? frameAt(event) : null;
              if (!event.shiftKey) scrub(event);
            }}
            onPointerMove={(event) => {
              if (event.buttons !== 1) return;
              if (looped.current === null) return scrub(event);
              const [from, to] = [looped.current, frameAt(event)].toSorted((a, b) => a - b);
              if (to > from) time.setLoop({ from, to });
            }}
          >
            <Ticks timing={timing} scale={scale} rate={rate} />
            <PaintedBand frameX={frameX} />
            {loopBand !== null && (
              <div
                className="pointer-events-none absolute inset-y-0 bg-leaf-light/50"
                style={{ left: loopBand.left, width: loopBand.width }}
                aria-hidden="true"
              />
            )}
          </div>
          <div className="pointer-events-none sticky top-0 z-20 h-0" style={{ marginLeft: HEAD_PX }}>
            <div className="pointer-events-auto relative -top-6">
              <MarkFlags scale={scale} rate={rate} />
            </div>
          </div>
          <SoundWave timing={timing} titleTiming={time.timing} scale={scale} />
          <Rows layers={shown} scale={scale} rate={rate} />
          {template.layers.length > 0 && shown.length === 0 && (
            <p
              role="status"
              className="relative p-5 text-soft"
            >{`No layer is called “${wanted.trim()}” or says it.`}</p>
          )}
          {template.layers.length === 0 && (
            <p className="relative p-5 text-soft">No layers yet. Add a text or a box with “Layer” above.</p>
          )}
          {/* Over the whole: what has the same bounds in each frame is not laid over the page anew. */}
          <div
            className="pointer-events-none absolute inset-0 z-10 forced-color-adjust-none"
            style={{
              backgroundImage: playheadLine(HEAD_PX + secondsToX(seconds, timing, scale) - 1),
            }}
            aria-hidden="true"
            data-testid="playhead-line"
          />
        </div>
      </div>
    </section>
  );
}

function playheadLine(x: number): string {
  const [from, to] = [`${x}px`, `${x + PLAYHEAD_PX}px`];
  return `linear-gradient(to right, transparent ${from}, var(--color-stop) ${from} ${to}, transparent ${to})`;
}

interface RowsProps {
  readonly layers: readonly Layer[];
  readonly scale: ScoreScale;
  readonly rate: FrameRate;
}

/** A row a layer, dragged to change their order; not drawn again while the title plays. */
const Rows = memo(function Rows({ layers, scale, rate }: RowsProps) {
  const apply = useApply();
  const sensors = useSortSensors();
  // The same list as long as it has the same entries: every row is drawn again with a new one.
  const order = layers.map((layer) => layer.id).join('\n');
  const ids = useMemo(() => order.split('\n'), [order]);
  const onDragEnd = ({ active, over }: DragEndEvent): void => {
    if (over === null || active.id === over.id) return;
    apply((now) => {
      const to = now.layers.findIndex((layer) => layer.id === over.id);
      return moveLayer(now, String(active.id), to);
    });
  };
  return (
    <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={onDragEnd} id="score">
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        <div role="list" aria-label="Layers, the nearest to the viewer first" className="relative">
          {layers.map((layer) => (
            <ScoreRow key={layer.id} layer={layer} scale={scale} rate={rate} />
          ))}
        </div>
      </SortableContext>
    </DndContext>
  );
});
