import { FACES, knowOwnFaces } from '@/core/faces/faces';
import type { Face } from '@/core/faces/faces';
import type { FaceFile } from '@/core/faces/faceFile';
import { ownFaces } from '@/core/faces/ownFaces';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { loadFontLibrary } from '@/core/text/fontLibrary';

/** By which pages and their workers tell one another that the House's own fonts are others now. */
const CHANNEL = 'gilder-fonts';

let loading: Promise<FontLibrary> | null = null;
const seen = new Set<string>();
const listeners = new Set<(library: FontLibrary) => void>();

/** All fonts that are here, loaded once for a page or a worker; a failure is tried again by the next who asks. */
export function loadFonts(): Promise<FontLibrary> {
  if (loading === null) {
    listenForChanges();
    loading = loadAll();
    loading.catch(() => (loading = null));
  }
  return loading;
}

/** Brings in what the House has now; `tell` says so to other pages and to workers. */
export async function refreshFonts(tell = false): Promise<void> {
  const before = await loadFonts();
  const known = FACES.list;
  // Whoever asks meanwhile waits for what comes.
  loading = ownFiles().then(
    (files) => (known === FACES.list ? before : before.with(files)),
    (error: unknown) => {
      loading = Promise.resolve(before);
      throw error;
    },
  );
  const library = await loading;
  if (tell) new BroadcastChannel(CHANNEL).postMessage('changed');
  if (library === before) return;
  for (const listener of listeners) listener(library);
}

/** Calls back with the fonts as they are from now on, whenever they change, until the returned function is called. */
export function onFonts(listener: (library: FontLibrary) => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

async function loadAll(): Promise<FontLibrary> {
  const shipped = FACES.list.filter(({ own }) => own !== true);
  const [files, own] = await Promise.all([fetchFaces(shipped, (name) => `/fonts/${name}`), ownFiles()]);
  return (await loadFontLibrary(files)).with(own);
}

/** The House's own faces, made known here, and those of their files that did not come before. */
async function ownFiles(): Promise<ReadonlyMap<string, Uint8Array>> {
  const response = await fetch('/api/fonts');
  if (!response.ok) throw new Error('The fonts of the House could not be loaded');
  const list: readonly FaceFile[] = await response.json();
  const faces = ownFaces(list);
  const files = await fetchFaces(faces, (name) => `/api/fonts/${name}`);
  // Only once their files are here: until then another face stands in, and that is told.
  knowOwnFaces(faces);
  return files;
}

async function fetchFaces(
  faces: readonly Face[],
  addressOf: (name: string) => string,
): Promise<ReadonlyMap<string, Uint8Array>> {
  const wanted = faces.flatMap((face) =>
    Object.entries(face.files).map(([weight, name]) => ({ face, weight, name })),
  );
  const fresh = wanted.filter(({ name }) => !seen.has(name));
  const files = await Promise.all(
    fresh.map(async ({ face, weight, name }) => {
      const response = await fetch(addressOf(name));
      if (!response.ok) throw new Error(`The font file ${name} could not be loaded`);
      const bytes = await response.arrayBuffer();
      showInPage(face, weight, bytes);
      return [name, new Uint8Array(bytes)] as const;
    }),
  );
  for (const [name] of files) seen.add(name);
  return new Map(files);
}

/** The CSS family under which a title face is known in the page. */
export function titleFamily(faceId: string): string {
  return `title-${faceId}`;
}

/** The same bytes for the box that text is typed into on the picture. */
function showInPage({ id, axes }: Face, weight: string, bytes: ArrayBuffer): void {
  if (typeof document === 'undefined') return;
  document.fonts.add(
    new FontFace(titleFamily(id), bytes, { weight: axes === undefined ? weight : axes.weight.join(' ') }),
  );
}

function listenForChanges(): void {
  if (typeof BroadcastChannel === 'undefined') return;
  // A page that cannot reach the server says so elsewhere, and asks again when it is looked at.
  const catchUp = (): void => void refreshFonts().catch(() => undefined);
  new BroadcastChannel(CHANNEL).addEventListener('message', catchUp);
  if (typeof document === 'undefined') return;
  document.addEventListener('visibilitychange', () => {
    if (document.visibilityState === 'visible') catchUp();
  });
}
