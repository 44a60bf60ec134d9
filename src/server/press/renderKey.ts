import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { JobContent, JobPayload, JobTitle } from '@/db/schema';

let painter: string | undefined;

/** What paints: the render thread's own code. Another one may paint otherwise. */
function painterHash(root: string): string {
  painter ??= createHash('sha256')
    .update(readFileSync(join(root, 'dist', 'renderWorker.mjs')))
    .digest('hex');
  return painter;
}

/**
 * What a file is known by: everything that decides its bytes, and nothing else, not who asked for it, or under which
 * name. The same order read from the database twice gives the same key.
 */
export function renderKey(payload: JobPayload, content: JobContent, root = process.cwd()): string {
  const { output, format, interlaced = false, rate, drop = false, language = null } = payload;
  const { titleId: _titleId, fileStem: _fileStem, ...rest } = content;
  const painted = 'parts' in rest ? rest : withoutPlace(rest);
  const decides = { painter: painterHash(root), output, format, interlaced, rate, drop, language, painted };
  return createHash('sha256').update(JSON.stringify(decides)).digest('hex');
}

function withoutPlace({ place: _place, ...painted }: Omit<JobTitle, 'titleId' | 'fileStem'>): object {
  return painted;
}
