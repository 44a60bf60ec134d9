import { describe, expect, test } from '@jest/globals';
import { heatBoard } from '../../../demo/heatBoard';
import { of, prove, title } from '../../../demo/testing/prove';
import { newClip } from '../model/project';
import { newRowsLayer } from '../model/newLayers';
import { testText } from '../testing';
import { hardestReading } from './listReading';
import { readingSeconds } from '../text/readingTime';

const words = (count: number): string => Array.from({ length: count }, () => 'lantern').join(' ');
const list = (rows: readonly string[], moments?: readonly number[]) => ({
  ...newRowsLayer('list', 'List'),
  rows: rows.join('\n'),
  ...(moments === undefined ? {} : { moments }),
});

describe('what takes longest to read for the time that it has', () => {
  test('is everything, where rows have no moments', () => {
    const rows = [words(4), words(4)];
    const need = hardestReading([testText('head', 'Heat'), list(rows)], undefined, 100);
    expect(need).toEqual({ reads: readingSeconds(`Heat ${rows.join(' ')}`), aheadSeconds: 0 });
  });

  test('is everything from the first row on, where rows come slowly enough', () => {
    const need = hardestReading([list([words(4), words(4), words(4)], [1, 2, 3])], undefined, 100);
    expect(need).toEqual({ reads: readingSeconds(words(12)), aheadSeconds: 2 });
  });

  test('is what comes late, where much of it does', () => {
    const need = hardestReading([list([words(2), words(20), words(20)], [0, 30, 31])], undefined, 100);
    expect(need).toEqual({ reads: readingSeconds(words(40)), aheadSeconds: 1 });
  });

  test('rows never come later than the title goes', () => {
    const need = hardestReading([list([words(4), words(4)], [1, 50])], undefined, 1.2);
    expect(need.aheadSeconds).toBeCloseTo(0.2, 6);
  });
});

describe('a list on the desk', () => {
  const rows = ['1\tHeron\t4:12.6', '2\tGudgeon\t4:13.1', '3\tLantern\t4:15.8'];
  const clips = [newClip({ id: 'a', picture: '#101418', startFrame: 0, lengthFrames: 3000 })];
  const look = (seconds: readonly (number | null)[], lengthFrames = 300) =>
    prove({
      template: heatBoard,
      clips,
      titles: [
        title(
          { heading: 'Heat', note: '', boats: rows.join('\n') },
          { lengthFrames, moments: { boats: rows.map((row, i) => ({ row, seconds: seconds[i] })) } },
        ),
      ],
    });

  test('has time enough when its rows come one by one, and not when the last comes at its end', async () => {
    expect(of(await look([1, 4, 7]), 'reading')).toEqual([]);
    const [late] = of(await look([1, 4, 10.9]), 'reading');
    expect(late.message).toMatch(/^reads in \d\.\d s, fully visible for 0\.\d$/);
  });

  test('is told of rows whose moment is after it goes, and lengthened for them', async () => {
    expect(of(await look([1, 4, 7]), 'rows')).toEqual([]);
    expect(of(await look([null, null, null]), 'rows')).toEqual([]);
    const [one] = of(await look([1, 4, 14]), 'rows');
    expect(one).toMatchObject({ tone: 'stop', message: 'a row comes after it goes' });
    expect(of(await look([1, 13, 14]), 'rows')).toMatchObject([{ message: '2 rows come after it goes' }]);
    const { change } = one.mends[0];
    const longer = change.kind === 'title' ? change.set.lengthFrames : undefined;
    expect(of(await look([1, 4, 14], longer), 'rows')).toEqual([]);
  });
});
