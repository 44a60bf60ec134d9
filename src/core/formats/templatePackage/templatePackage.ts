import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import * as yup from 'yup';
import { checkValue } from '../../model/check';
import { everyPicture } from '../../resolve/pictures';
import { exactly, listOf } from '../../model/schemaParts';
import type { Template } from '../../model/template';
import { parseTemplate } from '../../model/templateSchema';
import { InputError } from '../../kit/inputError';
import { FACES } from '../../faces/faces';

/** The newest package that this program reads and writes. docs/template-package.schema.json describes its manifest. */
const PACKAGE_VERSION = 1;
/** The ending of a package's file name. */
export const PACKAGE_EXTENSION = 'gilder.zip';

const MANIFEST = 'manifest.json';
const MOST_FILES = 200;
const MOST_BYTES = 300 * 1024 * 1024;

/** A picture of a template with its file. */
export interface PackagedPicture {
  readonly id: string;
  readonly name: string;
  readonly mediaType: string;
  readonly bytes: Uint8Array;
}

export interface TemplatePackage {
  readonly template: Template;
  readonly pictures: readonly PackagedPicture[];
  /** Faces that the template asks for and this program does not have, by id. */
  readonly missingFaces: readonly string[];
}

interface Manifest {
  readonly kind: 'gilder-template';
  readonly version: number;
  readonly template: unknown;
  readonly pictures: readonly { id: string; file: string; name: string; mediaType: string }[];
  readonly fonts: readonly { face: string; label: string; licence: string }[];
}

/** The ids of the pictures that a package of a template holds: those it shows, and a still that it lies over. */
export function packagedPictureIds(template: Template): string[] {
  const below = template.backdrop.startsWith('asset:') ? [template.backdrop.slice('asset:'.length)] : [];
  return [...new Set([...everyPicture(template), ...below])];
}

/** A template with its pictures as a zip. The same template gives the same bytes. */
export function writeTemplatePackage(template: Template, pictures: readonly PackagedPicture[]): Uint8Array {
  const listed = pictures.map(({ id, name, mediaType }, i) => ({
    id,
    file: `pictures/${i + 1}.${mediaType.split('/')[1]}`,
    name,
    mediaType,
  }));
  const fonts = facesOf(template).map((id) => {
    const face = FACES.find(id);
    return { face: id, label: face?.label ?? id, licence: face?.licence ?? 'unknown' };
  });
  const manifest: Manifest = {
    kind: 'gilder-template',
    version: PACKAGE_VERSION,
    template,
    pictures: listed,
    fonts,
  };
  const files = Object.fromEntries(listed.map(({ file }, i) => [file, pictures[i].bytes]));
  return zipSync(
    { [MANIFEST]: strToU8(JSON.stringify(manifest, null, 2)), ...files },
    // A fixed time, so that the same template gives the same file.
    { level: 6, mtime: '2026-01-01T00:00:00' },
  );
}

/** The ids of all faces that a template sets words in. */
function facesOf(template: Template): string[] {
  const ids = template.layers.flatMap((layer) => {
    if (layer.kind === 'rows') return layer.columns.map((column) => column.style.face);
    if (layer.kind !== 'text') return [];
    return [layer.style.face, ...layer.runs.flatMap((run) => run.style?.face ?? [])];
  });
  return [...new Set(ids)];
}

const text = (most: number): yup.StringSchema<string> => yup.string().required().min(1).max(most);
const manifestSchema = exactly({
  kind: yup.string().required().oneOf(['gilder-template']),
  version: yup.number().required().integer().min(1),
  template: yup.object().required(),
  pictures: listOf(
    exactly({ id: text(64), file: text(120), name: text(120), mediaType: text(60) }),
    MOST_FILES,
  ),
  fonts: listOf(exactly({ face: text(64), label: text(80), licence: text(80) }), 60),
});

/**
 * A package from outside. Throws InputError for what is no package, comes from a later version, would unpack to too
 * much, or lacks a part that its manifest names. The pictures' bytes are not yet decoded.
 */
export function readTemplatePackage(bytes: Uint8Array, where: string): TemplatePackage {
  const files = unpack(bytes, where);
  const manifest = readManifest(files, where);
  const template = parseTemplate(manifest.template, `${where}, template`);
  const listed = new Map(manifest.pictures.map((picture) => [picture.id, picture]));
  const pictures = packagedPictureIds(template).map((id): PackagedPicture => {
    const picture = listed.get(id);
    const content = picture && files[picture.file];
    if (picture === undefined || content === undefined) {
      const expected = picture === undefined ? `the picture "${id}" in its list` : `the file ${picture.file}`;
      throw InputError.of(where, expected, 'a package without it', 'Export the package again.');
    }
    return { id, name: picture.name, mediaType: picture.mediaType, bytes: content };
  });
  return { template, pictures, missingFaces: facesOf(template).filter((id) => FACES.find(id) === undefined) };
}

function unpack(bytes: Uint8Array, where: string): Record<string, Uint8Array> {
  let total = 0;
  let count = 0;
  try {
    return unzipSync(bytes, {
      // Sizes are checked as the directory of the zip tells them, before anything is unpacked.
      filter({ originalSize }) {
        total += originalSize;
        if (++count > MOST_FILES) throw InputError.of(where, `at most ${MOST_FILES} files`, 'more');
        if (total > MOST_BYTES)
          throw InputError.of(where, 'at most 300 MB when unpacked', `${Math.round(total / 1e6)} MB`);
        return true;
      },
    });
  } catch (error) {
    if (error instanceof InputError) throw error;
    throw InputError.of(where, 'a zip file that is whole', 'another kind of file');
  }
}

function readManifest(files: Record<string, Uint8Array>, where: string): Manifest {
  const found = files[MANIFEST];
  if (found === undefined)
    throw InputError.of(where, `a file named ${MANIFEST}`, Object.keys(files).slice(0, 5));
  let value: unknown;
  try {
    value = JSON.parse(strFromU8(found));
  } catch {
    throw InputError.of(`${where}, ${MANIFEST}`, 'JSON', strFromU8(found.subarray(0, 30)));
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
