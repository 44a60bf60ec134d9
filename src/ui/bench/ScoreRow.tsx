'use client';
import { memo } from 'react';
import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { EyeIcon, EyeSlashIcon, TrashIcon } from '@heroicons/react/24/outline';
import { openProperties } from '@/core/document/editFields';
import { fitMove, updateLayer } from '@/core/document/editTemplate';
import { removeLayer } from '@/core/document/removeLayer';
import type { Layer, MoveUse } from '@/core/document/template';
import { mirrorMove } from '@/core/timeline/motion';
import type { FrameRate } from '@/core/units/rates';
import { classes } from '../shared/classes';
import { LeafMark } from '../shared/Leaf';
import { useApply, useBench, useTemplatePart } from './benchStore';
import { MoveBar } from './MoveBar';
import type { ScoreScale } from './scoreScale';
import { HEAD_PX } from './scoreScale';

interface Props {
  readonly layer: Layer;
  readonly scale: ScoreScale;
  readonly rate: FrameRate;
}

/** A layer's row: its head, which picks, drags, hides and removes it, and its moves in the columns. */
export const ScoreRow = memo(function ScoreRow({ layer, scale, rate }: Props) {
  const timing = useTemplatePart((template) => template.timing);
  const { selection, select } = useBench();
  const apply = useApply();
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({
    id: layer.id,
  });
  const { in: arrive, out: leave } = layer.motion;
  const mirrored = leave === 'mirror';
  const shownOut = mirrored ? arrive && mirrorMove(arrive, timing) : leave;
  const setMove = (column: 'in' | 'out', use: MoveUse): void =>
    apply((now) =>
      updateLayer(now, layer.id, (one) => ({
        ...one,
        motion: {
          ...one.motion,
          [column]: fitMove(use, column === 'in' ? timing.inSeconds : timing.outSeconds),
        },
      })),
    );
  return (
    <div
      ref={setNodeRef}
      role="listitem"
      className={classes('relative flex h-9 border-b border-line', isDragging && 'z-30 opacity-80')}
      style={{ transform: CSS.Translate.toString(transform), transition }}
    >
      <RowHead layer={layer} chosen={selection.includes(layer.id)} handle={{ ...attributes, ...listeners }} />
      <div className="relative min-w-0 flex-1" onPointerDown={() => select(layer.id)}>
        <div
          className="absolute top-[15px] h-1.5 rounded-full bg-line-strong"
          style={{ left: arrive === null ? 0 : scale.inPx, right: shownOut === null ? 0 : scale.outPx }}
          aria-hidden="true"
        />
        {arrive !== null && (
          <MoveBar
            use={arrive}
            column="in"
            layer={layer}
            left={0}
            scale={scale}
            rate={rate}
            columnSeconds={timing.inSeconds}
            onChange={(use) => setMove('in', use)}
          />
        )}
        {shownOut !== null && (
          <MoveBar
            use={shownOut}
            column="out"
            layer={layer}
            left={scale.inPx + scale.holdPx}
            scale={scale}
            rate={rate}
            columnSeconds={timing.outSeconds}
            onChange={mirrored ? null : (use) => setMove('out', use)}
          />
        )}
      </div>
    </div>
  );
});

const SIGNS: Readonly<Record<Layer['kind'], string>> = {
  text: 'T',
  box: '▭',
  picture: '▨',
  backdrop: '▓',
  particles: '∴',
  light: '☼',
  group: '⊞',
  stack: '≡',
  copy: '⧉',
  rows: '☰',
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
        'group flex shrink-0 items-center gap-1.5 border-r border-line pl-3 pr-1',
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
        onClick={(event) => select(layer.id, event.shiftKey)}
        className={classes(
          'min-w-0 flex-1 truncate py-1.5 text-left',
          chosen && 'font-semibold',
          !layer.visible && 'text-faint line-through',
        )}
      >
        {layer.name}
      </button>
      {open.length > 0 && (
        <LeafMark title={`Open to editors: ${open.map((p) => p.label.toLowerCase()).join(', ')}`} />
      )}
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
