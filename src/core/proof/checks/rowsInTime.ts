import { isTimed, timedLists } from '../../project/rowMoments';
import { secondsToNearestFrames } from '../../time/rates';
import { defineCheck } from '../check';
import type { Found } from '../finding';
import { sayTime } from '../finding';

// A last row is to be seen for so long at least; how long it takes to read is another check's question.
const TO_READ_SECONDS = 2;

export const rowsInTimeCheck = defineCheck({
  kind: 'title',
  of: 'titles',
  id: 'rows',
  label: 'Rows in time',
  about: 'Finds rows of a list whose moment is after the title begins to go; they come earlier than was set.',
  run({ template, title, values, timing, rate }): readonly Found[] {
    const { outStartSeconds } = timing;
    return timedLists(template, title.moments, values)
      .filter(isTimed)
      .flatMap(({ field, seconds }): Found[] => {
        const late = seconds.filter((one) => one >= outStartSeconds);
        if (late.length === 0) return [];
        const last = Math.max(...late);
        const missing = secondsToNearestFrames(last + TO_READ_SECONDS - outStartSeconds, rate);
        const rows = late.length === 1 ? 'a row comes' : `${late.length} rows come`;
        return [
          {
            tone: 'stop',
            subject: field.id,
            message: `${rows} after it goes`,
            detail: `${field.label}: the last row’s moment is ${sayTime(last)} after the start; the title begins to go after ${sayTime(outStartSeconds)}. Such rows come just before that.`,
            mends: [
              {
                label: 'Lengthen',
                change: { kind: 'title', set: { lengthFrames: title.lengthFrames + missing } },
              },
            ],
          },
        ];
      });
  },
});
