import type { Face } from '@/core/faces/faces';
import type { ScriptFallback } from '@/core/faces/fallback';
import { fallbacksIn } from '@/core/faces/fallback';
import { ownFaces } from '@/core/faces/ownFaces';
import { everyFace } from '@/core/resolve/faces';
import { listFonts } from '@/db/fonts';
import { findHouse } from '@/db/house';
import type { Db } from '@/db/open';
import type { JobContent, JobPayload } from '@/db/schema';

/** What of the House's own faces, and of its order of fallbacks, shows in one file. */
interface FacesOf {
  readonly faces: readonly Face[];
  readonly fallbacks: readonly ScriptFallback[];
}

/** What of an order's faces and fallbacks a title, or a programme, can be set in. */
export function facesOf(
  { faces = [], fallbacks = [] }: Pick<JobPayload, 'faces' | 'fallbacks'>,
  content: JobContent,
): FacesOf {
  if (faces.length + fallbacks.length === 0) return { faces, fallbacks };
  const documents = 'parts' in content ? content.documents : [content.document];
  // Whatever is typed or designed is somewhere in it.
  const named = fallbacks.length === 0 ? [] : fallbacksIn(JSON.stringify(content), fallbacks);
  const asked = new Set([...documents.flatMap(everyFace), ...named.flatMap((one) => one.faces)]);
  return { faces: faces.filter(({ id }) => asked.has(id)), fallbacks: named };
}

/** An order with what the House says of faces that shows in it, as it is now, so that it stays as it was ordered. */
export async function withHouseFaces(db: Db, payload: JobPayload): Promise<JobPayload> {
  const all = {
    faces: ownFaces(await listFonts(db)),
    fallbacks: (await findHouse(db)).document.fallbacks ?? [],
  };
  const shown = payload.titles.map((content) => facesOf(all, content));
  const faces = all.faces.filter((face) => shown.some((one) => one.faces.includes(face)));
  const fallbacks = all.fallbacks.filter((order) => shown.some((one) => one.fallbacks.includes(order)));
  return {
    ...payload,
    ...(faces.length === 0 ? {} : { faces }),
    ...(fallbacks.length === 0 ? {} : { fallbacks }),
  };
}
