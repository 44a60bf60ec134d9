import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fontFileNames } from '@/core/faces/faces';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { loadFontLibrary } from '@/core/text/fontLibrary';

let loading: Promise<FontLibrary> | null = null;

/** The shipped fonts, read once a process from the folder that also serves them to browsers. */
export function serverFonts(root = process.cwd()): Promise<FontLibrary> {
  loading ??= loadFontLibrary(
    new Map(fontFileNames().map((name) => [name, readFileSync(join(root, 'public', 'fonts', name))])),
  );
  return loading;
}
