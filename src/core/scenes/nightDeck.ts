import { defineScene, downward, glow, plain, scatter } from './scene';

export const nightDeck = defineScene({
  id: 'night-deck',
  label: 'Night deck',
  swatch: ['#23304a', '#0b111c'],
  draw(t, sheet) {
    sheet.rect(0, 0, 1920, 1080, downward(0, 760, '#0c1424', '#16233b', '#22304a'));
    for (let i = 0; i < 14; i++) {
      const x = lampX(i);
      sheet.disc(x, 640, 90, glow(x, 640, 90, '#f5c46b', 0.35));
      sheet.disc(x, 640, 7, plain('#ffe3a8'));
    }
    sheet.rect(0, 648, 1920, 432, downward(648, 1080, '#16223a', '#070b14'), 0.85);
    for (let i = 0; i < 60; i++) {
      const twinkle = 0.4 + 0.4 * Math.sin(t * (1 + scatter(i)) + i);
      sheet.disc(
        scatter(i + 1) * 1920,
        scatter(i + 2) * 520,
        2 + scatter(i + 3) * 2,
        plain('#dfe6f5'),
        twinkle,
      );
    }
    for (let i = 0; i < 14; i++)
      sheet.bar(lampX(i) - 3, 660, 6, 60 + Math.sin(t * 2 + i) * 18, 3, '#e0a850', 0.05);
    sheet.water(760, 8, 140, t * 0.8, '#0a1120', 0.6);
    const roll = Math.sin(t * 0.7) * 10;
    sheet.polygon([0, 930 + roll, 1920, 900 - roll, 1920, 1080, 0, 1080], '#05080f');
    for (let i = 0; i < 12; i++)
      sheet.bar(70 + i * 160, 800 + roll - i * 1.6 * (roll / 5), 10, 150, 4, '#1f2b40');
    sheet.polygon([0, 806 + roll, 1920, 786 - roll, 1920, 800 - roll, 0, 820 + roll], '#2c3a54');
  },
});

const lampX = (i: number): number => 60 + i * 138 + scatter(i) * 60;
