import { toast } from 'sonner';
import type { JobSummary } from '@/contract/jobs';
import { ask, wordsOf } from '../shared/api';

/** What can be done with the files of a job that is over, for its menu. */
export function fileActions({ id, keep, files, endedAt }: JobSummary) {
  if (endedAt === null || files.length === 0) return [];
  const tell = (work: Promise<unknown>): void =>
    void work.catch((error: unknown) => toast.error(wordsOf(error)));
  return [
    {
      label: keep ? 'Let its files get old' : 'Keep its files',
      note: keep ? 'deleted when the House says so' : 'however old they get',
      onChoose: () => tell(ask(`jobs/${id}/keep`, { method: 'PUT', body: { keep: !keep } })),
    },
    {
      label: 'Delete its files',
      note: 'it can make them again',
      onChoose: () => tell(ask(`jobs/${id}/files`, { method: 'DELETE' })),
    },
  ];
}
