'use client';
import { closestCenter, DndContext } from '@dnd-kit/core';
import type { DragEndEvent } from '@dnd-kit/core';
import { SortableContext, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { addVariants, orderFields } from '@/core/edit/editFields';
import type { FieldValue, FieldValues, Template } from '@/core/model/template';
import { CardForm } from '../../shared/CardForm';
import { useSortSensors } from '../../shared/useSortSensors';
import { useApply, useTemplate } from '../state/benchStore';
import { FieldRow } from './FieldRow';

interface Props {
  /** The values that the template is shown with. */
  readonly valuesOf: (template: Template) => FieldValues;
  readonly onTry: (fieldId: string, value: FieldValue) => void;
}

/** The fields that editors will see: their names, their order, their limits; and the card itself, to try. */
export function CardPanel({ valuesOf, onTry }: Props) {
  const template = useTemplate();
  const apply = useApply();
  const sensors = useSortSensors();
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
      <button
        type="button"
        title="Named variants, such as left and right, that set several things at once"
        className="py-1 font-semibold text-leaf-ink"
        onClick={() => apply(addVariants)}
      >
        + A choice that sets several things
      </button>
      <p className="caps mt-3 border-t border-line pt-3 pb-2">Try the card</p>
      <CardForm template={template} values={valuesOf(template)} onChange={onTry} showsSamples />
      <p className="mt-2 text-[12px] text-soft">
        What you type here is only tried. The design keeps its own words.
      </p>
    </>
  );
}
