import { defineScene, downward, plain, scatter } from './scene';

export const lockGates = defineScene({
  id: 'lock-gates',
  label: 'Lock gates',
  swatch: ['#8d90a5', '#3c405b'],
  draw(t, sheet) {
    sheet.rect(0, 0, 1920, 1080, downward(0, 700, '#c8ccd6', '#9aa0b2', '#7d8398'));
    sheet.polygon([0, 330, 500, 280, 1000, 320, 1500, 270, 1920, 310, 1920, 460, 0, 460], '#6b7188');
    sheet.rect(0, 430, 560, 650, downward(430, 1080, '#4d5064', '#2a2d3e'));
    sheet.rect(1360, 430, 560, 650, downward(430, 1080, '#565a70', '#2f3244'));
    for (let i = 0; i < 12; i++) {
      sheet.rect(0, 470 + i * 52, 560, 4, plain('#23263a'), 0.6);
      sheet.rect(1360, 470 + i * 52, 560, 4, plain('#23263a'), 0.6);
    }
    const open = Math.min(1, Math.max(0, (t - 1) / 24)) * 150;
    sheet.rect(560 - open, 470, 400, 480, downward(470, 950, '#3b2f2a', '#1e1815'));
    sheet.rect(960 + open, 470, 400, 480, downward(470, 950, '#443630', '#221b17'));
    for (let i = 0; i < 6; i++) {
      sheet.rect(580 - open + i * 64, 470, 8, 480, plain('#5b4a40'), 0.7);
      sheet.rect(992 + open + i * 64, 470, 8, 480, plain('#5b4a40'), 0.7);
    }
    sheet.bar(420 - open, 446, 560, 26, 4, '#d9d3c3');
    sheet.bar(940 + open, 446, 560, 26, 4, '#d9d3c3');
    sheet.rect(0, 900, 1920, 180, downward(900, 1080, '#3d4757', '#1a212c'));
    for (let i = 0; i < 26; i++) {
      const x = (scatter(i) * 1920 + t * 30) % 1920;
      sheet.bar(x, 920 + scatter(i + 5) * 140, 60 + scatter(i + 9) * 90, 4, 2, '#aeb6c6', 0.25);
    }
  },
});
