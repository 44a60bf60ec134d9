'use client';
import { ArrowUturnLeftIcon, ArrowUturnRightIcon, DocumentDuplicateIcon } from '@heroicons/react/24/outline';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { toast } from 'sonner';
import { useStore } from 'zustand';
import { wordsOf } from '../shared/api';
import { Button } from '../shared/Button';
import { SaveNote } from '../shared/SaveNote';
import type { SaveState } from '../shared/autosaver';
import type { TemplateSaving } from './useTemplateSaving';
import { useApply, useBench, useTemplate } from './benchStore';

interface TitleProps {
  readonly saving: SaveState;
  readonly edition: number;
  readonly changed: boolean;
}

/** What is on the bench, and where its saving and its editions stand. */
export function BenchTitle({ saving, edition, changed }: TitleProps) {
  const template = useTemplate();
  const apply = useApply();
  const stands = edition === 0 ? 'draft' : changed ? `draft, after edition ${edition}` : `edition ${edition}`;
  return (
    <>
      <h1 className="sr-only">Bench: {template.name}</h1>
      <input
        aria-label="Template name"
        value={template.name}
        maxLength={80}
        onChange={(event) =>
          event.target.value !== '' && apply((now) => ({ ...now, name: event.target.value }))
        }
        className="h-8 max-w-80 min-w-24 rounded-lg border border-transparent bg-transparent px-2 font-serif text-[17px] font-semibold field-sizing-content hover:border-line-strong"
      />
      <span className="whitespace-nowrap text-soft">{stands} ·</span>
      <SaveNote state={saving} />
    </>
  );
}

/** Undo, redo, a copy, and the release. */
export function BenchActions({ saving }: { readonly saving: TemplateSaving }) {
  const { store } = useBench();
  const router = useRouter();
  const { undo, redo, pastStates, futureStates } = useStore(store.temporal);
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
  const release = (): Promise<void> =>
    run(async () => {
      const edition = await saving.release();
      toast.success(`Edition ${edition} is on the shelf`);
    });
  const copy = (): Promise<void> =>
    run(async () => {
      router.push(`/bench/${await saving.copy()}`);
    });
  const icon =
    'grid h-8 w-8 place-items-center rounded-lg text-soft hover:bg-paper hover:text-ink disabled:opacity-40';
  return (
    <>
      <button
        type="button"
        className={icon}
        aria-label="Undo"
        title="Undo (Ctrl Z)"
        disabled={pastStates.length === 0}
        onClick={() => undo()}
      >
        <ArrowUturnLeftIcon className="h-4.5 w-4.5" />
      </button>
      <button
        type="button"
        className={icon}
        aria-label="Redo"
        title="Redo (Ctrl Shift Z)"
        disabled={futureStates.length === 0}
        onClick={() => redo()}
      >
        <ArrowUturnRightIcon className="h-4.5 w-4.5" />
      </button>
      <button
        type="button"
        className={icon}
        aria-label="Work on a copy"
        title="Work on a copy"
        disabled={busy}
        onClick={() => void copy()}
      >
        <DocumentDuplicateIcon className="h-4.5 w-4.5" />
      </button>
      <Button look="gold" disabled={busy || !saving.changed} onClick={() => void release()}>
        {saving.changed ? `Release edition ${saving.edition + 1}` : `Edition ${saving.edition} released`}
      </Button>
    </>
  );
}
