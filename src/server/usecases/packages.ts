import { nanoid } from 'nanoid';
import type { BroughtIn } from '@/contract/templates';
import {
  PACKAGE_EXTENSION,
  packagedPictureIds,
  readTemplatePackage,
  renamePictures,
  writeTemplatePackage,
} from '@/core/formats/templatePackage/templatePackage';
import type { PackagedPicture } from '@/core/formats/templatePackage/templatePackage';
import { InputError } from '@/core/kit/inputError';
import { findAsset } from '@/db/assets';
import { insertTemplate } from '@/db/templates';
import { fileSlug } from '../press/orderJob';
import { workshop } from '../workshop';
import { takeInAsset } from './assets';
import { getTemplate } from './templates';

/** The largest package that is taken in. */
export const LARGEST_PACKAGE = 200 * 1024 * 1024;

/** A template as a package to download. Throws NotFoundError, and InputError when a picture of it is gone. */
export async function templatePackage(id: string): Promise<Response> {
  const { document } = await getTemplate(id);
  const { db } = await workshop();
  const pictures: PackagedPicture[] = [];
  for (const pictureId of packagedPictureIds(document)) {
    const asset = await findAsset(db, pictureId);
    if (asset === undefined) {
      const advice = 'Choose another picture for it on the bench first.';
      throw InputError.of(`Template "${document.name}"`, 'pictures that are here', pictureId, advice);
    }
    const { name, mediaType } = asset;
    pictures.push({ id: pictureId, name, mediaType, bytes: Uint8Array.from(asset.bytes) });
  }
  const bytes = writeTemplatePackage(document, pictures);
  const name = `${fileSlug(document.name) || 'template'}.${PACKAGE_EXTENSION}`;
  return new Response(Uint8Array.from(bytes), {
    headers: {
      'Content-Type': 'application/zip',
      'Content-Disposition': `attachment; filename*=UTF-8''${encodeURIComponent(name)}`,
    },
  });
}

/** Takes a package in as a new template. Its pictures are checked like any others. Throws InputError. */
export async function takeInPackage(fileName: string, bytes: Uint8Array): Promise<BroughtIn> {
  const { template, pictures, missingFaces } = readTemplatePackage(bytes, `Package "${fileName}"`);
  const ids = new Map<string, string>();
  for (const picture of pictures) {
    const ending = picture.mediaType.split('/')[1];
    const stem = picture.name.replace(/\.\w+$/, '');
    ids.set(picture.id, (await takeInAsset(`${stem}.${ending}`, picture.bytes)).id);
  }
  const id = nanoid(12);
  await insertTemplate((await workshop()).db, id, renamePictures(template, ids));
  return { id, name: template.name, missingFaces };
}
