'use client';
import { useState } from 'react';
import { toast } from 'sonner';
import type { Finding } from '@/core/proof/finding';
import { applyMend } from '@/core/proof/mend';
import { Button } from '../../shared/Button';
import { counted } from '../../shared/counted';
import { useApplyWork, useDesk } from '../deskContext';
import { useProofDesk } from './proofView';

interface Batch {
  readonly label: string;
  /** One of each title, with the mend that they have in common. */
  readonly mends: readonly {
    readonly finding: Finding;
    readonly change: Finding['mends'][number]['change'];
  }[];
}

// More would be a second list of findings.
const MOST = 4;

/** The same mend for all titles that need it, in one step, where it was tried and leaves nothing worse. */
export function MendMany({ findings }: { readonly findings: readonly Finding[] }) {
  const { editions } = useDesk();
  const apply = useApplyWork();
  const desk = useProofDesk();
  const [busy, setBusy] = useState('');
  const batches = batchesOf(findings);
  if (batches.length === 0) return null;
  const mend = async ({ label, mends }: Batch): Promise<void> => {
    setBusy(label);
    const outcomes = await desk.tryMends(mends);
    const harmless = mends.filter((_, i) => outcomes[i]?.mends === true && outcomes[i].causes.length === 0);
    apply((work) =>
      harmless.reduce(
        (now, { finding, change }) => applyMend(now, finding, change, (id) => editions.get(id)),
        work,
      ),
    );
    setBusy('');
    const left = mends.length - harmless.length;
    if (left > 0)
      toast(
        `${counted(left, 'title was', 'titles were')} left as before: it would mend nothing there, or bring something worse.`,
      );
  };
  return (
    <div role="group" aria-label="For several titles" className="flex flex-wrap gap-1.5 pb-3">
      {batches.slice(0, MOST).map((batch) => (
        <Button key={batch.label} disabled={busy !== ''} onClick={() => void mend(batch)}>
          {busy === batch.label ? 'Trying it…' : `${batch.label}, ${counted(batch.mends.length, 'title')}`}
        </Button>
      ))}
    </div>
  );
}

/** Mends that several titles have in common, the most frequent first. What asks a person, or changes words, is none. */
function batchesOf(findings: readonly Finding[]): Batch[] {
  const byLabel = new Map<string, Map<string, Batch['mends'][number]>>();
  for (const finding of findings) {
    const [mend] = finding.mends;
    if (mend === undefined || (mend.change.kind !== 'title' && mend.change.kind !== 'edition')) continue;
    const titles = byLabel.get(mend.label) ?? new Map<string, Batch['mends'][number]>();
    if (!titles.has(finding.titleId)) titles.set(finding.titleId, { finding, change: mend.change });
    byLabel.set(mend.label, titles);
  }
  return [...byLabel]
    .map(([label, titles]) => ({ label, mends: [...titles.values()] }))
    .filter(({ mends }) => mends.length > 1)
    .sort((a, b) => b.mends.length - a.mends.length);
}
