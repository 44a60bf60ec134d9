'use client';
import { Dialog, DialogPanel, DialogTitle, Radio, RadioGroup } from '@headlessui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { OUTPUTS } from '@/core/outputs';
import { ask, wordsOf } from '../shared/api';
import { Button } from '../shared/Button';
import { classes } from '../shared/classes';
import { Segmented } from '../shared/Segmented';
import { useDesk, useTitles } from './deskContext';

/** Chooses which titles become files, and of what kind, and sends them to the press. */
export function SendToPress({ flush }: { readonly flush: () => Promise<void> }) {
  const { projectId, selected } = useDesk();
  const titles = useTitles();
  const router = useRouter();
  const [open, setOpen] = useState(false);
  const [which, setWhich] = useState<'one' | 'all'>('one');
  const [output, setOutput] = useState('mov-png');
  const [problem, setProblem] = useState('');
  const [busy, setBusy] = useState(false);
  const onlyAll = titles.every((title) => title.id !== selected);
  const send = async (): Promise<void> => {
    setBusy(true);
    setProblem('');
    try {
      await flush();
      const titleIds = which === 'one' && !onlyAll ? [selected] : [];
      await ask('jobs', { method: 'POST', body: { projectId, output, titleIds } });
      router.push('/press');
    } catch (error) {
      setProblem(wordsOf(error));
      setBusy(false);
    }
  };
  return (
    <>
      <Button look="gold" disabled={titles.length === 0} onClick={() => setOpen(true)}>
        Send to Press
      </Button>
      <Dialog open={open} onClose={setOpen} className="relative z-50">
        <div className="fixed inset-0 bg-black/40" aria-hidden="true" />
        <div className="fixed inset-0 grid place-items-center p-4">
          <DialogPanel className="w-full max-w-lg rounded-xl border border-line-strong bg-card p-5">
            <DialogTitle className="font-serif text-[18px] font-semibold">Send to Press</DialogTitle>
            <div className="mt-3">
              <Segmented
                label="Titles"
                value={onlyAll ? 'all' : which}
                onChange={setWhich}
                choices={[
                  ...(onlyAll ? [] : [{ value: 'one' as const, label: 'The chosen title' }]),
                  { value: 'all' as const, label: `All ${titles.length} titles` },
                ]}
              />
            </div>
            <RadioGroup
              aria-label="Kind of file"
              value={output}
              onChange={setOutput}
              className="mt-3 grid gap-1.5"
            >
              {OUTPUTS.list.map((one) => (
                <Radio
                  key={one.id}
                  value={one.id}
                  className={({ checked }) =>
                    classes(
                      'cursor-pointer rounded-lg border px-3 py-2 data-focus:outline-2 data-focus:outline-leaf',
                      checked ? 'border-leaf bg-leaf-wash' : 'border-line bg-field',
                    )
                  }
                >
                  <span className="block font-semibold">{one.label}</span>
                  <span className="text-soft">{one.note}</span>
                </Radio>
              ))}
            </RadioGroup>
            {problem !== '' && (
              <p role="alert" className="mt-3 text-stop-ink">
                {problem}
              </p>
            )}
            <div className="mt-4 flex justify-end gap-2">
              <Button onClick={() => setOpen(false)}>Leave it</Button>
              <Button look="gold" disabled={busy} onClick={() => void send()}>
                Send
              </Button>
            </div>
          </DialogPanel>
        </div>
      </Dialog>
    </>
  );
}
