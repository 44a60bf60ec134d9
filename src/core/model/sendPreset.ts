import * as yup from 'yup';
import { OUTPUTS } from '../outputs';
import { MOST_PATTERN_LETTERS } from '../outputs/namePattern';
import { exactly, flag, id, idOf, listOf } from './schemaParts';

/** What files are made of titles, and how they are called, under a name of the house. */
export interface SendPreset {
  readonly id: string;
  readonly name: string;
  /** Ids of outputs. */
  readonly outputs: readonly string[];
  /** A pattern of names: see `parseNamePattern`. */
  readonly names: string;
  /** A pattern of folders (see `parseFolderPattern`) under the folder of delivery; left out where files stay on the press. */
  readonly folder?: string;
  readonly premultiplied: boolean;
  /** Whether they are painted with more than 256 shades. */
  readonly fine: boolean;
}

/** As many presets as a house can have. */
export const MOST_PRESETS = 60;

/** What is checked of presets that come from outside. */
export const sendPresetsSchema = listOf(
  exactly({
    id,
    name: yup.string().required().min(1).max(60),
    outputs: listOf(idOf(OUTPUTS), OUTPUTS.list.length),
    names: yup.string().required().max(MOST_PATTERN_LETTERS),
    folder: yup.string().max(MOST_PATTERN_LETTERS),
    premultiplied: flag,
    fine: flag,
  }),
  MOST_PRESETS,
);
