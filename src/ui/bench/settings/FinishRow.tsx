'use client';
import { useParams } from 'next/navigation';
import { toast } from 'sonner';
import { nanoid } from 'nanoid';
import type { Finish } from '@/core/model/house';
import { applyFinish, finishOf, updateFinish } from '@/core/model/house';
import type { Layer } from '@/core/model/template';
import { ask, wordsOf } from '../../shared/api';
import { Button } from '../../shared/Button';
import { KeepForm } from '../../shared/KeepForm';
import { SelectBox } from '../../shared/SelectBox';
import { changeHouse, useHouse } from '../../shared/useHouse';
import { useApply } from '../state/benchStore';
import { Row } from './PropertyRow';
import { useEditing } from '../state/useEditing';

/** Saved styles: put one on, keep this one by a name, or change one and everything that uses it. */
export function FinishRow({ layer }: { readonly layer: Layer }) {
  const { finishes } = useHouse();
  const { change } = useEditing();
  const apply = useApply();
  const params = useParams<{ id?: string }>();
  const fitting = finishes.filter((finish) => finish.kind === layer.kind);
  const current = fitting.find((finish) => finish.id === layer.finish);
  const keep = async (finish: Finish | null, everywhere: boolean): Promise<void> => {
    if (finish === null) return;
    try {
      await changeHouse((house) => ({
        ...house,
        finishes: [...house.finishes.filter((one) => one.id !== finish.id), finish],
      }));
      change((one) => (one.id === layer.id ? { ...one, finish: finish.id } : one));
      if (!everywhere) return void toast.success(`“${finish.name}” is kept in the House`);
      apply((now) => updateFinish(now, finish));
      const path = `house/finishes/${finish.id}?except=${encodeURIComponent(params.id ?? '')}`;
      const { changed } = await ask<{ changed: string[] }>(path, { method: 'POST' });
      const others = changed.length === 0 ? 'no other template uses it' : `also on ${changed.join(', ')}`;
      toast.success(`“${finish.name}” is changed; ${others}`);
    } catch (error) {
      toast.error(wordsOf(error));
    }
  };
  if (layer.kind !== 'text' && layer.kind !== 'box')
    return <p className="py-1 text-soft">Finishes are for texts and boxes.</p>;
  return (
    <>
      {fitting.length > 0 && (
        <Row label="Finish">
          <SelectBox
            label="Finish"
            value={current?.id ?? ''}
            choices={[
              { value: '', label: 'None' },
              ...fitting.map((finish) => ({ value: finish.id, label: finish.name })),
            ]}
            onChange={(id) => {
              const finish = fitting.find((one) => one.id === id);
              change((one) => (finish === undefined ? { ...one, finish: null } : applyFinish(one, finish)));
            }}
          />
        </Row>
      )}
      {current !== undefined && (
        <Button look="plain" onClick={() => void keep(finishOf(layer, current.id, current.name), true)}>
          Update “{current.name}” everywhere
        </Button>
      )}
      <KeepForm
        label="Name of a new finish"
        placeholder="Keep this look as…"
        taken={fitting.map(({ name }) => name)}
        onKeep={(name) => void keep(finishOf(layer, nanoid(10), name), false)}
      />
    </>
  );
}
