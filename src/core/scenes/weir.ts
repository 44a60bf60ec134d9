import { defineScene, downward, scatter } from './scene';

export const weir = defineScene({
  id: 'weir',
  label: 'Weir, close',
  swatch: ['#6f9488', '#2d5a55'],
  draw(t, sheet) {
    sheet.rect(0, 0, 1920, 420, downward(0, 420, '#9fb8ad', '#5f8a7e'));
    sheet.polygon(
      [0, 160, 260, 90, 520, 170, 900, 70, 1300, 180, 1620, 100, 1920, 170, 1920, 330, 0, 330],
      '#37594c',
    );
    sheet.rect(0, 320, 1920, 110, downward(320, 430, '#3e6a68', '#27514f'));
    sheet.rect(0, 420, 1920, 300, downward(420, 720, '#7fb0a8', '#d7ebe6'));
    sheet.rect(0, 690, 1920, 390, downward(690, 1080, '#4d837c', '#173a3a'));
    for (let i = 0; i < 90; i++) {
      const fall = (scatter(i) + t * (0.5 + scatter(i + 7) * 0.5)) % 1;
      sheet.bar(
        scatter(i + 31) * 1920,
        410 + fall * 240,
        5 + scatter(i + 3) * 9,
        50,
        4,
        '#f4fbf9',
        0.5 * (1 - fall) + 0.15,
      );
    }
    for (let i = 0; i < 40; i++) {
      const pulse = Math.sin(t * 2 + i * 1.7) * 12;
      sheet.disc(
        scatter(i + 90) * 1920,
        706 + scatter(i + 120) * 54,
        22 + pulse,
        { kind: 'solid', colour: '#e8f4f1' },
        0.3,
      );
    }
    sheet.water(820, 10, 95, t * 1.6, '#123233', 0.5);
    sheet.water(950, 14, 150, -t * 1.1, '#0e2829', 0.5);
  },
});
