import { frameToTimecode } from '../../time/clock';
import { labelOf } from '../../time/timecode';
import type { PlacedFiles } from './placedFiles';
import { byLane } from './placedFiles';

/**
 * The files as edit lists (CMX 3600), one for each lane, since such a list has one track of pictures: events with the
 * files' names, sources counted by the files' own timecode. Titles without a file are left out, with a note where they
 * were to be.
 */
export function placedToEdls(placed: PlacedFiles): readonly string[] {
  const { name, clock } = placed;
  const mode = clock.mode === 'drop' ? 'DROP FRAME' : 'NON-DROP FRAME';
  const lanes = byLane(placed);
  return lanes.map((files) => {
    let number = 0;
    const events = files.flatMap((file) => {
      const record = [file.startFrame, file.startFrame + file.lengthFrames].map((frame) =>
        frameToTimecode(frame, clock),
      );
      if (file.file === null) return [`* NO FILE: TITLE ${file.number} AT ${record[0]}`];
      const first = file.firstLabel ?? 0;
      const source = [first, first + file.lengthFrames].map((frame) => labelOf(frame, clock));
      number += 1;
      return [
        `${String(number).padStart(3, '0')}  AX       V     C        ${[...source, ...record].join(' ')}`,
        `* FROM CLIP NAME: ${file.file}`,
        `* SOURCE FILE: ${file.file}`,
        ...(file.words === '' ? [] : [`* COMMENT: ${file.words.replace(/\s+/g, ' ')}`]),
      ];
    });
    const lane = lanes.length === 1 ? '' : `, TITLES ${files[0].lane + 1}`;
    return [`TITLE: ${name}${lane}`, `FCM: ${mode}`, ...events, ''].join('\r\n');
  });
}
