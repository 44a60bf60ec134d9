import { frameToTimecode } from '../../time/clock';
import { writeCsv } from '../csv/csv';
import type { PlacedFiles } from './placedFiles';

const HEADERS = ['Number', 'In', 'Out', 'Frames', 'Lane', 'Template', 'Words', 'File', 'SHA-256'];

/** The files as a sheet: a row for each title with its times, words, file and the file's hash. Out is the frame after its last. */
export function placedToCsv({ clock, files }: PlacedFiles): string {
  const rows = files.map((file) => [
    String(file.number),
    frameToTimecode(file.startFrame, clock),
    frameToTimecode(file.startFrame + file.lengthFrames, clock),
    String(file.lengthFrames),
    String(file.lane + 1),
    file.template,
    file.words,
    file.file ?? '',
    file.sha256,
  ]);
  return writeCsv(HEADERS, rows);
}
