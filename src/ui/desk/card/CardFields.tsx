'use client';
import { useMemo } from 'react';
import type { Title } from '@/core/model/project';
import type { Field, FieldValue, FieldValues, Template } from '@/core/model/template';
import { withDeliveryChange, withSharedValues } from '@/core/project/deliver';
import { plainName } from '@/core/project/swap';
import { airValue } from '@/core/resolve/fieldValue';
import { CardForm } from '../../shared/CardForm';
import { Segmented } from '../../shared/Segmented';
import { useApplyTitles, useDelivery, useDeliveryValues, useDesk } from '../deskContext';
import { VIDEOS_FOR_TITLES } from '../media';
import type { ChosenTitles } from './chosenTitles';
import { useOnlyHere } from './onlyHere';

/** The field of a template by its id, or, in another template, by what it is called. */
function fieldLike(
  template: Template | undefined,
  wanted: { readonly id: string } | { readonly label: string },
): Field | undefined {
  return template?.fields.find((field) =>
    'id' in wanted ? field.id === wanted.id : plainName(field.label) === plainName(wanted.label),
  );
}

/** The fields of a template in which some titles differ; a title without such a field says nothing to it. */
function mixedFields(
  template: Template | undefined,
  chosen: readonly Title[],
  templateOf: (editionId: string) => Template | undefined,
  valuesOf: (title: Title) => FieldValues,
): ReadonlySet<string> {
  const mixed = new Set<string>();
  for (const { id, label } of chosen.length < 2 ? [] : (template?.fields ?? [])) {
    const said = chosen.flatMap((title) => {
      const own = templateOf(title.editionId);
      const field = fieldLike(own, own === template ? { id } : { label });
      return own === undefined || field === undefined
        ? []
        : [valuesOf(title)[field.id] ?? airValue(own, field)];
    });
    if (new Set(said).size > 1) mixed.add(id);
  }
  return mixed;
}

/** The fields of the chosen titles, as the first has them, and words of it that no field takes. */
export function CardFields({ first, chosen }: ChosenTitles) {
  const { editions, ui } = useDesk();
  const delivery = useDelivery();
  const apply = useApplyTitles();
  const valuesOf = useDeliveryValues();
  const { possible, onlyHere, setOnlyHere } = useOnlyHere();
  const template = editions.get(first.editionId)?.document;
  const mixed = useMemo(
    () => mixedFields(template, chosen, (id) => editions.get(id)?.document, valuesOf),
    [template, chosen, editions, valuesOf],
  );
  if (template === undefined) return null;
  const set = (fieldId: string, value: FieldValue): void => {
    const label = template.fields.find(({ id }) => id === fieldId)?.label ?? '';
    const ids = new Set(chosen.map(({ id }) => id));
    apply((now) =>
      now.map((title) => {
        if (!ids.has(title.id)) return title;
        // Another template has the field under an id of its own; what it is called decides.
        const own = editions.get(title.editionId)?.document;
        const target = fieldLike(own, own === template ? { id: fieldId } : { label });
        if (target === undefined) return title;
        if (!onlyHere) return withSharedValues(title, delivery.id, { [target.id]: value });
        const here = title.perDelivery[delivery.id]?.values ?? {};
        return withDeliveryChange(title, delivery.id, { values: { ...here, [target.id]: value } });
      }),
    );
  };
  const otherwise = Object.keys(first.perDelivery[delivery.id]?.values ?? {});
  return (
    <>
      {possible && (
        <div className="pb-2.5">
          <Segmented
            label="Where changes count"
            value={onlyHere ? 'here' : 'all'}
            onChange={(value) => setOnlyHere(value === 'here')}
            choices={[
              { value: 'all', label: 'In every delivery' },
              { value: 'here', label: `Only in ${delivery.name}` },
            ]}
          />
        </div>
      )}
      <CardForm
        key={chosen.map(({ id }) => id).join(' ')}
        template={template}
        values={valuesOf(first)}
        mixed={mixed}
        videos={VIDEOS_FOR_TITLES}
        onChange={set}
      />
      {otherwise.length > 0 && (
        <p className="pt-2 text-soft">
          {`${otherwise.length === 1 ? 'One field is' : `${otherwise.length} fields are`} otherwise in ${delivery.name}. `}
          <button
            type="button"
            className="font-semibold text-leaf-ink hover:underline"
            onClick={() =>
              apply((now) =>
                now.map((title) =>
                  title.id === first.id ? withDeliveryChange(title, delivery.id, { values: {} }) : title,
                ),
              )
            }
          >
            As in the others
          </button>
        </p>
      )}
      {first.kept.length > 0 && (
        <div className="mt-3 rounded-lg bg-paper px-3 py-2">
          <p className="caps pb-1">Kept words without a field</p>
          {first.kept.map(({ label, value }, i) => (
            <p key={i} className="text-soft">
              {label}: <span className="text-ink">{String(value)}</span>
            </p>
          ))}
          <button
            type="button"
            className="pt-1 font-semibold text-leaf-ink hover:underline"
            onClick={() => ui.setState({ dialog: 'swap', swapTo: null })}
          >
            Put them somewhere
          </button>
        </div>
      )}
    </>
  );
}
