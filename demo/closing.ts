import type { CreditRow, Credits } from '@/core/model/credits';
import { NO_CREDITS } from '@/core/model/credits';
import type { Plan } from '@/core/model/plan';
import { MASTER_ID } from '@/core/model/plan';
import type { Clip, RowMoment, Title } from '@/core/model/project';
import { newClip, newTitle } from '@/core/model/project';
import { REGATTA_CREDITS } from './credits';

/** The end of the Lantern Regatta: a speaker's points, places that replace one another, and the end credits. */
export const CLOSING_ID = 'lantern-regatta-closing';

export const CLOSING_SETTINGS = {
  name: 'Lantern Regatta, closing',
  production: 'Lantern Regatta',
  format: 'wide-1080',
  rate: '25',
} as const;

export const CLOSING_PLAN: Plan = {
  deliveries: [
    { id: MASTER_ID, name: 'Master', format: 'wide-1080', interlaced: false },
    { id: 'broadcast', name: 'Broadcast', format: 'wide-1080', interlaced: true },
    { id: 'tall', name: 'Tall cut-down', format: 'tall-1080', interlaced: false },
    { id: 'archive', name: 'Archive', format: 'classic-576', interlaced: true },
  ],
  markers: [],
  words: ['lockkeeper', 'sailmaker'],
  setAside: [
    {
      key: 'credit-layout for tall',
      reason: 'The tall cut-down goes out without the pictures beside its credits',
      by: 'Mira',
      like: { check: 'credit-layout', deliveryId: 'tall' },
    },
  ],
};

const seconds = (value: number): number => Math.round(value * 25);

const clip = (index: number, picture: string, label: string, from: number, to: number, place: string): Clip =>
  newClip({
    id: `closing-${index}`,
    picture,
    label,
    startFrame: seconds(from),
    lengthFrames: seconds(to - from),
    place,
    recordedAt: '2026-05-10T21:40',
  });

export const CLOSING_CLIPS: readonly Clip[] = [
  clip(1, 'reed-beds', 'Speech at the reed beds', 0, 16, 'Withy Beds'),
  clip(2, 'weir', 'Weir by lantern light', 16, 30, 'Upper Weir'),
  clip(3, 'night-deck', 'Night crossing', 30, 110, 'Night Ferry quay'),
];

const POINTS = ['•\tThe river first', '•\tNo boat alone', '•\tEvery lantern home'];

// Where the stand-in begins to speak again after a breath, from the title’s start (measured from its sound).
const SPOKEN_SECONDS = [2.53, 6.82, 10.11];

const moments: readonly RowMoment[] = POINTS.map((row, i) => ({ row, seconds: SPOKEN_SECONDS[i] }));

const beside = (asset: string, side: 'left' | 'right'): CreditRow => ({
  id: `beside-${asset}`,
  kind: 'beside',
  asset,
  side,
  atSeconds: null,
  forSeconds: 9,
});

const marks: CreditRow = {
  id: 'marks',
  kind: 'pictures',
  assets: ['demo-ferry-wardens', 'demo-kiln-and-clay', 'demo-withy-beds', 'demo-lantern-gate'],
};

/** What goes with the credits: pictures of the day beside them, and the marks of those who are thanked. */
const rows = REGATTA_CREDITS.flatMap((row): CreditRow[] => {
  if (row.kind !== 'heading') return [row];
  if (row.name === 'Cameras') return [row, beside('demo-quay', 'right')];
  if (row.name === 'Lantern bearers') return [row, beside('demo-weir', 'left')];
  // The last block stands by itself.
  return row.name === 'Channel Osier' ? [marks, row] : [row];
});

const credits: Credits = { ...NO_CREDITS, rows };

const title = (index: number, templateId: string, start: number, end: number, more: Partial<Title>): Title =>
  newTitle({
    id: `closing-title-${index}`,
    editionId: `${templateId}-1`,
    startFrame: seconds(start),
    lengthFrames: seconds(end - start),
    lane: 0,
    ...more,
  });

export const CLOSING_TITLES: readonly Title[] = [
  title(1, 'point-list', 1, 15, {
    values: { heading: 'What the wardens ask', points: POINTS.join('\n') },
    moments: { points: moments },
  }),
  title(2, 'place-chain', 17, 29, { values: { places: 'Lantern Gate\nUpper Weir\nOsier Harbour' } }),
  title(3, 'harbour-roll', 31, 109, { credits }),
];
