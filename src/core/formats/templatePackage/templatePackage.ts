import { strFromU8, strToU8, zipSync } from 'fflate';
import * as yup from 'yup';
import { checkValue } from '../../model/check';
import { everyFace } from '../../resolve/faces';
import { everyPicture } from '../../resolve/pictures';
import { exactly, listOf } from '../../model/schemaParts';
import type { Template } from '../../model/template';
import { soundFileId } from '../../model/templateSound';
import { parseTemplate } from '../../model/templateSchema';
import { InputError } from '../../kit/inputError';
import { wellFormedValue } from '../../kit/wellFormed';
import { FACES } from '../../faces/faces';

/** The newest package that this program reads and writes. docs/template-package.schema.json describes its manifest. */
const PACKAGE_VERSION = 3;
const VERSION_WITHOUT_SOUND = 2;
/** What a package without fonts is: programs that know none read it as well. */
const VERSION_WITHOUT_FONTS = 1;
/** The ending of a package's file name. */
export const PACKAGE_EXTENSION = 'gilder.zip';

/** The entry of a package that tells what else is in it. */
export const MANIFEST = 'manifest.json';
const MOST_FILES = 200;

/** A picture of a template with its file. */
export interface PackagedPicture {
  readonly id: string;
  readonly name: string;
  readonly mediaType: string;
  readonly bytes: Uint8Array;
}

/** A font file of a face that does not ship. */
export interface PackagedFont {
  readonly face: string;
  readonly fileName: string;
  readonly bytes: Uint8Array;
}

/** The file of the sound that a template plays along with. */
export interface PackagedSound {
  readonly fileName: string;
  readonly bytes: Uint8Array;
}

/** A font or sound that a package holds: where in it it is, and the name that it came under. */
interface ListedFile {
  readonly file: string;
  readonly name: string;
}

/** A picture that a package holds: where in it its file is. */
interface ListedPicture {
  readonly id: string;
  readonly file: string;
  readonly name: string;
  readonly mediaType: string;
}

export interface TemplatePackage {
  readonly template: Template;
  /** The pictures that the template needs. */
  readonly pictures: readonly ListedPicture[];
  /** The fonts that it brings for faces that do not ship. */
  readonly fonts: readonly ListedFile[];
  /** The sound that it plays along with; null where it has none of its own. */
  readonly sound: ListedFile | null;
}

interface Manifest {
  readonly kind: 'gilder-template';
  readonly version: number;
  readonly template: unknown;
  readonly pictures: readonly ListedPicture[];
  readonly fonts: readonly {
    readonly face: string;
    readonly label: string;
    readonly licence: string;
    /** Left out where it ships with the program, or may not travel. */
    readonly files?: readonly ListedFile[];
  }[];
  /** Left out for none. */
  readonly sound?: ListedFile;
}

/** The ids of the pictures that a package of a template holds: those it shows, and a still that it lies over. */
export function packagedPictureIds(template: Template): string[] {
  const below = template.backdrop.startsWith('asset:') ? [template.backdrop.slice('asset:'.length)] : [];
  return [...new Set([...everyPicture(template), ...below])];
}

/** The ids of faces that a template asks for and that are not here. */
export function missingFaces(template: Template): string[] {
  return everyFace(template).filter((id) => FACES.find(id) === undefined);
}

/** A template with its pictures, fonts and sound as a zip. The same template gives the same bytes. */
export function writeTemplatePackage(
  template: Template,
  pictures: readonly PackagedPicture[],
  own: readonly PackagedFont[] = [],
  sound: PackagedSound | null = null,
): Uint8Array {
  const listed = pictures.map(({ id, name, mediaType }, i) => ({
    id,
    file: `pictures/${i + 1}.${mediaType.split('/')[1]}`,
    name,
    mediaType,
  }));
  const placed = own.map((font, i) => ({ ...font, file: `fonts/${i + 1}.${endingOf(font.bytes)}` }));
  const fonts = everyFace(template).map((id) => {
    const face = FACES.find(id);
    const files = placed.flatMap((one) => (one.face === id ? { file: one.file, name: one.fileName } : []));
    const told = { face: id, label: face?.label ?? id, licence: face?.licence ?? 'unknown' };
    return files.length === 0 ? told : { ...told, files };
  });
  const manifest: Manifest = {
    kind: 'gilder-template',
    version: versionFor(placed.length > 0, sound !== null),
    template,
    pictures: listed,
    fonts,
    ...(sound !== null && { sound: { file: soundFile(sound), name: sound.fileName } }),
  };
  const files = Object.fromEntries([
    ...listed.map(({ file }, i) => [file, pictures[i].bytes] as const),
    ...placed.map(({ file, bytes }) => [file, bytes] as const),
    ...(sound === null ? [] : [[soundFile(sound), sound.bytes] as const]),
  ]);
  return zipSync(
    { [MANIFEST]: strToU8(JSON.stringify(manifest, null, 2)), ...files },
    // A fixed time, so that the same template gives the same file.
    { level: 6, mtime: '2026-01-01T00:00:00' },
  );
}

function versionFor(hasFonts: boolean, hasSound: boolean): number {
  if (hasSound) return PACKAGE_VERSION;
  return hasFonts ? VERSION_WITHOUT_SOUND : VERSION_WITHOUT_FONTS;
}

const soundFile = ({ fileName }: PackagedSound): string =>
  `sound/1.${/\.([a-z0-9]{3,4})$/i.exec(fileName)?.[1].toLowerCase() ?? 'bin'}`;

/** 'OTTO' is for CFF outlines (OpenType 1.9, Organization of an OpenType Font). */
const endingOf = (bytes: Uint8Array): string => (bytes[0] === 0x4f ? 'otf' : 'ttf');

const text = (most: number): yup.StringSchema<string> => yup.string().required().min(1).max(most);
/** What is checked of a manifest before its template is. */
export const manifestSchema = exactly({
  kind: yup.string().required().oneOf(['gilder-template']),
  version: yup.number().required().integer().min(1),
  template: yup.object().required(),
  pictures: listOf(
    exactly({ id: text(64), file: text(120), name: text(120), mediaType: text(60) }),
    MOST_FILES,
  ),
  fonts: listOf(
    exactly({
      face: text(64),
      label: text(80),
      licence: text(80),
      files: yup
        .array()
        .of(exactly({ file: text(120), name: text(120) }))
        .max(40),
    }),
    60,
  ),
  sound: exactly({ file: text(120), name: text(120) })
    .default(undefined)
    .optional(),
});

/**
 * What a package from outside holds, by its manifest and the names of its files. Throws InputError for what is no
 * package, comes from a later version, or lacks a part that its manifest names.
 */
export function readTemplatePackage(
  manifestBytes: Uint8Array,
  names: ReadonlySet<string>,
  where: string,
): TemplatePackage {
  const manifest = readManifest(manifestBytes, where);
  const template = parseTemplate(manifest.template, `${where}, template`);
  const listed = new Map(manifest.pictures.map((picture) => [picture.id, picture]));
  const pictures = packagedPictureIds(template).map((id) => {
    const picture = listed.get(id);
    if (picture !== undefined && names.has(picture.file)) return picture;
    const expected = picture === undefined ? `the picture "${id}" in its list` : `the file ${picture.file}`;
    throw InputError.of(where, expected, 'a package without it', 'Export the package again.');
  });
  const asked = new Set(everyFace(template));
  const fonts = manifest.fonts.flatMap(({ face, files = [] }) => (asked.has(face) ? files : []));
  const sound =
    soundFileId(template.sound) === null ? null : (manifest.sound ?? { file: 'sound/1', name: '' });
  const lost = [...fonts, ...(sound === null ? [] : [sound])].find(({ file }) => !names.has(file));
  if (lost !== undefined)
    throw InputError.of(
      where,
      `the file ${lost.file} in it`,
      'a package without it',
      'Export the package again.',
    );
  return { template, pictures, fonts, sound };
}

function readManifest(bytes: Uint8Array, where: string): Manifest {
  let value: unknown;
  try {
    value = wellFormedValue(JSON.parse(strFromU8(bytes)));
  } catch {
    throw InputError.of(`${where}, ${MANIFEST}`, 'JSON', strFromU8(bytes.subarray(0, 30)));
  }
  const version = typeof value === 'object' && value !== null ? Reflect.get(value, 'version') : undefined;
  if (typeof version === 'number' && version > PACKAGE_VERSION) {
    const advice = 'It was exported by a later Gilder; bring this one up to date to open it.';
    throw InputError.of(`${where}, version`, `version ${PACKAGE_VERSION} or earlier`, version, advice);
  }
  return checkValue<Manifest>(manifestSchema, value, `${where}, ${MANIFEST}`);
}

/** The template with its pictures known by other ids, as another installation keeps them. */
export function renamePictures(template: Template, ids: ReadonlyMap<string, string>): Template {
  const renamed = (id: string | null): string | null => (id === null ? null : (ids.get(id) ?? id));
  const backdrop = template.backdrop.startsWith('asset:')
    ? `asset:${renamed(template.backdrop.slice('asset:'.length))}`
    : template.backdrop;
  return {
    ...template,
    backdrop,
    layers: template.layers.map((layer) => {
      const look = { ...layer.look, picture: renamed(layer.look.picture) };
      return layer.kind === 'picture' ? { ...layer, look, asset: renamed(layer.asset) } : { ...layer, look };
    }),
  };
}
