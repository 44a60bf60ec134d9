'use client';
import { InformationCircleIcon } from '@heroicons/react/24/outline';
import { useState } from 'react';
import type { FormEvent } from 'react';
import type { TemplateSummary } from '@/contract/templates';
import { TEMPLATE_KINDS } from '@/core/model/kinds';
import type { Template } from '@/core/model/template';
import { LONGEST_TAG, MOST_TAGS, readTags, tagsToText } from '@/core/model/tags';
import { LONGEST_NOTES } from '@/core/model/templateSchema';
import { plainName } from '@/core/project/swap';
import { ask } from '../shared/api';
import { Button } from '../shared/Button';
import { Labelled } from '../shared/Labelled';
import { Modal } from '../shared/Modal';
import { ProductionRow } from '../shared/ProductionRow';
import { SelectBox } from '../shared/SelectBox';
import { BAR_ICON } from '../shared/UndoButtons';
import { designSeconds, useApply, useBench, useTemplatePart } from './state/benchStore';

interface About extends Pick<Template, 'name' | 'description' | 'kind' | 'production'> {
  /** As they are typed, parted by commas. */
  readonly tags: string;
  readonly notes: string;
  readonly coverSeconds: number | null;
}
type Other = Pick<TemplateSummary, 'id' | 'name' | 'production'>;

const BOX = 'w-full rounded-lg border border-line-strong bg-field px-2.5';
const LONGEST_DESCRIPTION = 400;

/** What the shelf says of the template: its name, what it is for, its kind and production. */
export function AboutTemplate() {
  const { store } = useBench();
  const [about, setAbout] = useState<About | null>(null);
  const [others, setOthers] = useState<readonly Other[]>([]);
  const open = (): void => {
    const { name, description, kind, production, ...rest } = store.getState().template;
    const { tags, notes = '', coverSeconds = null } = rest;
    setAbout({ name, description, kind, production, tags: tagsToText(tags), notes, coverSeconds });
    // Only to warn and to offer: without them everything can be said all the same.
    ask<readonly Other[]>('templates').then(setOthers, () => undefined);
  };
  return (
    <>
      <button
        type="button"
        className={BAR_ICON}
        aria-label="About this template"
        title="About this template: description, kind, production, tags, notes"
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

const roundTo = (seconds: number): number => Math.round(seconds * 1000) / 1000;

/** A template with what was said about it; what is empty or as usual is left out. */
function withAbout(template: Template, { tags, notes, coverSeconds, ...about }: About): Template {
  const { tags: _tags, notes: _notes, coverSeconds: _cover, ...rest } = template;
  const words = readTags(tags);
  return {
    ...rest,
    ...about,
    name: about.name.trim(),
    description: about.description.trim(),
    ...(words.length > 0 && { tags: words }),
    ...(notes.trim() !== '' && { notes: notes.trim() }),
    ...(coverSeconds !== null && { coverSeconds }),
  };
}

interface FormProps {
  readonly about: About;
  readonly others: readonly Other[];
  readonly onChange: (about: About) => void;
  readonly onClose: () => void;
}

function AboutForm({ about, others, onChange, onClose }: FormProps) {
  const { templateId, playhead } = useBench();
  const timing = useTemplatePart((template) => template.timing);
  const apply = useApply();
  const set = (change: Partial<About>): void => onChange({ ...about, ...change });
  const name = about.name.trim();
  const isTaken = others.some((one) => one.id !== templateId && plainName(one.name) === plainName(name));
  const take = (event: FormEvent): void => {
    event.preventDefault();
    if (name === '') return;
    apply((now) => withAbout(now, about));
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
        <Labelled label="Tags">
          <input
            aria-label="Tags"
            value={about.tags}
            placeholder="Words to find it by, parted by commas"
            maxLength={MOST_TAGS * (LONGEST_TAG + 2)}
            onChange={(event) => set({ tags: event.target.value })}
            className={`h-8 ${BOX}`}
          />
        </Labelled>
        <Labelled label="Notes">
          <textarea
            aria-label="Notes"
            value={about.notes}
            rows={3}
            maxLength={LONGEST_NOTES}
            placeholder="For those who design: what to mind, what is still to do"
            onChange={(event) => set({ notes: event.target.value })}
            className={`block resize-none py-1.5 ${BOX}`}
          />
        </Labelled>
        <Labelled label="Cover">
          <span className="flex items-center gap-2">
            <span className="flex-1">
              {about.coverSeconds === null
                ? 'When all of it is there'
                : `${about.coverSeconds.toFixed(2)} s from the start`}
            </span>
            <Button onClick={() => set({ coverSeconds: roundTo(designSeconds(playhead, timing)) })}>
              At the playhead
            </Button>
            {about.coverSeconds !== null && (
              <Button onClick={() => set({ coverSeconds: null })}>As usual</Button>
            )}
          </span>
        </Labelled>
        <p className="text-soft">The shelf says so from the next edition on.</p>
      </form>
    </Modal>
  );
}
