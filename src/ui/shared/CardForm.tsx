'use client';
import { designValue } from '@/core/document/applyValues';
import type { Field, FieldValue, FieldValues, Template } from '@/core/document/template';
import { findProperty } from '@/core/layers';
import { assertNever } from '@/core/kit/assertNever';
import { ColourBox } from './ColourBox';
import { NumberBox } from './NumberBox';
import { Segmented } from './Segmented';
import { SelectBox } from './SelectBox';
import { classes } from './classes';

interface Props {
  readonly template: Template;
  readonly values: FieldValues;
  readonly onChange: (fieldId: string, value: FieldValue) => void;
}

/** The card: the form that an editor fills for one title. */
export function CardForm({ template, values, onChange }: Props) {
  if (template.fields.length === 0)
    return <p className="text-soft">Nothing on this template is open to editors.</p>;
  return (
    <div className="grid gap-2.5">
      {template.fields.map((field) => (
        <div key={field.id} className="grid grid-cols-[96px_1fr] items-start gap-2">
          <span className="pt-1.5 text-soft">
            {field.label}
            {field.required && <span aria-hidden="true"> *</span>}
          </span>
          <div className="min-w-0">
            <FieldControl
              template={template}
              field={field}
              value={values[field.id] ?? designValue(template, field)}
              onChange={(value) => onChange(field.id, value)}
            />
            {field.help !== '' && <p className="mt-0.5 text-[12px] text-soft">{field.help}</p>}
          </div>
        </div>
      ))}
    </div>
  );
}

interface ControlProps {
  readonly template: Template;
  readonly field: Field;
  readonly value: FieldValue;
  readonly onChange: (value: FieldValue) => void;
}

const MOST_SEGMENTS = 3;

function FieldControl({ template, field, value, onChange }: ControlProps) {
  const { label, limits } = field;
  switch (field.kind) {
    case 'text':
      return <TextField field={field} value={String(value)} onChange={onChange} />;
    case 'colour':
      return <ColourBox label={label} value={String(value)} swatches={limits.choices} onChange={onChange} />;
    case 'number': {
      const control = controlOf(template, field);
      const unit = control?.kind === 'number' ? control.unit : '';
      const step = control?.kind === 'number' ? control.step : 1;
      return (
        <NumberBox
          label={label}
          unit={unit}
          step={step}
          min={limits.min ?? -1e6}
          max={limits.max ?? 1e6}
          value={Number(value)}
          onChange={onChange}
        />
      );
    }
    case 'choice': {
      const props = { label, value: String(value), choices: limits.choices ?? [], onChange };
      return props.choices.length <= MOST_SEGMENTS ? <Segmented {...props} /> : <SelectBox {...props} />;
    }
    default:
      return assertNever(field.kind, 'field kind');
  }
}

function controlOf(template: Template, field: Field) {
  const [target] = field.targets;
  const layer = template.layers.find((one) => one.id === target.layerId);
  return layer === undefined ? undefined : findProperty(layer, target.path)?.control;
}

interface TextProps {
  readonly field: Field;
  readonly value: string;
  readonly onChange: (value: string) => void;
}

function TextField({ field, value, onChange }: TextProps) {
  const length = Array.from(value).length;
  const most = field.limits.maxLength;
  const empty = field.required && value.trim() === '';
  return (
    <>
      <span className="flex items-center gap-2">
        <input
          aria-label={field.label}
          aria-invalid={empty}
          dir="auto"
          value={value}
          onChange={(event) =>
            onChange(
              most === undefined
                ? event.target.value
                : Array.from(event.target.value).slice(0, most).join(''),
            )
          }
          className={classes(
            'h-8 min-w-0 flex-1 rounded-lg border bg-field px-2.5',
            empty ? 'border-stop' : 'border-line-strong',
          )}
        />
        {most !== undefined && (
          <span
            className={classes(
              'w-12 text-right font-mono text-[12px]',
              length >= most ? 'font-semibold text-leaf-ink' : 'text-soft',
            )}
          >{`${length}/${most}`}</span>
        )}
      </span>
      {empty && <span className="mt-0.5 block text-[12px] text-stop-ink">{field.label} is needed</span>}
    </>
  );
}
