'use client';
import { useEffect, useMemo, useState } from 'react';
import { toast } from 'sonner';
import { useStore } from 'zustand';
import type { TemplateRecord } from '@/contract/templates';
import type { Template } from '@/core/model/template';
import type { Change } from '@/core/draft/change';
import { applyChange } from '@/core/draft/change';
import { sameValue } from '@/core/kit/sameValue';
import type { Autosave } from '../../shared/useAutosave';
import { useAutosave } from '../../shared/useAutosave';
import { useKeptSteps } from '../../shared/useKeptSteps';
import { useKeptWhileUnsaved } from '../../shared/useKeptWhileUnsaved';
import type { BenchStore } from './benchStore';
import { TemplateDraft } from './templateDraft';

// A template is small; it is kept soon after a letter, but not for each.
const KEEP_AFTER_MS = 250;

export interface TemplateSaving {
  readonly save: Autosave;
  /** The last edition; 0 before the first. */
  readonly edition: number;
  /** Whether anything changed since that edition. */
  readonly changed: boolean;
  /** Saves, then releases; gives the edition's number. */
  release(): Promise<number>;
  /** Saves, then copies; gives the copy's id. */
  copy(): Promise<string>;
  /** Saves, then gives where the package can be downloaded. */
  packagePath(): Promise<string>;
  keepMine(): void;
  takeTheirs(use: (template: Template) => void): void;
}

/** Saves the template on the bench by itself, and knows where its editions stand. */
export function useTemplateSaving(record: TemplateRecord, store: BenchStore): TemplateSaving {
  const template = useStore(store, (state) => state.template);
  const [draft] = useState(() => new TemplateDraft(record));
  const [edition, setEdition] = useState(record.latestEdition);
  const [released, setReleased] = useState<Template | null>(
    record.releasedRevision === record.revision ? record.document : null,
  );
  const save = useAutosave(template, draft.save);
  useKeptSteps(`template-${record.id}`, store);
  useEffect(() => {
    const make = (change: Change): Template => {
      // No step of undo: it was done before.
      store.setState({ template: applyChange(store.getState().template, change, 'forth') });
      return store.getState().template;
    };
    const before = store.getState().template;
    void draft.takeUpUnsaved(make).then((found) => {
      if (found && !sameValue(store.getState().template, before))
        toast('What could not be saved before is here again, and is saved now.');
    });
  }, [draft, store]);
  // What the server does not have yet is kept in the browser until it has.
  useKeptWhileUnsaved(draft, template, save.state.kind !== 'saved', KEEP_AFTER_MS);
  const changed = useMemo(
    () => released !== template && !sameValue(released, template),
    [released, template],
  );
  return useMemo(
    () => ({
      save,
      edition,
      changed,
      async release() {
        await save.flush();
        const done = await draft.release();
        setEdition(done.edition);
        setReleased(done.document);
        return done.edition;
      },
      async copy() {
        await save.flush();
        return draft.copy();
      },
      async packagePath() {
        await save.flush();
        return `/api/templates/${encodeURIComponent(record.id)}/package`;
      },
      keepMine: () => void draft.catchUp().then(() => save.resume()),
      takeTheirs: (use) =>
        void draft.catchUp().then((theirs) => {
          use(theirs);
          save.resume();
        }),
    }),
    [record.id, draft, save, edition, changed],
  );
}
