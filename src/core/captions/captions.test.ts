import { expect, test, describe } from '@jest/globals';
import fc from 'fast-check';
import { cueSpans, plainWords, spansToWords } from '../formats/captions/cueMarks';
import type { Cue } from '../model/captions';
import { FIRST_CAPTIONS, newCue } from '../model/captions';
import { endOf } from '../project/lanes';
import { countGraphemes } from '../text/graphemes';
import { RATES } from '../time/rates';
import { breakLines } from './breakLines';
import { markWords, mergeCues, splitCue } from './editCues';
import {
  charactersPerSecond,
  convertCues,
  framesFor,
  roomFor,
  shiftCues,
  snapToCuts,
  stretchCues,
  tidyGaps,
} from './timeCues';
import { endCueAt, nextToTap, tapCue, transcriptToCues } from './transcript';

const rules = FIRST_CAPTIONS;
const pal = RATES.get('25');

let count = 0;
const cue = (startFrame: number, lengthFrames: number, words = 'Rain', more: Partial<Cue> = {}): Cue =>
  newCue({ id: `c${count++}`, trackId: 'en', startFrame, lengthFrames, words, ...more });

const WORDS = ['the', 'Rain', 'is', 'falling,', 'slowly', 'over', 'Alderby.', 'नदी', 'بحر', '–', 'weir'];
const someWords = fc
  .array(fc.constantFrom(...WORDS), { minLength: 2, maxLength: 24 })
  .map((list) => list.join(' '));
const wordsOf = (text: string): string[] =>
  plainWords(text)
    .split(/\s+/)
    .filter((one) => one !== '');
const inAll = (...cues: Cue[]): Set<string> => new Set(cues.map(({ id }) => id));

describe('marks', () => {
  test('stretches carry italics and colours; unclosed marks count to the end, unknown ones are words', () => {
    expect(cueSpans('a <i>b <c.yellow>c</c></i> d < e <b>f</b>')).toEqual([
      { text: 'a ', italic: false, colour: null },
      { text: 'b ', italic: true, colour: null },
      { text: 'c', italic: true, colour: 'yellow' },
      { text: ' d < e <b>f</b>', italic: false, colour: null },
    ]);
    expect(cueSpans('</i>x<i>y')).toEqual([
      { text: 'x', italic: false, colour: null },
      { text: 'y', italic: true, colour: null },
    ]);
    expect(cueSpans('<c.puce>x</c>')).toEqual([{ text: 'x', italic: false, colour: null }]);
  });

  test('a part goes into italics and comes back, across what is marked already', () => {
    expect(markWords('one two three', 4, 7, { kind: 'italic' })).toBe('one <i>two</i> three');
    expect(markWords('one <i>two</i> three', 7, 10, { kind: 'italic' })).toBe('one two three');
    expect(markWords('one two', 0, 0, { kind: 'colour', colour: 'cyan' })).toBe('<c.cyan>one two</c>');
    expect(markWords('<c.cyan>one two</c>', 8, 11, { kind: 'colour', colour: null })).toBe(
      'one<c.cyan> two</c>',
    );
  });
});

describe('splitting and merging', () => {
  test('time is shared by characters, and marks stay on their words', () => {
    const [a, b] = splitCue(cue(100, 100, 'aaaa <i>bbbb cccccccc</i>'), 12, 'new') ?? [];
    expect([a?.words, a?.startFrame, a?.lengthFrames]).toEqual(['aaaa <i>bbbb</i>', 100, 53]);
    expect([b?.words, b?.startFrame, b?.lengthFrames, b?.id]).toEqual(['<i>cccccccc</i>', 153, 47, 'new']);
  });

  test('a cue is not split where one side would say nothing', () => {
    for (const at of [0, 2, 99]) expect(splitCue(cue(0, 50, '  one'), at, 'x')).toBeNull();
    expect(splitCue(cue(0, 1, 'one two'), 4, 'x')).toBeNull();
  });

  test('splitting and merging lose no word and no time', () => {
    fc.assert(
      fc.property(
        someWords,
        fc.integer({ min: 2, max: 500 }),
        fc.nat(200),
        fc.nat(40),
        (words, length, at, start) => {
          const whole = cue(start, length, words);
          const parts = splitCue(whole, at, 'new');
          if (parts === null) return;
          const [a, b] = parts;
          expect(a.startFrame).toBe(start);
          expect(endOf(a)).toBe(b.startFrame);
          expect(endOf(b)).toBe(endOf(whole));
          expect(Math.min(a.lengthFrames, b.lengthFrames)).toBeGreaterThan(0);
          // A split inside a word parts it; otherwise the words are the same.
          expect([...wordsOf(a.words), ...wordsOf(b.words)].join('')).toBe(wordsOf(words).join(''));
          const merged = mergeCues([a, b], rules, 'en');
          expect(wordsOf(merged?.words ?? '').join('')).toBe(wordsOf(words).join(''));
          expect([merged?.startFrame, merged?.lengthFrames]).toEqual([start, length]);
        },
      ),
    );
  });

  test('two speakers have a line each with a dash; one speaker’s words are broken anew', () => {
    const two = mergeCues(
      [cue(0, 20, 'Is it\nrain?', { speaker: 'A' }), cue(25, 20, 'It is.', { speaker: 'B' })],
      rules,
      'en',
    );
    expect(two).toMatchObject({ words: '– Is it rain?\n– It is.', speaker: '', lengthFrames: 45 });
    const one = mergeCues(
      [cue(0, 20, 'Is it', { speaker: 'A' }), cue(25, 20, 'rain?', { speaker: 'A' })],
      rules,
      'en',
    );
    expect(one).toMatchObject({ words: 'Is it rain?', speaker: 'A' });
  });
});

describe('lines', () => {
  test.each([
    [
      'en',
      'The water came over the wall of the old mill at four in the morning',
      'The water came over the wall\nof the old mill at four in the morning',
    ],
    [
      'en',
      'He said that nobody had seen it, and then the lights went out',
      'He said that nobody had seen it,\nand then the lights went out',
    ],
    [
      'en',
      'Two boats are missing. The harbour stays closed until Friday',
      'Two boats are missing.\nThe harbour stays closed until Friday',
    ],
    [
      'de',
      'Das Wasser stieg in der Nacht so schnell wie seit Jahren nicht',
      'Das Wasser stieg in der Nacht\nso schnell wie seit Jahren nicht',
    ],
    [
      'hi',
      'नदी का पानी रात में पुराने बाँध के ऊपर से बहने लगा और सुबह तक थमा नहीं',
      'नदी का पानी रात में पुराने बाँध\nके ऊपर से बहने लगा और सुबह तक थमा नहीं',
    ],
  ])('%s: %s', (language, words, expected) => {
    if (language === 'hi') {
      const [, second] = breakLines(words, rules, language).split('\n');
      // Never before what belongs to the word before it.
      expect(['के', 'में', 'से', 'का']).not.toContain(second.split(' ')[0]);
    } else expect(breakLines(words, rules, language)).toBe(expected);
  });

  test('short words stay on one line, and marks on their words', () => {
    expect(breakLines('Good\nmorning', rules, 'en')).toBe('Good morning');
    expect(
      breakLines('He said that <i>nobody had seen it, and</i> then the lights went out', rules, 'en'),
    ).toBe('He said that <i>nobody had seen it,\nand</i> then the lights went out');
  });

  test('one more line is taken where words do not fit fewer', () => {
    expect(breakLines('aaaaaaaa bbbbbbbb cc', { mostLines: 3, charactersPerLine: 10 }, 'und')).toBe(
      'aaaaaaaa\nbbbbbbbb\ncc',
    );
  });

  test('the upper line is not longer than twice the lower, even for the sake of a clause', () => {
    const words = `${'a '.repeat(18)}a, so`;
    const [upper, lower] = breakLines(words, { mostLines: 2, charactersPerLine: 40 }, 'en').split('\n');
    expect(upper.length).toBeLessThanOrEqual(2 * lower.length);
  });

  test('scripts without spaces break between letters', () => {
    const lines = breakLines(
      '水は夜のうちに堤防を越えて町の低いところまで流れ込み朝になっても引かなかったと漁師たちは話している',
      { ...rules, charactersPerLine: 26 },
      'ja',
    ).split('\n');
    expect(lines).toHaveLength(2);
    expect(lines.every((line) => line.length <= 26)).toBe(true);
  });

  test('no word is lost, no line too long where words fit', () => {
    fc.assert(
      fc.property(someWords, fc.constantFrom('en', 'hi', 'und'), (words, language) => {
        const broken = breakLines(words, rules, language);
        expect(wordsOf(broken)).toEqual(wordsOf(words));
        const lines = broken.split('\n');
        expect(lines.length).toBeLessThanOrEqual(2);
        if (words.length <= 60)
          for (const line of lines) expect(countGraphemes(line)).toBeLessThanOrEqual(42);
        expect(breakLines(broken, rules, language)).toBe(broken);
      }),
    );
  });
});

describe('times', () => {
  test('a shift takes all along and stops at the start', () => {
    const cues = [cue(10, 20), cue(40, 20), cue(90, 20)];
    const ids = inAll(cues[0], cues[1]);
    expect(shiftCues(cues, ids, 5).map((one) => one.startFrame)).toEqual([15, 45, 90]);
    expect(shiftCues(cues, ids, -30).map((one) => one.startFrame)).toEqual([0, 30, 90]);
    expect(shiftCues(cues, new Set(), 5)).toBe(cues);
  });

  test('a stretch puts two known moments where they should be, and the rest evenly', () => {
    const cues = [cue(100, 50), cue(300, 50), cue(500, 100)];
    const moved = stretchCues(
      cues,
      inAll(...cues),
      { fromFrame: 100, toFrame: 110 },
      { fromFrame: 500, toFrame: 910 },
    );
    expect(moved?.map((one) => [one.startFrame, one.lengthFrames])).toEqual([
      [110, 100],
      [510, 100],
      [910, 200],
    ]);
    expect(
      stretchCues(cues, inAll(...cues), { fromFrame: 1, toFrame: 1 }, { fromFrame: 1, toFrame: 9 }),
    ).toBeNull();
    expect(
      stretchCues(cues, inAll(...cues), { fromFrame: 1, toFrame: 9 }, { fromFrame: 5, toFrame: 1 }),
    ).toBeNull();
  });

  test('what was timed at 25 and is played at 23.976 goes on longer', () => {
    const [one] = convertCues([cue(25 * 3600, 50)], new Set([`c${count - 1}`]), pal, RATES.get('23.976'));
    // An hour of 25 played at 23.976 lasts 1 h 2 min 33.75 s: frame for frame the same count of 23.976.
    expect(one.startFrame).toBe(Math.round((25 * 3600 * 25 * 1001) / 24000));
  });

  test('starts and ends near a cut go to it, and the gap is kept', () => {
    const track = [cue(95, 100), cue(205, 50), cue(400, 40)];
    const snapped = snapToCuts(track, inAll(...track), [100, 200, 425], rules);
    expect(snapped.map((one) => [one.startFrame, endOf(one)])).toEqual([
      [100, 198],
      [200, 255],
      [400, 440],
    ]);
  });

  test('small gaps are opened, those below a limit filled up', () => {
    const track = [cue(0, 50), cue(51, 40), cue(100, 40), cue(170, 10)];
    const tidied = tidyGaps(track, inAll(...track), rules, 12);
    expect(tidied.map((one) => [one.startFrame, endOf(one)])).toEqual([
      [0, 49],
      [51, 98],
      [100, 140],
      [170, 180],
    ]);
  });

  test('reading speed counts letters as they are read, line ends as spaces', () => {
    expect(charactersPerSecond({ words: '<i>ab\ncd</i>', lengthFrames: 25 }, pal)).toBe(5);
    expect(charactersPerSecond({ words: 'नदी', lengthFrames: 25 }, pal)).toBe(2);
    expect(framesFor(34, rules, pal)).toBe(50);
    expect(framesFor(1, rules, pal)).toBe(25);
    expect(framesFor(999, rules, pal)).toBe(175);
    // Never faster than the rules by rounding.
    expect(
      charactersPerSecond({ words: 'x'.repeat(35), lengthFrames: framesFor(35, rules, pal) }, pal),
    ).toBeLessThanOrEqual(17);
  });

  test('a new cue fits the room there is, and there is none inside another', () => {
    const track = [cue(0, 50), cue(80, 10)];
    expect(roomFor(track, 20, rules, pal)).toBeNull();
    expect(roomFor(track, 50, rules, pal)).toEqual({ startFrame: 50, lengthFrames: 28 });
    expect(roomFor(track, 90, rules, pal)).toEqual({ startFrame: 90, lengthFrames: 50 });
  });
});

describe('transcripts', () => {
  const options = {
    trackId: 'en',
    fromFrame: 100,
    rules,
    language: 'en',
    rate: pal,
    newId: () => `t${count++}`,
  };
  const TEXT =
    'NELL: The water came at four. It took the wall of the old mill, and by six the lower street was a river that nobody could cross.\n\nOwen Pell: We rang the bell.\n\nAt 10:30 it stopped.';

  test('paragraphs become cues that fit their lines and lose no word; names and colons are speakers', () => {
    const cues = transcriptToCues(TEXT, options);
    expect(cues.map((one) => one.speaker)).toEqual(['NELL', 'NELL', 'NELL', 'Owen Pell', '']);
    expect(cues.map((one) => plainWords(one.words).replace(/\n/g, ' ')).join(' ')).toBe(
      'The water came at four. It took the wall of the old mill, and by six the lower street was a river that nobody could cross. We rang the bell. At 10:30 it stopped.',
    );
    for (const one of cues) {
      expect(one.guessed).toBe(true);
      expect(one.words.split('\n').length).toBeLessThanOrEqual(2);
      for (const line of one.words.split('\n')) expect(line.length).toBeLessThanOrEqual(42);
    }
    expect(cues[0].startFrame).toBe(100);
    cues.slice(1).forEach((one, i) => expect(one.startFrame - endOf(cues[i])).toBe(2));
  });

  test('tapping sets one cue after the other, each ending before the next', () => {
    let track: readonly Cue[] = transcriptToCues(TEXT, options);
    for (const at of [200, 260, 300]) track = tapCue(track, at, rules);
    expect(track.slice(0, 3).map((one) => [one.startFrame, one.guessed])).toEqual([
      [200, false],
      [260, false],
      [300, false],
    ]);
    expect(endOf(track[0])).toBeLessThanOrEqual(258);
    expect(endOf(track[1])).toBe(298);
    expect(nextToTap(track)?.speaker).toBe('Owen Pell');
    expect(track[3].startFrame).toBe(endOf(track[2]) + 2);
    track = endCueAt(track, track[2].id, 333);
    expect(endOf(track[2])).toBe(333);
    expect(endCueAt(track, track[2].id, 300)[2].lengthFrames).toBe(33);
    for (const at of [400, 450]) track = tapCue(track, at, rules);
    expect(tapCue(track, 900, rules)).toBe(track);
  });

  test('a word longer than a cue is parted, and an empty transcript is no cue', () => {
    expect(
      transcriptToCues('x'.repeat(200), options).map(
        (one) => plainWords(one.words).replace(/\n/g, '').length,
      ),
    ).toEqual([84, 84, 32]);
    expect(transcriptToCues(' \n\n ', options)).toEqual([]);
  });

  test('any transcript comes back word for word', () => {
    fc.assert(
      fc.property(fc.array(someWords, { maxLength: 5 }), (paragraphs) => {
        const cues = transcriptToCues(paragraphs.join('\n\n'), options);
        expect(cues.flatMap((one) => wordsOf(one.words))).toEqual(paragraphs.flatMap(wordsOf));
      }),
    );
  });
});

test('marks written out read back the same', () => {
  const span = fc.record({
    text: fc.constantFrom('a', 'b c', '\n', '<'),
    italic: fc.boolean(),
    colour: fc.constantFrom(null, 'red'),
  });
  fc.assert(
    fc.property(fc.array(span, { maxLength: 6 }), (spans) => {
      const words = spansToWords(spans);
      expect(spansToWords(cueSpans(words))).toBe(spansToWords(cueSpans(spansToWords(cueSpans(words)))));
      expect(plainWords(words)).toBe(spans.map(({ text }) => text).join(''));
    }),
  );
});
