import { readFileSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { HyphenRules } from 'hyphen';
import { FACES, fontFileNames, knowOwnFaces } from '@/core/faces/faces';
import { knowFallbacks, knownFallbacks } from '@/core/faces/fallback';
import { ownFaces } from '@/core/faces/ownFaces';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { loadFontLibrary } from '@/core/text/fontLibrary';
import { listFonts } from '@/db/fonts';
import { findHouse } from '@/db/house';
import type { Db } from '@/db/open';
import { picturePath } from './pictures/pictureFiles';

let loading: Promise<FontLibrary> | null = null;

/** The shipped fonts, read once a process from the folder that also serves them to browsers. */
export function serverFonts(root = process.cwd()): Promise<FontLibrary> {
  const { first, late } = fontFileNames();
  loading ??= loadFontLibrary(
    new Map([...first, ...late].map((name) => [name, readFileSync(join(root, 'public', 'fonts', name))])),
    undefined,
    hyphenRulesIn(join(root, 'public', 'hyphens')),
  );
  return loading;
}

/** What reads patterns for parting words, each once. */
function hyphenRulesIn(folder: string): (name: string) => HyphenRules | null {
  const read = new Map<string, HyphenRules | null>();
  return (name) => {
    const known = read.get(name);
    if (known !== undefined) return known;
    const rules: unknown = JSON.parse(readFileSync(join(folder, `${name}.json`), 'utf8'));
    const taken = Array.isArray(rules) ? rules : null;
    read.set(name, taken);
    return taken;
  };
}

/** Has the House's own faces known in this process, and which it takes for what others lack. */
export async function learnHouseFaces(db: Db): Promise<void> {
  const [files, { document }] = [await listFonts(db), await findHouse(db)];
  knowOwnFaces(ownFaces(files));
  const before = knownFallbacks();
  knowFallbacks(document.fallbacks ?? []);
  // Another object, for whoever keeps what was laid out with it.
  if (before !== knownFallbacks()) loading = Promise.resolve((await serverFonts()).with(new Map()));
}

/** The shipped fonts, with those of the House's own faces that are asked for. */
export async function fontsFor(
  { db, pictureFolder }: { readonly db: Db; readonly pictureFolder: string },
  faceIds: readonly string[],
): Promise<FontLibrary> {
  await learnHouseFaces(db);
  const library = await serverFonts();
  const fallbacks = knownFallbacks().flatMap(({ faces }) => faces);
  const wanted = [...new Set([...faceIds, ...fallbacks])]
    .flatMap((id) => FACES.find(id) ?? [])
    .filter(({ own }) => own === true);
  if (wanted.length === 0) return library;
  return library.with(
    await readFonts(
      pictureFolder,
      wanted.flatMap((face) => Object.values(face.files)),
    ),
  );
}

/** The files of fonts that the House took in, by the SHA-256 of their bytes; those that are not here are left out. */
export async function readFonts(
  folder: string,
  ids: readonly string[],
): Promise<ReadonlyMap<string, Uint8Array>> {
  const read = new Map<string, Uint8Array>();
  for (const id of new Set(ids)) {
    const bytes = await readFile(picturePath(folder, id)).catch(() => null);
    if (bytes !== null) read.set(id, Uint8Array.from(bytes));
  }
  return read;
}
