import { beforeAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { serverFonts } from '../../server/fontFiles';
import { FIRST_STYLE } from '../model/newLayers';
import type { LongStep, TextStyle } from '../model/template';
import { findCharacters } from './characters';
import { fitText } from './fitText';
import type { FontLibrary } from './fontLibrary';
import type { TextLayout, TextSpec } from './layoutText';
import { layoutText } from './layoutText';
import { retypeRuns, styleRange } from './runs';

let fonts: FontLibrary;
beforeAll(async () => {
  fonts = await serverFonts();
});

const SENTENCE = 'We carried every lantern down to the water by hand and not one went out';
const set = (text: string, more: Partial<TextSpec> = {}, style: Partial<TextStyle> = {}): TextLayout =>
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
const lineWords = ({ lines }: TextLayout): string[] =>
  lines.map((line) => line.paragraph.text.slice(line.start, line.end));

describe('wrapped lines', () => {
  test('balanced are as many, but about equally long', () => {
    const filled = set(SENTENCE, { wrapWidthU: 900 });
    const even = set(SENTENCE, { wrapWidthU: 900, balanced: true });
    const spread = ({ lines }: TextLayout): number =>
      Math.max(...lines.map((line) => line.width)) - Math.min(...lines.map((line) => line.width));
    expect(even.lines).toHaveLength(filled.lines.length);
    expect(spread(even)).toBeLessThan(spread(filled));
    expect(lineWords(even).join(' ')).toBe(SENTENCE);
  });

  test('balanced are as narrow as so many lines can be', () => {
    for (const wrapWidthU of [520, 700, 900, 1300]) {
      const even = set(SENTENCE, { wrapWidthU, balanced: true });
      const widest = Math.max(...even.lines.map((line) => line.width));
      // A hair narrower, and they would be one more.
      expect(set(SENTENCE, { wrapWidthU: widest - 2 }).lines.length).toBeGreaterThan(even.lines.length);
      expect(set(SENTENCE, { wrapWidthU: widest + 0.01 }).lines).toHaveLength(even.lines.length);
    }
  });

  test('justified reach both edges of their column, save the last of a paragraph', () => {
    const { lines, width } = set(SENTENCE, { wrapWidthU: 700, columnU: 700, align: 'justify' });
    expect(width).toBe(700);
    for (const line of lines.slice(0, -1)) {
      const last = line.glyphs[line.glyphs.length - 1];
      expect(last.x + last.advance).toBeCloseTo(700, 3);
      expect(line.x).toBe(0);
    }
    const end = lines[lines.length - 1];
    expect(end.width).toBeLessThan(700);
  });

  test('paragraphs are told apart from wrapped lines: each ends with a line that is not spread', () => {
    const { lines } = set(`${SENTENCE}\n${SENTENCE}`, { wrapWidthU: 700, columnU: 700, align: 'justify' });
    expect(lines.filter((line) => line.width < 700)).toHaveLength(2);
  });
});

describe('OpenType', () => {
  const advances = (text: string, style: Partial<TextStyle>): number[] =>
    set(text, {}, style).lines[0].glyphs.map((glyph) => Math.round(glyph.advance * 100));
  const glyphIds = (text: string, style: Partial<TextStyle>): number[] =>
    set(text, {}, style).lines[0].glyphs.map((glyph) => glyph.glyphId);

  test('tabular figures are equally wide', () => {
    expect(new Set(advances('0123456789', { figures: 'tabular' })).size).toBe(1);
  });

  test('old-style figures, small capitals and fractions are other glyphs where the font has them', () => {
    expect(glyphIds('Osier', { letterCase: 'smallCapitals' })).not.toEqual(glyphIds('Osier', {}));
    expect(glyphIds('1/2', { face: 'hanken-grotesk', fractions: true })).not.toEqual(
      glyphIds('1/2', { face: 'hanken-grotesk' }),
    );
  });

  test('old-style figures are other glyphs where the font has them', () => {
    expect(glyphIds('0123', { face: 'alegreya', figures: 'oldStyle' })).not.toEqual(
      glyphIds('0123', { face: 'alegreya', figures: 'tabular' }),
    );
  });

  test('a variable face is set at any weight and width along its axes, and not beyond them', () => {
    const width = (style: Partial<TextStyle>): number =>
      set('Osier Reach', {}, { face: 'archivo', ...style }).width;
    expect(width({ width: 62 })).toBeLessThan(width({ width: 80 }));
    expect(width({ width: 80 })).toBeLessThan(width({ width: 125 }));
    expect(width({ width: 190 })).toBeCloseTo(width({ width: 125 }), 6);
    expect(width({ weight: 433 })).not.toBeCloseTo(width({ weight: 434 + 200 }), 3);
    expect(width({ weight: 990 })).toBeCloseTo(width({ weight: 900 }), 6);
  });

  test('a face that stands in for characters that are missing is named', () => {
    expect(set('नौका', {}, { face: 'archivo' }).standIns).toEqual(['Noto Sans Devanagari']);
    expect(set('Osier', {}, { face: 'archivo' }).standIns).toEqual([]);
  });

  test('a raised part stands above the baseline by its share of the size', () => {
    const { lines } = layoutText(
      {
        runs: [{ text: 'Heat ' }, { text: '2', style: { shift: 300, sizeU: 40 } }],
        style: FIRST_STYLE,
        align: 'left',
        wrapWidthU: Infinity,
        squeeze: 1,
      },
      fonts,
    );
    expect(lines[0].glyphs.at(-1)?.y).toBeCloseTo(-12, 6);
  });
});

describe('a long text', () => {
  const fit = (steps: readonly LongStep[], more: object = {}, text = SENTENCE) =>
    fitText({ runs: [{ text }], style: FIRST_STYLE, align: 'left', ...more }, 800, steps, fonts);

  test('is cut with an ellipsis where nothing else helps, and says after how many letters', () => {
    const { layout, done, overflows } = fit([{ kind: 'squeeze', minPercent: 90 }, { kind: 'cut' }]);
    expect(lineWords(layout)[0]).toMatch(/^We carried.*…$/);
    expect(layout.width).toBeLessThanOrEqual(800);
    expect(overflows).toBe(false);
    expect(done.at(-1)).toEqual({ kind: 'cut', letters: expect.any(Number), of: 71 });
  });

  test('the steps are taken in the order of the designer', () => {
    expect(
      fit([
        { kind: 'wrap', maxLines: 3 },
        { kind: 'squeeze', minPercent: 60 },
      ]).done,
    ).toEqual([{ kind: 'wrapped', lines: 3 }]);
    expect(
      fit([
        { kind: 'squeeze', minPercent: 30 },
        { kind: 'wrap', maxLines: 3 },
      ]).done[0].kind,
    ).toBe('squeezed');
  });

  test('in a column wraps at its width, and a wrap limits the lines', () => {
    const free = fit([], { columnU: 500 });
    expect(free.layout.lines.length).toBeGreaterThan(2);
    expect(free.layout.width).toBe(500);
    const limited = fit([{ kind: 'wrap', maxLines: 2 }, { kind: 'cut' }], { columnU: 500 });
    expect(limited.layout.lines).toHaveLength(2);
    expect(lineWords(limited.layout)[1]).toMatch(/…$/);
  });

  test('whatever is typed, a cut text fits', () => {
    fc.assert(
      fc.property(fc.string({ minLength: 1, maxLength: 120, unit: 'grapheme' }), (text) => {
        fc.pre(text.trim() !== '' && !text.includes('\n'));
        return !fit([{ kind: 'cut' }], {}, text.replace(/[\r\u2028\u2029\u0085\v\f]/g, ' ')).overflows;
      }),
      { numRuns: 60 },
    );
  });
});

describe('parts that are styled apart', () => {
  const runs = styleRange([{ text: 'Noor Halloran' }], 5, 13, { weight: 700 });

  test('are runs of their own, joined again when they are like their neighbours', () => {
    expect(runs).toEqual([{ text: 'Noor ' }, { text: 'Halloran', style: { weight: 700 } }]);
    expect(styleRange(runs, 0, 13, null)).toEqual([{ text: 'Noor Halloran' }]);
  });

  test('keep their style while words before, in and after them are typed', () => {
    expect(retypeRuns(runs, 'Nora Halloran')).toEqual([
      { text: 'Nora ' },
      { text: 'Halloran', style: { weight: 700 } },
    ]);
    expect(retypeRuns(runs, 'Noor Hallorans')).toEqual([
      { text: 'Noor ' },
      { text: 'Hallorans', style: { weight: 700 } },
    ]);
    expect(retypeRuns(runs, '')).toEqual([{ text: '' }]);
  });

  test('always read what was typed', () => {
    fc.assert(
      fc.property(fc.string(), fc.nat(20), fc.nat(20), fc.string(), (text, a, b, next) => {
        const part = styleRange([{ text }], Math.min(a, b), Math.max(a, b), { weight: 700 });
        const read = (list: readonly { text: string }[]): string => list.map((run) => run.text).join('');
        return read(part) === text && read(retypeRuns(part, next)) === next;
      }),
    );
  });
});

describe('the character picker', () => {
  test.each([
    ['em dash', '—'],
    ['left arrow', '←'],
    ['U+2042', '⁂'],
    ['½', '½'],
    ['dash em', '—'],
  ])('finds by %j first %j', (looked, character) => {
    expect(findCharacters(looked)[0]?.character).toBe(character);
  });

  test.each(['U+D800', 'U+110000', 'U+0007', 'nothing of that name'])('%s finds nothing', (looked) => {
    expect(findCharacters(looked)).toEqual([]);
  });
});
