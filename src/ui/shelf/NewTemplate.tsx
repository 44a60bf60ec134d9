'use client';
import { useState } from 'react';
import { TEMPLATE_KINDS } from '@/core/model/kinds';
import { plainName } from '@/core/project/swap';
import { STARTS } from '@/core/starts';
import { SelectBox } from '../shared/SelectBox';
import { Labelled } from '../shared/Labelled';
import { StartDialog } from '../shared/StartDialog';

interface Props {
  /** The templates that there are, to begin with a copy of one. */
  readonly templates: readonly { readonly id: string; readonly name: string; readonly production: string }[];
}

const COPY = 'copy ';

/** Starts a template for a kind of title, with little in it or as a copy of another. */
export function NewTemplate({ templates }: Props) {
  const [kind, setKind] = useState('name-strap');
  const [start, setStart] = useState(STARTS.list[0].id);
  const copyOf = start.startsWith(COPY) ? start.slice(COPY.length) : null;
  const isTaken = (name: string): boolean => templates.some((one) => plainName(one.name) === plainName(name));
  return (
    <StartDialog
      title="New template"
      go="Start on the bench"
      productions={[...new Set(templates.map(({ production }) => production))]}
      hasFormat={copyOf === null}
      nameNote={(name) => (name !== '' && isTaken(name) ? 'There is a template of this name already.' : '')}
      endpoint="templates"
      toBody={(values) => ({ ...values, kind, ...(copyOf === null ? { start } : { copyOf }) })}
      toPath={(id) => `/bench/${id}`}
    >
      <Labelled label="Begins with">
        <SelectBox
          label="Begins with"
          value={start}
          onChange={setStart}
          choices={[
            ...STARTS.list.map(({ id, label }) => ({ value: id, label })),
            ...templates.map(({ id, name }) => ({ value: `${COPY}${id}`, label: `A copy of “${name}”` })),
          ]}
        />
      </Labelled>
      {copyOf === null && (
        <Labelled label="Kind">
          <SelectBox
            label="Kind"
            value={kind}
            onChange={setKind}
            choices={TEMPLATE_KINDS.list.map((one) => ({ value: one.id, label: one.label }))}
          />
        </Labelled>
      )}
    </StartDialog>
  );
}
