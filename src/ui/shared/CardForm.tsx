'use client';
import { useState } from 'react';
import type { ChangeEvent } from 'react';
import { figureOf } from '@/core/colour/houseColour';
import { countGraphemes, cutGraphemes } from '@/core/text/graphemes';
import { airValue, DEFAULT_DATE_PATTERN, designValue, isWords, writeDate } from '@/core/resolve/fieldValue';
import type { Field, FieldValue, FieldValues, Template } from '@/core/model/template';
import { findProperty } from '@/core/layers';
import { assertNever } from '@/core/kit/assertNever';
import { ChoiceBox } from './ChoiceBox';
import { ColourBox, RefersContext } from './ColourBox';
import { NumberBox } from './NumberBox';
import type { VideoSource } from './PictureBox';
import { PictureBox } from './PictureBox';
import { RowsBox } from './RowsBox';
import { SwitchBox } from './SwitchBox';
import { classes } from './classes';
import { takesLines } from './takesLines';

interface Props {
  readonly template: Template;
  readonly values: FieldValues;
  readonly onChange: (fieldId: string, value: FieldValue) => void;
  /** Whether what nobody typed is shown as the design has it, where a template is designed, or only as a hint. */
  readonly showsSamples?: boolean;
  /** Fields in which several titles differ: what they say is not shown, and stays until something is typed. */
  readonly mixed?: ReadonlySet<string>;
  /** Where videos come from, where a picture may be one. */
  readonly videos?: VideoSource;
}

const NONE: ReadonlySet<string> = new Set();

/** The card: the form that an editor fills for one title. */
export function CardForm({ template, values, onChange, showsSamples = false, mixed = NONE, videos }: Props) {
  if (template.fields.length === 0)
    return <p className="text-soft">Nothing on this template is open to editors.</p>;
  return (
    <div className="grid gap-2.5">
      {template.fields.map((field, i) => (
        <div key={field.id} className="grid grid-cols-[96px_1fr] items-start gap-2">
          {field.section !== '' && field.section !== template.fields[i - 1]?.section && (
            <p className="caps col-span-2 border-b border-line pt-1 pb-0.5">{field.section}</p>
          )}
          <span className="pt-1.5 text-soft">
            {field.label}
            {field.required && <span aria-hidden="true"> *</span>}
          </span>
          <div className="min-w-0">
            <FieldControl
              template={template}
              field={field}
              value={
                values[field.id] ?? (showsSamples ? designValue(template, field) : airValue(template, field))
              }
              sample={isWords(field) ? String(designValue(template, field)) : ''}
              mixed={mixed.has(field.id)}
              videos={videos}
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
  /** What the design shows in its place: a hint, never more. */
  readonly sample: string;
  readonly mixed: boolean;
  readonly videos: VideoSource | undefined;
  readonly onChange: (value: FieldValue) => void;
}

function FieldControl({ template, field, value, sample, mixed, videos, onChange }: ControlProps) {
  const { label, limits } = field;
  switch (field.kind) {
    case 'text':
      return (
        <TextField field={field} value={String(value)} sample={sample} mixed={mixed} onChange={onChange} />
      );
    case 'colour':
      return (
        // What an editor chooses is that figure, whatever the House is made to be later.
        <RefersContext.Provider value={false}>
          <ColourBox
            label={label}
            value={String(value)}
            swatches={limits.choices?.map((choice) => ({ ...choice, value: figureOf(choice.value) }))}
            mixed={mixed}
            onChange={onChange}
          />
        </RefersContext.Provider>
      );
    case 'number': {
      const control = controlOf(template, field);
      const unit = control?.kind === 'number' ? control.unit : '';
      const step = limits.step ?? (control?.kind === 'number' ? control.step : 1);
      return (
        <NumberBox
          label={label}
          unit={unit}
          step={step}
          min={limits.min ?? -1e6}
          max={limits.max ?? 1e6}
          value={Number(value)}
          mixed={mixed}
          onChange={onChange}
        />
      );
    }
    case 'choice':
      return (
        <ChoiceBox
          label={label}
          value={mixed ? '' : String(value)}
          choices={
            mixed ? [{ value: '', label: 'several' }, ...(limits.choices ?? [])] : (limits.choices ?? [])
          }
          onChange={(next) => next !== '' && onChange(next)}
        />
      );
    case 'rows': {
      const control = controlOf(template, field);
      const columns = control?.kind === 'rows' ? control.columns : 1;
      return (
        <>
          {mixed && <Several />}
          <RowsBox label={label} value={mixed ? '' : String(value)} columns={columns} onChange={onChange} />
        </>
      );
    }
    case 'switch':
      return (
        <>
          {mixed && <Several />}
          <SwitchBox label={label} value={!mixed && value === true} onChange={onChange} />
        </>
      );
    case 'picture':
      return (
        <>
          {mixed && <Several />}
          <PictureBox label={label} value={mixed ? '' : String(value)} onChange={onChange} videos={videos} />
        </>
      );
    case 'date':
      return (
        <DateField field={field} value={String(value)} sample={sample} mixed={mixed} onChange={onChange} />
      );
    default:
      return assertNever(field.kind, 'field kind');
  }
}

/** Said where titles differ and the box has no room for it. */
function Several() {
  return <span className="mr-2 text-soft italic">several</span>;
}

function controlOf(template: Template, field: Field) {
  const [target] = field.targets;
  const layer = template.layers.find((one) => one.id === target?.layerId);
  return layer === undefined ? undefined : findProperty(layer, target.path)?.control;
}

/** A date, with a time where the pattern writes one. */
function DateField({ field, value: own, sample, mixed, onChange }: TextProps) {
  const value = mixed ? '' : own;
  const pattern = field.limits.pattern ?? DEFAULT_DATE_PATTERN;
  const withTime = /[Hhms]/.test(pattern);
  const isDate = /^\d{4}-\d{2}-\d{2}/.test(value);
  return (
    <>
      <input
        type={withTime ? 'datetime-local' : 'date'}
        aria-label={field.label}
        value={isDate ? (withTime ? value.slice(0, 16) : value.slice(0, 10)) : ''}
        onChange={(event) => onChange(event.target.value)}
        className="h-8 w-full min-w-0 rounded-lg border border-line-strong bg-field px-2.5"
      />
      <span className="mt-0.5 block text-[12px] text-soft">
        {mixed
          ? 'several'
          : value === ''
            ? `Empty; such as “${writeDate(sample, pattern)}”`
            : `Reads “${writeDate(value, pattern)}”`}
      </span>
    </>
  );
}

interface TextProps {
  readonly field: Field;
  readonly value: string;
  readonly sample: string;
  readonly mixed: boolean;
  readonly onChange: (value: string) => void;
}

function TextField({ field, value: own, sample, mixed, onChange }: TextProps) {
  const value = mixed ? '' : own;
  const [cut, setCut] = useState(false);
  const length = countGraphemes(value);
  const most = field.limits.maxLength;
  const empty = field.required && !mixed && value.trim() === '';
  const shared = {
    'aria-label': field.label,
    'aria-invalid': empty,
    dir: 'auto',
    placeholder: mixed ? 'several' : sample.split('\n')[0],
    value,
    onChange: (event: ChangeEvent<HTMLInputElement | HTMLTextAreaElement>): void => {
      const typed = event.target.value;
      const kept = most === undefined ? typed : cutGraphemes(typed, most);
      setCut(kept !== typed);
      onChange(kept);
    },
    className: classes(
      'min-w-0 flex-1 rounded-lg border bg-field px-2.5',
      empty ? 'border-stop' : 'border-line-strong',
    ),
  };
  return (
    <>
      <span className="flex items-center gap-2">
        {takesLines(field, value) ? (
          <textarea
            {...shared}
            rows={2}
            className={classes(shared.className, 'max-h-40 min-h-14 resize-none py-1 field-sizing-content')}
          />
        ) : (
          <input {...shared} className={classes(shared.className, 'h-8')} />
        )}
        {most !== undefined && (
          <span
            className={classes(
              'w-12 text-right font-mono text-[12px]',
              length >= most ? 'font-semibold text-leaf-ink' : 'text-soft',
            )}
          >{`${length}/${most}`}</span>
        )}
      </span>
      {cut && (
        <span role="status" className="mt-0.5 block text-[12px] text-leaf-ink">
          {`Only the first ${most} characters were taken.`}
        </span>
      )}
      {empty && <span className="mt-0.5 block text-[12px] text-stop-ink">{field.label} is needed</span>}
    </>
  );
}
