import { beforeAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { serverFonts } from '../../server/fontFiles';
import { FIRST_STYLE } from '../model/newLayers';
import type { LongStep, TextRun, TextStyle } from '../model/template';
import { fitText } from './fitText';
import type { FontLibrary } from './fontLibrary';
import { countGraphemes, cutGraphemes } from './graphemes';
import { FACES } from '../faces/faces';
import { capitalsOf, languageOf } from '../faces/language';
import type { TextLayout, TextSpec } from './layoutText';
import { layoutText } from './layoutText';
import { countingFonts } from '../testing';
import { meaningOf, retypeRuns, rewordRuns, styleRange } from './runs';
import { resolveScripts } from '../faces/scripts';

let fonts: FontLibrary;
let shaped: () => number;
beforeAll(async () => {
  ({ fonts, shaped } = countingFonts(await serverFonts()));
});
const set = (text: string, style: Partial<TextStyle> = {}, more: Partial<TextSpec> = {}): TextLayout =>
  layoutText(
    {
      runs: [{ text }],
      style: { ...FIRST_STYLE, ...style },
      align: 'left',
      wrapWidthU: Infinity,
      squeeze: 1,
      ...more,
    },
    fonts,
  );
const glyphsOf = ({ lines }: TextLayout) => lines.flatMap((line) => line.glyphs);
const facesOf = (layout: TextLayout): string[] => [
  ...new Set(glyphsOf(layout).map(({ font }) => font.fileName)),
];

describe('scripts', () => {
  test('are told apart, and what goes with any of them goes with its neighbours', () => {
    const runs = (text: string): string =>
      resolveScripts(text)
        .filter((one, i, all) => one !== all[i - 1])
        .join(' ');
    expect(runs('Noor नूर')).toBe('Latn Deva');
    expect(runs('12 नूर')).toBe('Deva');
    expect(runs('Ilse 12, Teo')).toBe('Latn');
    expect(runs('Ωδή и Ж')).toBe('Grek Cyrl');
    // The closing bracket is of its opening one's script, whatever stands within.
    expect(resolveScripts('a (नूर) b')[6]).toBe('Latn');
    expect(resolveScripts('a (नूर) b')).toHaveLength(9);
  });

  test('Devanagari is shaped as such also after Latin words', () => {
    const alone = glyphsOf(set('क्षेत्र', { face: 'noto-sans-devanagari' })).map((glyph) => glyph.glyphId);
    const after = glyphsOf(set('Lock क्षेत्र', { face: 'noto-sans-devanagari' })).map((glyph) => glyph.glyphId);
    expect(after.slice(-alone.length)).toEqual(alone);
    // Shaped letter by letter it would have a glyph for each of its seven characters.
    expect(alone.length).toBeLessThan(7);
  });
});

describe('faces that stand in', () => {
  test.each([
    ['Ωδή', 'alegreya'],
    ['Жанна', 'alegreya'],
  ])('%s has all its letters from one face that has them', (text, face) => {
    const layout = set(text);
    expect(layout.missing).toEqual([]);
    expect(facesOf(layout)).toEqual([`${face}-500.ttf`]);
    expect(glyphsOf(layout).every(({ glyphId }) => glyphId > 0)).toBe(true);
  });

  test('a Latin letter never comes from another script’s face while a Latin one has it', () => {
    const layout = set('GROẞ');
    expect(layout.missing).toEqual([]);
    expect(facesOf(layout)).toEqual(['barlow-condensed-600.ttf', 'hanken-grotesk-600.ttf']);
  });

  test.each([
    ['Hebrew', 'שלומית בר-נהר'],
    ['Bengali', 'নূর জলপথ'],
    ['Tamil', 'நதிக்கரை விளக்கு'],
    ['Thai', 'แม่น้ำและเรือ'],
    ['Georgian', 'მდინარე ნავი'],
    ['Armenian', 'Գետի լապտեր'],
    ['Greek', 'Ποταμός'],
    ['Cyrillic', 'Река и лодка'],
  ])('%s is set whole, in a face that ships', (script, words) => {
    const layout = set(words);
    expect(layout.missing).toEqual([]);
    const [own] = layout.standIns;
    expect(layout.standIns).toHaveLength(1);
    expect(FACES.list.find(({ label }) => label === own)?.scripts).toContain(script);
  });

  test('what no face has is told once, with what could be set left as it is', () => {
    const layout = set('Ilse ខ្មែ ខ្មែ');
    expect(layout.missing).toEqual(['ខ', 'ម']);
    expect(layout.standIns).toEqual([]);
  });
});

describe('tracking', () => {
  test('after the last letter does not make a line wrap', () => {
    const style = { tracking: 400 };
    const width = set('Lantern Regatta', style).width;
    expect(set('Lantern Regatta', style, { wrapWidthU: width + 0.001 }).lines).toHaveLength(1);
    expect(set('Lantern Regatta', style, { wrapWidthU: width - 0.1 }).lines).toHaveLength(2);
  });
});

describe('a soft hyphen', () => {
  const text = 'Quill\u00adfeather';

  test('is seen where a line ends with it, and nowhere else', () => {
    const plain = set('Quillfeather');
    expect(set(text).width).toBeCloseTo(plain.width, 6);
    const first = set('Quill-').width;
    const parted = set(text, {}, { wrapWidthU: first + 8 });
    expect(parted.lines).toHaveLength(2);
    const hyphen = fonts.font('barlow-condensed', 600).shape('\u2010', 0, 1, {
      rightToLeft: false,
      features: [],
      script: 'Latn',
      language: 'und',
    })[0].glyphId;
    expect(parted.lines[0].glyphs.at(-1)?.glyphId).toBe(hyphen);
    expect(parted.lines[1].glyphs[0].glyphId).toBe(set('feather').lines[0].glyphs[0].glyphId);
  });

  test('leaves room for the hyphen: a line that would only fit without it is broken before', () => {
    const words = `Ode Quill\u00adfeather`;
    const without = set('Ode Quill').width;
    const parted = set(words, {}, { wrapWidthU: without + 0.5 });
    expect(parted.lines[0].end).toBeLessThanOrEqual(4);
    for (const line of parted.lines.slice(0, -1)) expect(line.width).toBeLessThanOrEqual(without + 0.5);
  });
});

describe('letters', () => {
  const family = '👩‍👩‍👧';

  test('are counted and cut as readers see them', () => {
    expect(countGraphemes(`न\u093fa${family}`)).toBe(3);
    expect(cutGraphemes(`ab${family}cd`, 3)).toBe(`ab${family}`);
    expect(cutGraphemes('e\u0301e\u0301e\u0301', 2)).toBe('e\u0301e\u0301');
  });

  test('typing another letter with the same first half keeps both whole', () => {
    const runs: TextRun[] = [{ text: 'a' }, { text: '😀', style: { weight: 700 } }, { text: 'b' }];
    for (const text of ['a😁b', 'a😀😁b', 'a😁😀b', 'ab'])
      for (const run of retypeRuns(runs, text))
        expect(/[\ud800-\udbff](?![\udc00-\udfff])/.test(run.text)).toBe(false);
    expect(
      retypeRuns(runs, 'a😁b')
        .map((run) => run.text)
        .join(''),
    ).toBe('a😁b');
  });
});

describe('a fitted text', () => {
  test('is shaped a few times, however many sizes are tried', () => {
    const steps: LongStep[] = [
      { kind: 'wrap', maxLines: 3 },
      { kind: 'squeeze', minPercent: 80 },
      { kind: 'shrink', minSizeU: 20 },
    ];
    const text = 'Bartholomew Quillfeather-Oduya and Ilse Marrow of Reedmouth Quay';
    const before = shaped();
    const spec = { runs: [{ text }], style: FIRST_STYLE, align: 'left' } as const;
    const { layout, overflows, scale } = fitText(spec, 420, steps, fonts);
    expect(shaped() - before).toBeLessThan(30);
    expect(overflows).toBe(false);
    expect(layout.lines.length).toBeLessThanOrEqual(3);
    // As large as it can be: a hundredth more does not fit.
    expect(Math.max(...layout.lines.map((line) => line.width))).toBeGreaterThan(420 * 0.9);
    expect(scale).toBeLessThan(1);
  });

  test('comes out as it would be set at that size from the start', () => {
    fc.assert(
      fc.property(fc.integer({ min: 200, max: 900 }), fc.integer({ min: 1, max: 4 }), (width, maxLines) => {
        const text = 'We carried every lantern down to the water by hand';
        const spec = { runs: [{ text }], style: FIRST_STYLE, align: 'left' } as const;
        const steps: LongStep[] = [
          { kind: 'wrap', maxLines },
          { kind: 'shrink', minSizeU: 8 },
        ];
        const { layout, scale, overflows } = fitText(spec, width, steps, fonts);
        const direct = set(
          text,
          { sizeU: FIRST_STYLE.sizeU * scale },
          { wrapWidthU: maxLines > 1 ? width : Infinity },
        );
        expect(layout.lines.map(({ start, end }) => [start, end])).toEqual(
          direct.lines.map(({ start, end }) => [start, end]),
        );
        expect(overflows).toBe(false);
      }),
      { numRuns: 40, seed: 4 },
    );
  });
});

describe('languages', () => {
  const all = (): boolean => true;

  test.each([
    ['tr', 'Diyarbakır ile', 'DİYARBAKIR İLE'],
    ['az', 'ilıq', 'İLIQ'],
    ['und', 'ilse', 'ILSE'],
    ['el', 'Άνοιξη ώρα', 'ΑΝΟΙΞΗ ΩΡΑ'],
    ['nl', 'ijsland', 'IJSLAND'],
    ['de', 'Straße', 'STRAẞE'],
    ['de-CH', 'Straße', 'STRAẞE'],
    ['und', 'Straße', 'STRASSE'],
  ])('in %s capitals of %s are %s', (language, text, wanted) => {
    expect(capitalsOf(text, language, all)).toBe(wanted);
  });

  test('German has SS where no face has the capital letter', () => {
    expect(capitalsOf('Straße', 'de', () => false)).toBe('STRASSE');
  });

  test('reach the letters that are set', () => {
    const text = 'ilse';
    const dotted = set(text, { letterCase: 'capitals' }, { language: 'tr' });
    expect(dotted.lines[0].paragraph.text).toBe('İLSE');
    expect(set(text, { letterCase: 'capitals' }).lines[0].paragraph.text).toBe('ILSE');
  });

  test('reach the shaper, which has forms of letters for some', () => {
    // Marathi writes some letters otherwise than Hindi does; the face has both.
    const ids = (language: string): number[] =>
      glyphsOf(set('श्र ल', { face: 'noto-sans-devanagari' }, { language })).map(({ glyphId }) => glyphId);
    expect(ids('mr')).not.toEqual(ids('hi'));
  });

  test('the nearest that is said holds', () => {
    expect(languageOf(undefined, '', 'not a tag', 'tr', 'en')).toBe('tr');
    expect(languageOf(undefined)).toBe('und');
  });
});

describe('parts styled apart', () => {
  const BOLD = { weight: 700 };
  const apart = (text: string, part: string): TextRun[] => {
    const start = text.indexOf(part);
    return styleRange([{ text }], start, start + part.length, BOLD);
  };
  const boldIn = (runs: readonly TextRun[]): string[] =>
    runs.filter((run) => run.style !== undefined).map((run) => run.text);

  test.each([
    [
      'the second line',
      'Ilse Marrow\nPilot',
      'Pilot',
      'Noor Halloran\nKeeper of the weir',
      ['Keeper of the weir'],
    ],
    ['the last word', 'Ilse Marrow', 'Marrow', 'Bartholomew Quillfeather-Oduya', ['Quillfeather-Oduya']],
    ['the first word', 'Ilse Marrow', 'Ilse', 'Noor Halloran', ['Noor']],
    ['the first word where there is but one', 'Ilse Marrow', 'Ilse', 'Ode', ['Ode']],
    [
      'what stands in brackets',
      'Ilse (Pilot) Marrow',
      'Pilot',
      'Teo (Keeper of gates) Vance',
      ['Keeper of gates'],
    ],
    ['nothing where there are none', 'Ilse (Pilot) Marrow', 'Pilot', 'Teo Vance', []],
    ['a line that is not there', 'Ilse\nPilot', 'Pilot', 'Noor', []],
    ['lines to the end', 'A name\nOne\nTwo', 'One\nTwo', 'Other\nThree\nFour\nFive', ['Three\nFour\nFive']],
    ['nothing for letters within a word', 'Lantern', 'nte', 'Regatta', []],
  ])('carry over to other words: %s', (_name, text, part, next, wanted) => {
    expect(boldIn(rewordRuns(apart(text, part), next))).toEqual(wanted);
  });

  test('mean what their designer says', () => {
    const runs = apart('Ilse Marrow', 'Marrow').map((run) =>
      run.style === undefined ? run : { ...run, means: { kind: 'between', open: '*', close: '*' } as const },
    );
    expect(boldIn(rewordRuns(runs, 'Noor *Halloran* of Reedmouth'))).toEqual(['Halloran']);
    expect(meaningOf(apart('Lantern', 'nte'), 1)).toEqual({ kind: 'words' });
  });

  test('read what was typed, whatever that is, and the same words are the same runs', () => {
    fc.assert(
      fc.property(fc.string(), fc.nat(20), fc.nat(20), fc.string(), (text, a, b, next) => {
        const runs = styleRange([{ text }], Math.min(a, b), Math.max(a, b), BOLD);
        const read = (list: readonly TextRun[]): string => list.map((run) => run.text).join('');
        return read(rewordRuns(runs, next)) === next && read(rewordRuns(runs, text)) === text;
      }),
    );
  });
});
