import { createHash } from 'node:crypto';
import { mkdir, readFile, rm, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { nanoid } from 'nanoid';
import type { TakenFonts } from '@/contract/fonts';
import type { BroughtIn } from '@/contract/templates';
import {
  MANIFEST,
  PACKAGE_EXTENSION,
  missingFaces,
  packagedPictureIds,
  readTemplatePackage,
  renamePictures,
  writeTemplatePackage,
} from '@/core/formats/templatePackage/templatePackage';
import type {
  PackagedFont,
  PackagedPicture,
  PackagedSound,
} from '@/core/formats/templatePackage/templatePackage';
import { InputError } from '@/core/kit/inputError';
import { findAssets } from '@/db/assets';
import { findHouse } from '@/db/house';
import { insertTemplate } from '@/db/templates';
import { mayTravel } from '@/core/faces/faceFile';
import { ownFaceId } from '@/core/faces/ownFaces';
import { listFonts } from '@/db/fonts';
import { everyFace } from '@/core/resolve/faces';
import type { House } from '@/core/model/house';
import { isBehind, withoutUnknownColours } from '@/core/model/houseChanges';
import type { Template } from '@/core/model/template';
import { soundFileId } from '@/core/model/templateSound';
import { fileSlug } from '@/core/kit/fileSlug';
import type { ReceivedFile } from '../incoming/receiveBody';
import type { OpenZip } from '../incoming/unzip';
import { openZip } from '../incoming/unzip';
import { readPictures } from '../pictures/pictureFiles';
import { workshop } from '../workshop';
import { learnHouseFaces, readFonts } from '../fontFiles';
import { dropFonts, LARGEST_FONT_BYTES, takeInFonts } from './fonts';
import { LARGEST_BYTES, takeInPicture } from './assets';
import { INCOMING, mediaFileName } from '../mediaFiles';
import { dropPictures } from './room';
import { LARGEST_SOUND_BYTES, takeInSound } from './sounds';
import { getTemplate } from './templates';

/** The largest package that is taken in. */
export const LARGEST_PACKAGE = 200_000_000;
const LARGEST_MANIFEST = 8_000_000;

/** A template as a package to download. Throws NotFoundError, and InputError when a picture of it is gone. */
export async function templatePackage(id: string): Promise<Response> {
  const { document } = await getTemplate(id);
  const { db, pictureFolder } = await workshop();
  const pictures: PackagedPicture[] = [];
  const ids = packagedPictureIds(document);
  const files = await readPictures(db, pictureFolder, ids);
  const known = new Map((await findAssets(db, ids)).map((asset) => [asset.id, asset]));
  for (const pictureId of ids) {
    const asset = known.get(pictureId);
    const bytes = files.get(pictureId);
    if (asset === undefined || bytes === undefined) {
      const advice = 'Choose another picture for it on the bench first.';
      throw InputError.of(`Template "${document.name}"`, 'pictures that are here', pictureId, advice);
    }
    const { name, mediaType } = asset;
    pictures.push({ id: pictureId, name, mediaType, bytes: Uint8Array.from(bytes) });
  }
  const [fonts, sound] = [await packagedFonts(document), await packagedSound(document)];
  const bytes = writeTemplatePackage(document, pictures, fonts, sound);
  const name = `${fileSlug(document.name) || 'template'}.${PACKAGE_EXTENSION}`;
  return new Response(Uint8Array.from(bytes), {
    headers: {
      'Content-Type': 'application/zip',
      'Content-Disposition': `attachment; filename*=UTF-8''${encodeURIComponent(name)}`,
    },
  });
}

/** The sound of a template. Throws InputError where it is gone. */
async function packagedSound(document: Template): Promise<PackagedSound | null> {
  const id = soundFileId(document.sound);
  if (id === null) return null;
  const { mediaFolder } = await workshop();
  const bytes = await readFile(join(mediaFolder, mediaFileName(id))).catch(() => null);
  if (bytes === null) {
    const advice = 'Choose another sound for it on the bench first.';
    throw InputError.of(`Template "${document.name}"`, 'a sound that is here', document.sound?.name, advice);
  }
  return { fileName: mediaFileName(id), bytes };
}

/** The fonts of a template that do not ship and may travel; the package names the others. */
async function packagedFonts(document: Template): Promise<PackagedFont[]> {
  const { db, pictureFolder } = await workshop();
  const asked = new Set(everyFace(document));
  const travelling = (await listFonts(db)).filter(
    (file) => file.inUse && mayTravel(file) && asked.has(ownFaceId(file)),
  );
  const files = await readFonts(
    pictureFolder,
    travelling.map(({ id }) => id),
  );
  return travelling.flatMap((file): PackagedFont[] => {
    const bytes = files.get(file.id);
    return bytes === undefined ? [] : [{ face: ownFaceId(file), fileName: file.fileName, bytes }];
  });
}

/** Takes a package in as a new template. Its pictures are checked like any others. Throws InputError. */
export async function takeInPackage(fileName: string, file: Pick<ReceivedFile, 'path'>): Promise<BroughtIn> {
  const where = `Package "${fileName}"`;
  const zip = await openZip(file.path, where);
  try {
    return await takeInZip(zip, where);
  } finally {
    zip.close();
  }
}

async function takeInZip(zip: OpenZip, where: string): Promise<BroughtIn> {
  const { db, pictureFolder } = await workshop();
  const manifest = await zip.read(MANIFEST, LARGEST_MANIFEST);
  const { template, pictures, fonts, sound } = readTemplatePackage(manifest, zip.names, where);
  const ids = new Map<string, string>();
  const isNew: string[] = [];
  const newFonts: string[] = [];
  const notes: string[] = [];
  try {
    for (const picture of pictures) {
      const name = `${picture.name.replace(/\.\w+$/, '')}.${picture.mediaType.split('/')[1]}`;
      const taken = await takeInPicture(name, await zip.read(picture.file, LARGEST_BYTES));
      if (taken.isNew) isNew.push(taken.id);
      ids.set(picture.id, taken.id);
      notes.push(...taken.notes.map((note) => `${picture.name}: ${note}`));
    }
    for (const font of fonts) {
      const taken = await takeInFonts(font.name, await zip.read(font.file, LARGEST_FONT_BYTES));
      newFonts.push(...taken.fonts.filter(({ isNew }) => isNew).map((one) => one.id));
      notes.push(...taken.fonts.flatMap(sayFont));
    }
    const id = nanoid(12);
    const { colours } = (await findHouse(db)).document;
    const { template: own, places } = withoutUnknownColours(renamePictures(template, ids), colours);
    notes.push(...sayColours(own, places, colours));
    await insertTemplate(db, id, sound === null ? own : await withSound(zip, sound.file, own));
    await learnHouseFaces(db);
    return { id, name: template.name, missingFaces: missingFaces(template), notes };
  } catch (error) {
    // A package that is refused leaves nothing behind.
    await dropPictures(db, pictureFolder, isNew);
    await dropFonts(newFonts);
    throw error;
  }
}

/** Takes in the sound of a package, and gives the template that plays along with it. Throws InputError. */
async function withSound(zip: OpenZip, file: string, template: Template): Promise<Template> {
  const { mediaFolder } = await workshop();
  const bytes = await zip.read(file, LARGEST_SOUND_BYTES);
  const path = join(mediaFolder, `${nanoid()}${INCOMING}`);
  const name = template.sound?.name ?? 'Sound';
  try {
    await mkdir(mediaFolder, { recursive: true });
    await writeFile(path, bytes);
    const sha256 = createHash('sha256').update(bytes).digest('hex');
    const { id } = await takeInSound(name, { path, bytes: bytes.length, sha256 });
    return { ...template, sound: { source: `media:${id}`, name } };
  } finally {
    await rm(path, { force: true });
  }
}

/** What somebody who opens a package should know of its colours, where another House gave them their names. */
function sayColours(template: Template, unknownPlaces: number, colours: House['colours']): string[] {
  const otherwise = colours.filter((colour) => isBehind(template, colour)).map(({ name }) => `“${name}”`);
  return [
    ...(unknownPlaces === 0
      ? []
      : [
          `In ${unknownPlaces === 1 ? 'one place' : `${unknownPlaces} places`} its colours have names that this House does not know; they keep their figures.`,
        ]),
    ...(otherwise.length === 0
      ? []
      : [
          `${otherwise.join(', ')} ${otherwise.length === 1 ? 'has another figure' : 'have other figures'} in it than in this House, and ${otherwise.length === 1 ? 'keeps it' : 'keep them'}.`,
        ]),
  ];
}

/** What somebody who opens a package should know of a font in it. */
function sayFont({ name, isNew, instead }: TakenFonts['fonts'][number]): string[] {
  if (instead === null) return isNew ? [`The font “${name}” came with it.`] : [];
  return [`It brings another “${name}” than the one in use, version ${instead}. House, Fonts has both.`];
}
