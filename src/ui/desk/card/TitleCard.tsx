'use client';
import { DocumentDuplicateIcon, TrashIcon } from '@heroicons/react/24/outline';
import type { Title } from '@/core/model/project';
import type { FieldValue } from '@/core/model/template';
import { withDeliveryChange, withSharedValues } from '@/core/project/deliver';
import { plainName } from '@/core/project/swap';
import { CardForm } from '../../shared/CardForm';
import { Segmented } from '../../shared/Segmented';
import {
  useApplyTitles,
  useDelivery,
  useDeliveryValues,
  useDesk,
  useDeskUi,
  useSelect,
  useTitles,
} from '../deskContext';
import { useDuplicate } from '../useDuplicate';
import { useOnlyHere } from './onlyHere';
import { TitleTimes } from './TitleTimes';
import { TitleExtras } from './TitleExtras';

/** The card of the chosen titles: the fields of the first, and what is set on all of them. */
export function TitleCard() {
  const selection = useDeskUi((ui) => ui.selection);
  const titles = useTitles();
  const { editions } = useDesk();
  const chosen = selection.flatMap((id) => titles.find((one) => one.id === id) ?? []);
  const [first] = chosen;
  const edition = first && editions.get(first.editionId);
  if (first === undefined || edition === undefined) {
    return <p className="p-4 text-soft">Pick a title in the sheet or on the strip to fill its card.</p>;
  }
  return (
    <section aria-label="Card" className="px-4 py-3">
      <CardHead first={first} chosen={chosen} />
      <CardFields first={first} chosen={chosen} />
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
  const apply = useApplyTitles();
  const select = useSelect();
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
      <span className="whitespace-nowrap text-soft">
        {chosen.length === 1 ? `edition ${edition?.number}` : 'changed together'}
      </span>
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
        onClick={() => {
          apply((now) => now.filter((one) => !ids.has(one.id)));
          select();
        }}
      >
        <TrashIcon className="h-4 w-4" />
      </button>
    </div>
  );
}

function CardFields({ first, chosen }: ChosenTitles) {
  const { editions, ui } = useDesk();
  const delivery = useDelivery();
  const apply = useApplyTitles();
  const valuesOf = useDeliveryValues();
  const { possible, onlyHere, setOnlyHere } = useOnlyHere();
  const template = editions.get(first.editionId)?.document;
  if (template === undefined) return null;
  const set = (fieldId: string, value: FieldValue): void => {
    const label = template.fields.find(({ id }) => id === fieldId)?.label ?? '';
    const ids = new Set(chosen.map(({ id }) => id));
    apply((now) =>
      now.map((title) => {
        if (!ids.has(title.id)) return title;
        // Another template has the field under an id of its own; what it is called decides.
        const own = editions.get(title.editionId)?.document;
        const target = own?.fields.find((field) =>
          title.editionId === first.editionId
            ? field.id === fieldId
            : plainName(field.label) === plainName(label),
        );
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
      <CardForm template={template} values={valuesOf(first)} onChange={set} />
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
