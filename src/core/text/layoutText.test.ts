import { beforeAll, describe, expect, test } from '@jest/globals';
import { serverFonts } from '../../server/fontFiles';
import type { TextStyle } from '../model/template';
import { sayFitFact } from './fitFacts';
import { fitText } from './fitText';
import type { FontLibrary } from './fontLibrary';
import { loadFontLibrary } from './fontLibrary';
import type { TextLayout } from './layoutText';
import { layoutText } from './layoutText';
import { textUnits } from './units';

const STYLE: TextStyle = {
  face: 'barlow-condensed',
  weight: 600,
  sizeU: 100,
  tracking: 0,
  leading: 1.2,
  letterCase: 'typed',
  shift: 0,
  width: 100,
  figures: 'font',
  ligatures: true,
  fractions: false,
  fill: '#ffffff',
};

let fonts: FontLibrary;
beforeAll(async () => {
  fonts = await serverFonts();
});

const set = (text: string, style: Partial<TextStyle> = {}, wrapWidthU = Infinity): TextLayout =>
  layoutText(
    { runs: [{ text }], style: { ...STYLE, ...style }, align: 'left', wrapWidthU, squeeze: 1 },
    fonts,
  );

const glyphs = (layout: TextLayout): string[] =>
  layout.lines.flatMap((line) => line.glyphs.map((g) => `${g.glyphId}@${g.cluster}:${g.x.toFixed(1)}`));

describe('Latin', () => {
  test('is shaped with kerning and metrics from the font', () => {
    const layout = set('Ilse Marrow');
    expect(layout.width).toBeCloseTo(404.8, 3);
    expect(layout.height).toBe(120);
    expect(layout.lines[0].baseline).toBeCloseTo(100, 3);
    expect(glyphs(layout).slice(0, 4)).toEqual(['65@0:0.0', '259@1:22.4', '302@2:42.3', '208@3:82.1']);
  });

  test('keeps a ligature as one letter, and takes it apart when letters are spread', () => {
    expect(textUnits(set('office'), 'letter').map((u) => u.text)).toEqual(['o', 'ffi', 'c', 'e']);
    expect(textUnits(set('office', { tracking: 50 }), 'letter').map((u) => u.text)).toEqual([...'office']);
  });

  test('tracking adds to every gap but the last', () => {
    const added = set('abcd', { tracking: 100 }).width - set('abcd').width;
    expect(added).toBeCloseTo(3 * 10, 5);
  });

  test('a letter with a combining mark is one unit', () => {
    expect(textUnits(set('e\u0301a'), 'letter').map((u) => u.text)).toEqual(['e\u0301', 'a']);
  });
});

describe('Arabic', () => {
  test('is joined and runs from right to left', () => {
    const layout = set('نور الهلالي');
    expect(layout.width).toBeCloseTo(425.5, 3);
    expect(glyphs(layout)).toEqual([
      '317@10:21.9',
      '102@10:0.0',
      '72@9:77.6',
      '11@8:105.9',
      '71@7:146.2',
      '84@6:170.9',
      '72@5:225.6',
      '8@4:253.9',
      '3@3:279.9',
      '30@2:305.9',
      '98@1:345.2',
      '281@0:400.3',
      '19@0:395.6',
    ]);
  });

  test('letters that are joined stay one unit', () => {
    expect(textUnits(set('نور الهلالي'), 'letter').map((u) => u.text)).toEqual([
      'نو',
      'ر',
      'ا',
      'لهلا',
      'لي',
    ]);
  });

  test('words in reading order, the first at the right', () => {
    const [first, second] = textUnits(set('نور الهلالي'), 'word');
    expect(first.text).toBe('نور');
    expect(first.box.x).toBeGreaterThan(second.box.x + second.box.width - 0.001);
  });

  test('is not torn by tracking', () => {
    expect(set('نور', { tracking: 200 }).width).toBeCloseTo(set('نور').width, 6);
  });

  test('numbers in it keep their own direction (UAX 9)', () => {
    const words = textUnits(set('abc نور 123'), 'word');
    const left = Object.fromEntries(words.map((u) => [u.text, u.box.x]));
    expect(left.abc).toBeLessThan(left['123']);
    expect(left['123']).toBeLessThan(left['نور']);
  });
});

describe('Devanagari', () => {
  test('is shaped with conjuncts and reordered vowels', () => {
    expect(glyphs(set('क्षत्रिय'))).toEqual(['90@0:0.0', '542@3:76.6', '304@3:104.7', '81@7:163.1']);
  });

  test('syllables are the letters', () => {
    expect(textUnits(set('सीमा क्षत्रिय'), 'letter').map((u) => u.text)).toEqual([
      'सी',
      'मा',
      'क्ष',
      'त्रि',
      'य',
    ]);
  });
});

describe('lines', () => {
  test('wrap at spaces and hyphens, never wider than asked', () => {
    const layout = set('Bartholomew Quillfeather-Oduya, Steward of the Weirs', {}, 700);
    expect(layout.lines.length).toBeGreaterThan(2);
    for (const line of layout.lines) expect(line.width).toBeLessThanOrEqual(700);
    const words = layout.lines.map((line) => line.paragraph.text.slice(line.start, line.end)).join(' ');
    expect(words.replace(/- /g, '-')).toBe('Bartholomew Quillfeather-Oduya, Steward of the Weirs');
  });

  test('typed line ends start new lines, empty ones included', () => {
    expect(set('one\n\ntwo').lines).toHaveLength(3);
    expect(set('one\r\ntwo').lines).toHaveLength(2);
  });

  test('stand under one another by leading times size', () => {
    const [first, second] = set('one\ntwo', { leading: 1.5, sizeU: 40 }).lines;
    expect(second.baseline - first.baseline).toBeCloseTo(60, 6);
  });

  test('align to the widest', () => {
    const layout = layoutText(
      { runs: [{ text: 'wide line\nx' }], style: STYLE, align: 'right', wrapWidthU: Infinity, squeeze: 1 },
      fonts,
    );
    const [wide, narrow] = layout.lines;
    expect(narrow.x + narrow.width).toBeCloseTo(wide.x + wide.width, 6);
  });
});

test('runs of different size and weight stand in one line on one baseline', () => {
  const runs = [{ text: 'Big ' }, { text: 'small', style: { sizeU: 50, weight: 400, fill: '#ff0000' } }];
  const layout = layoutText({ runs, style: STYLE, align: 'left', wrapWidthU: Infinity, squeeze: 1 }, fonts);
  expect(layout.lines).toHaveLength(1);
  const space = 20;
  const alone = set('Big').width + space + set('small', { sizeU: 50, weight: 400 }).width;
  expect(layout.width).toBeCloseTo(alone, 3);
  const [unit] = textUnits(layout, 'layer');
  expect(unit.parts.map((part) => part.fill)).toEqual(['#ffffff', '#ff0000']);
});

test('the boxes of letters lie side by side and together make the word', () => {
  const layout = set('Marrow');
  const letters = textUnits(layout, 'letter');
  const [word] = textUnits(layout, 'word');
  const right = Math.max(...letters.map((u) => u.box.x + u.box.width));
  expect(right).toBeCloseTo(word.box.x + word.box.width, 6);
  for (let i = 1; i < letters.length; i++) {
    expect(letters[i].box.x).toBeCloseTo(letters[i - 1].box.x + letters[i - 1].box.width, 3);
  }
});

describe('texts that are odd', () => {
  test('10 000 characters and more are set without trouble, and cut there', () => {
    const layout = set('lorem '.repeat(3000), {}, 1500);
    const length = layout.lines.reduce((sum, line) => sum + line.end - line.start, 0);
    expect(length).toBeLessThanOrEqual(10_000);
    expect(layout.lines.length).toBeGreaterThan(100);
  });

  test('control characters vanish and unpaired surrogates become a replacement sign', () => {
    const layout = set('a\u0007b\ud800c');
    expect(layout.lines[0].paragraph.text).toBe('ab\ufffdc');
  });

  test('a character that no face has is reported', () => {
    expect(set('plain 𓀀').missing).toEqual(['𓀀']);
    expect(set('نور सीमा plain').missing).toEqual([]);
  });

  test('an empty text has the height of its line and no units', () => {
    const layout = set('');
    expect(layout.height).toBe(120);
    expect(textUnits(layout, 'letter')).toEqual([]);
    expect(textUnits(layout, 'layer')).toEqual([]);
  });
});

describe('fitting', () => {
  const spec = { runs: [{ text: 'Bartholomew Quillfeather-Oduya' }], style: STYLE, align: 'left' as const };
  const wide = 1090;

  test('leaves alone what fits', () => {
    expect(fitText(spec, 5000, [{ kind: 'squeeze', minPercent: 50 }], fonts)).toMatchObject({
      done: [],
      overflows: false,
    });
  });

  test('squeezes only as far as allowed, then takes the next step', () => {
    const natural = fitText(spec, 5000, [], fonts).layout.width;
    const squeezed = fitText(spec, natural * 0.9, [{ kind: 'squeeze', minPercent: 80 }], fonts);
    expect(squeezed.layout.width).toBeCloseTo(natural * 0.9, 3);
    const both = fitText(
      spec,
      natural * 0.5,
      [
        { kind: 'squeeze', minPercent: 80 },
        { kind: 'shrink', minSizeU: 20 },
      ],
      fonts,
    );
    expect(both.done.map(sayFitFact)).toEqual([
      'squeezed to 80 %',
      expect.stringMatching(/^shrunk to 6[23] u$/),
    ]);
    expect(both.layout.width).toBeCloseTo(natural * 0.5, 3);
    expect(both.overflows).toBe(false);
  });

  test('wraps only within the allowed number of lines', () => {
    expect(fitText(spec, wide, [{ kind: 'wrap', maxLines: 2 }], fonts).layout.lines).toHaveLength(2);
    const refused = fitText(spec, 400, [{ kind: 'wrap', maxLines: 2 }], fonts);
    expect(refused.layout.lines).toHaveLength(1);
    expect(refused.overflows).toBe(true);
  });
});

test('compressed web fonts are refused rather than set as nothing', async () => {
  const files = new Map([['barlow-condensed-400.ttf', new TextEncoder().encode('wOF2....')]]);
  await expect(loadFontLibrary(files)).rejects.toThrow(/barlow-condensed-400.ttf is not a TrueType/);
});
