import * as yup from 'yup';
import type { TypeOf } from './schema';
import { figure, flag, sha256, text, texts, whole } from './schema';

const facts = {
  /** SHA-256 of its bytes. */
  id: sha256(),
  fileName: text(),
  byteCount: whole(),
  family: text(),
  name: text(),
  version: text(),
  weight: whole(),
  italic: flag(),
  licence: text(),
  permission: yup
    .string()
    .oneOf(['installable', 'editable', 'preview', 'restricted'] as const)
    .required(),
  glyphCount: whole(),
  /** How many characters of each script it has, by the script's name in Unicode. */
  letters: yup.mixed<Readonly<Record<string, number>>>().required(),
  features: texts(),
  /** What the font itself calls some of its features, by tag. */
  featureNames: yup.mixed<Readonly<Record<string, string>>>().optional(),
  axes: yup
    .array()
    .of(
      yup.object({ tag: text(), name: text(), least: figure(), usual: figure(), most: figure() }).required(),
    )
    .required(),
  /** Named places on its axes. */
  styles: yup
    .array()
    .of(yup.object({ name: text(), at: yup.mixed<Readonly<Record<string, number>>>().required() }).required())
    .optional(),
  coloured: flag(),
  /** Whether texts are set in it; another one with its family, weight and slope can be, in its place. */
  inUse: flag(),
};

/** A font file that the House took in. */
export const fontFileSchema = yup.object(facts);

/** The fonts that came in with a file: whether each was not here before, and which one is in use in its place. */
export const takenFontsSchema = yup.object({
  fonts: yup
    .array()
    .of(
      yup
        .object({
          id: sha256(),
          name: text(),
          isNew: flag(),
          inUse: flag(),
          instead: yup.string().nullable().defined(),
        })
        .required(),
    )
    .required(),
});
export type TakenFonts = TypeOf<typeof takenFontsSchema>;

/** What is set in a face of the House: the names of templates. */
export const fontUsesSchema = yup.object({ names: texts() });
export type FontUses = TypeOf<typeof fontUsesSchema>;
