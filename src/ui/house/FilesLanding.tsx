'use client';
import { useEffect, useState } from 'react';
import type { OldFiles } from '@/contract/jobs';
import { bytesToWords } from '@/core/kit/bytes';
import { ask } from '../shared/api';
import { counted } from '../shared/counted';

/** What becomes of finished files when they are kept for so many days; undefined for as long as nobody deletes them. */
export function FilesLanding({ days }: { readonly days: number | undefined }) {
  const [old, setOld] = useState<OldFiles | null>(null);
  useEffect(() => {
    if (days === undefined) return;
    let current = true;
    ask<OldFiles>(`jobs/old?days=${days}`)
      .then((found) => current && setOld(found))
      // Without it the rule is told alone.
      .catch(() => undefined);
    return () => {
      current = false;
    };
  }, [days]);
  if (days === undefined) return <p>Finished files are kept until somebody deletes them.</p>;
  return (
    <p role="status">
      {`Finished files are deleted ${counted(days, 'day')} after their job was over. ${old === null ? '' : oldWords(old)}`}
    </p>
  );
}

function oldWords({ jobs, files, bytes }: OldFiles): string {
  if (jobs === 0) return 'None is that old now.';
  return `Within the hour ${counted(files, 'file goes', 'files go')} (${bytesToWords(bytes)}) of ${counted(jobs, 'job')}.`;
}
