import type { RenderState } from '@/contract/clients';
import type { JobSummary } from '@/contract/jobs';

/** A job as a client sees it. */
export function stateOf({ id, status, progress, error, createdAt, endedAt, files }: JobSummary): RenderState {
  return {
    id,
    status,
    doneFrames: progress.doneFrames,
    totalFrames: progress.totalFrames,
    error,
    createdAt,
    endedAt,
    files: files.map(({ name, bytes, sha256, widthPx, heightPx, frames, plane = 'straight' }) => ({
      name,
      href: `/api/v1/renders/${id}/files/${encodeURIComponent(name)}`,
      bytes,
      sha256,
      widthPx,
      heightPx,
      frames,
      plane,
    })),
  };
}
