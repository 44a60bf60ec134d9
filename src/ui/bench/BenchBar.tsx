'use client';
import { ArrowDownTrayIcon, DocumentDuplicateIcon } from '@heroicons/react/24/outline';
import { useRouter } from 'next/navigation';
import { memo, useCallback, useState } from 'react';
import { toast } from 'sonner';
import type { Change } from '@/core/draft/change';
import { sayChange } from '@/core/draft/changeWords';
import { wordsOf } from '../shared/api';
import { NameBox } from '../shared/NameBox';
import { SaveNote } from '../shared/SaveNote';
import { BAR_ICON, UndoButtons } from '../shared/UndoButtons';
import type { SaveState } from '../shared/autosaver';
import { AboutTemplate } from './AboutTemplate';
import { ReleaseButton } from './ReleaseButton';
import { templateWords } from './state/stepWords';
import type { TemplateSaving } from './state/useTemplateSaving';
import { useApply, useBench, useTemplatePart } from './state/benchStore';

interface TitleProps {
  readonly saving: SaveState;
  readonly edition: number;
  readonly changed: boolean;
}

/** What is on the bench, and where its saving and its editions stand. */
export const BenchTitle = memo(function BenchTitle({ saving, edition, changed }: TitleProps) {
  const name = useTemplatePart((template) => template.name);
  const apply = useApply();
  const stands = edition === 0 ? 'draft' : changed ? `draft, after edition ${edition}` : `edition ${edition}`;
  return (
    <>
      <h1 className="sr-only">Bench: {name}</h1>
      <NameBox
        label="Template name"
        value={name}
        maxLength={80}
        onChange={(next) => apply((now) => ({ ...now, name: next }))}
        className="h-8 max-w-80 min-w-24 shrink rounded-lg border border-transparent bg-transparent px-2 font-serif text-[17px] font-semibold field-sizing-content hover:border-line-strong"
      />
      <span className="whitespace-nowrap text-soft">{stands} ·</span>
      <SaveNote state={saving} />
    </>
  );
});

/** Undo, redo, what it is for, a copy, and the release. */
export const BenchActions = memo(function BenchActions({ saving }: { readonly saving: TemplateSaving }) {
  const { store } = useBench();
  const router = useRouter();
  const say = useCallback(
    (step: Change): string => {
      const { template } = store.getState();
      return sayChange(step, template, templateWords(template));
    },
    [store],
  );
  const [busy, setBusy] = useState(false);
  const run = async (work: () => Promise<void>): Promise<void> => {
    setBusy(true);
    try {
      await work();
    } catch (error) {
      toast.error(wordsOf(error));
    } finally {
      setBusy(false);
    }
  };
  const copy = (): Promise<void> =>
    run(async () => {
      router.push(`/bench/${await saving.copy()}`);
    });
  return (
    <>
      <UndoButtons history={store.temporal} say={say} />
      <AboutTemplate />
      <button
        type="button"
        className={BAR_ICON}
        aria-label="Work on a copy"
        title="Work on a copy"
        disabled={busy}
        onClick={() => void copy()}
      >
        <DocumentDuplicateIcon className="h-4.5 w-4.5" />
      </button>
      <button
        type="button"
        className={BAR_ICON}
        aria-label="Export as a package"
        title="Export as a package, with its pictures"
        disabled={busy}
        onClick={() => void run(async () => window.location.assign(await saving.packagePath()))}
      >
        <ArrowDownTrayIcon className="h-4.5 w-4.5" />
      </button>
      <ReleaseButton saving={saving} busy={busy} run={run} />
    </>
  );
});
