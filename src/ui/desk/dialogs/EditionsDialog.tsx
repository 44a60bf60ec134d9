'use client';
import type { EditionRecord } from '@/contract/templates';
import type { Title } from '@/core/model/project';
import { Button } from '../../shared/Button';
import { Modal } from '../../shared/Modal';
import { newerEdition, numbersOf, useApplyTitles, useDesk, usePlan, useTitles } from '../deskContext';
import { EditionPair } from './EditionPair';
import { onEdition } from './onEdition';

const MOST_SHOWN = 24;

/** Newer editions: every affected title before and after, brought up to date one by one or all; a title can keep its own. */
export function EditionsDialog({ onClose }: { readonly onClose: () => void }) {
  const view = useDesk();
  const titles = useTitles();
  const apply = useApplyTitles();
  const behind = titles.flatMap((title) => {
    const newer = newerEdition(view, title);
    return newer === null ? [] : [{ title, newer }];
  });
  const { deliveries } = usePlan();
  const updateAll = (): void => {
    const ids = new Set(behind.map(({ title }) => title.id));
    apply((now) =>
      now.map((title) => {
        const newer = ids.has(title.id) ? newerEdition(view, title) : null;
        return newer === null ? title : onEdition(title, newer, view.editions, deliveries);
      }),
    );
    onClose();
  };
  return (
    <Modal
      title="Newer editions"
      open
      onClose={onClose}
      width="wide"
      foot={
        <>
          <Button onClick={onClose}>{behind.length === 0 ? 'Close' : 'Cancel'}</Button>
          {behind.length > 0 && (
            <Button look="gold" onClick={updateAll}>
              {`Bring ${behind.length === 1 ? 'the title' : `all ${behind.length} titles`} up to date`}
            </Button>
          )}
        </>
      }
    >
      {behind.length === 0 && (
        <p className="text-soft">Every title uses the newest edition of its template, or keeps its own.</p>
      )}
      <ul className="grid gap-4">
        {behind.slice(0, MOST_SHOWN).map(({ title, newer }) => (
          <li key={title.id}>
            <Compared title={title} newer={newer} />
          </li>
        ))}
      </ul>
      {behind.length > MOST_SHOWN && (
        <p className="pt-3 text-soft">and {behind.length - MOST_SHOWN} more titles</p>
      )}
    </Modal>
  );
}

function Compared({ title, newer }: { readonly title: Title; readonly newer: EditionRecord }) {
  const { editions } = useDesk();
  const titles = useTitles();
  const { deliveries } = usePlan();
  const apply = useApplyTitles();
  const used = editions.get(title.editionId);
  const after = onEdition(title, newer, editions, deliveries);
  const lost = after.kept.slice(title.kept.length);
  const set = (change: (one: Title) => Title): void =>
    apply((now) => now.map((one) => (one.id === title.id ? change(one) : one)));
  return (
    <section aria-label={`Title ${numbersOf(titles).get(title.id)}`}>
      <div className="flex items-center gap-2 pb-1.5">
        <span className="font-mono text-[12px] text-soft">{numbersOf(titles).get(title.id)}</span>
        <span className="font-serif font-semibold">{newer.document.name}</span>
        <span className="flex-1 text-soft">{`edition ${used?.number} → ${newer.number}`}</span>
        <Button
          onClick={() => set((one) => ({ ...one, keepsEdition: true }))}
        >{`Keep edition ${used?.number}`}</Button>
        <Button onClick={() => set((one) => onEdition(one, newer, editions, deliveries))}>
          Bring up to date
        </Button>
      </div>
      <EditionPair before={title} after={after} />
      {lost.map(({ label, value }, i) => (
        <p key={i} className="pt-1 text-leaf-ink">
          {`${label} is gone from the template; “${String(value)}” stays with the title.`}
        </p>
      ))}
    </section>
  );
}
