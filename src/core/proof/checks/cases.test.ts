import { describe, expect, test } from '@jest/globals';
import { tidelineStrap } from '../../../../demo/templates';
import { of, prove, title } from '../../../../demo/testing/prove';
import { voteBars } from '../../../../demo/voteBars';
import { newClip } from '../../model/project';
import type { Field, Layer, Template } from '../../model/template';
import { place, testTemplate, testText } from '../../testing';

/*
 * Cases that each check of words and of the layout must find, and cases that it must not, in the scripts that ship.
 * Names, stand-ins, times, cuts and pictures have tables of their own beside this.
 */
const fieldOf = (limits: Field['limits'], required = false): Field => ({
  ...tidelineStrap.fields[0],
  id: 'line',
  label: 'Line',
  required,
  limits,
  targets: [{ layerId: 'line', path: 'text' }],
});
const template = (
  layer: Partial<Extract<Layer, { kind: 'text' }>> = {},
  limits: Field['limits'] = {},
  required = false,
): Template =>
  testTemplate([testText('line', 'Osier', { place: place({ target: { kind: 'titleSafe' } }), ...layer })], {
    fields: [fieldOf(limits, required)],
  });
const LONG = { lengthFrames: 900 };
const clips = [newClip({ id: 'a', picture: '#101418', startFrame: 0, lengthFrames: 1200 })];
const found = async (check: string, words: string, of_: Template, language?: string): Promise<boolean> => {
  const titles = [title({ line: words }, LONG)];
  const list = await prove({
    titles,
    template: of_,
    clips,
    plan: language === undefined ? {} : { language },
    only: check,
  });
  return of(list, check).length > 0;
};

describe('a doubled word', () => {
  test.each([
    ['en', 'Judge of the the boats'],
    ['fr', 'Au bord de la la Seurette'],
    ['el', 'Ποτάμι και και λίμνη'],
    ['ru', 'Река и и озеро'],
    ['ar', 'مرشدة في في الميناء'],
    ['he', 'שומרת של של הסכר'],
    ['hi', 'नाव के के पास'],
    ['tr', 'Kaptan ve ve dümenci'],
  ])('is told in %s: %s', async (language, words) => {
    expect(await found('doubled', words, template(), language)).toBe(true);
  });

  test.each([
    ['en', 'She had had a boat'],
    ['en', 'Up the weir. Weir keepers wait'],
    ['ar', 'شيئا شيئا نحو الميناء'],
    ['he', 'לאט לאט אל הסכר'],
    ['hi', 'धीरे धीरे बहती नाव'],
    ['tr', 'Yavaş yavaş akan nehir'],
  ])('is none in %s: %s', async (language, words) => {
    expect(await found('doubled', words, template(), language)).toBe(false);
  });
});

test.each([
  ['Heron\t41 %\nOde\t\u22127', []],
  ['Heron\t41 %\nOde\t–', ['a row has no figure']],
  ['Heron\nOde\tlast\nTeo\t3', ['2 rows have no figure']],
])('bars of %j have their figures or tell', async (shares, messages) => {
  const list = await prove({ titles: [title({ shares }, LONG)], template: voteBars, clips });
  expect(of(list, 'bars').map(({ message }) => message)).toEqual(messages);
});

describe('needed words', () => {
  test.each(['', '   ', '\u00a0', '\u3000', '\u200b', '\u200f\u200e', '\n \n', '\ufeff'])(
    'that are %j are missing',
    async (words) => {
      expect(await found('empty', words, template({}, {}, true))).toBe(true);
    },
  );

  test.each(['.', '0', 'نور', 'नूर', '–', '♪'])('that are %j are there', async (words) => {
    expect(await found('empty', words, template({}, {}, true))).toBe(false);
  });
});

describe('what a limit leaves out', () => {
  test.each<[Field['limits'], string]>([
    [{ maxLength: 4 }, 'Osier'],
    [{ maxLength: 2 }, 'नमस्ते'],
    [{ maxLength: 3 }, 'نورة'],
    [{ maxLines: 1 }, 'Osier\nReach'],
    [{ allowed: 'letters' }, 'Lane 12'],
    [{ allowed: 'figures' }, 'बारह'],
    [{ allowed: 'figures' }, '12 km'],
  ])('%j of “%s” is told', async (limits, words) => {
    expect(await found('limits', words, template({}, limits))).toBe(true);
  });

  test.each<[Field['limits'], string]>([
    [{ maxLength: 5 }, 'Osier'],
    // Letters with their marks count one, as they are seen; so does a picture of several signs.
    [{ maxLength: 4 }, 'नमस्ते'],
    [{ maxLength: 1 }, '\u{1f469}\u200d\u{1f680}'],
    [{ maxLength: 4 }, 'Zoë\u0301'],
    [{ maxLength: 4 }, 'نورة'],
    [{ maxLines: 2 }, 'Osier\nReach'],
    [{ allowed: 'letters' }, 'सीमा घाटे'],
    [{ allowed: 'letters' }, 'Zoë d’Osier-Quay'],
    [{ allowed: 'figures' }, '12:30–14.5 %'],
    [{ allowed: 'capitals' }, 'straße'],
  ])('%j of “%s” leaves nothing out', async (limits, words) => {
    expect(await found('limits', words, template({}, limits))).toBe(false);
  });
});

const NAMES = [
  ['Latin', 'Ilse Marrow'],
  ['Greek', 'Νόρα Αύρα'],
  ['Cyrillic', 'Нора Ветрова'],
  ['Arabic', 'نور الهلالي'],
  ['Devanagari', 'सीमा घाटे'],
] as const;

describe.each(NAMES)('%s words', (_, words) => {
  const { style, look } = testText('x', '');

  test('at rest in their place have nothing wrong', async () => {
    const titles = [title({ line: words }, LONG)];
    const list = await prove({ titles, template: template(), clips });
    // Which words have a dictionary is another question.
    expect(list.filter(({ check }) => check !== 'spelling')).toEqual([]);
  });

  test('too short a time is told, enough is not', async () => {
    const at = async (lengthFrames: number): Promise<number> =>
      of(
        await prove({ titles: [title({ line: words }, { lengthFrames })], template: template(), clips }),
        'reading',
      ).length;
    expect(await at(20)).toBe(1);
    expect(await at(250)).toBe(0);
  });

  test('that leave title safe are told', async () => {
    const out = template({ place: place({ dxU: -60, target: { kind: 'titleSafe' } }) });
    expect(await found('safe', words, out)).toBe(true);
  });

  test('that are too wide are told, where they may wrap or shrink they are not', async () => {
    const narrow = { maxWidthShare: 0.06 };
    expect(await found('fit', words, template({ ...narrow, whenLong: [] }))).toBe(true);
    expect(await found('fit', words, template({ ...narrow, whenLong: [{ kind: 'cut' }] }))).toBe(true);
    expect(
      await found('fit', words, template({ ...narrow, whenLong: [{ kind: 'shrink', minSizeU: 8 }] })),
    ).toBe(false);
  });

  test('that are like the picture are told, those unlike it are not', async () => {
    const bare = { ...look, shadows: [] };
    const coloured = (fill: string): Template => template({ style: { ...style, fill }, look: bare });
    expect(await found('contrast', words, coloured('#20262c'))).toBe(true);
    expect(await found('contrast', words, coloured('#ffffff'))).toBe(false);
  });

  test('that are small are told', async () => {
    expect(await found('small', words, template({ style: { ...style, sizeU: 18 } }))).toBe(true);
  });
});

describe('characters without a face', () => {
  test.each(['Ilse ខ្មែរ', 'བོད', '漢字', 'Ilse \u{13000}', 'ሰላም'])('%s has one', async (words) => {
    expect(await found('glyphs', words, template())).toBe(true);
  });

  test.each(['Ilse “Marrow” – №7 …', 'Łódź Čačak Şile', 'ﷺ نور', 'क्षत्रिय', 'Ἀύρα Нора'])(
    '%s has none',
    async (words) => {
      expect(await found('glyphs', words, template())).toBe(false);
    },
  );
});
