import type { Registry } from '../kit/registry';
import { createRegistry } from '../kit/registry';
import { sameValue } from '../kit/sameValue';
import type { FaceAxis, NamedStyle } from './faceFile';
import type { FaceOption } from './faceOptions';
import { optionsOf } from './faceOptions';

/** OpenType tags: tabular and old-style figures, small capitals, fractions. */
export type FaceFeature = 'tnum' | 'onum' | 'smcp' | 'frac';

/** From, to, as the font's own axis counts. */
export type AxisRange = readonly [number, number];

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
  /** The other axes that its files have. */
  readonly moreAxes?: readonly FaceAxis[];
  /** Named places on its axes. */
  readonly styles?: readonly NamedStyle[];
  /** What else of its features a style can switch on. */
  readonly options: readonly FaceOption[];
  /** Of italics: the face that they belong to. */
  readonly italicOf?: string;
  /** Whether the House took it in, so that it does not ship with the program. */
  readonly own?: true;
  /** Whether its files are fetched only once something is set in it; the House's own always are. */
  readonly late?: true;
}

const weights = (stem: string, ...list: readonly number[]): Record<number, string> =>
  Object.fromEntries(list.map((weight) => [weight, `${stem}-${weight}.ttf`]));

const ALEGREYA_OPTIONS = optionsOf(
  [
    'c2sc',
    'case',
    'dlig',
    'lnum',
    'ordn',
    'pnum',
    'sinf',
    'ss01',
    'ss02',
    'ss03',
    'ss04',
    'ss05',
    'subs',
    'sups',
  ],
  {
    ss01: 'Roman numerals',
    ss02: 'Arrows, triangles and circles',
    ss03: 'Foundry ico',
    ss04: 'Dynamic arrows and triangle',
    ss05: 'Greek adscript iota',
  },
);

/** Every shipped face; each file comes under the SIL Open Font License 1.1, beside its licence text. */
const SHIPPED: readonly Face[] = [
  {
    id: 'barlow-condensed',
    label: 'Barlow Condensed',
    files: weights('barlow-condensed', 400, 500, 600, 700),
    scripts: ['Latin'],
    licence: 'OFL-1.1',
    features: ['tnum', 'smcp', 'frac'],
    options: optionsOf(['c2sc', 'ordn', 'pnum', 'sups']),
  },
  {
    id: 'hanken-grotesk',
    label: 'Hanken Grotesk',
    files: weights('hanken-grotesk', 400, 600, 700),
    scripts: ['Latin'],
    licence: 'OFL-1.1',
    features: ['frac'],
    options: optionsOf(['case', 'dlig', 'ordn', 'ss01', 'ss02', 'ss03', 'sups']),
  },
  {
    id: 'hanken-grotesk-italic',
    label: 'Hanken Grotesk Italic',
    files: weights('hanken-grotesk-italic', 400, 600, 700),
    scripts: ['Latin'],
    licence: 'OFL-1.1',
    features: ['tnum', 'frac'],
    options: optionsOf(['case', 'dlig', 'ordn', 'pnum', 'ss01', 'ss02', 'ss03', 'sups']),
    italicOf: 'hanken-grotesk',
  },
  {
    id: 'fraunces',
    label: 'Fraunces',
    files: weights('fraunces', 400, 600, 700),
    scripts: ['Latin'],
    licence: 'OFL-1.1',
    features: [],
    options: optionsOf(['case', 'ss01']),
  },
  {
    id: 'alegreya',
    label: 'Alegreya',
    files: weights('alegreya', 400, 500, 700),
    scripts: ['Latin', 'Greek', 'Cyrillic'],
    licence: 'OFL-1.1',
    features: ['tnum', 'onum', 'smcp', 'frac'],
    options: ALEGREYA_OPTIONS,
  },
  {
    id: 'alegreya-italic',
    label: 'Alegreya Italic',
    files: weights('alegreya-italic', 400, 700),
    scripts: ['Latin', 'Greek', 'Cyrillic'],
    licence: 'OFL-1.1',
    features: ['tnum', 'onum', 'smcp', 'frac'],
    options: ALEGREYA_OPTIONS,
    italicOf: 'alegreya',
  },
  {
    id: 'archivo',
    label: 'Archivo',
    files: { 400: 'archivo-variable.ttf' },
    scripts: ['Latin'],
    licence: 'OFL-1.1',
    features: ['tnum', 'frac'],
    options: optionsOf(['pnum']),
    axes: { weight: [100, 900], width: [62, 125] },
    styles: [
      ['Thin', 100] as const,
      ['ExtraLight', 200] as const,
      ['Light', 300] as const,
      ['Regular', 400] as const,
      ['Medium', 500] as const,
      ['SemiBold', 600] as const,
      ['Bold', 700] as const,
      ['ExtraBold', 800] as const,
      ['Black', 900] as const,
    ].map(([name, wght]) => ({ name, at: { wght, wdth: 100 } })),
  },
  {
    id: 'noto-sans-arabic',
    label: 'Noto Sans Arabic',
    files: weights('noto-sans-arabic', 400, 500, 600, 700),
    scripts: ['Arabic'],
    licence: 'OFL-1.1',
    features: ['tnum'],
    options: optionsOf(['dlig', 'ordn', 'pnum']),
    late: true,
  },
  {
    id: 'noto-sans-devanagari',
    label: 'Noto Sans Devanagari',
    files: weights('noto-sans-devanagari', 400, 500, 600, 700),
    scripts: ['Devanagari', 'Latin'],
    licence: 'OFL-1.1',
    features: [],
    options: optionsOf(['ordn']),
    late: true,
  },
  {
    id: 'noto-sans-hebrew',
    label: 'Noto Sans Hebrew',
    files: weights('noto-sans-hebrew', 400, 500, 600, 700),
    scripts: ['Hebrew', 'Latin'],
    licence: 'OFL-1.1',
    features: [],
    options: optionsOf(['dlig', 'ordn']),
    late: true,
  },
  {
    id: 'noto-sans-bengali',
    label: 'Noto Sans Bengali',
    files: weights('noto-sans-bengali', 400, 500, 600, 700),
    scripts: ['Bengali', 'Latin'],
    licence: 'OFL-1.1',
    features: [],
    options: optionsOf(['ordn']),
    late: true,
  },
  {
    id: 'noto-sans-tamil',
    label: 'Noto Sans Tamil',
    files: weights('noto-sans-tamil', 400, 500, 600, 700),
    scripts: ['Tamil', 'Latin'],
    licence: 'OFL-1.1',
    features: [],
    options: optionsOf(['subs', 'sups']),
    late: true,
  },
  {
    id: 'noto-sans-thai',
    label: 'Noto Sans Thai',
    files: weights('noto-sans-thai', 400, 500, 600, 700),
    scripts: ['Thai', 'Latin'],
    licence: 'OFL-1.1',
    features: [],
    options: optionsOf(['ordn', 'ss01'], { ss01: 'Tailless tho than / yo ying' }),
    late: true,
  },
  {
    id: 'noto-sans-georgian',
    label: 'Noto Sans Georgian',
    files: weights('noto-sans-georgian', 400, 500, 600, 700),
    scripts: ['Georgian', 'Latin'],
    licence: 'OFL-1.1',
    features: [],
    options: optionsOf(['case', 'ordn']),
    late: true,
  },
  {
    id: 'noto-sans-armenian',
    label: 'Noto Sans Armenian',
    files: weights('noto-sans-armenian', 400, 500, 600, 700),
    scripts: ['Armenian', 'Latin'],
    licence: 'OFL-1.1',
    features: [],
    options: optionsOf(['ordn']),
    late: true,
  },
  // Notes of music for captions, arrows and other signs that text faces do not have.
  {
    id: 'noto-sans-symbols',
    label: 'Noto Sans Symbols',
    files: weights('noto-sans-symbols', 400, 700),
    scripts: [],
    licence: 'OFL-1.1',
    features: [],
    options: optionsOf(['ordn']),
  },
];

let known = createRegistry<Face>('face', SHIPPED);

/** Every face that is known here: those that ship, and those that the House took in. */
export const FACES: Registry<Face> = {
  family: 'face',
  get list() {
    return known.list;
  },
  find: (id) => known.find(id),
  get: (id) => known.get(id),
};

/**
 * Makes the House's own faces known, in place of those that were before. A program has one House, and a file never
 * changes under its name, so what a face means differs only where somebody put another file in its place.
 */
export function knowOwnFaces(own: readonly Face[]): void {
  const taken = new Set(SHIPPED.map(({ label }) => label));
  // Two faces of one name could not be told apart where one is chosen.
  const named = own.map((face) => (taken.has(face.label) ? { ...face, label: `${face.label} (own)` } : face));
  const list = [...SHIPPED, ...named];
  if (!sameValue(list, known.list)) known = createRegistry('face', list);
}

/** The face with the italics of another; null where that has none. */
export function italicOf(faceId: string): string | null {
  return FACES.list.find((face) => face.italicOf === faceId)?.id ?? null;
}

export const DEFAULT_FACE_ID = 'barlow-condensed';

const listed = new WeakMap<Face, readonly number[]>();

function weightsOf(face: Face): readonly number[] {
  const weights = listed.get(face) ?? Object.keys(face.files).map(Number);
  listed.set(face, weights);
  return weights;
}

/** The weight of a face that is nearest to the one asked for; the lighter of two equally near. */
export function nearestWeight(face: Face, weight: number): number {
  if (face.axes !== undefined) return clampTo(face.axes.weight, weight);
  return weightsOf(face).reduce((best, w) => (Math.abs(w - weight) < Math.abs(best - weight) ? w : best));
}

/** Where a style asks to be on the axes of a face. */
interface AskedAxes {
  readonly weight: number;
  readonly width: number;
  readonly axes?: Readonly<Record<string, number>> | undefined;
}

/** A place on each axis of a face that is nearest to what a style asks for, by axis tag; null for a face without axes. */
export function axisSettings(
  face: Face,
  { weight, width, axes = {} }: AskedAxes,
): Readonly<Record<string, number>> | null {
  const { moreAxes = [] } = face;
  if (face.axes === undefined && moreAxes.length === 0) return null;
  const more = moreAxes.map(({ tag, least, usual, most }) => [
    tag,
    clampTo([least, most], axes[tag] ?? usual),
  ]);
  const main = face.axes && { wght: nearestWeight(face, weight), wdth: nearestWidth(face, width) };
  return { ...main, ...Object.fromEntries(more) };
}

/** The width of a variable face that is nearest to the one asked for, in percent; 100 for a face of one width. */
export function nearestWidth(face: Face, width: number): number {
  return face.axes === undefined ? 100 : clampTo(face.axes.width, width);
}

function clampTo([least, most]: AxisRange, value: number): number {
  return Math.max(least, Math.min(most, value));
}

/** The names of the shipped font files that every page has from the start, and of those that are fetched later. */
export function fontFileNames(): { readonly first: readonly string[]; readonly late: readonly string[] } {
  const names = (late: boolean): string[] =>
    SHIPPED.filter((face) => (face.late === true) === late).flatMap((face) => Object.values(face.files));
  return { first: names(false), late: names(true) };
}

/** Whether the files of a face come only once something is set in it. */
export function comesLate({ own, late }: Face): boolean {
  return own === true || late === true;
}
