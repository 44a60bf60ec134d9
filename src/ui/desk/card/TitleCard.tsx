'use client';
import { useMemo } from 'react';
import { DocumentDuplicateIcon, TrashIcon } from '@heroicons/react/24/outline';
import type { Title } from '@/core/model/project';
import type { Field, FieldValue, FieldValues, Template } from '@/core/model/template';
import { airValue } from '@/core/resolve/fieldValue';
import { withDeliveryChange, withSharedValues } from '@/core/project/deliver';
import { plainName } from '@/core/project/swap';
import { creditsLayer } from '@/core/project/titleCredits';
import { Button } from '../../shared/Button';
import { counted } from '../../shared/counted';
import { CardForm } from '../../shared/CardForm';
import { VIDEOS_FOR_TITLES } from '../media';
import { Segmented } from '../../shared/Segmented';
import {
  useApplyTitles,
  useDelivery,
  useDeliveryValues,
  useDesk,
  useDeskUi,
  useTitles,
} from '../deskContext';
import { useDuplicate } from '../useDuplicate';
import { useRemoveTitles } from '../useRemoveTitles';
import { useOnlyHere } from './onlyHere';
import { RowMoments } from './RowMoments';
import { TitleTimes } from './TitleTimes';
import { TitleExtras } from './TitleExtras';

/** The card of the chosen titles: the fields of the first, and what is set on all of them. */
export function TitleCard({ frameNow }: { readonly frameNow: () => number }) {
  const selection = useDeskUi((ui) => ui.selection);
  const titles = useTitles();
  const { editions } = useDesk();
  const chosen = useMemo(
    () => selection.flatMap((id) => titles.find((one) => one.id === id) ?? []),
    [selection, titles],
  );
  const [first] = chosen;
  const edition = first && editions.get(first.editionId);
  if (first === undefined || edition === undefined) {
    return <p className="p-4 text-soft">Pick a title in the sheet or on the strip to fill its card.</p>;
  }
  return (
    <section aria-label="Card" className="px-4 py-3">
      <CardHead first={first} chosen={chosen} />
      <CardFields first={first} chosen={chosen} />
      <CreditsNote first={first} />
      <RowMoments first={first} chosen={chosen} frameNow={frameNow} />
      <TitleTimes first={first} chosen={chosen} />
      <TitleExtras first={first} chosen={chosen} />
    </section>
  );
}

export interface ChosenTitles {
  readonly first: Title;
  /** All of them, the first among them. */
  readonly chosen: readonly Title[];
}

function CardHead({ first, chosen }: ChosenTitles) {
  const { editions, ui } = useDesk();
  const remove = useRemoveTitles();
  const duplicate = useDuplicate();
  const edition = editions.get(first.editionId);
  const ids = new Set(chosen.map(({ id }) => id));
  const icon =
    'grid h-7 w-7 place-items-center self-center rounded-md text-soft hover:bg-paper hover:text-ink';
  return (
    <div className="flex items-baseline gap-2 pb-2">
      <h2 className="truncate font-serif text-[16px] font-semibold">
        {chosen.length === 1 ? edition?.document.name : `${chosen.length} titles`}
      </h2>
      {chosen.length === 1 ? (
        <button
          type="button"
          title="Choose an edition"
          className="whitespace-nowrap text-soft hover:text-ink hover:underline"
          onClick={() => ui.setState({ dialog: 'edition' })}
        >
          {`edition ${edition?.number}`}
        </button>
      ) : (
        <span className="whitespace-nowrap text-soft">changed together</span>
      )}
      <span className="flex-1" />
      <button
        type="button"
        className="font-semibold whitespace-nowrap text-leaf-ink hover:underline"
        onClick={() => ui.setState({ dialog: 'swap', swapTo: null })}
      >
        Swap template…
      </button>
      <button type="button" aria-label="Duplicate" title="Duplicate (D)" className={icon} onClick={duplicate}>
        <DocumentDuplicateIcon className="h-4 w-4" />
      </button>
      <button
        type="button"
        aria-label={chosen.length === 1 ? 'Remove this title' : 'Remove these titles'}
        title="Remove (Delete)"
        className={icon}
        onClick={() => remove(ids)}
      >
        <TrashIcon className="h-4 w-4" />
      </button>
    </div>
  );
}

/** Where the credits of a title are typed, for one that has some. */
function CreditsNote({ first }: Pick<ChosenTitles, 'first'>) {
  const { editions, ui } = useDesk();
  const document = editions.get(first.editionId)?.document;
  if (document === undefined || creditsLayer(document) === undefined) return null;
  return (
    <p className="flex items-center gap-2 py-2">
      <span className="flex-1 text-soft">{counted(first.credits?.rows.length ?? 0, 'row')}</span>
      <Button onClick={() => ui.setState({ sheet: 'credits', creditTitleId: first.id })}>
        Open its credits
      </Button>
    </p>
  );
}

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

function CardFields({ first, chosen }: ChosenTitles) {
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
