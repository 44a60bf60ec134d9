'use client';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';
import { FORMATS } from '@/core/frame/formats';
import type { ProofProgress } from '@/core/proof/proofer';
import type { ToldFinding } from '@/core/proof/toldFindings';
import { oncePerProblem } from '@/core/proof/toldFindings';
import { proofOwnWords } from '@/workers/proofOnce';
import { wordsOf } from '../shared/api';
import { Button } from '../shared/Button';
import { Modal } from '../shared/Modal';
import { Pill } from '../shared/Pill';
import { ProgressBar } from '../shared/ProgressBar';
import { useHouse } from '../shared/useHouse';
import { useBench } from './state/benchStore';
import type { TemplateSaving } from './state/useTemplateSaving';

/** Where a release stands: its words are looked at, or somebody is asked. */
type Stage =
  | ({ readonly kind: 'looking' } & ProofProgress)
  | { readonly kind: 'findings'; readonly findings: readonly ToldFinding[] }
  /** The template could not be looked at, and why. */
  | { readonly kind: 'unseen'; readonly why: string };

interface Props {
  readonly saving: TemplateSaving;
  readonly busy: boolean;
  /** Does work while everything else in the bar waits, and tells what goes wrong. */
  readonly run: (work: () => Promise<void>) => Promise<void>;
}

/** Looks at the template with its own words, asks when something is wrong with it, and releases it. */
export function ReleaseButton({ saving, busy, run }: Props) {
  const { store, templateId } = useBench();
  const router = useRouter();
  const house = useHouse();
  const [stage, setStage] = useState<Stage | null>(null);
  const look = useRef<AbortController | null>(null);
  const close = (): void => {
    look.current?.abort();
    setStage(null);
  };
  const release = async (): Promise<void> => {
    close();
    const edition = await saving.release();
    const onClick = (): void => router.push(`/shelf?show=${encodeURIComponent(templateId)}`);
    toast.success(`Edition ${edition} is on the shelf`, {
      duration: 12_000,
      action: { label: 'Use it in a project', onClick },
    });
  };
  const start = async (): Promise<void> => {
    const { signal } = (look.current = new AbortController());
    const onProgress = (progress: ProofProgress): void => {
      if (!signal.aborted) setStage({ kind: 'looking', ...progress });
    };
    onProgress({ done: 0, total: 1 });
    try {
      const findings = await proofOwnWords(store.getState().template, house, { signal, onProgress });
      if (signal.aborted) return;
      if (findings.length === 0) await run(release);
      else setStage({ kind: 'findings', findings: oncePerProblem(findings) });
    } catch (error) {
      if (!signal.aborted) setStage({ kind: 'unseen', why: wordsOf(error) });
    }
  };
  useEffect(() => () => look.current?.abort(), []);
  const next = `Publish edition ${saving.edition + 1}`;
  return (
    <>
      <Button look="gold" disabled={busy || !saving.changed} onClick={() => void start()}>
        {saving.changed ? next : `Edition ${saving.edition} published`}
      </Button>
      {stage !== null && (
        <Modal
          title={stage.kind === 'looking' ? next : `${next}?`}
          open
          onClose={close}
          foot={
            <>
              <Button onClick={close}>Cancel</Button>
              <Button look="gold" disabled={busy} onClick={() => void run(release)}>
                {stage.kind === 'looking' ? 'Publish without waiting' : 'Publish anyway'}
              </Button>
            </>
          }
        >
          <StageNote stage={stage} />
        </Modal>
      )}
    </>
  );
}

function StageNote({ stage }: { readonly stage: Stage }) {
  const formats = useBench().store.getState().template.formats.length;
  if (stage.kind === 'looking')
    return (
      <p role="status" className="flex items-center gap-3">
        Looking at it with its own words
        <ProgressBar label="Looked at" done={stage.done} total={stage.total} className="h-1.5 flex-1" />
      </p>
    );
  if (stage.kind === 'unseen')
    return <p role="status">{`Its own words could not be looked at: ${stage.why}`}</p>;
  return (
    <>
      <p className="text-soft">With its own words, over its own backdrop and as long as it is set here:</p>
      <ul aria-label="What was found" className="divide-y divide-line">
        {stage.findings.map(({ key, tone, message, detail, deliveryIds }) => (
          <li key={key} className="py-2">
            <span className="flex flex-wrap items-center gap-x-2 gap-y-1">
              <Pill tone={tone}>{message}</Pill>
              <span className="text-[12px] text-soft">{inFormats(deliveryIds, formats)}</span>
            </span>
            <p className="pt-1 text-soft">{detail}</p>
          </li>
        ))}
      </ul>
    </>
  );
}

/** The formats that something was found in, in words. */
function inFormats(ids: readonly string[], all: number): string {
  if (ids.length === 0 || (ids.length === all && all > 1)) return all > 1 ? 'in every format' : '';
  return ids.map((id) => FORMATS.get(id).label).join(', ');
}
