import { readFileSync } from 'node:fs';
import { beforeAll, describe, expect, test } from '@jest/globals';
import type { HyphenRules } from 'hyphen';
import { serverFonts } from '../../server/fontFiles';
import { FORMATS } from '../frame/formats';
import { testTemplate, testText } from '../testing';
import { compile } from '../timeline/compile';
import { sayNote } from '../timeline/layerNotes';
import { fitText } from './fitText';
import type { FontLibrary } from './fontLibrary';
import { hyphenPatternsFor, hyphenPlaces } from './hyphenation';
import type { TextLayout, TextSpec } from './layoutText';
import { layoutText } from './layoutText';
import { textUnits } from './units';

let fonts: FontLibrary;
beforeAll(async () => {
  fonts = await serverFonts();
});

const rules = (name: string): HyphenRules => JSON.parse(readFileSync(`public/hyphens/${name}.json`, 'utf8'));
const parted = (text: string, name: string): string => {
  const places = hyphenPlaces(text, rules(name));
  return [...text].map((letter, i) => (places.includes(i) ? `-${letter}` : letter)).join('');
};

const { style } = testText('t', '');
function set(text: string, wrapWidthU: number, more: Partial<TextSpec> = {}): TextLayout {
  const spec = { runs: [{ text }], style, align: 'left', wrapWidthU, squeeze: 1, ...more } as const;
  return layoutText({ hyphenates: true, language: 'en', ...spec, ...more }, fonts);
}
const widthOf = (text: string): number => set(text, Infinity).width;
const wordsOf = ({ lines }: TextLayout): string[] =>
  lines.map(({ paragraph, start, end }) => paragraph.text.slice(start, end));

describe('words', () => {
  test.each([
    // Liang's own example, and words whose parts dictionaries give.
    ['hyphenation', 'en-us', 'hy-phen-ation'],
    ['algorithm', 'en-us', 'al-go-rithm'],
    ['Silbentrennung', 'de-1996', 'Sil-ben-tren-nung'],
    ['Donaudampfschiff', 'de-1996', 'Do-nau-dampf-schiff'],
    ['développement', 'fr', 'dé-ve-lop-pe-ment'],
    ['kirjoituskone', 'fi', 'kir-joi-tus-kone'],
    ['программа', 'ru', 'про-грам-ма'],
  ])('%s in %s is parted as %s', (word, name, as) => {
    // Two letters alone never go over to the next line.
    const expected = as.replace(/-(?=.{1,2}$)/u, '');
    expect(parted(word, name)).toBe(expected);
  });

  test('that are short, figures and addresses stay whole', () => {
    for (const text of ['river', '1234567890', 'a-b-c-d-e-f', 'osier@channel.example', 'AB12CD34EF'])
      expect(
        hyphenPlaces(text, rules('en-us')).filter((at) => /[^a-z]/i.test(text.slice(at - 2, at + 3))),
      ).toEqual([]);
    expect(hyphenPlaces('river', rules('en-us'))).toEqual([]);
  });

  test('of any language have the patterns of its tag, or of what it begins with', () => {
    expect(['en', 'en-US', 'en-GB', 'de-AT', 'sr-Latn-RS', 'sr'].map(hyphenPatternsFor)).toEqual([
      'en-us',
      'en-us',
      'en-gb',
      'de-1996',
      'sh-latn',
      'sr-cyrl',
    ]);
    for (const tag of ['hu', 'ka', 'hi', 'el', 'nb'])
      expect(rules(hyphenPatternsFor(tag) ?? '').length).toBeGreaterThan(0);
    expect(['und', 'ar', 'th', '', 'toString'].map(hyphenPatternsFor)).toEqual([
      null,
      null,
      null,
      null,
      null,
    ]);
  });
});

describe('a line', () => {
  const text = 'Lanterns and illuminations';

  test('ends inside a word only where it would be much shorter otherwise, with a hyphen that counts', () => {
    const width = widthOf('Lanterns and illumi-') + 1;
    const parted = set(text, width);
    expect(wordsOf(parted)).toEqual(['Lanterns and illumi', 'nations']);
    expect(parted.lines[0].width).toBeCloseTo(widthOf('Lanterns and illumi-'), 0);
    // A little narrower there is no room for that hyphen.
    expect(wordsOf(set(text, width - 3))[0]).not.toBe('Lanterns and illumi');
    // Where little room stays, words are whole.
    const room = widthOf('Lanterns and') / 0.8;
    expect(wordsOf(set(text, room))).toEqual(['Lanterns and', 'illuminations']);
  });

  test('is never wider than asked where its words can be parted, and no letter is lost or doubled', () => {
    const long = 'Donaudampfschifffahrtsgesellschaft und Uferbeleuchtungsordnung am Fluss';
    for (let width = 260; width < 1600; width += 37) {
      const layout = set(long, width, { language: 'de' });
      expect(Math.max(...layout.lines.map((line) => line.width))).toBeLessThanOrEqual(width);
      expect(wordsOf(layout).join('').replaceAll(' ', '')).toBe(long.replaceAll(' ', ''));
      for (const line of layout.lines)
        for (const { cluster } of line.glyphs) {
          expect(cluster).toBeGreaterThanOrEqual(line.start);
          expect(cluster).toBeLessThan(line.end);
        }
    }
  });

  test('moves its hyphen with the letter before it', () => {
    const width = widthOf('illumi-') + 1;
    const layout = set('illuminations', width);
    const whole = layout.lines[0].glyphs.map(({ cluster }) => cluster);
    expect(whole.at(-1)).toBe(whole.at(-2));
    expect(textUnits(layout, 'letter')).toHaveLength('illuminations'.length);
  });

  test('is not parted unless asked for, nor without a language', () => {
    const width = widthOf('Lanterns and illumi-') + 1;
    const whole = ['Lanterns and', 'illuminations'];
    expect(wordsOf(set(text, width, { hyphenates: false }))).toEqual(whole);
    expect(wordsOf(set(text, width, { language: 'und' }))).toEqual(whole);
  });
});

test('a long word goes on in the next line before anything shrinks', () => {
  const spec = { runs: [{ text: 'Uferbeleuchtung' }], style, align: 'left', language: 'de' } as const;
  const steps = [
    { kind: 'wrap', maxLines: 2 },
    { kind: 'shrink', minSizeU: 1 },
  ] as const;
  const width = widthOf('Uferbeleuchtung') * 0.7;
  expect(fitText({ ...spec, hyphenates: true }, width, steps, fonts)).toMatchObject({
    scale: 1,
    done: [{ kind: 'wrapped', lines: 2 }],
  });
  expect(fitText(spec, width, steps, fonts).scale).toBeLessThan(0.71);
});

test('a text whose language has no rules says so', () => {
  const noted = (language: string | undefined): string[] => {
    const template = testTemplate([testText('t', 'Lanterns', { hyphenates: true })]);
    const title = compile(template, {}, FORMATS.get('wide-1080'), fonts, undefined, null, language);
    return title.notes.map(sayNote);
  };
  expect(noted('en')).toEqual([]);
  expect(noted('ar')).toEqual(['"t" is not hyphenated: there are no rules for its language (ar) here']);
  expect(noted(undefined)).toEqual([expect.stringContaining('nothing says its language')]);
});
