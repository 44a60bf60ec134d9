import 'fake-indexeddb/auto';
import '@testing-library/jest-dom/jest-globals';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { TextDecoder, TextEncoder } from 'node:util';
import { deserialize, serialize } from 'node:v8';

// jsdom lays nothing out, so nothing ever changes its size.
class StillObserver {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
}
globalThis.ResizeObserver ??= StillObserver;

// Browsers have these; jsdom has not.
const structuredClone = (value: unknown): unknown => deserialize(serialize(value));
Object.assign(globalThis, { TextDecoder, TextEncoder, structuredClone });

// Fonts lie beside the application; nothing else is there to be fetched from, and what asks waits, as on a slow line.
globalThis.fetch ??= (asked) => {
  const name = /^\/fonts\/([\w-]+\.ttf)$/.exec(String(asked))?.[1];
  const url = String(asked);
  if (name === undefined && !url.endsWith('.wasm')) return new Promise<Response>(() => undefined);
  const bytes = readFileSync(name === undefined ? new URL(url) : join(process.cwd(), 'public/fonts', name));
  const arrayBuffer = (): Promise<ArrayBuffer> => Promise.resolve(Uint8Array.from(bytes).buffer);
  return Promise.resolve({ ok: true, arrayBuffer } as Response);
};
Object.assign(document, { fonts: { add: () => undefined } });
Object.assign(globalThis, { FontFace: class {} });

// jsdom paints nothing, and says so loudly when it is asked to.
HTMLCanvasElement.prototype.getContext = () => null;

// A pointer's button and keys are what a mouse's are.
class PlainPointerEvent extends MouseEvent {}
Object.defineProperty(globalThis, 'PointerEvent', { configurable: true, value: PlainPointerEvent });
