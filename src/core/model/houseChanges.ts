import { asReference, COLOUR_VALUE, figureOf, referredColour } from '../colour/houseColour';
import { sameValue } from '../kit/sameValue';
import { eachText } from './eachText';
import type { House } from './house';
import type { Template } from './template';

/** What lists its entries by name; the rest of the house are figures and choices. */
const LISTS = ['colours', 'faces', 'finishes', 'moves', 'presets'] as const;

type HousePart = Exclude<keyof House, (typeof LISTS)[number]>;

// By name, so that what the house says next cannot be forgotten here.
const PARTS: Readonly<Record<HousePart, true>> = {
  timing: true,
  reading: true,
  checks: true,
  captions: true,
  credits: true,
  filesDays: true,
  areas: true,
  language: true,
  fallbacks: true,
};

/** Something of the house that has another value now. */
export type HouseChange =
  | {
      readonly kind: 'colour';
      readonly id: string;
      readonly name: string;
      readonly from: string;
      readonly to: string;
    }
  /** A colour that is new: places that have its figure without a name can take it. */
  | { readonly kind: 'named'; readonly id: string; readonly name: string; readonly figure: string }
  /** A colour that is no more: places that refer to it are their figure alone. */
  | { readonly kind: 'gone'; readonly id: string; readonly name: string }
  | { readonly kind: 'face'; readonly name: string; readonly from: string; readonly to: string }
  | { readonly kind: HousePart }
  /** Entries that were added, taken away, renamed or are found otherwise: nothing that is made already changes by it. */
  | { readonly kind: 'names' };

/** What differs between two states of the house. */
export function houseChanges(before: House, after: House): HouseChange[] {
  const colours = after.colours.flatMap(({ id, name, colour }): HouseChange[] => {
    const old = before.colours.find((one) => one.id === id);
    if (old === undefined) return [{ kind: 'named', id, name, figure: colour }];
    return old.colour === colour ? [] : [{ kind: 'colour', id, name, from: old.colour, to: colour }];
  });
  const gone = before.colours
    .filter(({ id }) => after.colours.every((one) => one.id !== id))
    .map(({ id, name }): HouseChange => ({ kind: 'gone', id, name }));
  const faces = after.faces.flatMap((face): HouseChange[] => {
    const old = before.faces.find(({ id }) => id === face.id);
    return old === undefined || old.face === face.face
      ? []
      : [{ kind: 'face', name: face.name, from: old.face, to: face.face }];
  });
  // A record of parts has no other keys.
  const parts = (Object.keys(PARTS) as HousePart[])
    .filter((kind) => !sameValue(before[kind], after[kind]))
    .map((kind) => ({ kind }));
  const names = LISTS.every((list) => sameValue(listed(before[list]), listed(after[list])))
    ? []
    : [{ kind: 'names' as const }];
  return [...colours, ...gone, ...faces, ...parts, ...names];
}

/** Entries without the values that are changes of their own. */
function listed(list: House[(typeof LISTS)[number]] = []): unknown {
  return list.map((entry) => ({ ...entry, colour: null, face: null }));
}

/**
 * A template with the changes of the house made in it: places that refer to a colour of the house have its figure,
 * those that have the figure of a new one refer to it, those of one that is gone keep its figure alone, and every place with exactly a face's value follows that.
 * The same object where nothing in it changes.
 */
export function followHouse(template: Template, changes: readonly HouseChange[]): Template {
  const colours = new Map<string, string>();
  const named = new Map<string, string>();
  const gone = new Set<string>();
  const faces = new Map<string, string>();
  for (const change of changes) {
    if (change.kind === 'colour') colours.set(change.id, change.to);
    // Of two entries with one value the first counts.
    if (change.kind === 'named' && !named.has(change.figure)) named.set(change.figure, change.id);
    if (change.kind === 'gone') gone.add(change.id);
    if (change.kind === 'face' && !faces.has(change.from)) faces.set(change.from, change.to);
  }
  return inDocument(template, (text, key) => {
    const id = referredColour(text);
    const figure = id === null ? undefined : colours.get(id);
    if (id !== null && gone.has(id)) return figureOf(text);
    if (id !== null) return figure === undefined ? text : asReference(figure, id);
    const name = named.get(text);
    if (name !== undefined) return asReference(text, name);
    return (isFace(key) ? faces.get(text) : undefined) ?? text;
  });
}

/** A part of the house with a colour of it as another figure, wherever it refers to that. */
export function withFigure<T>(part: T, colourId: string, figure: string): T {
  return eachText(part, (text) => (referredColour(text) === colourId ? asReference(figure, colourId) : text));
}

/**
 * A template with every colour that has exactly the figure of one of the house as that one; of two with one figure the
 * first. The same object where there is none.
 */
export function nameColours(template: Template, colours: House['colours']): Template {
  return inDocument(template, namedBy(colours));
}

/** The same of a part of a template or of the house, such as a layer. */
export function nameColoursIn<T>(part: T, colours: House['colours']): T {
  return eachText(part, namedBy(colours));
}

function namedBy(colours: House['colours']): (text: string) => string {
  const ids = new Map(colours.toReversed().map(({ id, colour }) => [colour, id]));
  return (text) => {
    const id = ids.get(text);
    return id === undefined ? text : asReference(text, id);
  };
}

const coloursKnown = new WeakMap<Template, ReadonlyMap<string, number>>();

/** The colours of a template as it has them, in how many places each. The House asks this of every template, for each colour. */
function coloursIn(template: Template): ReadonlyMap<string, number> {
  const known = coloursKnown.get(template);
  if (known !== undefined) return known;
  const found = new Map<string, number>();
  inDocument(template, (text) => {
    if (COLOUR_VALUE.test(text)) found.set(text, (found.get(text) ?? 0) + 1);
    return text;
  });
  coloursKnown.set(template, found);
  return found;
}

/** In how many places a template refers to a colour of the house, by its id. */
export function colourUses(template: Template, id: string): number {
  let count = 0;
  for (const [colour, places] of coloursIn(template)) if (referredColour(colour) === id) count += places;
  return count;
}

/** In how many places a template has a face, by its id. */
export function faceUses(template: Template, id: string): number {
  let count = 0;
  inDocument(template, (text, key) => {
    if (isFace(key) && text === id) count++;
    return text;
  });
  return count;
}

/**
 * A template that comes from another house, with what refers to colours that this one does not have as figures alone; and
 * in how many places that is.
 */
export function withoutUnknownColours(
  template: Template,
  colours: House['colours'],
): { readonly template: Template; readonly places: number } {
  const known = new Set(colours.map(({ id }) => id));
  let places = 0;
  const plain = inDocument(template, (text) => {
    const id = referredColour(text);
    if (id === null || known.has(id)) return text;
    places++;
    return figureOf(text);
  });
  return { template: plain, places };
}

/** Whether a template refers to a colour of the house with another figure than that has: a change of it was left out there. */
export function isBehind(template: Template, { id, colour }: House['colours'][number]): boolean {
  return [...coloursIn(template).keys()].some(
    (one) => referredColour(one) === id && figureOf(one) !== colour,
  );
}

/** The figures that a template has without a name of the house, in how many places each. */
export function unnamedColours(template: Template): ReadonlyMap<string, number> {
  return new Map([...coloursIn(template)].filter(([colour]) => referredColour(colour) === null));
}

/** How many layers of a template have a finish of the house on. */
export function finishUses(template: Template, finishId: string): number {
  return template.layers.filter((layer) => layer.finish === finishId).length;
}

/** How many layers of a template move as a kept move of the house does. */
export function moveUses(template: Template, move: House['moves'][number]): number {
  return template.layers.filter(
    ({ motion }) =>
      motion.in.length > 0 && sameValue(motion.in, move.motion.in) && sameValue(motion.out, move.motion.out),
  ).length;
}

// A face stands in a style, in a key of one, and in what a format or a choice sets.
const isFace = (key: string): boolean => key === 'face' || key === 'value';

/** A template with the texts of its design changed; the backdrop it is looked at over is none of the house's. */
function inDocument(template: Template, change: (text: string, key: string) => string): Template {
  const { layers, fields, overrides } = template;
  const next = eachText({ layers, fields, overrides }, change);
  return next.layers === layers && next.fields === fields && next.overrides === overrides
    ? template
    : { ...template, ...next };
}
