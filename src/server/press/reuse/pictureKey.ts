import { createHash } from 'node:crypto';
import type { DisplayList } from '@/core/display/list';

/** What a picture is known by: the lists that it is painted from, one for each of its fields. */
export type PictureKey = (lists: readonly DisplayList[]) => string;

/**
 * Gives pictures their keys: equal for lists that are equal in every value. Who paints, and how it is coded, is not in
 * it. Outlines are the same objects from frame to frame, so each is looked through once.
 */
export function pictureKeys(): PictureKey {
  const known = new WeakMap<object, string>();
  const shortened = (name: string, value: unknown): unknown => {
    if (name !== 'outline' || typeof value !== 'object' || value === null) return value;
    const hash = known.get(value) ?? hashOf(JSON.stringify(value));
    known.set(value, hash);
    return hash;
  };
  return (lists) => hashOf(JSON.stringify(lists, shortened));
}

const hashOf = (text: string): string => createHash('sha256').update(text).digest('base64url');
