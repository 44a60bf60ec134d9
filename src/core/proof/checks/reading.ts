import { defineCheck } from '../check';
import { sayTime } from '../finding';
import { lengthToRead } from '../readableTime';
import { readingNeed } from '../readingOf';

export const readingCheck = defineCheck({
  kind: 'title',
  of: 'titles',
  id: 'reading',
  label: 'Time to read',
  about: 'Finds titles that cannot be read in the time that they stand still.',
  run({ applied, template, title, rate, reading, readableAt: forAll }) {
    const need = {
      layers: applied.layers,
      timing: template.timing,
      marks: template.marks,
      rules: reading,
      rate,
    };
    const { reads, readableAt, line } = readingNeed(need, title.lengthFrames, forAll);
    const readable = readableAt(title.lengthFrames);
    // A tenth is as fine as it is told.
    if (reads <= readable + 0.05) return [];
    const lengthFrames = lengthToRead(readableAt, title.lengthFrames, reads, rate);
    return [
      {
        tone: 'stop',
        message: `reads in ${reads.toFixed(1)} s, fully visible for ${readable.toFixed(1)}`,
        detail:
          line === null
            ? `A viewer needs ${sayTime(reads)} to read it; every word is fully visible and still for ${sayTime(readable)}.`
            : `A viewer needs ${sayTime(reads)} to read ${line}; it stands still for ${sayTime(Math.max(0, readable))} before the next comes.`,
        mends: [{ label: 'Lengthen', change: { kind: 'title', set: { lengthFrames } } }],
      },
    ];
  },
});
