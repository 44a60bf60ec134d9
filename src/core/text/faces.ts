import { createRegistry } from '../kit/registry';

/** OpenType tags: tabular and old-style figures, small capitals, fractions. */
export type FaceFeature = 'tnum' | 'onum' | 'smcp' | 'frac';

/** From, to, as the font's own axis counts. */
type AxisRange = readonly [number, number];

/** A type family that ships with the application, as static weights in TrueType files or as one variable file. */
export interface Face {
  readonly id: string;
  readonly label: string;
  /** File name by weight, lightest first; a variable face has one, under its regular weight. */
  readonly files: Readonly<Record<number, string>>;
  readonly scripts: readonly string[];
  readonly licence: string;
  /** Which of the OpenType features that a style can ask for the font has. */
  readonly features: readonly FaceFeature[];
  /** The ranges of a variable face: weight, and width in percent of the regular one. */
  readonly axes?: { readonly weight: AxisRange; readonly width: AxisRange };
}

const weights = (stem: string, ...list: readonly number[]): Record<number, string> =>
  Object.fromEntries(list.map((weight) => [weight, `${stem}-${weight}.ttf`]));

/** Every shipped face; each file comes under the SIL Open Font License 1.1, beside its licence text. */
export const FACES = createRegistry<Face>('face', [
  {
    id: 'barlow-condensed',
    label: 'Barlow Condensed',
    files: weights('barlow-condensed', 400, 500, 600, 700),
    scripts: ['Latin'],
    licence: 'OFL-1.1',
    features: ['tnum', 'smcp', 'frac'],
  },
  {
    id: 'hanken-grotesk',
    label: 'Hanken Grotesk',
    files: weights('hanken-grotesk', 400, 600, 700),
    scripts: ['Latin'],
    licence: 'OFL-1.1',
    features: ['frac'],
  },
  {
    id: 'fraunces',
    label: 'Fraunces',
    files: weights('fraunces', 400, 600, 700),
    scripts: ['Latin'],
    licence: 'OFL-1.1',
    features: [],
  },
  {
    id: 'alegreya',
    label: 'Alegreya',
    files: weights('alegreya', 400, 500, 700),
    scripts: ['Latin', 'Greek', 'Cyrillic'],
    licence: 'OFL-1.1',
    features: ['tnum', 'onum', 'smcp', 'frac'],
  },
  {
    id: 'archivo',
    label: 'Archivo',
    files: { 400: 'archivo-variable.ttf' },
    scripts: ['Latin'],
    licence: 'OFL-1.1',
    features: ['tnum', 'frac'],
    axes: { weight: [100, 900], width: [62, 125] },
  },
  {
    id: 'noto-sans-arabic',
    label: 'Noto Sans Arabic',
    files: weights('noto-sans-arabic', 400, 500, 600, 700),
    scripts: ['Arabic'],
    licence: 'OFL-1.1',
    features: ['tnum'],
  },
  {
    id: 'noto-sans-devanagari',
    label: 'Noto Sans Devanagari',
    files: weights('noto-sans-devanagari', 400, 500, 600, 700),
    scripts: ['Devanagari', 'Latin'],
    licence: 'OFL-1.1',
    features: [],
  },
]);

export const DEFAULT_FACE_ID = 'barlow-condensed';

/** The faces that are asked in turn for a character that the chosen face does not have. */
export const FALLBACK_FACE_IDS = ['noto-sans-arabic', 'noto-sans-devanagari', 'hanken-grotesk'] as const;

/** The weight of a face that is nearest to the one asked for; the lighter of two equally near. */
export function nearestWeight(face: Face, weight: number): number {
  if (face.axes !== undefined) return clampTo(face.axes.weight, weight);
  const all = Object.keys(face.files).map(Number);
  return all.reduce((best, w) => (Math.abs(w - weight) < Math.abs(best - weight) ? w : best));
}

/** The width of a variable face that is nearest to the one asked for, in percent; 100 for a face of one width. */
export function nearestWidth(face: Face, width: number): number {
  return face.axes === undefined ? 100 : clampTo(face.axes.width, width);
}

function clampTo([least, most]: AxisRange, value: number): number {
  return Math.max(least, Math.min(most, value));
}

/** The names of all shipped font files. */
export function fontFileNames(): string[] {
  return FACES.list.flatMap((face) => Object.values(face.files));
}
