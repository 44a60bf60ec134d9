import type { AssetFacts } from '@/contract/assets';
import { ask } from './api';

/** All pictures that were brought in. */
export function listAssets(): Promise<AssetFacts[]> {
  return ask<AssetFacts[]>('assets');
}

/** Brings a picture in; throws an error with words for people when it is refused. */
export async function bringInPicture(file: File): Promise<AssetFacts> {
  const response = await fetch(`/api/assets?name=${encodeURIComponent(file.name)}`, {
    method: 'POST',
    body: file,
  });
  const answer: AssetFacts & { message?: string } = await response.json();
  if (!response.ok) throw new Error(answer.message ?? 'The picture was not taken in.');
  return answer;
}

/** What a file picker offers when a picture is brought in. */
export const PICTURE_TYPES = 'image/png,image/jpeg,image/webp,image/svg+xml';
