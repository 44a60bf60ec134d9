import { toast } from 'sonner';
import type { AssetFacts, TakenPicture } from '@/contract/assets';
import type { NamedPicture } from '@/core/project/pictureNames';
import { ask, wordsOf } from './api';
import { CancelledError, sendFile } from './uploads';

/** All pictures that were brought in. */
export function listAssets(): Promise<AssetFacts[]> {
  return ask<AssetFacts[]>('assets');
}

/** All of them, by their names. */
export async function namedAssets(): Promise<NamedPicture[]> {
  return (await listAssets()).map(({ id, name }) => ({ value: id, label: name }));
}

/** Brings a picture in, and says what was done to it; throws an error with words for people when it is refused. */
export async function bringInPicture(file: File): Promise<AssetFacts> {
  const taken = await sendFile<TakenPicture>('picture', file);
  if (taken.notes.length > 0) toast(`“${file.name}” is in. ${taken.notes.join(' ')}`, { duration: 12_000 });
  return taken;
}

/** Says why a file was not taken in; a file that somebody cancelled needs no words. */
export function sayRefused(error: unknown): void {
  if (!(error instanceof CancelledError)) toast.error(wordsOf(error), { duration: 12_000 });
}

/** What a file picker offers when a picture is brought in. */
export const PICTURE_TYPES = 'image/png,image/jpeg,image/webp,image/svg+xml';
