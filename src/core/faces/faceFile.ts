import { COMMON, scriptName, scriptOf } from './scripts';

/** What its maker lets a font be embedded for (OpenType 1.9, OS/2 fsType): nothing set, or one of bits 1 to 3. */
export type Permission = 'installable' | 'editable' | 'preview' | 'restricted';

/** An axis of a variable font (OpenType 1.9, fvar), in its own scale. */
export interface FaceAxis {
  readonly tag: string;
  readonly name: string;
  readonly least: number;
  readonly usual: number;
  readonly most: number;
}

/** A named place on the axes of a variable font (OpenType 1.9, fvar instances). */
export interface NamedStyle {
  readonly name: string;
  /** By axis tag. */
  readonly at: Readonly<Record<string, number>>;
}

/** What a font file says of itself, as it was read when it was taken in. */
export interface FaceFacts {
  /** The typographic family (name table, 16 or 1), without its weight. */
  readonly family: string;
  /** The full name (name table, 4). */
  readonly name: string;
  readonly version: string;
  /** 1 to 1000 (OS/2 usWeightClass). */
  readonly weight: number;
  readonly italic: boolean;
  readonly licence: string;
  readonly permission: Permission;
  readonly glyphCount: number;
  /** How many characters of each script it has, by the script's name in Unicode, from its own table. */
  readonly letters: Readonly<Record<string, number>>;
  /** Tags of OpenType features. */
  readonly features: readonly string[];
  /** What the font itself calls some of them, by tag; left out for one that says nothing. */
  readonly featureNames?: Readonly<Record<string, string>>;
  readonly axes: readonly FaceAxis[];
  /** Left out for a font without any. */
  readonly styles?: readonly NamedStyle[];
  /** Whether some of its glyphs have colours of their own. */
  readonly coloured: boolean;
}

/** A font file that the House took in. */
export interface FaceFile extends FaceFacts {
  /** SHA-256 of its bytes. */
  readonly id: string;
  /** The name that it came under. */
  readonly fileName: string;
  readonly byteCount: number;
  /** Whether texts are set in it; another one with its family, weight and slope can be, in its place. */
  readonly inUse: boolean;
}

/** How many characters of each script there are; what goes with any script is not counted. */
export function countLetters(codePoints: Iterable<number>): Record<string, number> {
  const counts = new Map<string, number>();
  for (const codePoint of codePoints) {
    const tag = scriptOf(codePoint);
    const name = tag === COMMON ? undefined : scriptName(tag);
    if (name !== undefined) counts.set(name, (counts.get(name) ?? 0) + 1);
  }
  return Object.fromEntries(counts);
}

/** The scripts of a font with how many characters each has, most first. */
export function lettersOf({ letters }: Pick<FaceFacts, 'letters'>): [script: string, count: number][] {
  return Object.entries(letters).toSorted(([, a], [, b]) => b - a);
}

/** Whether a package may take a font along: its maker lets it be installed, or embedded where it can be edited. */
export function mayTravel({ permission }: Pick<FaceFacts, 'permission'>): boolean {
  return permission === 'installable' || permission === 'editable';
}

/** The permission that bits 0 to 3 of fsType give; of several the least restrictive counts (OpenType 1.9, OS/2). */
export function permissionOf(fsType: number): Permission {
  if ((fsType & 0x8) !== 0) return 'editable';
  if ((fsType & 0x4) !== 0) return 'preview';
  return (fsType & 0x2) !== 0 ? 'restricted' : 'installable';
}
