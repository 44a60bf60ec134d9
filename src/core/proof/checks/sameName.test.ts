import { describe, expect, test } from '@jest/globals';
import { of, prove, title } from '../../../../demo/testing/prove';
import { newClip } from '../../model/project';
import type { Title } from '../../model/project';
import { soundOf } from '../nameSound';

const CLIP = newClip({ id: 'a', picture: '#101418', startFrame: 0, lengthFrames: 20_000 });

/** Which titles are told that their name is spelt another way; names and roles in the order of the titles. */
async function told(rows: readonly (readonly [name: string, role?: string])[]): Promise<string[]> {
  const titles = rows.map(([name, role = ''], i): Title =>
    title({ name, role }, { id: `${i}`, startFrame: i * 300, lengthFrames: 250 }),
  );
  return of(await prove({ titles, clips: [CLIP] }), 'names').map(
    ({ titleId, message }) => `${titleId} ${message.replace('name also spelt ', '')}`,
  );
}

describe('one name spelt two ways is told', () => {
  test.each([
    ['a letter left out', [['Ilse Merrow'], ['Ilse Merrow'], ['Ilse Merow']], ['2 Merrow']],
    ['another vowel', [['Ilse Marrow'], ['Ilse Marrow'], ['Ilse Merrow']], ['2 Marrow']],
    [
      'alone, with one role',
      [
        ['Teo', 'Sailmaker'],
        ['Teo', 'Sailmaker'],
        ['Theo', 'Sailmaker'],
      ],
      ['2 Teo'],
    ],
    [
      'a long name with two letters off',
      [['Ode Quillfeather'], ['Ode Quillfeather'], ['Ode Quilfeathre']],
      ['2 Quillfeather'],
    ],
    ['accents', [['José Pell'], ['José Pell'], ['Jose Pell']], ['2 José']],
    ['letters for one another in Arabic', [['أحمد الهلالي'], ['أحمد الهلالي'], ['احمد الهلالي']], ['2 أحمد']],
    ['long and short vowels in Devanagari', [['सीमा घाटे'], ['सीमा घाटे'], ['सिमा घाटे']], ['2 सीमा']],
    ['Cyrillic', [['Алёна Река'], ['Алёна Река'], ['Алена Река']], ['2 Алёна']],
  ] as const)('%s', async (_, rows, expected) => {
    expect(await told(rows)).toEqual(expected);
  });

  test('in the words of one delivery too', async () => {
    const titles = [
      title({ name: 'Ilse Merrow', role: '' }, { id: '0' }),
      title({ name: 'Ilse Merrow', role: '' }, { id: '1', startFrame: 400, lengthFrames: 90 }),
      title(
        { name: 'Ilse Merrow', role: '' },
        {
          id: '2',
          startFrame: 600,
          perDelivery: { tall: { leftOut: false, values: { name: 'Ilse Merow' }, shift: null } },
        },
      ),
    ];
    expect(of(await prove({ titles, clips: [CLIP] }), 'names')).toMatchObject([{ titleId: '2' }]);
  });
});

describe('two people are left alone', () => {
  test.each([
    [
      'names that sound different',
      [
        ['Marta Stott', 'Judge'],
        ['Maria Stott', 'Judge'],
      ],
    ],
    [
      'alone with one role',
      [
        ['Marta', 'Judge'],
        ['Maria', 'Judge'],
      ],
    ],
    ['alike but of other families', [['Ilse Marrow'], ['Teo Morrow']]],
    ['both there often', [['Anna Pell'], ['Anna Pell'], ['Anne Pell'], ['Anne Pell']]],
    [
      'alone with different roles',
      [
        ['Teo', 'Sailmaker'],
        ['Theo', 'Judge'],
      ],
    ],
    ['the same name', [['Ilse Marrow'], ['Ilse Marrow']]],
    ['short ones', [['Jo Pell'], ['Jü Pell']]],
    ['two Arabic names', [['نور الهلالي'], ['نورا الهلالي']]],
  ] as const)('%s', async (_, rows) => {
    expect(await told(rows)).toEqual([]);
  });
});

test('sounds are the same for spellings of one name', () => {
  for (const [a, b] of [
    ['Noor', 'Nour'],
    ['Seema', 'Sima'],
    ['Stephen', 'Steven'],
    ['Łucja', 'Lucja'],
    ['فاطمة', 'فاطمه'],
  ])
    expect(soundOf(a)).toBe(soundOf(b));
  expect(soundOf('Marta')).not.toBe(soundOf('Maria'));
  expect(soundOf('123')).toBe('123');
});
