'use client';
import { DocumentDuplicateIcon, TrashIcon } from '@heroicons/react/24/outline';
import { useMemo } from 'react';
import { creditsLayer } from '@/core/project/titleCredits';
import { Button } from '../../shared/Button';
import { counted } from '../../shared/counted';
import { useDesk, useDeskUi, useTitles } from '../deskContext';
import { useDuplicate } from '../useDuplicate';
import { useRemoveTitles } from '../useRemoveTitles';
import { CardFields } from './CardFields';
import type { ChosenTitles } from './chosenTitles';
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
