'use client';
import { format } from 'date-fns';
import { useEffect, useState } from 'react';
import type { EditionFacts } from '@/contract/templates';
import { ask, wordsOf } from '../../shared/api';
import { Button } from '../../shared/Button';
import { counted } from '../../shared/counted';
import { loadEdition } from '../../shared/documents';
import { Modal } from '../../shared/Modal';
import { SelectBox } from '../../shared/SelectBox';
import { Labelled } from '../../shared/Labelled';
import { useApplyTitles, useDesk, useDeskUi, usePlan, useTitles } from '../deskContext';
import { EditionPair } from './EditionPair';
import { onEdition } from './onEdition';

/** Any edition of a title's template, older ones too: seen beside the present one, then taken. */
export function ChooseEditionDialog({ onClose }: { readonly onClose: () => void }) {
  const { editions, newest, addEdition } = useDesk();
  const titles = useTitles();
  const apply = useApplyTitles();
  const { deliveries } = usePlan();
  const first = useDeskUi((ui) => ui.selection[0]);
  const title = titles.find(({ id }) => id === first);
  const used = title && editions.get(title.editionId);
  const templateId = used?.templateId;
  const [list, setList] = useState<readonly EditionFacts[]>([]);
  const [problem, setProblem] = useState('');
  const [chosen, setChosen] = useState('');
  const [forAll, setForAll] = useState(false);
  useEffect(() => {
    if (templateId === undefined) return;
    let left = false;
    ask<EditionFacts[]>(`templates/${templateId}/editions`).then(
      (found) => !left && setList(found),
      (error: unknown) => !left && setProblem(wordsOf(error)),
    );
    return () => {
      left = true;
    };
  }, [templateId]);
  if (title === undefined || used === undefined || templateId === undefined) return null;
  const pick = (id: string): void => {
    setChosen(id);
    loadEdition(id).then(addEdition, (error: unknown) => setProblem(wordsOf(error)));
  };
  const other = chosen === '' || chosen === used.id ? undefined : editions.get(chosen);
  const alike = titles.filter((one) => editions.get(one.editionId)?.templateId === templateId);
  const take = (): void => {
    if (other === undefined) return;
    const ids = new Set(forAll ? alike.map(({ id }) => id) : [title.id]);
    // One that is chosen although there is a newer one is meant to stay.
    const keepsEdition = newest.get(templateId)?.id !== other.id;
    apply((now) =>
      now.map((one) =>
        ids.has(one.id) ? { ...onEdition(one, other, editions, deliveries), keepsEdition } : one,
      ),
    );
    onClose();
  };
  return (
    <Modal
      title={`Editions of ${used.document.name}`}
      open
      onClose={onClose}
      width="wide"
      foot={
        <>
          <span className="flex-1" />
          <Button onClick={onClose}>Cancel</Button>
          <Button look="gold" disabled={other === undefined} onClick={take}>
            {other === undefined ? 'Use it' : `Use edition ${other.number}`}
          </Button>
        </>
      }
    >
      <Labelled label="Edition">
        <SelectBox
          label="Edition"
          value={chosen === '' ? used.id : chosen}
          onChange={pick}
          choices={(list.length === 0 ? [used] : list).map(({ id, number, releasedAt }) => ({
            value: id,
            label: `Edition ${number}, ${format(new Date(releasedAt), 'd MMM yyyy, HH:mm')}${id === used.id ? ', in use' : ''}`,
          }))}
        />
      </Labelled>
      {problem !== '' && (
        <p role="alert" className="pt-2 text-stop-ink">
          {problem}
        </p>
      )}
      {list.length === 1 && <p className="pt-2 text-soft">There is only one edition of it.</p>}
      {other !== undefined && (
        <div className="pt-3">
          <EditionPair before={title} after={onEdition(title, other, editions, deliveries)} />
          {alike.length > 1 && (
            <label className="flex items-center gap-2 pt-3">
              <input
                type="checkbox"
                checked={forAll}
                onChange={(event) => setForAll(event.target.checked)}
                className="accent-leaf"
              />
              {`In all ${counted(alike.length, 'title')} of this template`}
            </label>
          )}
        </div>
      )}
    </Modal>
  );
}
