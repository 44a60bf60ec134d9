import '@testing-library/jest-dom/jest-globals';

// jsdom lays nothing out, so nothing ever changes its size.
class StillObserver {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
}
globalThis.ResizeObserver ??= StillObserver;
