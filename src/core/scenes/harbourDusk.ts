import type { Matrix } from '../kit/matrix';
import type { SceneSheet } from './scene';
import { defineScene, downward, glow, plain } from './scene';

export const harbourDusk = defineScene({
  id: 'harbour-dusk',
  label: 'Harbour dusk',
  swatch: ['#c98563', '#4c4a66'],
  draw(t, sheet) {
    sheet.rect(0, 0, 1920, 560, downward(0, 560, '#f0b67c', '#de8e6c', '#8f6a7d'));
    sheet.disc(1345, 372, 220, glow(1345, 372, 220, '#ffe9b8', 0.45));
    sheet.disc(1345, 372, 86, plain('#ffe3a6'));
    sheet.polygon(
      [0, 480, 210, 396, 470, 486, 790, 372, 1120, 474, 1450, 402, 1920, 486, 1920, 570, 0, 570],
      '#6a5f7c',
    );
    sheet.polygon(
      [0, 520, 380, 470, 760, 528, 1200, 450, 1560, 520, 1920, 492, 1920, 570, 0, 570],
      '#4a5070',
    );
    sheet.rect(0, 552, 1920, 528, downward(552, 1080, '#466077', '#2a4a60', '#1b3448'));
    for (let i = 0; i < 9; i++) {
      const width = 190 - i * 14 + Math.sin(t * 1.6 + i) * 26;
      sheet.bar(
        1345 - width / 2 + Math.sin(t + i * 2) * 10,
        586 + i * 34,
        width,
        6,
        3,
        '#e9c894',
        0.55 - i * 0.05,
      );
    }
    boat(sheet, 380, 690, 0.62, t, 0.4);
    boat(sheet, 700 + t * 4, 760, 1.15, t, 0);
    sheet.water(930, 9, 130, t * 0.9, '#16303f', 0.55);
  },
});

function boat(sheet: SceneSheet, x: number, y: number, scale: number, t: number, phase: number): void {
  const tilt = Math.sin(t * 1.1 + phase) * 0.025;
  const rise = Math.sin(t * 1.4 + phase) * 5;
  const matrix: Matrix = [
    scale * Math.cos(tilt),
    scale * Math.sin(tilt),
    -scale * Math.sin(tilt),
    scale * Math.cos(tilt),
    x,
    y + rise,
  ];
  sheet.polygon([-160, 0, 150, 0, 108, 62, -112, 62], '#141d26', 1, matrix);
  sheet.polygon([-6, -8, -6, -262, -142, -28], '#dccaa4', 1, matrix);
  sheet.polygon([6, -8, 6, -286, 170, -36], '#f3e6ca', 1, matrix);
}
