'use client';
import { useState } from 'react';
import { TEMPLATE_KINDS } from '@/core/model/kinds';
import { SelectBox } from '../shared/SelectBox';
import { Labelled, StartDialog } from '../shared/StartDialog';

/** Starts a template for a kind of title. */
export function NewTemplate({ productions }: { readonly productions: readonly string[] }) {
  const [kind, setKind] = useState('name-strap');
  return (
    <StartDialog
      title="New template"
      go="Start on the bench"
      productions={productions}
      endpoint="templates"
      toBody={(values) => ({ ...values, kind })}
      toPath={(id) => `/bench/${id}`}
    >
      <Labelled label="Kind">
        <SelectBox
          label="Kind"
          value={kind}
          onChange={setKind}
          choices={TEMPLATE_KINDS.list.map((one) => ({ value: one.id, label: one.label }))}
        />
      </Labelled>
    </StartDialog>
  );
}
