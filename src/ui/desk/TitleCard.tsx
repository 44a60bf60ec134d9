'use client';
import { TrashIcon } from '@heroicons/react/24/outline';
import { useMemo } from 'react';
import type { FrameFormat } from '@/core/layout/formats';
import { proofTitle } from '@/core/proof/proofTitle';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { compile } from '@/core/timeline/compile';
import { secondsToNearestFrames } from '@/core/units/rates';
import { Button } from '../shared/Button';
import { CardForm } from '../shared/CardForm';
import { NumberBox } from '../shared/NumberBox';
import { Pill } from '../shared/Pill';
import { newerEdition, useApplyTitles, useDesk, useShownValues, useTitles } from './deskContext';
import { updateTitle } from './deskStore';

/** The card of the chosen title: its fields, its length, and whether it can be read. */
export function TitleCard({
  fonts,
  format,
}: {
  readonly fonts: FontLibrary | null;
  readonly format: FrameFormat;
}) {
  const view = useDesk();
  const { editions, rate, selected, select } = view;
  const titles = useTitles();
  const apply = useApplyTitles();
  const shownValues = useShownValues();
  const title = titles.find((one) => one.id === selected);
  const edition = title && editions.get(title.editionId);
  const notes = useMemo(
    () =>
      fonts === null || edition === undefined || title === undefined
        ? []
        : compile(edition.document, shownValues(title), format, fonts).notes,
    [fonts, edition, title, format, shownValues],
  );
  if (title === undefined || edition === undefined) {
    return <p className="p-4 text-soft">Pick a title in the sheet or on the strip to fill its card.</p>;
  }
  const { document } = edition;
  const set = (change: Parameters<typeof updateTitle>[2]): void =>
    apply((now) => updateTitle(now, title.id, change));
  const proof = proofTitle(document, shownValues(title), title.lengthFrames, rate);
  const newer = newerEdition(view, title);
  const perSecond = rate.numerator / rate.denominator;
  const neededFrames =
    title.lengthFrames + secondsToNearestFrames(proof.readsSeconds - proof.readableSeconds, rate) + 1;
  return (
    <section aria-label="Card" className="px-4 py-3">
      <div className="flex items-baseline gap-2 pb-2">
        <h2 className="font-serif text-[16px] font-semibold">{document.name}</h2>
        <span className="text-soft">edition {edition.number}</span>
        <span className="flex-1" />
        {newer !== null && (
          <button
            type="button"
            className="font-semibold text-leaf-ink"
            onClick={() => set({ editionId: newer.id })}
          >
            Bring up to edition {newer.number}
          </button>
        )}
        <button
          type="button"
          aria-label="Remove this title"
          title="Remove this title (Delete)"
          className="grid h-7 w-7 place-items-center self-center rounded-md text-soft hover:bg-paper hover:text-ink"
          onClick={() => {
            apply((now) => now.filter((one) => one.id !== title.id));
            select(null);
          }}
        >
          <TrashIcon className="h-4 w-4" />
        </button>
      </div>
      <CardForm
        template={document}
        values={shownValues(title)}
        onChange={(fieldId, value) => set({ values: { ...title.values, [fieldId]: value } })}
      />
      <div className="mt-3 grid grid-cols-[96px_120px_1fr] items-center gap-2 border-t border-line pt-3">
        <span className="text-soft">Lasts</span>
        <NumberBox
          label="Lasts, in seconds"
          unit="s"
          min={2 / perSecond}
          max={36000}
          step={0.2}
          value={title.lengthFrames / perSecond}
          units={{ f: 1 / perSecond }}
          onChange={(seconds) => set({ lengthFrames: Math.max(2, secondsToNearestFrames(seconds, rate)) })}
        />
        <span className="flex items-center justify-end gap-2">
          <Pill tone={proof.tone}>
            {proof.tone === 'pass' ? `reads in ${proof.readsSeconds.toFixed(1)} s` : proof.message}
          </Pill>
          {proof.readsSeconds > proof.readableSeconds + 0.05 && (
            <Button onClick={() => set({ lengthFrames: neededFrames })}>Lengthen</Button>
          )}
        </span>
      </div>
      {notes.map((note) => (
        <p
          key={note.layerId + note.kind}
          className={note.kind === 'fitted' ? 'pt-1.5 text-soft' : 'pt-1.5 text-stop-ink'}
        >
          {note.message}
        </p>
      ))}
    </section>
  );
}
