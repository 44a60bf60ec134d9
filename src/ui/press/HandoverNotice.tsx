'use client';
import { toast } from 'sonner';
import type { JobSummary } from '@/contract/jobs';
import { ask, wordsOf } from '../shared/api';
import { Button } from '../shared/Button';
import { handoverWords } from './jobWords';

/** How far a job's files are on their way to the folder of delivery; nothing where they stay on the press. */
export function HandoverNotice({ job }: { readonly job: JobSummary }) {
  const { handover, endedAt } = job;
  if (handover === null) return null;
  const again = (): void =>
    void ask(`jobs/${job.id}/handover`, { method: 'POST' }).catch((error: unknown) =>
      toast.error(wordsOf(error)),
    );
  return (
    <div className="flex items-start gap-3 pt-1">
      <p role={handover.status === 'failed' ? 'alert' : undefined} className="min-w-0 flex-1 break-words">
        <span className="text-soft">{handoverWords(job)}</span>
        {handover.error !== null && <span className="text-stop-ink"> {handover.error}</span>}
      </p>
      {endedAt !== null && handover.status === 'failed' && <Button onClick={again}>Put again</Button>}
    </div>
  );
}
