import type { Bend } from '../model/bend';
import type { Layer } from '../model/template';
import type { Property } from './layerKind';
import { numberProperty } from './properties';

type Range = Parameters<typeof numberProperty>[2];
type Figure = Exclude<keyof Bend, 'mirrored'>;

const FIGURES: readonly (readonly [Figure, string, Range, number?])[] = [
  ['arcDegrees', 'Arc', ['°', -360, 360, 1]],
  ['leanDegrees', 'Lean', ['°', -80, 80, 1]],
  ['waveU', 'Wave height', ['u', -1000, 1000, 1]],
  ['waveLengthU', 'Wave length', ['u', 8, 8000, 10]],
  ['waveShift', 'Wave shift', ['%', -100_000, 100_000, 5], 100],
  ['noiseU', 'Noise', ['u', 0, 1000, 1]],
  ['noiseSizeU', 'Noise size', ['u', 8, 8000, 5]],
  ['noiseShift', 'Noise shift', ['%', -100_000, 100_000, 5], 100],
  ['seed', 'Noise scatter', ['', 0, 9999, 1]],
];

// What is made of shapes that lie in the layer's box. The blocks of credits do not: each goes by on its own.
const BENDABLE: ReadonlySet<Layer['kind']> = new Set(['text', 'box', 'rows', 'particles']);

/** Whether a bend does something to a layer. */
export const canBend = ({ kind }: Layer): boolean => BENDABLE.has(kind);

/** What can be set of a bend, all of it also by keys. */
export function bendProperties(bend: Bend, write: (bend: Bend) => Layer): Property[] {
  return FIGURES.map(([name, label, range, factor = 1]) =>
    numberProperty(`motion.bend.${name}`, label, range, bend[name] * factor, (value) =>
      write({ ...bend, [name]: name === 'seed' ? Math.round(value) : value / factor }),
    ),
  );
}
