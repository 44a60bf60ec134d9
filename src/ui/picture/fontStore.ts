import type { HouseRecord } from '@/contract/house';
import type { FaceFile } from '@/core/faces/faceFile';
import type { Face } from '@/core/faces/faces';
import { comesLate, FACES, fontFileNames, knowOwnFaces } from '@/core/faces/faces';
import { knowFallbacks, knownFallbacks } from '@/core/faces/fallback';
import { ownFaces } from '@/core/faces/ownFaces';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { loadFontLibrary } from '@/core/text/fontLibrary';
import { hyphenRules } from './hyphenStore';

/** By which pages and their workers tell one another that the House's own fonts are others now. */
const CHANNEL = 'gilder-fonts';

let loading: Promise<FontLibrary> | null = null;
// Files that came late or are on their way. A House may have hundreds; only what words are set in is fetched.
const fetched = new Map<string, Promise<void>>();
const shown = new Set<string>();
const RETRY_AFTER_MS = 3000;
const listeners = new Set<(library: FontLibrary) => void>();

/** The shipped fonts and what came of the House's, for a page or a worker; a failure is tried again by the next who asks. */
export function loadFonts(): Promise<FontLibrary> {
  if (loading === null) {
    listenForChanges();
    loading = loadAll();
    loading.catch(() => (loading = null));
  }
  return loading;
}

/** The fonts with those of the faces that are asked for: what is laid out with them has no stand-in. */
export async function loadFontsFor(faceIds: Iterable<string>): Promise<FontLibrary> {
  await loadFonts();
  await fetchLate([...faceIds]);
  return loadFonts();
}

/** Brings in what the House has now; `tell` says so to other pages and to workers. */
export async function refreshFonts(tell = false): Promise<void> {
  const before = await loadFonts();
  const [known, order] = [FACES.list, knownFallbacks()];
  await learnHouseFaces();
  if (tell) new BroadcastChannel(CHANNEL).postMessage('changed');
  if (known !== FACES.list || order !== knownFallbacks()) publish(before.with(new Map()));
}

/** Calls back with the fonts as they are from now on, whenever they change, until the returned function is called. */
export function onFonts(listener: (library: FontLibrary) => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

function publish(library: FontLibrary): void {
  loading = Promise.resolve(library);
  for (const listener of listeners) listener(library);
}

async function loadAll(): Promise<FontLibrary> {
  const shipped = FACES.list.filter(({ own }) => own !== true);
  for (const face of shipped) showInPage(face);
  const files = await Promise.all(fontFileNames().first.map((name) => fetchFile(`/fonts/${name}`, name)));
  const [library] = await Promise.all([
    // What is set while its font is on the way is set again once that has come.
    loadFontLibrary(
      new Map(files),
      (faceId) => void fetchLate([faceId]).catch(() => undefined),
      (patterns) =>
        hyphenRules(patterns, () => void loadFonts().then((fonts) => publish(fonts.with(new Map())))),
    ),
    learnHouseFaces(),
  ]);
  return library;
}

/** Where a file is, and its name. */
type Addressed = readonly [string, string];

/**
 * The fonts as they would be with another file in place of one of the House's own, for words in `faceIds`. What the page
 * itself is set in stays as it is.
 */
export async function trialFonts(
  faceIds: readonly string[],
  inUseId: string,
  insteadId: string,
): Promise<FontLibrary> {
  await loadFonts();
  const own = faceIds.flatMap((id) => FACES.find(id) ?? []).filter(comesLate);
  const late = own.flatMap((face) =>
    Object.values(face.files).map((name): Addressed => [addressOf(face, name), name]),
  );
  const first = fontFileNames().first.map((name): Addressed => [`/fonts/${name}`, name]);
  const files = await Promise.all([...first, ...late].map(([address, name]) => fetchFile(address, name)));
  const [, instead] = await fetchFile(`/api/fonts/${insteadId}`, insteadId);
  return loadFontLibrary(new Map([...files, [inUseId, instead]]), undefined, (patterns) =>
    hyphenRules(patterns, () => undefined),
  );
}

/** Has the House's own faces known here, and which it takes for what others lack. */
async function learnHouseFaces(): Promise<void> {
  const [list, { document }] = await Promise.all([
    askFor<readonly FaceFile[]>('/api/fonts'),
    askFor<HouseRecord>('/api/house'),
  ]);
  const faces = ownFaces(list);
  knowOwnFaces(faces);
  knowFallbacks(document.fallbacks ?? []);
  for (const face of faces) showInPage(face);
}

async function askFor<T>(address: string): Promise<T> {
  const response = await fetch(address);
  if (!response.ok) throw new Error('The fonts of the House could not be loaded');
  const answer: T = await response.json();
  return answer;
}

/** Fetches the files of faces that come late and did not come before. */
async function fetchLate(faceIds: readonly string[]): Promise<void> {
  const late = faceIds.flatMap((id) => FACES.find(id) ?? []).filter(comesLate);
  const files = late.flatMap((face) => Object.values(face.files).map((name) => ({ face, name })));
  const isNew = files.some(({ name }) => !fetched.has(name));
  for (const { face, name } of files)
    if (!fetched.has(name)) fetched.set(name, fetchOnce(addressOf(face, name), name));
  await Promise.all(files.map(({ name }) => fetched.get(name)));
  if (isNew) publish((await loadFonts()).with(new Map()));
}

/**
 * Resolves once a file is in the library, whoever asked for it first. One that did not come is asked for
 * again after a while, not at every layout.
 */
function fetchOnce(address: string, name: string): Promise<void> {
  const take = async (): Promise<void> => {
    const file = await fetchFile(address, name);
    (await loadFonts()).with(new Map([file]));
  };
  const file = take();
  file.catch(() => setTimeout(() => fetched.delete(name), RETRY_AFTER_MS));
  return file;
}

const addressOf = ({ own }: Face, name: string): string =>
  own === true ? `/api/fonts/${name}` : `/fonts/${name}`;

async function fetchFile(address: string, name: string): Promise<readonly [string, Uint8Array]> {
  const response = await fetch(address);
  if (!response.ok) throw new Error(`The font file ${name} could not be loaded`);
  return [name, new Uint8Array(await response.arrayBuffer())];
}

/** The CSS family under which a title face is known in the page. */
export function titleFamily(faceId: string): string {
  return `title-${faceId}`;
}

/** The same files for the box that text is typed into on the picture; a browser reads one only where it is shown. */
function showInPage(face: Face): void {
  const { id, axes, files } = face;
  if (typeof document === 'undefined') return;
  for (const [weight, name] of Object.entries(files)) {
    if (shown.has(name)) continue;
    shown.add(name);
    const range = axes === undefined ? weight : axes.weight.join(' ');
    document.fonts.add(new FontFace(titleFamily(id), `url("${addressOf(face, name)}")`, { weight: range }));
  }
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
