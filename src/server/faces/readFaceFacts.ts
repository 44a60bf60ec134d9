import type { Font } from 'fontkit';
import { create } from 'fontkit';
import type { FaceAxis, FaceFacts, NamedStyle } from '@/core/faces/faceFile';
import { countLetters, permissionOf } from '@/core/faces/faceFile';
import { readSfnt, whole } from './sfnt';

const LONGEST_WORDS = 80;
/** The words that families are told apart by where a file does not say which of them are its weight. */
const WEIGHT_WORDS =
  /[\s-]+(thin|hairline|extra ?light|ultra ?light|light|regular|normal|book|medium|semi ?bold|demi ?bold|bold|extra ?bold|ultra ?bold|black|heavy|italic|oblique)$/i;
const SIGNS = /[\p{Cc}\p{Cf}\p{Co}\p{Cn}]/gu;

/** What a plain font file says of itself. Throws RefusedFile for one that cannot be read. */
export function readFaceFacts(bytes: Buffer): FaceFacts {
  const { tables } = readSfnt(bytes);
  const font = create(bytes);
  if (!('characterSet' in font)) throw whole('a collection inside a font');
  const family = familyOf(font);
  if (family === '') throw whole('one without a name');
  const style = font['OS/2'];
  const axes = axesOf(font, tables.get('fvar')?.data);
  const featureNames = featureNamesOf(font);
  const styles = stylesOf(font, axes, tables.get('fvar')?.data);
  return {
    family,
    name: words(font.fullName) || family,
    version: words(record(font, 'version').replace(/^version\s*/i, '')),
    weight: Math.max(1, Math.min(1000, Math.round(style.usWeightClass))),
    italic: style.fsSelection.italic || style.fsSelection.oblique || (font.italicAngle ?? 0) !== 0,
    licence: words(record(font, 'license') || record(font, 'licenseURL')) || 'not said',
    permission: permissionOf(bitsOf(style.fsType)),
    glyphCount: font.numGlyphs,
    letters: countLetters(font.characterSet),
    features: [...new Set(font.availableFeatures.filter((tag) => /^[\w ]{4}$/.test(tag)))].toSorted(),
    ...(Object.keys(featureNames).length > 0 && { featureNames }),
    axes,
    ...(styles.length > 0 && { styles }),
    coloured: ['COLR', 'CBDT', 'sbix', 'SVG '].some((tag) => tables.has(tag)),
  };
}

// OpenType 1.9, OS/2 usWidthClass, from 1 on; 5 is the regular width.
const WIDTHS = [
  'Ultra Condensed',
  'Extra Condensed',
  'Condensed',
  'Semi Condensed',
  '',
  'Semi Expanded',
  'Expanded',
  'Extra Expanded',
  'Ultra Expanded',
];

/** The family without what tells its weights and slopes apart; narrow and wide ones are families of their own. */
function familyOf(font: Font): string {
  let family = words(record(font, 'preferredFamily'));
  if (family === '') {
    family = words(font.familyName);
    while (WEIGHT_WORDS.test(family)) family = family.replace(WEIGHT_WORDS, '');
  }
  const width = WIDTHS[font['OS/2'].usWidthClass - 1] ?? '';
  const isSaid = /condensed|narrow|compressed|expanded|extended|wide/i.test(family);
  return family === '' || width === '' || isSaid ? family : `${family} ${width}`;
}

// Registered axes of OpenType 1.9 (fvar); those of a maker's own go by their tags.
const AXES: Readonly<Record<string, string>> = {
  wght: 'Weight',
  wdth: 'Width',
  slnt: 'Slant',
  ital: 'Italic',
  opsz: 'Optical size',
};
const AXIS_BYTES = 20;

/** The axes of a variable font, from its table: places and figures of 16.16 bits. */
function axesOf(font: Font, fvar: Buffer | undefined): FaceAxis[] {
  if (fvar === undefined || fvar.length < 16) return [];
  const [first, count, size] = [4, 8, 10].map((at) => fvar.readUInt16BE(at));
  if (size < AXIS_BYTES || first + count * size > fvar.length) throw whole('one whose axes are cut off');
  return Array.from({ length: count }, (_, i) => {
    const at = first + i * size;
    const tag = words(fvar.toString('latin1', at, at + 4));
    const [least, usual, most] = [4, 8, 12].map((more) => fixedAt(fvar, at + more));
    if (least > usual || usual > most) throw whole(`one whose axis “${tag}” goes nowhere`);
    const name = AXES[tag] ?? (nameById(font, fvar.readUInt16BE(at + 18)) || tag);
    return { tag, name, least, usual, most };
  });
}

const MOST_STYLES = 200;

/** Named places on the axes, from the same table; one that lies beyond an axis is none. */
function stylesOf(font: Font, axes: readonly FaceAxis[], fvar: Buffer | undefined): NamedStyle[] {
  if (fvar === undefined || axes.length === 0) return [];
  const [first, size, count, each] = [4, 10, 12, 14].map((at) => fvar.readUInt16BE(at));
  const start = first + axes.length * size;
  if (each < 4 + 4 * axes.length || start + count * each > fvar.length)
    throw whole('one whose named styles are cut off');
  return Array.from({ length: Math.min(count, MOST_STYLES) }, (_, i) => {
    const from = start + i * each;
    const at = axes.map(({ tag }, axis) => [tag, fixedAt(fvar, from + 4 + 4 * axis)] as const);
    return { name: nameById(font, fvar.readUInt16BE(from)), at: Object.fromEntries(at) };
  }).filter(
    ({ name, at }) =>
      name !== '' && axes.every(({ tag, least, most }) => at[tag] >= least && at[tag] <= most),
  );
}

const fixedAt = (table: Buffer, at: number): number => table.readInt32BE(at) / 65_536;

/** What a font calls its stylistic sets and character variants (OpenType 1.9, GSUB: both begin with two words). */
function featureNamesOf(font: Font): Record<string, string> {
  const named = (font.GSUB?.featureList ?? []).flatMap(({ tag, feature }) => {
    const id = /^(ss|cv)\d\d$/.test(tag) ? feature.featureParams?.nameID : undefined;
    const name = id === undefined ? '' : nameById(font, id);
    return name === '' ? [] : [[tag, name] as const];
  });
  return Object.fromEntries(named);
}

// The names that an instance may share with the font (OpenType 1.9, name).
const SHARED_NAMES: Readonly<Record<number, string>> = { 2: 'fontSubfamily', 17: 'preferredSubfamily' };

/** A name of the font's own by its number; empty where it has none. */
function nameById(font: Font, id: number): string {
  const shared = SHARED_NAMES[id];
  if (shared !== undefined) return words(record(font, shared));
  return words(inEnglish(Object(font.name.records.fontFeatures)[id]));
}

function record(font: Font, name: string): string {
  return inEnglish(font.name.records[name]);
}

/** A text, or the English one of texts by language, or any. */
function inEnglish(told: unknown): string {
  if (typeof told === 'string') return told;
  if (typeof told !== 'object' || told === null) return '';
  const [first] = [Reflect.get(told, 'en'), ...Object.values(told)].filter((one) => typeof one === 'string');
  return String(first ?? '');
}

/** Words from a file as they can be shown: in one line, without signs that steer. */
function words(text: unknown): string {
  if (typeof text !== 'string') return '';
  const line = text.replace(SIGNS, ' ').replace(/\s+/g, ' ').trim();
  const letters = Array.from(line);
  return letters.length <= LONGEST_WORDS
    ? line
    : `${letters
        .slice(0, LONGEST_WORDS - 1)
        .join('')
        .trimEnd()}…`;
}

function bitsOf({ noEmbedding, viewOnly, editable }: Font['OS/2']['fsType']): number {
  return (noEmbedding ? 0x2 : 0) | (viewOnly ? 0x4 : 0) | (editable ? 0x8 : 0);
}
