// Puts the fonts that titles are set in, with their licences, into public/fonts, where browser and server read them.
import { copyFileSync, existsSync, mkdirSync, readdirSync } from 'node:fs';
import { join } from 'node:path';

const FACES = {
  'barlow-condensed': [400, 500, 600, 700],
  'hanken-grotesk': [400, 600, 700],
  fraunces: [400, 600, 700],
  'noto-sans-arabic': [400, 500, 600, 700],
  'noto-sans-devanagari': [400, 500, 600, 700],
};

const out = join(import.meta.dirname, '..', 'public', 'fonts');
mkdirSync(out, { recursive: true });
for (const [face, weights] of Object.entries(FACES)) {
  const from = join(import.meta.dirname, '..', 'node_modules', '@expo-google-fonts', face);
  for (const weight of weights) {
    const folder = readdirSync(from).find((name) => new RegExp(`^${weight}[A-Za-z]+$`).test(name));
    const file = folder && readdirSync(join(from, folder)).find((name) => name.endsWith('.ttf'));
    if (!file) throw new Error(`No weight ${weight} in @expo-google-fonts/${face}`);
    copyFileSync(join(from, folder, file), join(out, `${face}-${weight}.ttf`));
  }
  const licence = join(from, 'LICENSE_FONT');
  if (!existsSync(licence)) throw new Error(`No licence text in @expo-google-fonts/${face}`);
  copyFileSync(licence, join(out, `${face}-LICENSE.txt`));
}
