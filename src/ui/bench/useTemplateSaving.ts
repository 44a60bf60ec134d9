'use client';
import { useMemo, useState } from 'react';
import type { Template } from '@/core/document/template';
import type { TemplateRecord } from '@/db/templates';
import type { Autosave } from '../shared/useAutosave';
import { useAutosave } from '../shared/useAutosave';
import { TemplateDraft } from './templateDraft';

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
export function useTemplateSaving(record: TemplateRecord, template: Template): TemplateSaving {
  const [draft] = useState(() => new TemplateDraft(record));
  const [edition, setEdition] = useState(record.latestEdition);
  const [released, setReleased] = useState<Template | null>(
    record.releasedRevision === record.revision ? record.document : null,
  );
  const save = useAutosave(template, draft.save);
  const changed = released !== template;
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
