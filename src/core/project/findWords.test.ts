import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { placeCorner, tidelineStrap } from '../../../demo/templates';
import type { Title } from '../model/project';
import { newCue } from '../model/captions';
import { newTitle } from '../model/project';
import type { Template } from '../model/template';
import type { WordHit, WordSearch } from './findWords';
import { findWords, placeKey, replaceWords } from './findWords';

const title = (id: string, values: Title['values'], more: Partial<Title> = {}): Title =>
  newTitle({ id, editionId: 'strap', startFrame: 0, lengthFrames: 100, lane: 0, values, ...more });
const templateOf = (id: string): Template | undefined => ({ strap: tidelineStrap, corner: placeCorner })[id];
const search = (find: string, replaceWith = '', more: Partial<WordSearch> = {}): WordSearch => ({
  find,
  replaceWith,
  matchCase: false,
  wholeWords: false,
  ...more,
});
const inTitles = (titles: readonly Title[], wanted: WordSearch, templates = templateOf) =>
  findWords({ titles, cues: [] }, wanted, templates);
const replaced = (titles: readonly Title[], hits: readonly WordHit[]): readonly Title[] =>
  replaceWords({ titles, cues: [] }, hits).titles;
const found = (titles: readonly Title[], wanted: WordSearch): string[] =>
  inTitles(titles, wanted).map(({ before, after }) => `${before} > ${after}`);

const TITLES = [
  title('a', { name: 'Ilse Marrow', role: 'Lockkeeper, lock 2' }),
  title('b', { name: 'Teo Vance', role: 'Rower' }),
];

describe('finding words', () => {
  test('in any capitals, or just as they are typed', () => {
    expect(found(TITLES, search('lock', 'Weir'))).toEqual(['Lockkeeper, lock 2 > Weirkeeper, Weir 2']);
    expect(found(TITLES, search('lock', 'weir', { matchCase: true }))).toEqual([
      'Lockkeeper, lock 2 > Lockkeeper, weir 2',
    ]);
  });

  test('whole words only, in any script', () => {
    expect(found(TITLES, search('row', 'x', { wholeWords: true }))).toEqual([]);
    expect(
      found([title('c', { name: 'نور الهلالي', role: '' })], search('نور', 'نوال', { wholeWords: true })),
    ).toEqual(['نور الهلالي > نوال الهلالي']);
  });

  test('marks are only marks, and nothing is found by nothing', () => {
    const marked = [title('c', { name: 'Why? (really)', role: '$1' })];
    expect(found(marked, search('? (', '! ['))).toEqual(['Why? (really) > Why! [really)']);
    expect(found(marked, search('$1', '$&'))).toEqual(['$1 > $&']);
    expect(found(TITLES, search(''))).toEqual([]);
  });

  test('not the sample words of the design, which nobody sees on air; those that go to air by default', () => {
    const bare = [title('d', {}, { editionId: 'corner' })];
    expect(inTitles(bare, search('low water', 'high water'))).toEqual([]);
    const withDefaults = (id: string): Template | undefined => {
      const template = templateOf(id);
      const fields = template?.fields.map((field) => ({ ...field, defaultWords: 'low water soon' }));
      return template && { ...template, fields: fields ?? [] };
    };
    const [, hit] = inTitles(bare, search('low water', 'high water'), withDefaults);
    expect(hit.place).toMatchObject({ in: 'title', field: { label: 'Date or tide' } });
    const [after] = replaced(bare, [hit]);
    expect(Object.values(after.values)).toEqual(['high water soon']);
  });

  test('what one delivery says otherwise is found and replaced there alone', () => {
    const own = title(
      'e',
      { name: 'Noor', role: 'Judge of the boats' },
      { perDelivery: { tall: { leftOut: false, values: { role: 'Judge' }, shift: null } } },
    );
    const hits = inTitles([own], search('judge', 'Steward'));
    expect(hits.map(({ place, after }) => [place.in === 'title' && place.deliveryId, after])).toEqual([
      [null, 'Steward of the boats'],
      ['tall', 'Steward'],
    ]);
    const [after] = replaced([own], hits.slice(1));
    expect(after.values.role).toBe('Judge of the boats');
    expect(after.perDelivery.tall.values).toEqual({ role: 'Steward' });
  });

  test('what would be too long for its field says so', () => {
    const [hit] = inTitles(TITLES, search('Ilse', 'I'.repeat(60)));
    expect(hit.problem).toBe('it takes at most 40 characters');
    expect(inTitles(TITLES, search('Ilse', 'Elsa'))[0].problem).toBe('');
  });
});

test('replacing leaves nothing to be found, and changes no other title', () => {
  const word = fc.constantFrom('oar', 'Oar', 'weir', 'lock', ' ', 'é', '水');
  const words = fc.array(word, { maxLength: 6 }).map((list) => list.join(''));
  fc.assert(
    fc.property(words, words, fc.constantFrom('oar', '水', 'weir'), (name, role, find) => {
      const titles = [title('a', { name, role }), title('b', { name: 'Teo', role: 'Judge' })];
      const wanted = search(find, '-');
      const after = replaced(titles, inTitles(titles, wanted));
      expect(inTitles(after, wanted)).toEqual([]);
      expect(after[1]).toBe(titles[1]);
    }),
  );
});

describe('captions and credits', () => {
  const cue = (id: string, words: string, speaker = ''): ReturnType<typeof newCue> =>
    newCue({ id, trackId: 't', startFrame: 0, lengthFrames: 50, words, speaker });
  const credits = title(
    'end',
    {},
    {
      credits: {
        wish: { speedU: null, size: null },
        rows: [
          { id: 'r1', kind: 'heading', name: 'Marrow Weir' },
          { id: 'r2', kind: 'role', role: 'Lock', name: 'Ilse Marrow' },
          { id: 'r3', kind: 'gap', lines: 1 },
        ],
      },
    },
  );
  const work = {
    titles: [...TITLES, credits],
    cues: [cue('c1', '<i>Marrow</i> and <c.yellow>Teo</c> Marrow', 'Ilse Marrow'), cue('c2', 'The weir')],
  };
  const wanted = search('Marrow', 'Barrow');
  const hits = findWords(work, wanted, templateOf);

  test('are looked through with the titles, each place by itself', () => {
    expect(hits.map(({ place }) => placeKey(place))).toEqual([
      'title a  name',
      'credits end r1 name',
      'credits end r2 name',
      'captions c1 words',
      'captions c1 speaker',
    ]);
  });

  test('are replaced in one step, and captions keep their italics and colours', () => {
    const after = replaceWords(work, hits);
    expect(findWords(after, wanted, templateOf)).toEqual([]);
    expect(after.titles[2].credits?.rows.slice(0, 2)).toMatchObject([
      { name: 'Barrow Weir' },
      { role: 'Lock', name: 'Ilse Barrow' },
    ]);
    expect(after.cues[0]).toMatchObject({
      words: work.cues[0].words.replaceAll('Marrow', 'Barrow'),
      speaker: 'Ilse Barrow',
    });
    expect(after.cues[1]).toBe(work.cues[1]);
    expect(replaceWords(work, hits.slice(3, 4)).titles[2]).toBe(credits);
  });

  test('words of another length leave what stands between them as it looks', () => {
    for (const short of ['Bo', 'Bartholomew', '']) {
      const [, , , hit] = findWords(work, search('Marrow', short), templateOf);
      const italic = short === '' ? '' : `<i>${short}</i>`;
      expect(hit.kept).toBe(`${italic} and <c.yellow>Teo</c> ${short}`);
    }
  });

  test('what would be too long says so', () => {
    const [, , , caption] = findWords(work, search('Marrow', 'M'.repeat(1999)), templateOf);
    expect(caption.problem).toBe('it takes at most 2000 characters');
  });
});
