// Puts the fonts that titles are set in into public/fonts, where browser and server read them, and the dictionaries
// that words are looked up in into public/dictionary, and the patterns that they are parted by into public/hyphens; all with
// their licences.
import { copyFileSync, existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join, parse } from 'node:path';
import { pathToFileURL } from 'node:url';
import wawoff2 from 'wawoff2';

const STATIC_FACES = {
  'barlow-condensed': [400, 500, 600, 700],
  'hanken-grotesk': [400, 600, 700],
  fraunces: [400, 600, 700],
  alegreya: [400, 500, 700],
  'noto-sans-arabic': [400, 500, 600, 700],
  'noto-sans-devanagari': [400, 500, 600, 700],
  'noto-sans-symbols': [400, 700],
  ...Object.fromEntries(
    ['hebrew', 'bengali', 'tamil', 'thai', 'georgian', 'armenian'].map((script) => [
      `noto-sans-${script}`,
      [400, 500, 600, 700],
    ]),
  ),
};

/** Italics, from the package of their upright face. */
const ITALICS = { 'hanken-grotesk': [400, 600, 700], alegreya: [400, 700] };

/** Variable faces come compressed for the web; the shaper reads plain TrueType only. */
const VARIABLE_FACES = { archivo: 'archivo-latin-standard-normal.woff2' };

const root = join(import.meta.dirname, '..');
const out = join(root, 'public', 'fonts');
mkdirSync(out, { recursive: true });

for (const [face, weights] of Object.entries(STATIC_FACES)) {
  copyWeights(face, weights, '', face);
  copyLicence(face, join(root, 'node_modules', '@expo-google-fonts', face, 'LICENSE_FONT'));
}

for (const [face, weights] of Object.entries(ITALICS)) {
  copyWeights(face, weights, '_Italic', `${face}-italic`);
  copyLicence(`${face}-italic`, join(root, 'node_modules', '@expo-google-fonts', face, 'LICENSE_FONT'));
}

function copyWeights(face, weights, ending, name) {
  const from = join(root, 'node_modules', '@expo-google-fonts', face);
  for (const weight of weights) {
    const folder = readdirSync(from).find((one) => new RegExp(`^${weight}[A-Za-z]+${ending}$`).test(one));
    const file = folder && readdirSync(join(from, folder)).find((one) => one.endsWith('.ttf'));
    if (!file) throw new Error(`No weight ${weight}${ending} in @expo-google-fonts/${face}`);
    copyFileSync(join(from, folder, file), join(out, `${name}-${weight}.ttf`));
  }
}

for (const [face, file] of Object.entries(VARIABLE_FACES)) {
  const from = join(root, 'node_modules', '@fontsource-variable', face);
  writeFileSync(
    join(out, `${face}-variable.ttf`),
    await wawoff2.decompress(readFileSync(join(from, 'files', file))),
  );
  copyLicence(face, join(from, 'LICENSE'));
}

function copyLicence(face, licence) {
  if (!existsSync(licence)) throw new Error(`No licence text for ${face}`);
  copyFileSync(licence, join(out, `${face}-LICENSE.txt`));
}

// Where words are parted, as data that browsers fetch and the server reads.
const hyphens = join(root, 'public', 'hyphens');
const patterns = join(root, 'node_modules', 'hyphen');
mkdirSync(hyphens, { recursive: true });
// Church Slavonic is left out: its file in this version of the package is no JavaScript.
for (const file of readdirSync(join(patterns, 'patterns')).filter((name) => name !== 'cu.js')) {
  const { default: rules } = await import(pathToFileURL(join(patterns, 'patterns', file)).href);
  writeFileSync(join(hyphens, `${parse(file).name}.json`), JSON.stringify(rules));
}
copyFileSync(join(patterns, 'LICENSE'), join(hyphens, 'LICENSE.txt'));

const words = join(root, 'public', 'dictionary');
mkdirSync(words, { recursive: true });
for (const language of ['el', 'en', 'en-gb', 'es', 'fr', 'nl', 'ru', 'tr']) {
  const from = join(root, 'node_modules', `dictionary-${language}`);
  copyFileSync(join(from, 'index.aff'), join(words, `${language}.aff`));
  copyFileSync(join(from, 'index.dic'), join(words, `${language}.dic`));
  copyFileSync(join(from, 'license'), join(words, `${language}-LICENSE.txt`));
}
