import type { Face } from '@/core/faces/faces';
import { ownFaces } from '@/core/faces/ownFaces';
import { everyFace } from '@/core/resolve/faces';
import { listFonts } from '@/db/fonts';
import type { Db } from '@/db/open';
import type { JobContent, JobPayload } from '@/db/schema';

/** Those of some faces that a title, or a programme, can set words in. */
export function facesIn(content: JobContent, faces: readonly Face[] = []): readonly Face[] {
  if (faces.length === 0) return [];
  const documents = 'parts' in content ? content.documents : [content.document];
  const asked = new Set(documents.flatMap(everyFace));
  return faces.filter(({ id }) => asked.has(id));
}

/** An order with the House's own faces that it is set in, as they are now, so that it stays as it was ordered. */
export async function withOwnFaces(db: Db, payload: JobPayload): Promise<JobPayload> {
  const own = ownFaces(await listFonts(db));
  const faces = own.filter((face) => payload.titles.some((content) => facesIn(content, [face]).length > 0));
  return faces.length === 0 ? payload : { ...payload, faces };
}
