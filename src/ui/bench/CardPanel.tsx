'use client';
import {
  DndContext,
  KeyboardSensor,
  PointerSensor,
  closestCenter,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import type { DragEndEvent } from '@dnd-kit/core';
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { ArrowsUpDownIcon, XMarkIcon } from '@heroicons/react/24/outline';
import { orderFields, updateField } from '@/core/document/editTemplate';
import type { Field, FieldLimits, FieldValue, FieldValues } from '@/core/document/template';
import { findProperty } from '@/core/layers';
import { CardForm } from '../shared/CardForm';
import { NumberBox } from '../shared/NumberBox';
import { useApply, useTemplate } from './benchStore';

interface Props {
  readonly values: FieldValues;
  readonly onTry: (fieldId: string, value: FieldValue) => void;
}

/** The fields that editors will see: their names, their order, their limits; and the card itself, to try. */
export function CardPanel({ values, onTry }: Props) {
  const template = useTemplate();
  const apply = useApply();
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 5 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const ids = template.fields.map((field) => field.id);
  const onDragEnd = ({ active, over }: DragEndEvent): void => {
    if (over === null || active.id === over.id) return;
    const without = ids.filter((id) => id !== active.id);
    const from = ids.indexOf(String(active.id));
    const to = ids.indexOf(String(over.id));
    const at = without.indexOf(String(over.id)) + (from < to ? 1 : 0);
    apply((now) => orderFields(now, without.toSpliced(at, 0, String(active.id))));
  };
  return (
    <>
      <p className="caps pb-1">Open to editors</p>
      {template.fields.length === 0 && (
        <p className="text-soft">
          Nothing yet. Turn a leaf gold beside a setting under Type or Place to open it.
        </p>
      )}
      <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={onDragEnd} id="card">
        <SortableContext items={ids} strategy={verticalListSortingStrategy}>
          {template.fields.map((field) => (
            <FieldRow key={field.id} field={field} />
          ))}
        </SortableContext>
      </DndContext>
      <p className="caps mt-4 border-t border-line pt-3 pb-2">Try the card</p>
      <CardForm template={template} values={values} onChange={onTry} />
      <p className="mt-2 text-[12px] text-soft">
        What you type here is only tried. The design keeps its own words.
      </p>
    </>
  );
}

function FieldRow({ field }: { readonly field: Field }) {
  const template = useTemplate();
  const apply = useApply();
  const { attributes, listeners, setNodeRef, transform, transition } = useSortable({ id: field.id });
  const set = (change: Partial<Field>): void => apply((now) => updateField(now, field.id, change));
  const opens = field.targets.map(({ layerId, path }) => {
    const layer = template.layers.find((one) => one.id === layerId);
    return layer === undefined
      ? layerId
      : `${layer.name}: ${findProperty(layer, path)?.label.toLowerCase() ?? path}`;
  });
  return (
    <div
      ref={setNodeRef}
      className="mb-2 rounded-lg border border-line bg-field p-2"
      style={{ transform: CSS.Translate.toString(transform), transition }}
    >
      <div className="flex items-center gap-1.5">
        <button
          type="button"
          {...attributes}
          {...listeners}
          aria-label={`Move ${field.label} in the card`}
          className="grid h-6 w-6 shrink-0 cursor-grab touch-none place-items-center rounded text-soft"
        >
          <ArrowsUpDownIcon className="h-4 w-4" />
        </button>
        <input
          aria-label={`Name of the field for ${opens.join(', ')}`}
          value={field.label}
          maxLength={60}
          onChange={(event) => event.target.value !== '' && set({ label: event.target.value })}
          className="h-7 min-w-0 flex-1 rounded-md border border-line-strong bg-card px-2 font-semibold"
        />
        <button
          type="button"
          aria-label={`Close ${field.label} to editors`}
          title="Close to editors"
          onClick={() =>
            apply((now) => ({ ...now, fields: now.fields.filter((one) => one.id !== field.id) }))
          }
          className="grid h-6 w-6 place-items-center rounded text-soft hover:text-ink"
        >
          <XMarkIcon className="h-4 w-4" />
        </button>
      </div>
      <p className="truncate pt-1 pl-7 text-[12px] text-soft" title={opens.join(', ')}>
        {opens.join(', ')}
      </p>
      <div className="flex items-center gap-2 pt-1 pl-7">
        <label className="flex items-center gap-1.5">
          <input
            type="checkbox"
            className="accent-leaf"
            checked={field.required}
            onChange={(event) => set({ required: event.target.checked })}
          />
          needed
        </label>
        <LimitControl field={field} onChange={(limits) => set({ limits: { ...field.limits, ...limits } })} />
      </div>
      <input
        aria-label={`Help for ${field.label}`}
        placeholder="A word of help for editors"
        value={field.help}
        maxLength={200}
        onChange={(event) => set({ help: event.target.value })}
        className="mt-1.5 ml-7 h-7 w-[calc(100%-1.75rem)] rounded-md border border-line bg-card px-2 text-[12px]"
      />
    </div>
  );
}

function LimitControl({
  field,
  onChange,
}: {
  readonly field: Field;
  readonly onChange: (limits: FieldLimits) => void;
}) {
  if (field.kind === 'text') {
    return (
      <span className="ml-auto flex items-center gap-1.5">
        at most
        <span className="w-24">
          <NumberBox
            label={`Most characters in ${field.label}`}
            unit="chars"
            min={1}
            max={10_000}
            step={1}
            digits={0}
            value={field.limits.maxLength ?? 10_000}
            onChange={(maxLength) => onChange({ maxLength: Math.round(maxLength) })}
          />
        </span>
      </span>
    );
  }
  if (field.kind !== 'number') return null;
  return (
    <span className="ml-auto flex items-center gap-1.5">
      <span className="w-16">
        <NumberBox
          label={`Least ${field.label}`}
          unit=""
          min={-1e6}
          max={field.limits.max ?? 1e6}
          step={1}
          value={field.limits.min ?? 0}
          onChange={(min) => onChange({ min })}
        />
      </span>
      to
      <span className="w-16">
        <NumberBox
          label={`Most ${field.label}`}
          unit=""
          min={field.limits.min ?? -1e6}
          max={1e6}
          step={1}
          value={field.limits.max ?? 0}
          onChange={(max) => onChange({ max })}
        />
      </span>
    </span>
  );
}
