import { createRegistry } from '../../kit/registry';
import type { PlacedFiles } from './placedFiles';
import { placedToCsv } from './placedToCsv';
import { placedToEdls } from './placedToEdl';
import { placedToOtio } from './placedToOtio';

/** A format of timelines that refer to finished files. */
interface PlacedFormat {
  readonly id: string;
  readonly label: string;
  readonly extension: string;
  readonly mediaType: string;
  /** How many files it makes of so many lanes. */
  parts(lanes: number): number;
  write(placed: PlacedFiles): readonly string[];
}

/** Every format of timelines that refer to finished files. */
export const PLACED_FORMATS = createRegistry<PlacedFormat>('timeline format', [
  {
    id: 'otio',
    label: 'OTIO',
    extension: 'otio',
    mediaType: 'application/json',
    parts: () => 1,
    write: (placed) => [placedToOtio(placed)],
  },
  {
    id: 'edl',
    label: 'EDL',
    extension: 'edl',
    mediaType: 'text/plain; charset=utf-8',
    parts: (lanes) => lanes,
    write: placedToEdls,
  },
  {
    id: 'csv',
    label: 'CSV',
    extension: 'csv',
    mediaType: 'text/csv; charset=utf-8',
    parts: () => 1,
    write: (placed) => [placedToCsv(placed)],
  },
]);
