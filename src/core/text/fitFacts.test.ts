import type { FitFact } from './fitFacts';
import { hardestFacts, sayFitFact } from './fitFacts';

describe('what was done to make words fit', () => {
  test.each<[FitFact, string]>([
    [{ kind: 'wrapped', lines: 2 }, 'wrapped to 2 lines'],
    [{ kind: 'squeezed', share: 0.826 }, 'squeezed to 83 %'],
    [{ kind: 'shrunk', sizeU: 41.6 }, 'shrunk to 42 u'],
    [{ kind: 'cut', letters: 12, of: 71 }, 'cut after 12 of 71 letters'],
    [{ kind: 'rowsCut', rows: 3, of: 4 }, 'cut to 3 of 4 rows'],
  ])('%j is told', (fact, words) => {
    expect(sayFitFact(fact)).toBe(words);
  });

  test('of many cells, the one that changes most speaks for its kind', () => {
    expect(
      hardestFacts([
        { kind: 'squeezed', share: 0.9 },
        { kind: 'shrunk', sizeU: 30 },
        { kind: 'squeezed', share: 0.7 },
        { kind: 'shrunk', sizeU: 34 },
        { kind: 'wrapped', lines: 2 },
        { kind: 'wrapped', lines: 3 },
        { kind: 'cut', letters: 20, of: 22 },
        { kind: 'cut', letters: 30, of: 60 },
      ]),
    ).toEqual([
      { kind: 'squeezed', share: 0.7 },
      { kind: 'shrunk', sizeU: 30 },
      { kind: 'wrapped', lines: 3 },
      { kind: 'cut', letters: 30, of: 60 },
    ]);
  });
});
