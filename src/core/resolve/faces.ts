import { FACES } from '../faces/faces';
import { facesOf } from '../model/facesOf';
import type { FieldValue, Template } from '../model/template';

const isFace = (path: string): boolean => path === 'face' || path.endsWith('.face');

/**
 * The ids of all faces that a template can set words in: by design, in any format, in any variant, at any key, and
 * what a field offers as a choice, which may be a face.
 */
export function everyFace({ layers, overrides, fields }: Template): string[] {
  const choices = fields.flatMap(({ limits }) => limits.choices ?? []);
  const settings = [...overrides, ...choices.flatMap(({ sets }) => sets ?? [])];
  const keyed = layers.flatMap(({ motion }) => motion.tracks.filter(({ path }) => isFace(path)));
  const chosen = fields.filter(({ targets }) => targets.some(({ path }) => isFace(path)));
  const values: FieldValue[] = [
    ...chosen.flatMap(({ limits: { choices: offered = [] } }) => offered.map(({ value }) => value)),
    ...settings.flatMap(({ path, value }) => (isFace(path) ? [value] : [])),
    ...keyed.flatMap(({ keys }) => keys.map(({ value }) => value)),
  ];
  return [
    ...new Set([
      ...layers.flatMap(facesOf),
      ...values.filter((value): value is string => typeof value === 'string'),
    ]),
  ];
}

/** The scripts that a template's words can be in: those its own faces have, and those that others stand in for. */
export function scriptsOfTemplate(template: Template): {
  readonly own: readonly string[];
  readonly standIn: readonly string[];
} {
  const own = new Set(everyFace(template).flatMap((id) => FACES.find(id)?.scripts ?? []));
  const shipped = FACES.list.filter((face) => face.own !== true).flatMap(({ scripts }) => scripts);
  return { own: [...own], standIn: [...new Set(shipped)].filter((script) => !own.has(script)) };
}
