import { rm } from 'node:fs/promises';
import { join } from 'node:path';
import type { Away, KeptKind, RoomFacts, RoomList, ThingUses } from '@/contract/room';
import { KEPT_KINDS, putAwaySchema } from '@/contract/room';
import { checkValue } from '@/core/model/check';
import { findAssets } from '@/db/assets';
import type { Db } from '@/db/open';
import {
  awayOf,
  databaseBytes,
  deletedBefore,
  deleteThings,
  listThings,
  roomByKind,
  setAway,
  usesOfThing,
} from '@/db/room';
import { listBackups } from '../backup/folder';
import { freeBytes } from '../incoming/disk';
import { dropPicture } from '../pictures/pictureFiles';
import { ConflictError, GoneError, NotFoundError, readId } from '../respond';
import { mediaFileName } from '../mediaFiles';
import type { Workshop } from '../workshop';
import { workshop } from '../workshop';

const KEPT_DAYS = 30;
const DAY_MS = 24 * 60 * 60 * 1000;
const MOST_LISTED = 200;

/** Throws GoneError for a thing that was deleted and can still be brought back. */
export async function refuseDeleted(db: Db, kind: KeptKind, id: string): Promise<void> {
  if ((await awayOf(db, kind, id)) !== 'deleted') return;
  throw new GoneError(`This ${kind} was deleted. It can be brought back under House, Room.`);
}

/** A kind of thing from an address. Throws NotFoundError. */
export function readKind(value: string): KeptKind {
  const kind = KEPT_KINDS.find((one) => one === value);
  if (kind === undefined) throw new NotFoundError(`Nothing of the kind "${value.slice(0, 40)}" is kept.`);
  return kind;
}

/** What takes room, and what is left. */
export async function getRoom(): Promise<RoomFacts> {
  const { db, dataFolder } = await workshop();
  return {
    kinds: await roomByKind(db),
    databaseBytes: await databaseBytes(db),
    backups: await listBackups(dataFolder),
    freeBytes: await freeBytes(dataFolder),
  };
}

/** The largest things of a kind, in use or out of the way. */
export async function getThings(kind: KeptKind, isAway: boolean): Promise<RoomList> {
  return listThings((await workshop()).db, kind, isAway, MOST_LISTED);
}

/** What uses a thing. Throws NotFoundError. */
export async function getUses(kind: KeptKind, id: string): Promise<ThingUses> {
  const { db } = await workshop();
  await refuseUnknown(db, kind, id);
  return usesOfThing(db, kind, id);
}

async function refuseUnknown(db: Db, kind: KeptKind, id: string): Promise<void> {
  if ((await awayOf(db, kind, readId(id, kind))) === undefined)
    throw new NotFoundError(`There is no ${kind} "${id}".`);
}

/** Sets a thing aside, deletes it so that it can be brought back for 30 days, or brings it back. */
export async function putAway(kind: KeptKind, id: string, body: Record<string, unknown>): Promise<void> {
  const { away } = checkValue<{ readonly away: Away | null }>(putAwaySchema, body, 'Request');
  const { db, press } = await workshop();
  await refuseUnknown(db, kind, id);
  if (away !== null && kind === 'job') await press.cancel(id);
  await setAway(db, kind, id, away);
}

/** Deletes a thing for good, with its files. Throws ConflictError for one that is in use, and says by what. */
export async function deleteForGood(kind: KeptKind, id: string): Promise<void> {
  const shop = await workshop();
  await refuseUnknown(shop.db, kind, id);
  const { names, count } = await usesOfThing(shop.db, kind, id);
  if (count > 0) {
    const more = count > names.length ? ` and ${count - names.length} more` : '';
    throw new ConflictError(`This ${kind} is in use by ${names.join(', ')}${more}, so it was not deleted.`);
  }
  await remove(shop, kind, [id]);
}

/** Removes pictures and their files. */
export async function dropPictures(db: Db, folder: string, ids: readonly string[]): Promise<void> {
  const found = await findAssets(db, ids);
  await deleteThings(db, 'picture', ids);
  for (const { hash } of found) await dropPicture(folder, hash);
}

async function remove(shop: Workshop, kind: KeptKind, ids: readonly string[]): Promise<void> {
  if (kind === 'picture') return dropPictures(shop.db, shop.pictureFolder, ids);
  for (const id of kind === 'job' ? ids : []) await shop.press.cancel(id);
  await deleteThings(shop.db, kind, ids);
  for (const id of ids) {
    if (kind === 'job') await rm(shop.press.folderOf(id), { recursive: true, force: true });
    if (kind === 'video') await rm(join(shop.mediaFolder, mediaFileName(id)), { force: true });
  }
}

/** Removes for good what was deleted more than 30 days ago and nothing uses. */
export async function sweepDeleted(shop: Workshop, now = Date.now()): Promise<void> {
  for (const kind of KEPT_KINDS) {
    for (const id of await deletedBefore(shop.db, kind, new Date(now - KEPT_DAYS * DAY_MS))) {
      if ((await usesOfThing(shop.db, kind, id)).count === 0) await remove(shop, kind, [id]);
    }
  }
}
