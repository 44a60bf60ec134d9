import type { CaptionFormat } from './captionFile';
import { readTtml } from './ttmlRead';
import { writeTtml } from './ttmlWrite';

export const imscFormat: CaptionFormat = {
  id: 'imsc',
  label: 'TTML, IMSC 1.1 Text',
  extension: 'ttml',
  mediaType: 'application/ttml+xml',
  read: (bytes, { encoding }) => readTtml(bytes, encoding),
  write: (cues, options) => writeTtml(cues, options, 'imsc'),
  losses: () => [],
};

export const ebuTtDFormat: CaptionFormat = {
  id: 'ebu-tt-d',
  label: 'TTML, EBU-TT-D',
  extension: 'xml',
  mediaType: 'application/ttml+xml',
  read: (bytes, { encoding }) => readTtml(bytes, encoding),
  write: (cues, options) => writeTtml(cues, options, 'ebu-tt-d'),
  losses: (cues) => [
    ...(cues.some(({ speaker }) => speaker !== '') ? ['Speakers are written before their words.'] : []),
    ...(cues.some(({ forced }) => forced) ? ['Which cues are forced is not kept.'] : []),
  ],
};
