import type { FieldValue, Layer } from '../model/template';
import { COLOUR_VALUE } from '../colour/houseColour';
import { FACES } from '../faces/faces';
import { LONG_STEPS_PATH } from './longSteps';
import type { Control, FigureControl, Property, PropertyPart, PropertyStage } from './layerKind';

/** The part of the settings that a property belongs to, by the first word of its path. */
function partOf(path: string): PropertyPart {
  if (/^(view|encloses|place\.(attachment|pin))$/.test(path)) return 'apart';
  if (path.startsWith('motion.')) return 'motion';
  if (/^(padding|width|height|limits|shape|columnU|maxWidthShare|widthShare)/.test(path)) return 'size';
  if (/^place\./.test(path)) return 'place';
  if (path === LONG_STEPS_PATH) return 'long';
  return /^look\./.test(path) ? 'look' : 'type';
}

const PLACE = /^place\.(attachment|point|targetPoint|dxU|dyU|rotateDegrees|scaleX|scaleY)$/;
const PAINT =
  /^(opacity|fillOpacity|plateOpacity|delaySeconds|look\..*|motion\..*|place\.pin(\..*)?)$|(^|\.)(fill|plate)$|^colours?(\.|$)/;

/** What a change of a property asks for; whatever is not known to be less asks for a new layout. */
function stageOf(path: string): PropertyStage {
  if (PLACE.test(path)) return 'place';
  return PAINT.test(path) ? 'paint' : 'layout';
}

/** What a property is called and where it belongs, which its path decides. */
const named = (path: string, label: string): Pick<Property, 'path' | 'label' | 'part' | 'stage'> => ({
  path,
  label,
  part: partOf(path),
  stage: stageOf(path),
});

type NumberControl = Extract<Control, { kind: 'number' }>;

/** A numeric property; values that are not finite numbers leave it as it was, others are kept in range. */
export function numberProperty(
  path: string,
  label: string,
  [unit, min, max, step]: readonly [NumberControl['unit'], number, number, number],
  value: number,
  write: (value: number) => Layer,
): Property {
  return {
    ...named(path, label),
    fieldKind: 'number',
    control: { kind: 'number', unit, min, max, step },
    value,
    with: (next) => {
      const number = typeof next === 'number' ? next : Number(next);
      return write(Number.isFinite(number) ? Math.max(min, Math.min(max, number)) : value);
    },
  };
}

/** A numeric property that is found by sliding along the whole of its range. */
export function slidingProperty(...property: Parameters<typeof numberProperty>): Property {
  const [, , [unit, min, max, step]] = property;
  return { ...numberProperty(...property), control: { kind: 'number', unit, min, max, step, slides: true } };
}

/** Figures from words parted by spaces, each in its range; null where they are not as many as wanted. */
export function readFigures(words: unknown, figures: readonly FigureControl[]): readonly number[] | null {
  const read = String(words).trim().split(/\s+/).map(Number);
  if (read.length !== figures.length || !read.every(Number.isFinite)) return null;
  return read.map((value, i) => Math.max(figures[i].min, Math.min(figures[i].max, value)));
}

/** Figures as words parted by spaces. */
export const writeFigures = (values: readonly number[]): string => values.join(' ');

/**
 * Several figures that change together, and have one key for all: words parted by spaces. `write` gets null for what is
 * not as many figures, which is what it is where `value` is null.
 */
export function figuresProperty(
  path: string,
  label: string,
  figures: readonly FigureControl[],
  value: readonly number[] | null,
  write: (values: readonly number[] | null) => Layer,
): Property {
  return {
    ...named(path, label),
    fieldKind: 'text',
    control: { kind: 'figures', figures },
    value: value === null ? '' : writeFigures(value),
    closed: true,
    with: (next) => write(readFigures(next, figures)),
  };
}

/** A property whose keys are two states of the whole layout; `with` gives null for what is no such value. */
export function stateProperty(
  path: string,
  label: string,
  value: string,
  layer: Layer,
  write: (value: FieldValue) => Layer | null,
): Property {
  return {
    ...named(path, label),
    fieldKind: 'text',
    control: { kind: 'state' },
    value,
    closed: true,
    blends: true,
    with: (next) => write(next) ?? layer,
  };
}

/** A colour property; anything but a figure, or one of the House, leaves it as it was. */
export function colourProperty(
  path: string,
  label: string,
  value: string,
  write: (value: string) => Layer,
): Property {
  return {
    ...named(path, label),
    fieldKind: 'colour',
    control: { kind: 'colour' },
    value,
    with: (next) => write(colourValue(String(next)) ?? value),
  };
}

/** A colour as documents have it, its figure in small letters; null for what is none. */
function colourValue(text: string): string | null {
  const known = text.slice(0, 7).toLowerCase() + text.slice(7);
  return COLOUR_VALUE.test(known) ? known : null;
}

/** A property with a fixed set of values; any other value leaves it as it was. */
export function choiceProperty<T extends string>(
  path: string,
  label: string,
  choices: readonly { readonly value: T; readonly label: string }[],
  value: T,
  write: (value: T) => Layer,
): Property {
  return {
    ...named(path, label),
    fieldKind: 'choice',
    control: { kind: 'choice', choices },
    value,
    with: (next) => write(choices.find((choice) => choice.value === String(next))?.value ?? value),
  };
}

/** A property that holds words. */
export function textProperty(
  path: string,
  label: string,
  value: string,
  write: (value: string) => Layer,
): Property {
  return {
    ...named(path, label),
    fieldKind: 'text',
    control: { kind: 'text', lines: 'many' },
    value,
    with: (next: FieldValue) => write(String(next)),
  };
}

/** A property that is on or off; anything but true and `on` is off. */
export function switchProperty(
  path: string,
  label: string,
  value: boolean,
  write: (value: boolean) => Layer,
): Property {
  return {
    ...named(path, label),
    fieldKind: 'switch',
    control: { kind: 'switch' },
    value,
    with: (next) => write(next === true || next === 'on'),
  };
}

/** A property that holds a picture by asset id; an empty one is none. */
export function pictureProperty(
  path: string,
  label: string,
  value: string | null,
  write: (value: string | null) => Layer,
): Property {
  return {
    ...named(path, label),
    fieldKind: 'picture',
    control: { kind: 'picture' },
    value: value ?? '',
    with: (next) => write(typeof next === 'string' && next !== '' ? next : null),
  };
}

/** The faces as choices, the House's own first; one that is asked for and not here is among them, so that it is seen. */
export function faceChoices(current: string): { value: string; label: string }[] {
  const list = [...FACES.list.filter(({ own }) => own), ...FACES.list.filter(({ own }) => !own)];
  const here = list.map((face) => ({ value: face.id, label: face.label }));
  return FACES.find(current) === undefined
    ? [{ value: current, label: `${current}, not here` }, ...here]
    : here;
}

const WEIGHT_NAMES: Readonly<Record<number, string>> = {
  100: 'Thin',
  200: 'Extra light',
  300: 'Light',
  400: 'Regular',
  500: 'Medium',
  600: 'Semibold',
  700: 'Bold',
  800: 'Extra bold',
  900: 'Black',
};

/** The weights that a face has, as choices; the current one is the nearest it has. */
export function weightChoices(
  faceId: string,
  weight: number,
): { choices: { value: string; label: string }[]; current: string } {
  const face = FACES.find(faceId) ?? FACES.list[0];
  // A variable face has every weight in its range; these are the ones that have names.
  const [least, most] = face.axes?.weight ?? [0, 0];
  const listed =
    face.axes === undefined
      ? Object.keys(face.files)
      : Object.keys(WEIGHT_NAMES).filter((w) => Number(w) >= least && Number(w) <= most);
  const choices = listed.map((w) => ({ value: w, label: WEIGHT_NAMES[Number(w)] ?? w }));
  const nearest = choices.reduce((best, one) =>
    Math.abs(Number(one.value) - weight) < Math.abs(Number(best.value) - weight) ? one : best,
  );
  return { choices, current: nearest.value };
}
