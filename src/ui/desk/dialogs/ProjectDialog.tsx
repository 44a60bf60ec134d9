'use client';
import { useMemo, useState } from 'react';
import { FORMATS } from '@/core/frame/formats';
import type { ProjectSettings } from '@/core/model/project';
import { changeRate } from '@/core/project/changeRate';
import { RATES } from '@/core/time/rates';
import { ask, wordsOf } from '../../shared/api';
import { Button } from '../../shared/Button';
import { counted } from '../../shared/counted';
import { Labelled } from '../../shared/Labelled';
import { Modal } from '../../shared/Modal';
import { ProductionRow } from '../../shared/ProductionRow';
import { FormatFields } from '../../shared/StartDialog';
import { useDesk } from '../deskContext';
import { StartRow } from './StartRow';

interface Props {
  /** Saves what the server does not have yet. */
  readonly flush: () => Promise<void>;
  readonly onClose: () => void;
}

const BOX = 'h-8 w-full rounded-lg border border-line-strong bg-field px-2.5';

/** What the project says of itself, to be changed; what a change does is told before it is made. */
export function ProjectDialog({ flush, onClose }: Props) {
  const { projectId, settings } = useDesk();
  const [values, setValues] = useState(settings);
  const [problem, setProblem] = useState('');
  const [busy, setBusy] = useState(false);
  const set = (change: Partial<ProjectSettings>): void => setValues((now) => ({ ...now, ...change }));
  const effects = useEffects(values);
  const same = Object.entries(values).every(([key, value]) => Reflect.get(settings, key) === value);
  const change = async (): Promise<void> => {
    setBusy(true);
    try {
      await flush();
      await ask(`projects/${projectId}`, {
        method: 'PUT',
        body: { settings: { ...values, name: values.name.trim() } },
      });
      // Everything is counted anew: the desk opens again as the project is now.
      window.location.reload();
    } catch (error) {
      setProblem(wordsOf(error));
      setBusy(false);
    }
  };
  return (
    <Modal
      title="Project"
      open
      onClose={onClose}
      foot={
        <>
          <span className="flex-1" />
          <Button onClick={onClose}>Cancel</Button>
          <Button
            look="gold"
            disabled={busy || same || values.name.trim() === ''}
            onClick={() => void change()}
          >
            Change project
          </Button>
        </>
      }
    >
      <div className="grid gap-3">
        <Labelled label="Name">
          <input
            aria-label="Name of the project"
            value={values.name}
            maxLength={80}
            onChange={(event) => set({ name: event.target.value })}
            className={BOX}
          />
        </Labelled>
        <ProductionRow value={values.production} onChange={(production) => set({ production })} />
        <FormatFields values={values} onChange={set} />
        <StartRow />
      </div>
      {effects.length > 0 && (
        <div role="status" className="mt-3 rounded-lg bg-leaf-wash px-3 py-2 text-leaf-ink">
          {effects.map((effect) => (
            <p key={effect}>{effect}</p>
          ))}
        </div>
      )}
      {problem !== '' && (
        <p role="alert" className="mt-3 text-stop-ink">
          {problem}
        </p>
      )}
    </Modal>
  );
}

/** What a change of format or rate does, in words. */
function useEffects({ format, rate }: ProjectSettings): readonly string[] {
  const { settings, store } = useDesk();
  return useMemo(() => {
    const work = store.getState();
    const { titles, clips } = work;
    const said: string[] = [];
    if (format !== settings.format)
      said.push(
        `The master is laid out anew in ${FORMATS.get(format).label} ${FORMATS.get(format).shapeLabel}, and its titles are proofed again. Other deliveries stay.`,
      );
    if (rate !== settings.rate) {
      const { rounded, lengthened } = changeRate(work, RATES.get(settings.rate), RATES.get(rate));
      said.push(
        `${counted(titles.length, 'title')} and ${counted(clips.length, 'clip')} keep their times.`,
        rounded === 0
          ? 'Every start and end falls on a frame of the new rate.'
          : `${counted(rounded, 'start or end lies', 'starts and ends lie')} between two frames and ${rounded === 1 ? 'goes' : 'go'} to the nearer.`,
      );
      if (lengthened > 0)
        said.push(`${counted(lengthened, 'title is', 'titles are')} too short for it and last two frames.`);
      said.push('It cannot be undone with Undo; change it back here.');
    }
    return said;
  }, [format, rate, settings, store]);
}
