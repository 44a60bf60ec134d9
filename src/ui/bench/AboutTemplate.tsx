'use client';
import { InformationCircleIcon } from '@heroicons/react/24/outline';
import { useState } from 'react';
import type { FormEvent } from 'react';
import type { TemplateSummary } from '@/contract/templates';
import { TEMPLATE_KINDS } from '@/core/model/kinds';
import type { Template } from '@/core/model/template';
import { plainName } from '@/core/project/swap';
import { ask } from '../shared/api';
import { Button } from '../shared/Button';
import { Labelled } from '../shared/Labelled';
import { Modal } from '../shared/Modal';
import { ProductionRow } from '../shared/ProductionRow';
import { SelectBox } from '../shared/SelectBox';
import { BAR_ICON } from '../shared/UndoButtons';
import { useApply, useBench } from './state/benchStore';

type About = Pick<Template, 'name' | 'description' | 'kind' | 'production'>;
type Other = Pick<TemplateSummary, 'id' | 'name' | 'production'>;

const BOX = 'w-full rounded-lg border border-line-strong bg-field px-2.5';
const LONGEST_DESCRIPTION = 400;

/** What the shelf says of the template: its name, what it is for, its kind and production. */
export function AboutTemplate() {
  const { store } = useBench();
  const [about, setAbout] = useState<About | null>(null);
  const [others, setOthers] = useState<readonly Other[]>([]);
  const open = (): void => {
    const { name, description, kind, production } = store.getState().template;
    setAbout({ name, description, kind, production });
    // Only to warn and to offer: without them everything can be said all the same.
    ask<readonly Other[]>('templates').then(setOthers, () => undefined);
  };
  return (
    <>
      <button
        type="button"
        className={BAR_ICON}
        aria-label="About this template"
        title="About this template: description, kind, production"
        onClick={open}
      >
        <InformationCircleIcon className="h-5 w-5" />
      </button>
      {about !== null && (
        <AboutForm about={about} others={others} onChange={setAbout} onClose={() => setAbout(null)} />
      )}
    </>
  );
}

interface FormProps {
  readonly about: About;
  readonly others: readonly Other[];
  readonly onChange: (about: About) => void;
  readonly onClose: () => void;
}

function AboutForm({ about, others, onChange, onClose }: FormProps) {
  const { templateId } = useBench();
  const apply = useApply();
  const set = (change: Partial<About>): void => onChange({ ...about, ...change });
  const name = about.name.trim();
  const isTaken = others.some((one) => one.id !== templateId && plainName(one.name) === plainName(name));
  const take = (event: FormEvent): void => {
    event.preventDefault();
    if (name === '') return;
    apply((now) => ({ ...now, ...about, name, description: about.description.trim() }));
    onClose();
  };
  return (
    <Modal
      title="About this template"
      open
      onClose={onClose}
      foot={
        <>
          <Button onClick={onClose}>Cancel</Button>
          <Button look="gold" type="submit" form="about-template" disabled={name === ''}>
            Change
          </Button>
        </>
      }
    >
      <form id="about-template" onSubmit={take} className="grid gap-3">
        <Labelled label="Name">
          <input
            aria-label="Name"
            value={about.name}
            maxLength={80}
            onChange={(event) => set({ name: event.target.value })}
            aria-describedby="about-name-note"
            className={`h-8 ${BOX}`}
          />
        </Labelled>
        <p id="about-name-note" role="status" className="-mt-1.5 pl-[104px] text-leaf-ink empty:hidden">
          {name === '' ? 'It needs a name.' : isTaken ? 'There is a template of this name already.' : ''}
        </p>
        <Labelled label="Description">
          <textarea
            aria-label="Description"
            value={about.description}
            rows={3}
            maxLength={LONGEST_DESCRIPTION}
            placeholder="When an editor takes it, and what it does"
            onChange={(event) => set({ description: event.target.value })}
            className={`block resize-none py-1.5 ${BOX}`}
          />
        </Labelled>
        <Labelled label="Kind">
          <SelectBox
            label="Kind"
            value={about.kind}
            onChange={(kind) => set({ kind })}
            choices={TEMPLATE_KINDS.list.map((one) => ({ value: one.id, label: one.label }))}
          />
        </Labelled>
        <ProductionRow
          value={about.production}
          productions={[...new Set(others.map(({ production }) => production))]}
          onChange={(production) => set({ production })}
        />
        <p className="text-soft">The shelf says so from the next edition on.</p>
      </form>
    </Modal>
  );
}
