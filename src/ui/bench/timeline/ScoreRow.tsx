'use client';
import { memo } from 'react';
import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { EyeIcon, EyeSlashIcon, LockClosedIcon, TrashIcon } from '@heroicons/react/24/outline';
import { openProperties } from '@/core/edit/editFields';
import { fitMove, updateLayer } from '@/core/edit/editTemplate';
import { removeLayer } from '@/core/edit/removeLayer';
import type { HoldUse, Layer, MoveUse } from '@/core/model/template';
import { HOLD_MOVES } from '@/core/holdMoves';
import { mirrorMove } from '@/core/timeline/motion';
import type { FrameRate } from '@/core/time/rates';
import { classes } from '../../shared/classes';
import { LeafMark } from '../../shared/Leaf';
import { useApply, useBench, useMoveTimes, useTemplatePart } from '../state/benchStore';
import { BAR_STEP_PX, BAR_TOP_PX, byUnit, MoveBar } from './MoveBar';
import type { ScoreScale } from './scoreScale';
import { SpanBand, spanEnds } from './SpanBand';
import { TrackRows } from './TrackRows';
import { HEAD_PX } from './scoreScale';

interface Props {
  readonly layer: Layer;
  readonly scale: ScoreScale;
  readonly rate: FrameRate;
}

/** A layer's row: its head, which picks, drags, hides and removes it, and its moves in the columns. */
export const ScoreRow = memo(function ScoreRow({ layer, scale, rate }: Props) {
  const timing = useTemplatePart((template) => template.timing);
  const { selection, select, setMenuAt } = useBench();
  const apply = useApply();
  const times = useMoveTimes(layer.id);
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({
    id: layer.id,
  });
  const { in: arrive, hold, out: leave } = layer.motion;
  const { span = null } = layer.motion;
  const ends = spanEnds(layer, timing, scale, rate);
  const mirrored = leave === 'mirror';
  const shownOut = mirrored ? arrive.map((use) => mirrorMove(use, timing)) : leave;
  const lanes = Math.max(1, arrive.length, hold.length, shownOut.length);
  const setMove = (column: 'in' | 'out', index: number, use: MoveUse): void => {
    const fitting = fitMove(use, column === 'in' ? timing.inSeconds : timing.outSeconds);
    apply((now) =>
      updateLayer(now, layer.id, (one) => {
        const uses = one.motion[column];
        if (uses === 'mirror') return one;
        return { ...one, motion: { ...one.motion, [column]: uses.with(index, fitting) } };
      }),
    );
  };
  return (
    <div
      ref={setNodeRef}
      role="listitem"
      onContextMenu={(event) => {
        event.preventDefault();
        if (!selection.includes(layer.id)) select(layer.id);
        setMenuAt({ x: event.clientX, y: event.clientY });
      }}
      className={classes('relative', isDragging && 'z-30 opacity-80')}
      style={{ transform: CSS.Translate.toString(transform), transition }}
    >
      <div className="flex border-b border-line" style={{ height: 36 + (lanes - 1) * BAR_STEP_PX }}>
        <RowHead
          layer={layer}
          chosen={selection.includes(layer.id)}
          handle={{ ...attributes, ...listeners }}
        />
        <div className="relative min-w-0 flex-1" onPointerDown={() => select(layer.id)}>
          <div
            className="absolute top-[15px] h-1.5 rounded-full bg-line-strong"
            style={{
              left: ends.from + (arrive.length === 0 ? 0 : ends.inPx),
              width: Math.max(
                0,
                ends.to -
                  ends.from -
                  (arrive.length === 0 ? 0 : ends.inPx) -
                  (shownOut.length === 0 ? 0 : ends.outPx),
              ),
            }}
            aria-hidden="true"
          />
          {span !== null && <SpanBand layer={layer} span={span} timing={timing} scale={scale} rate={rate} />}
          {hold.map((use, lane) => (
            <HoldBar
              key={lane}
              use={use}
              lane={lane}
              left={ends.from + ends.inPx}
              width={ends.to - ends.from - ends.inPx - ends.outPx}
            />
          ))}
          {arrive.map((use, lane) => (
            <MoveBar
              key={lane}
              use={use}
              column="in"
              layer={layer}
              lane={lane}
              left={ends.from}
              scale={ends.inScale}
              rate={rate}
              columnSeconds={timing.inSeconds}
              times={times.in[lane]}
              onChange={(next) => setMove('in', lane, next)}
            />
          ))}
          {shownOut.map((use, lane) => (
            <MoveBar
              key={lane}
              use={use}
              column="out"
              layer={layer}
              lane={lane}
              left={ends.to - ends.outPx}
              scale={ends.outScale}
              rate={rate}
              columnSeconds={timing.outSeconds}
              times={times.out[lane]}
              onChange={mirrored ? null : (next) => setMove('out', lane, next)}
            />
          ))}
        </div>
      </div>
      <TrackRows layer={layer} timing={timing} scale={scale} rate={rate} />
    </div>
  );
});

interface HoldProps {
  readonly use: HoldUse;
  readonly lane: number;
  readonly left: number;
  readonly width: number;
}

/** What goes on while the title holds; as long as the hold is. */
function HoldBar({ use, lane, left, width }: HoldProps) {
  return (
    <span
      className="absolute h-6 truncate rounded-md border border-line-strong bg-field px-2 text-[12px] leading-6 font-semibold"
      style={{ top: BAR_TOP_PX + lane * BAR_STEP_PX, left: left + 8, width: Math.max(0, width - 16) }}
    >
      {HOLD_MOVES.find(use.move)?.label ?? use.move}
      {byUnit(use.unit)}
    </span>
  );
}

const SIGNS: Readonly<Record<Layer['kind'], string>> = {
  text: 'T',
  box: '▭',
  picture: '▨',
  backdrop: '▓',
  particles: '∴',
  programme: '◱',
  light: '☼',
  group: '⊞',
  stack: '≡',
  copy: '⧉',
  rows: '☰',
  credits: '⇡',
};

interface HeadProps {
  readonly layer: Layer;
  readonly chosen: boolean;
  readonly handle: object;
}

function RowHead({ layer, chosen, handle }: HeadProps) {
  const fields = useTemplatePart((template) => template.fields);
  const apply = useApply();
  const { select } = useBench();
  const open = openProperties(fields, layer);
  return (
    <div
      className={classes(
        'group sticky left-0 z-20 flex shrink-0 items-center gap-1.5 border-r border-line pl-3 pr-1',
        chosen ? 'bg-leaf-wash' : 'bg-card',
      )}
      style={{ width: HEAD_PX }}
    >
      <button
        type="button"
        {...handle}
        aria-label={`${layer.name}: move in the order of layers`}
        title="Drag to change the order; what is higher is nearer the viewer"
        className="grid h-5 w-5 shrink-0 cursor-grab touch-none place-items-center rounded border border-line-strong bg-field font-serif text-[11px] font-semibold"
      >
        {SIGNS[layer.kind]}
      </button>
      <button
        type="button"
        aria-pressed={chosen}
        onClick={(event) => select(layer.id, event.shiftKey || event.ctrlKey || event.metaKey)}
        className={classes(
          'min-w-0 flex-1 truncate py-1.5 text-left',
          chosen && 'font-semibold',
          !layer.visible && 'text-faint line-through',
        )}
      >
        {layer.name}
      </button>
      {layer.locked === true && (
        <span role="img" aria-label="Locked" title="Locked (L)" className="shrink-0 text-soft">
          <LockClosedIcon className="h-3.5 w-3.5" />
        </span>
      )}
      {open.length > 0 && (
        <LeafMark title={`Open to editors: ${open.map((p) => p.label.toLowerCase()).join(', ')}`} />
      )}
      {layer.locked !== true && (
        <button
          type="button"
          aria-label={`Remove ${layer.name}`}
          title="Remove (Delete)"
          onClick={() => {
            apply((now) => removeLayer(now, layer.id));
            select(null);
          }}
          className="grid h-6 w-6 place-items-center rounded text-soft opacity-0 group-hover:opacity-100 hover:bg-paper focus-visible:opacity-100"
        >
          <TrashIcon className="h-4 w-4" />
        </button>
      )}
      <button
        type="button"
        aria-label={layer.visible ? `Hide ${layer.name}` : `Show ${layer.name}`}
        onClick={() =>
          apply((now) => updateLayer(now, layer.id, (one) => ({ ...one, visible: !one.visible })))
        }
        className="grid h-6 w-6 place-items-center rounded text-soft hover:bg-paper"
      >
        {layer.visible ? <EyeIcon className="h-4 w-4" /> : <EyeSlashIcon className="h-4 w-4" />}
      </button>
    </div>
  );
}
