import { fileSlug } from '../kit/fileSlug';
import type { FaceFile } from './faceFile';
import { lettersOf } from './faceFile';
import { AXIS_TAG, MOST_AXES } from './axisTags';
import { optionsOf } from './faceOptions';
import type { AxisRange, Face, FaceFeature } from './faces';

/** Letters of a script that a face has to have before words are said to be set in it; of Han a newspaper's worth. */
const ENOUGH_LETTERS = 20;
const ENOUGH_HAN = 1000;
const FEATURES: readonly FaceFeature[] = ['tnum', 'onum', 'smcp', 'frac'];

type Placed = Pick<FaceFile, 'family' | 'italic'>;

/** The id of the face that a file belongs to, the same wherever the family is taken in. */
export function ownFaceId({ family, italic }: Placed): string {
  // A name of signs alone has no letters to go by.
  const figures = Array.from(family, (character) => (character.codePointAt(0) ?? 0).toString(16)).join('-');
  const slug = /[\p{L}\p{N}]/u.test(family) ? fileSlug(family) : figures;
  return `own-${slug.slice(0, 40)}${italic ? '-italic' : ''}`;
}

/** What two files of one face cannot both be: one of its weights, or all of them. */
export function placeOf(file: Pick<FaceFile, 'family' | 'italic' | 'weight' | 'axes'>): string {
  return `${ownFaceId(file)} ${weightAxis(file) === undefined ? file.weight : 'all'}`;
}

/** The faces that files in use make up, by name. */
export function ownFaces(files: readonly FaceFile[]): Face[] {
  const groups = new Map<string, FaceFile[]>();
  for (const file of files)
    if (file.inUse) groups.set(ownFaceId(file), [...(groups.get(ownFaceId(file)) ?? []), file]);
  return [...groups]
    .map(([id, group]) => faceOf(id, group))
    .toSorted((a, b) => a.label.localeCompare(b.label, 'en'));
}

/** The scripts that words can be set in with a file, by what it has most of. */
export function scriptsOf(file: Pick<FaceFile, 'letters'>): string[] {
  return lettersOf(file)
    .filter(([script, count]) => count >= (script === 'Han' ? ENOUGH_HAN : ENOUGH_LETTERS))
    .map(([script]) => script);
}

function faceOf(id: string, group: readonly FaceFile[]): Face {
  // One file with all weights is that face; single weights beside it have nothing to add.
  const variable = group.find((file) => weightAxis(file) !== undefined);
  const files = variable === undefined ? group.toSorted((a, b) => a.weight - b.weight) : [variable];
  const first = files.find(({ weight }) => weight === 400) ?? files[0];
  const moreAxes = first.axes
    .filter(({ tag }) => isOtherAxis(tag) && files.every(({ axes }) => axes.some((axis) => axis.tag === tag)))
    .slice(0, MOST_AXES);
  const label = first.italic ? `${first.family} Italic` : first.family;
  return {
    id,
    label,
    files: Object.fromEntries(files.map((file) => [file.weight, file.id])),
    scripts: scriptsOf(first),
    licence: first.licence,
    features: FEATURES.filter((tag) => files.every(({ features }) => features.includes(tag))),
    options: optionsOf(
      first.features.filter((tag) => files.every(({ features }) => features.includes(tag))),
      first.featureNames,
    ),
    ...(variable === undefined ? {} : { axes: rangesOf(variable) }),
    ...(variable?.styles !== undefined && { styles: variable.styles }),
    ...(moreAxes.length > 0 && { moreAxes }),
    ...(first.italic ? { italicOf: ownFaceId({ family: first.family, italic: false }) } : {}),
    own: true,
  };
}

/** Whether a style can say a place on an axis by its tag, besides its weight and width. */
const isOtherAxis = (tag: string): boolean => AXIS_TAG.test(tag) && tag !== 'wght' && tag !== 'wdth';

function weightAxis({ axes }: Pick<FaceFile, 'axes'>): FaceFile['axes'][number] | undefined {
  return axes.find(({ tag }) => tag === 'wght');
}

function rangesOf(file: FaceFile): NonNullable<Face['axes']> {
  const rangeOf = (tag: string, usual: number): AxisRange => {
    const axis = file.axes.find((one) => one.tag === tag);
    return axis === undefined ? [usual, usual] : [axis.least, axis.most];
  };
  return { weight: rangeOf('wght', file.weight), width: rangeOf('wdth', 100) };
}
