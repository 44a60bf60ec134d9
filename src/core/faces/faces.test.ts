import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from '@jest/globals';
import { FACES, nearestWeight, nearestWidth } from './faces';

const FONTS = join(import.meta.dirname, '../../../public/fonts');
const ASKED = ['tnum', 'onum', 'smcp', 'frac'];

/** The tags in a font's GSUB table (OpenType 1.9, Layout Common Table Formats). */
function gsubTags(file: string): Set<string> {
  const font = readFileSync(join(FONTS, file));
  const tag = (at: number): string => font.toString('latin1', at, at + 4);
  const tables = Array.from({ length: font.readUInt16BE(4) }, (_, i) => 12 + 16 * i);
  const entry = tables.find((at) => tag(at) === 'GSUB');
  if (entry === undefined) return new Set();
  const gsub = font.readUInt32BE(entry + 8);
  const list = gsub + font.readUInt16BE(gsub + 6);
  return new Set(Array.from({ length: font.readUInt16BE(list) }, (_, i) => tag(list + 2 + 6 * i)));
}

describe.each(FACES.list.map((face) => [face.label, face] as const))('%s', (_label, face) => {
  test('says of itself exactly the features that each of its files has', () => {
    for (const file of Object.values(face.files)) {
      const tags = gsubTags(file);
      expect({ file, has: ASKED.filter((one) => tags.has(one)).toSorted() }).toEqual({
        file,
        has: [...face.features].toSorted(),
      });
    }
  });

  test('gives the nearest weight and width that it has to what is asked for', () => {
    const lightest = nearestWeight(face, 1);
    const heaviest = nearestWeight(face, 1000);
    expect(lightest).toBeLessThanOrEqual(heaviest);
    for (const weight of Object.keys(face.files).map(Number))
      expect(nearestWeight(face, weight)).toBe(weight);
    expect(nearestWidth(face, 100)).toBe(100);
  });
});
