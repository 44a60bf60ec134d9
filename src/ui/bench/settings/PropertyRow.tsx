'use client';
import { ArrowUturnLeftIcon } from '@heroicons/react/24/outline';
import type { ReactNode } from 'react';
import { fieldOf, toggleField } from '@/core/edit/editFields';
import { clearOverride, overrideFor } from '@/core/edit/editOverrides';
import type { Layer, Override } from '@/core/model/template';
import { findProperty } from '@/core/layers';
import type { Property } from '@/core/layers/layerKind';
import { SHAPE_LABELS } from '@/core/frame/formats';
import type { FrameFormat } from '@/core/frame/formats';
import { Leaf } from '../../shared/Leaf';
import { useApply } from '../state/benchStore';
import { PropertyControl } from './PropertyControl';
import { useEditing } from '../state/useEditing';

interface RowProps {
  readonly label: string;
  readonly children: ReactNode;
  /** The gold leaf; rows of settings that cannot be opened leave its place to the control. */
  readonly leaf?: ReactNode;
  /** Said under the label: that chosen layers differ, or that a format has it otherwise. */
  readonly note?: ReactNode;
  /** For a long label and a small control. */
  readonly wordy?: boolean;
}

/** A labelled row in the settings. */
export function Row({ label, children, leaf, note, wordy = false }: RowProps) {
  const sides = wordy ? 'grid-cols-[1fr_auto_28px]' : 'grid-cols-[84px_1fr_28px]';
  const columns = leaf === undefined ? 'grid-cols-[84px_1fr]' : sides;
  return (
    <div className={`grid ${columns} items-center gap-2 py-1`}>
      <span className="text-soft">
        {label}
        {note}
      </span>
      <span className="min-w-0">{children}</span>
      {leaf}
    </div>
  );
}

interface PropertyProps {
  readonly layer: Layer;
  readonly property: Property;
  readonly label?: string;
  readonly wordy?: boolean;
}

/** A property of the chosen layers with its control, its gold leaf, and whether this format has it otherwise. */
export function PropertyRow({ layer, property, label = property.label, wordy = false }: PropertyProps) {
  const apply = useApply();
  const { template, layers, set } = useEditing();
  const open = fieldOf(template, layer.id, property.path) !== undefined;
  // One layer cannot differ from itself, and asking every row of every layer is what makes typing slow.
  const differs = layers.slice(1).some((one) => {
    const other = findProperty(one, property.path);
    return other !== undefined && other.value !== property.value;
  });
  const leaf = property.closed !== true && (
    <Leaf
      label={label}
      open={open}
      onToggle={() => apply((now) => toggleField(now, layer.id, property.path))}
    />
  );
  const note = (
    <>
      {differs && <span className="block text-[11px] italic">mixed</span>}
      <OverrideNote layerId={layer.id} path={property.path} label={label} />
    </>
  );
  return (
    <Row label={label} leaf={leaf} note={note} wordy={wordy}>
      <PropertyControl label={label} property={property} onChange={(value) => set(property.path, value)} />
    </Row>
  );
}

interface NoteProps {
  readonly layerId: string;
  readonly path: string;
  readonly label: string;
}

/** The mark of a property that the format looked at has otherwise; nothing for any other. */
export function OverrideNote({ layerId, path, label }: NoteProps) {
  const apply = useApply();
  const { template, format } = useEditing();
  const held = overrideFor(template, format, layerId, path);
  if (held === undefined) return null;
  return (
    <OverrideMark
      label={label}
      override={held}
      format={format}
      onReset={() => apply((now) => clearOverride(now, held))}
    />
  );
}

interface MarkProps {
  readonly label: string;
  readonly override: Override;
  readonly format: FrameFormat;
  readonly onReset: () => void;
}

/** Says that a property is otherwise in this format, and takes that back. */
function OverrideMark({ label, override, format, onReset }: MarkProps) {
  const where = override.scope.kind === 'format' ? format.label : `all ${SHAPE_LABELS[format.shape]}`;
  return (
    <button
      type="button"
      onClick={onReset}
      aria-label={`${label} is set for ${where} only; take that back`}
      title={`Set for ${where} only. Click to follow the other formats again.`}
      className="mt-0.5 flex items-center gap-1 rounded bg-in-wash px-1 text-[11px] font-semibold text-in"
    >
      {where} <ArrowUturnLeftIcon className="h-3 w-3" />
    </button>
  );
}
