import type { Font } from 'fontkit';
import { create } from 'fontkit';
import type { FaceAxis, FaceFacts } from '@/core/faces/faceFile';
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
    axes: axesOf(tables.get('fvar')?.data),
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
function axesOf(fvar: Buffer | undefined): FaceAxis[] {
  if (fvar === undefined || fvar.length < 16) return [];
  const [first, count, size] = [4, 8, 10].map((at) => fvar.readUInt16BE(at));
  if (size < AXIS_BYTES || first + count * size > fvar.length) throw whole('one whose axes are cut off');
  const fixed = (at: number): number => fvar.readInt32BE(at) / 65_536;
  return Array.from({ length: count }, (_, i) => {
    const at = first + i * size;
    const tag = words(fvar.toString('latin1', at, at + 4));
    const [least, usual, most] = [fixed(at + 4), fixed(at + 8), fixed(at + 12)];
    if (least > usual || usual > most) throw whole(`one whose axis “${tag}” goes nowhere`);
    return { tag, name: AXES[tag] ?? tag, least, usual, most };
  });
}

function record(font: Font, name: string): string {
  const told: unknown = font.name.records[name];
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
