'use client';
import type { ReactNode } from 'react';
import { fieldOf, setProperty, toggleField } from '@/core/document/editTemplate';
import type { Layer } from '@/core/document/template';
import { assertNever } from '@/core/kit/assertNever';
import type { Property } from '@/core/layers/layerKind';
import { ColourBox } from '../shared/ColourBox';
import { Leaf } from '../shared/Leaf';
import { NumberBox } from '../shared/NumberBox';
import { Segmented } from '../shared/Segmented';
import { SelectBox } from '../shared/SelectBox';
import { useApply, useTemplate } from './benchStore';

interface RowProps {
  readonly label: string;
  readonly children: ReactNode;
  /** The gold leaf; rows of settings that cannot be opened leave its place to the control. */
  readonly leaf?: ReactNode;
}

/** A labelled row in the settings. */
export function Row({ label, children, leaf }: RowProps) {
  const columns = leaf === undefined ? 'grid-cols-[84px_1fr]' : 'grid-cols-[84px_1fr_28px]';
  return (
    <div className={`grid ${columns} items-center gap-2 py-1`}>
      <span className="text-soft">{label}</span>
      <span className="min-w-0">{children}</span>
      {leaf}
    </div>
  );
}

/** A property of a layer with its control and its gold leaf. */
export function PropertyRow({ layer, property }: { readonly layer: Layer; readonly property: Property }) {
  const template = useTemplate();
  const apply = useApply();
  const open = fieldOf(template, layer.id, property.path) !== undefined;
  const leaf = (
    <Leaf
      label={property.label}
      open={open}
      onToggle={() => apply((now) => toggleField(now, layer.id, property.path))}
    />
  );
  return (
    <Row label={property.label} leaf={leaf}>
      <PropertyControl
        property={property}
        onChange={(value) => apply((now) => setProperty(now, layer.id, property.path, value))}
      />
    </Row>
  );
}

interface ControlProps {
  readonly property: Property;
  readonly onChange: (value: string | number) => void;
}

// More choices than this do not fit side by side.
const MOST_SEGMENTS = 3;

function PropertyControl({ property, onChange }: ControlProps) {
  const { control, label, value } = property;
  switch (control.kind) {
    case 'text':
      return (
        <textarea
          aria-label={label}
          value={String(value)}
          rows={Math.min(4, String(value).split('\n').length)}
          dir="auto"
          onChange={(event) => onChange(event.target.value)}
          className="block w-full resize-none rounded-lg border border-line-strong bg-field px-2.5 py-1.5"
        />
      );
    case 'colour':
      return <ColourBox label={label} value={String(value)} onChange={onChange} />;
    case 'number':
      return <NumberBox label={label} value={Number(value)} onChange={onChange} {...control} />;
    case 'choice': {
      const props = { label, value: String(value), choices: control.choices, onChange };
      return control.choices.length <= MOST_SEGMENTS ? <Segmented {...props} /> : <SelectBox {...props} />;
    }
    default:
      return assertNever(control, 'control');
  }
}
