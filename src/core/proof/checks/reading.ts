import { defineCheck } from '../check';
import { sayTime } from '../finding';
import { lengthToRead } from '../readableTime';
import { hardestReading } from '../listReading';

export const readingCheck = defineCheck({
  kind: 'title',
  of: 'titles',
  id: 'reading',
  label: 'Time to read',
  about: 'Finds titles that cannot be read in the time that they stand still.',
  run({ applied, title, rate, timing, reading, readableAt: allReadableAt }) {
    const { reads, aheadSeconds } = hardestReading(applied.layers, reading, timing.outStartSeconds);
    const readableAt = (lengthFrames: number): number => allReadableAt(lengthFrames) + aheadSeconds;
    const readable = readableAt(title.lengthFrames);
    // A tenth is as fine as it is told.
    if (reads <= readable + 0.05) return [];
    const lengthFrames = lengthToRead(readableAt, title.lengthFrames, reads, rate);
    return [
      {
        tone: 'stop',
        message: `reads in ${reads.toFixed(1)} s, fully visible for ${readable.toFixed(1)}`,
        detail: `A viewer needs ${sayTime(reads)} to read it; every word is fully visible and still for ${sayTime(readable)}.`,
        mends: [{ label: 'Lengthen', change: { kind: 'title', set: { lengthFrames } } }],
      },
    ];
  },
});
