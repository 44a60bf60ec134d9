import type { DocumentWords, ThingWords } from '@/core/draft/changeWords';
import { partNamed } from '@/core/draft/changeWords';

const PARTS: Readonly<Record<string, string>> = {
  name: 'Name',
  colour: 'Colour',
  face: 'Font',
};

function thing(one: string, many: string): ThingWords {
  return {
    one,
    many,
    nameOf: ({ name }) => String(name ?? ''),
    partOf: (_thing, paths) => partNamed(PARTS, paths),
  };
}

/** How what is done in the House is called in its history. */
export const HOUSE_WORDS: DocumentWords = {
  lists: {
    colours: thing('colour', 'colours'),
    faces: thing('font', 'fonts'),
    finishes: thing('finish', 'finishes'),
    moves: thing('move', 'moves'),
    presets: thing('preset', 'presets'),
  },
  parts: {
    timing: 'Fades',
    reading: 'Reading',
    checks: 'Checks',
    captions: 'Captions',
    credits: 'Credits',
    areas: 'Safe areas',
    filesDays: 'How long files are kept',
    language: 'Language',
    fallbacks: 'Fallback fonts',
  },
};
