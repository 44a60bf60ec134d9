import type { SceneSheet } from './scene';
import { defineScene, downward, glow, scatter } from './scene';

export const reedBeds = defineScene({
  id: 'reed-beds',
  label: 'Reed beds',
  swatch: ['#d9c48c', '#7f6d3c'],
  draw(t, sheet) {
    sheet.rect(0, 0, 1920, 1080, downward(0, 760, '#fbf3dc', '#f0dfae', '#d3b878'));
    sheet.disc(420, 210, 420, glow(420, 210, 420, '#ffffff', 0.8));
    sheet.polygon([0, 560, 400, 520, 900, 556, 1400, 508, 1920, 550, 1920, 700, 0, 700], '#b79f63');
    sheet.rect(0, 640, 1920, 440, downward(640, 1080, '#c4ad74', '#6d5f38'));
    // The far ones stand still: what does not move lies furthest back, where it can be kept.
    const all = Array.from({ length: 120 }, (_, i) => i);
    for (const i of all.filter((one) => nearness(one) <= STILL_UP_TO)) reed(sheet, i, 0);
    for (const i of all.filter((one) => nearness(one) > STILL_UP_TO)) reed(sheet, i, t);
  },
});

const STILL_UP_TO = 0.6;

/** How near a reed is, from 0 for far to 1. */
const nearness = (i: number): number => scatter(i + 400);

function reed(sheet: SceneSheet, i: number, t: number): void {
  const near = nearness(i);
  const x = scatter(i) * 2000 - 40;
  const foot = 780 + near * 320;
  const height = 230 + near * 330 + scatter(i + 77) * 120;
  const sway = Math.sin(t * 1.3 + x / 260) * (14 + near * 22);
  const width = 4 + near * 6;
  sheet.polygon(
    [x - width, foot, x + width, foot, x + sway + 1, foot - height, x + sway - 1, foot - height],
    near > 0.5 ? '#6f5c2c' : '#99854a',
  );
  if (i % 3 === 0) sheet.bar(x + sway - 8, foot - height - 70, 16, 84, 8, '#5a3d22');
}
