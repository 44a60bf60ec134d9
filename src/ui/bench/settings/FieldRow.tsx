'use client';
import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { AdjustmentsHorizontalIcon, ArrowsUpDownIcon, XMarkIcon } from '@heroicons/react/24/outline';
import type { ChangeEvent } from 'react';
import { useState } from 'react';
import { driveBy, updateField } from '@/core/edit/editFields';
import { DEFAULT_DATE_PATTERN, isWords } from '@/core/resolve/fieldValue';
import type { AutomaticSource, Field, FieldLimits, Template } from '@/core/model/template';
import { AUTOMATIC_SOURCES } from '@/core/model/template';
import { bindLayer, findProperty } from '@/core/layers';
import { NameBox } from '../../shared/NameBox';
import { SelectBox } from '../../shared/SelectBox';
import { useApply, useTemplate } from '../state/benchStore';
import { LimitRows } from './LimitRows';
import { LanguageBox } from '../../shared/LanguageBox';
import { Row } from './PropertyRow';
import { VariantRows } from './VariantRows';

/** What a field opens, in words: the layer and the property. */
function targetWords(template: Template, { layerId, path }: Field['targets'][number]): string {
  const layer = template.layers.find((one) => one.id === layerId);
  return layer === undefined
    ? layerId
    : `${layer.name}: ${findProperty(layer, path)?.label.toLowerCase() ?? path}`;
}

/** One field: its name and order, whether it is needed, and behind a button all that it may be. */
export function FieldRow({ field }: { readonly field: Field }) {
  const template = useTemplate();
  const apply = useApply();
  const [more, setMore] = useState(false);
  const { attributes, listeners, setNodeRef, transform, transition } = useSortable({ id: field.id });
  const set = (change: Partial<Field>): void => apply((now) => updateField(now, field.id, change));
  const opens = field.targets.map((target) => targetWords(template, target));
  const what = opens.length === 0 ? 'several things' : opens.join(', ');
  const icon = 'grid h-6 w-6 shrink-0 place-items-center rounded text-soft hover:text-ink';
  return (
    <div
      ref={setNodeRef}
      className="mb-2 rounded-lg border border-line bg-field p-2"
      style={{ transform: CSS.Translate.toString(transform), transition }}
    >
      <div className="flex items-center gap-1">
        <button
          type="button"
          {...attributes}
          {...listeners}
          aria-label={`Move ${field.label} in the card`}
          className={`${icon} cursor-grab touch-none`}
        >
          <ArrowsUpDownIcon className="h-4 w-4" />
        </button>
        <NameBox
          label={`Name of the field for ${what}`}
          value={field.label}
          onChange={(label) => set({ label })}
          className="h-7 min-w-0 flex-1 rounded-md border border-line-strong bg-card px-2 font-semibold"
        />
        <button
          type="button"
          aria-label={`All about ${field.label}`}
          aria-expanded={more}
          title="Section, help, limits, what it drives"
          onClick={() => setMore(!more)}
          className={icon}
        >
          <AdjustmentsHorizontalIcon className="h-4 w-4" />
        </button>
        <button
          type="button"
          aria-label={`Close ${field.label} to editors`}
          title="Close to editors"
          onClick={() =>
            apply((now) => ({ ...now, fields: now.fields.filter((one) => one.id !== field.id) }))
          }
          className={icon}
        >
          <XMarkIcon className="h-4 w-4" />
        </button>
      </div>
      <div className="flex items-center justify-between gap-2 pt-1 pl-7">
        <p className="truncate text-[12px] text-soft" title={what}>
          {what}
        </p>
        <label className="flex shrink-0 items-center gap-1.5">
          <input
            type="checkbox"
            className="accent-leaf"
            checked={field.required}
            onChange={(event) => set({ required: event.target.checked })}
          />
          needed
        </label>
      </div>
      {more && <FieldDetails field={field} onChange={set} />}
    </div>
  );
}

const AUTOMATIC_LABELS: Readonly<Record<AutomaticSource, string>> = {
  place: 'The place the clip was recorded',
  date: 'The date the clip was recorded',
  project: 'The name of the project',
  number: 'The number of the title',
  timecode: 'The timecode it starts at',
};

interface DetailProps {
  readonly field: Field;
  readonly onChange: (change: Partial<Field>) => void;
}

function FieldDetails({ field, onChange }: DetailProps) {
  const limit = (limits: FieldLimits): void => onChange({ limits: { ...field.limits, ...limits } });
  const line = (key: 'section' | 'help', label: string, placeholder: string, most: number) => (
    <Row label={label}>
      <input
        aria-label={`${label} of ${field.label}`}
        placeholder={placeholder}
        value={field[key]}
        maxLength={most}
        onChange={(event) => onChange({ [key]: event.target.value })}
        className="h-8 w-full rounded-lg border border-line-strong bg-field px-2"
      />
    </Row>
  );
  const isTextOrDate = field.kind === 'text' || field.kind === 'date';
  return (
    <div className="mt-1 border-t border-line pt-1">
      {line('section', 'Section', 'none', 60)}
      {line('help', 'Help', 'a word for editors', 200)}
      {(field.kind === 'text' || field.kind === 'rows') && (
        <Row label="Language">
          <LanguageBox
            label={`Language of ${field.label}`}
            value={field.language}
            otherwise="As the project"
            onChange={(language) => onChange({ language })}
          />
        </Row>
      )}
      {isTextOrDate && (
        <>
          <Row label="Is">
            <SelectBox
              label={`What ${field.label} is`}
              value={field.kind}
              choices={[
                { value: 'text', label: 'Text' },
                { value: 'date', label: 'A date or time' },
              ]}
              onChange={(kind) =>
                onChange({
                  kind,
                  limits: kind === 'date' ? { pattern: DEFAULT_DATE_PATTERN } : { maxLength: 60 },
                })
              }
            />
          </Row>
          <Row label="Starts as">
            <SelectBox<AutomaticSource | 'typed'>
              label={`What ${field.label} begins as`}
              value={field.automatic ?? 'typed'}
              choices={[
                { value: 'typed', label: 'What is typed' },
                ...AUTOMATIC_SOURCES.map((value) => ({ value, label: AUTOMATIC_LABELS[value] })),
              ]}
              onChange={(source) => onChange({ automatic: source === 'typed' ? null : source })}
            />
          </Row>
        </>
      )}
      {isWords(field) && (
        <Row label="By default">
          <DefaultWords field={field} onChange={onChange} />
        </Row>
      )}
      <LimitRows field={field} onChange={limit} />
      {field.kind === 'choice' && field.targets.length === 0 ? (
        <VariantRows field={field} onChange={limit} />
      ) : (
        <DrivesRow field={field} />
      )}
    </div>
  );
}

/** The words that go to air when an editor types none; without them the field is empty then. */
function DefaultWords({ field, onChange }: DetailProps) {
  const shared = {
    'aria-label': `Text of ${field.label} when nobody types any`,
    placeholder: 'empty',
    value: field.defaultWords ?? '',
    onChange: ({ target }: ChangeEvent<HTMLInputElement | HTMLTextAreaElement>): void =>
      onChange({ defaultWords: target.value === '' ? undefined : target.value }),
    className: 'w-full rounded-lg border border-line-strong bg-field px-2',
  };
  return field.kind === 'rows' ? (
    <textarea {...shared} rows={3} />
  ) : (
    <input {...shared} className={`${shared.className} h-8`} />
  );
}

/** Everything else that the field drives, and what it could drive too. */
function DrivesRow({ field }: { readonly field: Field }) {
  const template = useTemplate();
  const apply = useApply();
  const [first] = field.targets;
  const source = template.layers.find((one) => one.id === first?.layerId);
  const kind = source && first && findProperty(source, first.path)?.fieldKind;
  const free = template.layers.flatMap((layer) =>
    bindLayer(layer)
      .properties.filter(
        (property) => property.fieldKind === kind && property.part !== 'long' && property.closed !== true,
      )
      .filter(({ path }) => !field.targets.some((one) => one.layerId === layer.id && one.path === path))
      .map((property) => ({
        value: `${layer.id} ${property.path}`,
        label: `${layer.name}: ${property.label.toLowerCase()}`,
      })),
  );
  if (free.length === 0) return null;
  return (
    <Row label="Also changes">
      <SelectBox
        label={`${field.label} drives too`}
        value=""
        choices={[{ value: '', label: 'Choose…' }, ...free]}
        onChange={(value) => {
          const space = value.indexOf(' ');
          if (space < 0) return;
          apply((now) => driveBy(now, field.id, value.slice(0, space), value.slice(space + 1)));
        }}
      />
    </Row>
  );
}
