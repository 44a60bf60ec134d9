import * as yup from 'yup';
import { FORMATS } from '../layout/formats';
import { SCENES } from '../scenes';
import { SHORTEST_FRAMES } from '../timeline/stretch';
import { RATES } from '../units/rates';
import { checkValue } from './check';
import type { FieldValues } from './template';

/** A picture on the strip; all numbers are frames of the project's rate. */
export interface Clip {
  readonly id: string;
  readonly scene: string;
  readonly label: string;
  readonly startFrame: number;
  readonly lengthFrames: number;
  readonly sourceStartFrame: number;
  /** Where it was recorded; empty when nobody said. */
  readonly place: string;
  /** When it was recorded, as an ISO date or time; empty when nobody said. */
  readonly recordedAt: string;
}

/** One use of a template in a project. */
export interface Title {
  readonly id: string;
  readonly editionId: string;
  readonly startFrame: number;
  readonly lengthFrames: number;
  /** 0 is nearest the pictures; higher lanes are nearer the viewer. */
  readonly lane: number;
  readonly values: FieldValues;
}

/** What a project says of itself. */
export interface ProjectSettings {
  readonly name: string;
  readonly production: string;
  readonly format: string;
  readonly rate: string;
}

const TEN_HOURS_FRAMES = 60 * 60 * 60 * 10;
const frames = (min: number): yup.NumberSchema<number> =>
  yup.number().required().integer().min(min).max(TEN_HOURS_FRAMES);

const titleSchema = yup
  .object({
    id: yup.string().required().min(1).max(64),
    editionId: yup.string().required().min(1).max(64),
    startFrame: frames(0),
    lengthFrames: frames(SHORTEST_FRAMES),
    lane: yup.number().required().integer().min(0).max(20),
    values: yup
      .object()
      .required()
      .test('values', 'words of at most 20 000 characters, numbers and switches', (values) =>
        Object.values(values).every(
          (value) =>
            (typeof value === 'string' && value.length <= 20_000) ||
            typeof value === 'boolean' ||
            Number.isFinite(value),
        ),
      ),
  })
  .noUnknown()
  .required();

/** A title from outside, checked. Throws InputError. */
export function parseTitle(value: unknown, where = 'Title'): Title {
  return checkValue<Title>(titleSchema, value, where);
}

const settingsSchema = yup
  .object({
    name: yup.string().required().min(1).max(80),
    production: yup.string().defined().max(80),
    format: yup
      .string()
      .required()
      .test('format', 'a frame format', (id) => FORMATS.find(id) !== undefined),
    rate: yup
      .string()
      .required()
      .oneOf(RATES.list.map((rate) => rate.id)),
  })
  .noUnknown()
  .required();

/** Project settings from outside, checked. Throws InputError. */
export function parseProjectSettings(value: unknown, where = 'Project'): ProjectSettings {
  return checkValue<ProjectSettings>(settingsSchema, value, where);
}

const clipSchema = yup
  .object({
    id: yup.string().required().min(1).max(64),
    scene: yup
      .string()
      .required()
      .oneOf(SCENES.list.map((scene) => scene.id)),
    label: yup.string().defined().max(80),
    startFrame: frames(0),
    lengthFrames: frames(1),
    sourceStartFrame: frames(0),
    place: yup.string().defined().max(80),
    recordedAt: yup.string().defined().max(40),
  })
  .noUnknown()
  .required();

/** A clip from outside, checked. Throws InputError. */
export function parseClip(value: unknown, where = 'Clip'): Clip {
  return checkValue<Clip>(clipSchema, value, where);
}
