import type { FaceFile, Permission } from '@/core/faces/faceFile';
import { lettersOf } from '@/core/faces/faceFile';
import { optionsOf } from '@/core/faces/faceOptions';
import { scriptsOf } from '@/core/faces/ownFaces';

const PERMISSIONS: Readonly<Record<Permission, string>> = {
  installable: 'goes with packages',
  editable: 'goes with packages',
  preview: 'stays here: its maker allows it to be shown and printed only',
  restricted: 'stays here: its maker allows no embedding',
};

/** Whether a font may go with packages, and why not. */
export function permissionWords({ permission }: Pick<FaceFile, 'permission'>): string {
  return PERMISSIONS[permission];
}

/** The scripts of a font with how many characters each has, most first. */
export function scriptWords(file: Pick<FaceFile, 'letters'>): string {
  const told = lettersOf(file).map(([script, count]) => `${script} ${count}`);
  return told.length === 0 ? 'signs only' : told.join(', ');
}

// Registered feature tags of OpenType 1.9, by the names that styles have on the bench.
const FEATURES: Readonly<Record<string, string>> = {
  tnum: 'tabular figures',
  onum: 'old-style figures',
  smcp: 'small capitals',
  frac: 'fractions',
};

/** What a style can ask a font for. */
export function featureWords({
  features,
  featureNames,
}: Pick<FaceFile, 'features' | 'featureNames'>): string {
  const options = optionsOf(features, featureNames).map(({ label }) => label);
  return [...features.flatMap((tag) => FEATURES[tag] ?? []), ...options].join(', ');
}

/** The axes of a font besides its weight, from where to where. */
export function axisWords({ axes }: Pick<FaceFile, 'axes'>): string {
  return axes
    .filter(({ tag }) => tag !== 'wght')
    .map(({ name, least, most }) => `${name} ${round(least)} to ${round(most)}`)
    .join(', ');
}

const round = (value: number): number => Number(value.toFixed(2));

/** What there is to know of a font of which not everything is used: its colours. */
export function limitWords({ coloured }: Pick<FaceFile, 'coloured'>): string[] {
  return coloured ? ['its colours are not painted'] : [];
}

/** The weights of a font: one figure, or from where to where. */
export function weightWords({ axes, weight }: Pick<FaceFile, 'axes' | 'weight'>): string {
  const axis = axes.find(({ tag }) => tag === 'wght');
  return axis === undefined ? String(weight) : `${axis.least} to ${axis.most}`;
}

const SAMPLES: Readonly<Record<string, string>> = {
  Latin: 'Ilse Marrow, Osier Reach 0123',
  Greek: 'Ίλσε Μάροου',
  Cyrillic: 'Ильза Марроу',
  Arabic: 'نور الهلالي',
  Hebrew: 'נור הלאלי',
  Devanagari: 'सीमा घाटे',
};
const MOST_SAMPLES = 2;

/** Words to see a font by, in the scripts that it has most of; empty where there are none, since another would show. */
export function sampleWords(file: Pick<FaceFile, 'letters'>): string {
  return scriptsOf(file)
    .flatMap((script) => SAMPLES[script] ?? [])
    .slice(0, MOST_SAMPLES)
    .join('  ');
}
