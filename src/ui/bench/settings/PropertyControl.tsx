'use client';
import type { FieldValue } from '@/core/model/template';
import { assertNever } from '@/core/kit/assertNever';
import type { Property } from '@/core/layers/layerKind';
import { ChoiceBox } from '../../shared/ChoiceBox';
import { ColourBox } from '../../shared/ColourBox';
import { NumberBox } from '../../shared/NumberBox';
import { PictureBox } from '../../shared/PictureBox';
import { RowsBox } from '../../shared/RowsBox';
import { SwitchBox } from '../../shared/SwitchBox';
import { FaceBox } from './FaceBox';
import { FiguresBox } from './FiguresBox';

interface ControlProps {
  readonly label: string;
  readonly property: Property;
  readonly onChange: (value: FieldValue) => void;
}

/** The control for a property, by its kind. */
export function PropertyControl({ label, property, onChange }: ControlProps) {
  const { control, value } = property;
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
    case 'rows':
      return <RowsBox label={label} value={String(value)} columns={control.columns} onChange={onChange} />;
    case 'colour':
      return <ColourBox label={label} value={String(value)} onChange={onChange} />;
    case 'switch':
      return <SwitchBox label={label} value={value === true} onChange={onChange} />;
    case 'picture':
      return <PictureBox label={label} value={String(value)} onChange={onChange} />;
    case 'number': {
      const { kind: _, slides, ...range } = control;
      const box = <NumberBox label={label} value={Number(value)} onChange={onChange} {...range} />;
      if (slides !== true) return box;
      return (
        <span className="grid grid-cols-[1fr_76px] items-center gap-2">
          <input
            type="range"
            aria-label={`${label}, slider`}
            min={range.min}
            max={range.max}
            step={range.step}
            value={Number(value)}
            onChange={(event) => onChange(Number(event.target.value))}
            className="w-full min-w-0 accent-leaf"
          />
          {box}
        </span>
      );
    }
    case 'figures':
      return <FiguresBox label={label} value={String(value)} figures={control.figures} onChange={onChange} />;
    case 'state':
      return <span className="text-soft">as it is there</span>;
    case 'choice': {
      const props = { label, value: String(value), onChange };
      if (property.path === 'style.face') return <FaceBox {...props} />;
      return <ChoiceBox {...props} choices={control.choices} />;
    }
    default:
      return assertNever(control, 'control');
  }
}
