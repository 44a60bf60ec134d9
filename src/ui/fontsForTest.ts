import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { FIRST_HOUSE } from '@/core/model/house';
import { loadFonts } from './picture/fontStore';

/** Loads the shipped fonts as a page does, for tests of what is measured. To be called before all tests of a file. */
export async function loadFontsForTest(): Promise<void> {
  const before = globalThis.fetch;
  globalThis.fetch = (asked) => {
    const name = /^\/fonts\/([\w-]+\.ttf)$/.exec(String(asked))?.[1];
    const file =
      name === undefined ? new URL(String(asked), 'file:') : join(process.cwd(), 'public/fonts', name);
    const arrayBuffer = (): Promise<ArrayBuffer> =>
      Promise.resolve(Uint8Array.from(readFileSync(file)).buffer);
    const json = (): Promise<unknown> =>
      Promise.resolve(asked === '/api/house' ? { document: FIRST_HOUSE } : []);
    return Promise.resolve({ ok: true, arrayBuffer, json } as Response);
  };
  await loadFonts();
  globalThis.fetch = before;
}
