import { beforeAll, describe, expect, test } from '@jest/globals';
import { serverFonts } from '../../server/fontFiles';
import { newCreditsLayer } from '../model/newLayers';
import type { CreditRow } from '../model/credits';
import type { CreditsLayer } from '../model/template';
import type { FontLibrary } from '../text/fontLibrary';
import { textToCredits } from './creditText';
import { cutCards } from './cutCards';
import { pictureRow } from './pictureRow';
import type { CreditBlock } from './setCredits';
import { setCredits } from './setCredits';

let fonts: FontLibrary;
beforeAll(async () => {
  fonts = await serverFonts();
});

const WIDTH_U = 1000;
// The same styles each time, so that what is kept of them would be found.
const LAYER = newCreditsLayer('c', 'Credits');
const set = (rows: readonly CreditRow[], more: Partial<CreditsLayer> = {}, size = 1) =>
  setCredits(
    { ...LAYER, rows, ...more },
    { fonts, widthU: WIDTH_U, language: 'en', pictureSize: () => ({ widthPx: 400, heightPx: 200 }) },
    size,
  );
const from = (text: string): readonly CreditRow[] => textToCredits(text).rows;

describe('credits laid out', () => {
  test('roles end and names begin at the gutter, on one baseline', () => {
    const { blocks } = set(from('Producer\tMira Stott\nGuide\tOde Pell'), { gutterAt: 0.4, gutterU: 40 });
    for (const { words } of blocks) {
      const [role, name] = words;
      expect(role.x + role.layout.width).toBeCloseTo(400 - 20);
      expect(name.x).toBeCloseTo(400 + 20);
      expect(role.y + role.layout.lines[0].baseline).toBeCloseTo(name.y + name.layout.lines[0].baseline);
    }
  });

  test('mirrored, the name begins at the other side of the gutter and what is lined up is so at the other end', () => {
    const more = { gutterAt: 0.4, gutterU: 40, align: 'left', mirrored: { rows: true } } as const;
    const { blocks } = set(from('Producer\tMira Stott\n> Ferry crews of the upper weirs'), more);
    const [role, name] = blocks[0].words;
    expect(role.x).toBeCloseTo(600 + 20);
    expect(name.x + name.layout.width).toBeCloseTo(600 - 20);
    const [words] = blocks[1].words;
    expect(words.x + words.layout.width).toBeCloseTo(WIDTH_U);
    expect(blocks[1].rightU).toBeCloseTo(WIDTH_U);
    // Lines of one paragraph end together, as a column that is read from the right does.
    const long = set(
      [
        {
          id: 'p',
          kind: 'paragraph',
          name: 'Ferry crews of the upper weirs and all who pulled lanterns through the reeds until the morning came',
        },
      ],
      more,
    );
    const ends = long.blocks[0].words[0].layout.lines.map(({ x, width }) => Math.round(x + width));
    expect(ends.length).toBeGreaterThan(1);
    expect(new Set(ends).size).toBe(1);
    const pictures = set([{ id: 'l', kind: 'pictures', assets: ['a', 'b'] }], more).blocks[0].pictures;
    expect(pictures[0].asset).toBe('a');
    expect(pictures[0].rect.x + pictures[0].rect.width).toBeCloseTo(WIDTH_U);
    expect(pictures[1].rect.x).toBeLessThan(pictures[0].rect.x);
  });

  test('a long role goes on below, its first line level with the name', () => {
    const { blocks } = set(from('Music composed and played by the whole of the Second Company\tOde Pell'), {
      gutterAt: 0.3,
    });
    const [role, name] = blocks[0].words;
    expect(role.layout.lines.length).toBeGreaterThan(1);
    expect(role.y + role.layout.lines[0].baseline).toBeCloseTo(name.y + name.layout.lines[0].baseline);
    expect(blocks[0].heightU).toBeCloseTo(role.y + role.layout.height);
  });

  test('stacked, the name stands under its role, both in the middle', () => {
    const [{ words }] = set(from('Producer\tMira Stott'), { pairs: 'stacked' }).blocks;
    const [role, name] = words;
    expect(name.y).toBeCloseTo(role.y + role.layout.height);
    for (const { x, layout } of words) expect(x + layout.width / 2).toBeCloseTo(WIDTH_U / 2);
  });

  test('names stand in columns, as many as there are, the last line in the middle', () => {
    const rows = from('# Bearers\nTeo Vance\nOde Pell\nMira Stott\nIlse Marrow\nNoor Halloran');
    const names = set(rows, { nameColumns: 2 }).blocks.filter(({ kind }) => kind === 'name');
    expect(names.map(({ rowIds }) => rowIds.length)).toEqual([2, 2, 1]);
    const middles = (block: CreditBlock): number[] =>
      block.words.map(({ x, layout }) => x + layout.width / 2);
    expect(middles(names[0])[0]).toBeCloseTo(middles(names[1])[0]);
    expect(middles(names[0])[1]).toBeCloseTo(middles(names[1])[1]);
    expect(middles(names[2])[0]).toBeCloseTo(WIDTH_U / 2);
  });

  test('gaps come before headings and of empty lines; the first block has none', () => {
    const rows: CreditRow[] = [
      ...from('# One\nA\tB\n# Two\nC\tD'),
      { id: 'gap', kind: 'gap', lines: 2 },
      { id: 'last', kind: 'role', role: 'E', name: 'F' },
    ];
    const { blocks } = set(rows, { rowGapU: 10, sectionGapU: 80 });
    const line = newCreditsLayer('c', '').styles.name;
    expect(blocks.map(({ gapU }) => gapU)).toEqual([0, 10, 80, 10, 10 + 2 * line.sizeU * line.leading]);
  });

  test('another size changes everything alike', () => {
    const rows = from('# One\nA role\tA name\nAnother\tName');
    const [plain, small] = [set(rows), set(rows, {}, 0.9)];
    small.blocks.forEach((block, i) => {
      expect(block.heightU).toBeCloseTo(plain.blocks[i].heightU * 0.9);
      expect(block.gapU).toBeCloseTo(plain.blocks[i].gapU * 0.9);
    });
    expect(small.capU).toBeCloseTo(plain.capU * 0.9);
  });

  test('what was set before is set anew at another size and in another room', () => {
    const rows = from('A guide to all the tides of the river\tBartholomew Quillfeather-Oduya of the Weirs');
    const stacked = { pairs: 'stacked' } as const;
    const [plain, small] = [set(rows, stacked), set(rows, stacked, 0.5)];
    expect(small.blocks[0].heightU).toBeCloseTo(plain.blocks[0].heightU / 2);
    const roleAt = (gutterAt: number): number =>
      set(rows, { gutterAt }).blocks[0].words[0].layout.lines.length;
    expect(roleAt(0.2)).toBeGreaterThan(roleAt(0.8));
  });

  test('rows of nothing are left out, letters without a face are told', () => {
    const rows: CreditRow[] = [
      { id: '1', kind: 'role', role: '', name: ' ' },
      { id: '2', kind: 'heading', name: '' },
      { id: '3', kind: 'pictures', assets: [] },
      { id: '4', kind: 'name', name: 'Ode 𓀀' },
    ];
    const { blocks, missing } = set(rows);
    expect(blocks.map(({ rowIds }) => rowIds)).toEqual([['4']]);
    expect(missing).toEqual(['𓀀']);
  });
});

describe('pictures side by side', () => {
  const room = { heightU: 100, widthU: 1000, gapU: 20, align: 'centre' } as const;
  const of = (...sizes: (readonly [number, number])[]) =>
    pictureRow(
      sizes.map(([widthPx, heightPx], i) => ({ asset: `a${i}`, size: { widthPx, heightPx } })),
      room,
    ).map(({ rect }) => rect);

  test('look equally heavy: they cover the same area, and their middles are level', () => {
    const [square, wide] = of([300, 300], [800, 200]);
    expect(wide.width * wide.height).toBeCloseTo(square.width * square.height);
    expect(wide.width / wide.height).toBeCloseTo(4);
    expect(wide.y + wide.height / 2).toBeCloseTo(square.y + square.height / 2);
    expect(wide.x - square.x - square.width).toBeCloseTo(20);
  });

  test('none is taller than a quarter more, and all get smaller where the row is full', () => {
    const [, tall] = of([300, 300], [100, 400]);
    expect(tall.height).toBeCloseTo(125);
    const many = of(...Array.from({ length: 10 }, () => [800, 200] as const));
    expect(many[9].x + many[9].width).toBeLessThanOrEqual(1000.01);
    expect(many[0].x).toBeGreaterThanOrEqual(-0.01);
  });
});

describe('cards', () => {
  const rows = from(
    `# Cameras\nOn the bank\tA\n\tB\n\tC\nOn the boats\tD\n\tE\n\n# Sound\nBoom\tF\nMix\tG\nFoley\tH\n\n# Thanks\n${'JKLMNOPQ'.split('').join('\n')}`,
  );
  const cut = (heightU: number, repeatsHeading = false) => {
    const { blocks } = set(rows, { nameColumns: 1 });
    return { blocks, cards: cutCards(blocks, { heightU, repeatsHeading }) };
  };

  test.each([200, 300, 420, 700, 5000])('of %d u: every block once, in order, none too high', (heightU) => {
    const { blocks, cards } = cut(heightU);
    expect(cards.flatMap((card) => card.blocks.map(({ index }) => index))).toEqual(blocks.map((_, i) => i));
    for (const card of cards) {
      const last = card.blocks[card.blocks.length - 1];
      expect(last.yU + last.block.heightU).toBeCloseTo(card.heightU);
      expect(card.heightU).toBeLessThanOrEqual(heightU + 0.01);
    }
  });

  test.each([190, 230, 270, 290, 310, 350, 390, 450])(
    'of %d u: no heading is the last of its card',
    (heightU) => {
      const { cards } = cut(heightU);
      for (const { blocks } of cards)
        if (blocks.length > 1) expect(blocks[blocks.length - 1].block.leads).toBe(false);
    },
  );

  test('a heading is never left alone, and a role keeps its names where that is possible', () => {
    const { cards } = cut(330);
    for (const { blocks } of cards) expect(blocks[blocks.length - 1].block.leads).toBe(false);
    for (const { blocks } of cards.slice(1)) expect(blocks[0].block.goesOn).toBe(false);
  });

  test('a heading over words of its own goes with them', () => {
    const words = from('# One\nA\tB\nC\tD\n\n# Two\n> Every lantern was carried home again.');
    const { blocks } = set(words);
    const withoutWords = blocks.slice(0, -1).reduce((sum, { heightU, gapU }) => sum + heightU + gapU, 0);
    const cards = cutCards(blocks, { heightU: withoutWords + 1, repeatsHeading: false });
    expect(cards.map((card) => card.blocks.map(({ block }) => block.kind))).toEqual([
      ['heading', 'role', 'role'],
      ['heading', 'paragraph'],
    ]);
  });

  test('there are no more than are needed', () => {
    const { blocks, cards } = cut(5000);
    expect(cards).toHaveLength(1);
    expect(cards[0].heightU).toBeCloseTo(blocks.reduce((sum, { heightU, gapU }) => sum + heightU + gapU, 0));
  });

  test('a heading is said again where its rows go on', () => {
    const { cards } = cut(330, true);
    const firsts = cards.map(({ blocks }) => blocks[0].block);
    expect(firsts.every(({ kind }) => kind === 'heading')).toBe(true);
    expect(firsts.filter(({ reads }) => reads === 'Thanks').length).toBeGreaterThan(1);
  });
});
