'use client';
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { FormEvent, ReactNode } from 'react';
import { FORMATS } from '@/core/frame/formats';
import { RATES } from '@/core/time/rates';
import { ask, wordsOf } from './api';
import { Button } from './Button';
import { Labelled } from './Labelled';
import { ProductionRow } from './ProductionRow';
import { SelectBox } from './SelectBox';
import { useKeys } from './useKeys';

export interface StartValues {
  readonly name: string;
  readonly production: string;
  readonly format: string;
  readonly rate: string;
}

interface Props {
  /** What is started, such as "New template". */
  readonly title: string;
  readonly go: string;
  readonly productions: readonly string[];
  /** Rows of its own, under the name. */
  readonly children?: ReactNode;
  /** Whether a frame format and a rate are asked for. */
  readonly hasFormat?: boolean;
  /** What should be known of a name before it is taken; empty for nothing. */
  nameNote?(name: string): string;
  /** Where it is made, and the body for that. */
  readonly endpoint: string;
  toBody(values: StartValues): object;
  /** Where to go with the new id. */
  toPath(id: string): string;
}

interface FormatProps {
  readonly values: Pick<StartValues, 'format' | 'rate'>;
  readonly onChange: (change: Partial<StartValues>) => void;
}

/** The frame format and the rate, in rows of a form. */
export function FormatFields({ values, onChange }: FormatProps) {
  return (
    <>
      <Labelled label="Format">
        <SelectBox
          label="Format"
          value={values.format}
          onChange={(format) => onChange({ format })}
          choices={FORMATS.list.map((one) => ({
            value: one.id,
            label: `${one.label} ${one.shapeLabel}, ${one.widthPx} × ${one.heightPx}`,
          }))}
        />
      </Labelled>
      <Labelled label="Frame rate">
        <SelectBox
          label="Frame rate"
          value={values.rate}
          onChange={(rate) => onChange({ rate })}
          choices={RATES.list.map((one) => ({ value: one.id, label: `${one.label} frames a second` }))}
        />
      </Labelled>
    </>
  );
}

/** Starts a template or a project: its name, production, format and rate. */
export function StartDialog({
  title,
  go,
  productions,
  children,
  hasFormat = true,
  nameNote = () => '',
  endpoint,
  toBody,
  toPath,
}: Props) {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  useKeys('n', () => setOpen(true));
  const [values, setValues] = useState<StartValues>({
    name: '',
    production: productions[0] ?? '',
    format: 'wide-1080',
    rate: '25',
  });
  const [problem, setProblem] = useState('');
  const set = (change: Partial<StartValues>): void => setValues((now) => ({ ...now, ...change }));
  const start = async (event: FormEvent): Promise<void> => {
    event.preventDefault();
    if (values.name.trim() === '') {
      setProblem('Give it a name first.');
      return;
    }
    try {
      const { id } = await ask<{ id: string }>(endpoint, {
        method: 'POST',
        body: toBody({ ...values, name: values.name.trim() }),
      });
      router.push(toPath(id));
    } catch (error) {
      setProblem(wordsOf(error));
    }
  };
  const note = nameNote(values.name.trim());
  const box = 'h-8 w-full rounded-lg border border-line-strong bg-field px-2.5';
  return (
    <>
      <Button look="gold" onClick={() => setOpen(true)}>
        {title}
      </Button>
      <Dialog open={open} onClose={setOpen} className="relative z-50">
        <div className="fixed inset-0 bg-black/40" aria-hidden="true" />
        <div className="fixed inset-0 grid place-items-center p-4">
          <DialogPanel className="w-full max-w-md rounded-xl border border-line-strong bg-card p-5">
            <DialogTitle className="font-serif text-[18px] font-semibold">{title}</DialogTitle>
            <form onSubmit={(event) => void start(event)} className="mt-3 grid gap-3">
              <Labelled label="Name">
                <input
                  autoFocus
                  aria-label="Name"
                  value={values.name}
                  maxLength={80}
                  onChange={(event) => set({ name: event.target.value })}
                  aria-describedby={note === '' ? undefined : 'start-name-note'}
                  className={box}
                />
              </Labelled>
              {note !== '' && (
                <p id="start-name-note" role="status" className="-mt-1.5 pl-[104px] text-leaf-ink">
                  {note}
                </p>
              )}
              {children}
              <ProductionRow
                value={values.production}
                productions={productions}
                onChange={(production) => set({ production })}
              />
              {hasFormat && <FormatFields values={values} onChange={set} />}
              {problem !== '' && (
                <p role="alert" className="text-stop-ink">
                  {problem}
                </p>
              )}
              <div className="flex justify-end gap-2 pt-1">
                <Button onClick={() => setOpen(false)}>Cancel</Button>
                <Button look="gold" type="submit">
                  {go}
                </Button>
              </div>
            </form>
          </DialogPanel>
        </div>
      </Dialog>
    </>
  );
}
