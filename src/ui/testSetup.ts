import 'fake-indexeddb/auto';
import '@testing-library/jest-dom/jest-globals';
import { configure } from '@testing-library/react';
import { TextDecoder, TextEncoder } from 'node:util';
import { deserialize, serialize } from 'node:v8';

// Machines are shared: what is waited for may take a slow minute, and what never comes is found all the same.
configure({ asyncUtilTimeout: 60_000 });

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

// Nothing is there to be fetched from; what asks waits, as it does on a slow line. For fonts see fontsForTest.
globalThis.fetch ??= () => new Promise<Response>(() => undefined);
Object.assign(document, { fonts: { add: () => undefined } });
Object.assign(globalThis, { FontFace: class {} });

// No medium is ever another than it is.
globalThis.matchMedia ??= (media) =>
  Object.assign(new EventTarget(), { media, matches: false }) as MediaQueryList;

// jsdom paints nothing, and says so loudly when it is asked to.
HTMLCanvasElement.prototype.getContext = () => null;

// A pointer's button and keys are what a mouse's are.
class PlainPointerEvent extends MouseEvent {}
Object.defineProperty(globalThis, 'PointerEvent', { configurable: true, value: PlainPointerEvent });
