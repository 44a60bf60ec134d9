'use client';
import type { MoveParam } from '@/core/moves/move';
import { ColourBox } from '../../shared/ColourBox';
import { NumberBox } from '../../shared/NumberBox';
import { SelectBox } from '../../shared/SelectBox';
import { Row } from '../settings/PropertyRow';

type Params = Readonly<Record<string, number | string | boolean>>;

interface Props {
  readonly params: readonly MoveParam[];
  /** Said after each label, so that rows of several moves are told apart by those who listen. */
  readonly of: string;
  readonly values: Params;
  readonly onChange: (values: Params) => void;
}

/** The settings that a move has of its own. */
export function ParamRows({ params, of, values, onChange }: Props) {
  return params.map((param) => (
    <Row key={param.id} label={param.label}>
      <ParamControl
        param={param}
        label={`${param.label}, ${of}`}
        value={values[param.id] ?? param.preset}
        onChange={(value) => onChange({ ...values, [param.id]: value })}
      />
    </Row>
  ));
}

interface ControlProps {
  readonly param: MoveParam;
  readonly label: string;
  readonly value: string | number | boolean;
  readonly onChange: (value: string | number | boolean) => void;
}

function ParamControl({ param, label, value, onChange }: ControlProps) {
  switch (param.control) {
    case 'number':
      return (
        <NumberBox
          label={label}
          unit={param.unit}
          min={param.min}
          max={param.max}
          step={param.max <= 30 ? 0.1 : 1}
          value={Number(value)}
          onChange={onChange}
        />
      );
    case 'choice':
      return <SelectBox label={label} value={String(value)} choices={param.choices} onChange={onChange} />;
    case 'colour':
      return <ColourBox label={label} value={String(value)} onChange={onChange} />;
    default:
      return (
        <input
          type="checkbox"
          aria-label={label}
          className="accent-leaf"
          checked={value === true}
          onChange={(event) => onChange(event.target.checked)}
        />
      );
  }
}
