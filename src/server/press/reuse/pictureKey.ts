import { createHash } from 'node:crypto';
import type { DisplayItem, DisplayList } from '@/core/display/list';

/** What a picture is known by: the lists that it is painted from, one for each of its fields. */
export type PictureKey = (lists: readonly DisplayList[]) => string;

/**
 * Gives pictures their keys: equal for lists that are equal in every value. Who paints, and how it is coded, is not in
 * it. Outlines, and what only goes by, are the same objects from frame to frame, so each is looked through once.
 */
export function pictureKeys(): PictureKey {
  const known = new WeakMap<object, string>();
  const once = (value: object, text: () => string): string => {
    const hash = known.get(value) ?? hashOf(text());
    known.set(value, hash);
    return hash;
  };
  const shortened = (name: string, value: unknown): unknown => {
    if (typeof value !== 'object' || value === null) return value;
    if (name === 'outline') return once(value, () => JSON.stringify(value));
    if (!isMoved(value)) return value;
    return { ...value, items: once(value.items, () => JSON.stringify(value.items, shortened)) };
  };
  return (lists) => hashOf(JSON.stringify(lists, shortened));
}

type Moved = Extract<DisplayItem, { kind: 'moved' }>;

const isMoved = (value: object): value is Moved => 'kind' in value && value.kind === 'moved';

const hashOf = (text: string): string => createHash('sha256').update(text).digest('base64url');
