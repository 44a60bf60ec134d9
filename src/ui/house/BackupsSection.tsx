'use client';
import { formatDistanceToNow } from 'date-fns';
import { useCallback, useEffect, useState } from 'react';
import { toast } from 'sonner';
import type { BackupFacts, RoomFacts } from '@/contract/room';
import { bytesToWords } from '@/core/kit/bytes';
import { ask, wordsOf } from '../shared/api';
import { Button } from '../shared/Button';
import { Modal } from '../shared/Modal';
import { Pill } from '../shared/Pill';

/** Backups: made by hand and each day, to take away, and to put everything back as one has it. */
export function BackupsSection() {
  const [backups, setBackups] = useState<readonly BackupFacts[] | null>(null);
  const [busy, setBusy] = useState('');
  const [chosen, setChosen] = useState<{ readonly backup: BackupFacts; readonly step: Step } | null>(null);
  const reload = useCallback(
    () =>
      ask<RoomFacts>('room').then(
        (room) => setBackups(room.backups),
        () => undefined,
      ),
    [],
  );
  useEffect(() => void reload(), [reload]);
  const work = async (
    words: string,
    path: string,
    done: string,
    method: 'POST' | 'DELETE',
  ): Promise<void> => {
    setBusy(words);
    try {
      await ask(path, { method });
      toast(done);
    } catch (error) {
      toast.error(wordsOf(error), { duration: 12_000 });
    } finally {
      setBusy('');
      await reload();
    }
  };
  return (
    <>
      <p className="pb-3 text-soft">
        A backup is one file with every document, picture and video and the list of jobs; rendered files can
        be rendered again and are not in it. It is read back from beginning to end before it counts. One is
        made each day, and the last seven of those are kept.
      </p>
      <div className="flex items-center gap-3 pb-3">
        <Button
          look="gold"
          disabled={busy !== ''}
          onClick={() =>
            void work('Making a backup.', 'backups', 'The backup is made and was read back.', 'POST')
          }
        >
          Back up now
        </Button>
        <span role="status" className="text-soft">
          {busy}
        </span>
      </div>
      {backups?.length === 0 && <p className="text-soft">There is none yet.</p>}
      <ul className="border-t border-line">
        {backups?.map((backup) => (
          <li key={backup.name} className="flex items-center gap-3 border-b border-line py-1.5">
            <span className="min-w-0 flex-1 truncate font-semibold">{dayInWords(backup)}</span>
            <span className="text-soft">
              {formatDistanceToNow(new Date(backup.madeAt), { addSuffix: true })}
            </span>
            {backup.automatic && <Pill tone="quiet">daily</Pill>}
            <span className="w-20 text-right">{bytesToWords(backup.bytes)}</span>
            <a
              href={`/api/backups/${backup.name}`}
              download
              className="inline-flex h-8 items-center rounded-lg border border-line-strong bg-field px-3 font-semibold"
            >
              Download
            </a>
            <Button disabled={busy !== ''} onClick={() => setChosen({ backup, step: 'restore' })}>
              Restore…
            </Button>
            <Button disabled={busy !== ''} onClick={() => setChosen({ backup, step: 'remove' })}>
              Remove…
            </Button>
          </li>
        ))}
      </ul>
      <p className="pt-3 text-soft">
        From a terminal: <code className="font-mono text-[12px]">npm run backup</code> and{' '}
        <code className="font-mono text-[12px]">npm run restore -- file.tar folder</code>.
      </p>
      {chosen !== null && (
        <Sure
          backup={chosen.backup}
          step={chosen.step}
          onClose={() => setChosen(null)}
          onGo={() => {
            const { backup, step } = chosen;
            setChosen(null);
            if (step === 'restore')
              void work(
                'Putting everything back.',
                `backups/${backup.name}/restore`,
                'Everything is as it was.',
                'POST',
              );
            else void work('', `backups/${backup.name}`, 'The backup is removed.', 'DELETE');
          }}
        />
      )}
    </>
  );
}

type Step = 'restore' | 'remove';

/** Asks before a backup is put back, or goes for good. */
function Sure({
  backup,
  step,
  onClose,
  onGo,
}: {
  readonly backup: BackupFacts;
  readonly step: Step;
  readonly onClose: () => void;
  readonly onGo: () => void;
}) {
  return (
    <Modal
      title={step === 'restore' ? 'Put everything back?' : 'Remove this backup?'}
      open
      onClose={onClose}
      foot={
        <>
          <Button onClick={onClose}>Cancel</Button>
          <Button look="gold" onClick={onGo}>
            {step === 'restore' ? 'Restore' : 'Remove'}
          </Button>
        </>
      }
    >
      <p>
        {step === 'restore'
          ? `Everything becomes as it was on ${dayInWords(backup)}. What is here now is backed up first, so it can be put back in the same way. Desks that are open load again.`
          : `The backup of ${dayInWords(backup)} is deleted. It cannot be brought back.`}
      </p>
    </Modal>
  );
}

function dayInWords({ madeAt }: BackupFacts): string {
  return new Date(madeAt).toLocaleString('en-GB', { dateStyle: 'long', timeStyle: 'short' });
}
