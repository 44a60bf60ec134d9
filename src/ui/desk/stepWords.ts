import type { DocumentWords, ThingWords } from '@/core/draft/changeWords';
import { partNamed } from '@/core/draft/changeWords';

const PARTS: Readonly<Record<string, string>> = {
  values: 'Text',
  words: 'Text',
  startFrame: 'Time',
  lengthFrames: 'Time',
  lane: 'Time',
  fadeInFrames: 'Fades',
  fadeOutFrames: 'Fades',
  shift: 'Place',
  scrim: 'Scrim',
  edge: 'Edge of words',
  perDelivery: 'One delivery’s own',
  editionId: 'Template',
  moments: 'Moments of rows',
  credits: 'Credits',
  label: 'Name',
  picture: 'Picture',
};

function thing(one: string, many: string, nameOf: ThingWords['nameOf']): ThingWords {
  return {
    one,
    many,
    nameOf,
    partOf: (_thing, paths) => partNamed(PARTS, paths),
  };
}

/** The first words that somebody typed into a title. */
function firstWords({ values }: Readonly<Record<string, unknown>>): string {
  const typed = Object.values(values ?? {}).find((value) => typeof value === 'string' && value.trim() !== '');
  return typeof typed === 'string' ? typed.split('\n')[0] : '';
}

/** How what is done on the desk is called in its history. */
export const WORK_WORDS: DocumentWords = {
  lists: {
    titles: thing('title', 'titles', firstWords),
    clips: thing('clip', 'clips', ({ label }) => String(label ?? '')),
    cues: thing('caption', 'captions', ({ words }) =>
      typeof words === 'string' ? words.split('\n')[0] : '',
    ),
  },
  parts: { plan: 'Project' },
};
