import type { Page } from '@playwright/test';
import { percentile, report } from './measure';

/** In the page: how long each frame takes while work goes on, in milliseconds. As text, since it is run as it stands. */
export const WATCH_FRAMES = `
  window.gilderFrames = [];
  let last = performance.now();
  requestAnimationFrame(function step(now) {
    window.gilderFrames.push(now - last);
    last = now;
    requestAnimationFrame(step);
  });
`;

/** What was watched since it was last asked for. */
export async function takeFrames(page: Page): Promise<number[]> {
  return page.evaluate(() => {
    const frames: unknown = Reflect.get(window, 'gilderFrames');
    return Array.isArray(frames) ? frames.splice(0) : [];
  });
}

/** Prints how long frames took while something was done. */
export function reportFrames(what: string, frames: readonly number[]): void {
  const late = frames.filter((frame) => frame > 50).length;
  report(`${what}: frames, 95th percentile`, `${percentile(frames, 0.95).toFixed(0)} ms`);
  report(`${what}: frames over 50 ms`, `${late} of ${frames.length}`, 'none');
}
