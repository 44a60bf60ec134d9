import { FIRST_HOUSE } from '@/core/model/house';
import { nameColours } from '@/core/model/houseChanges';
import type { Plan } from '@/core/model/plan';
import { MASTER_ID } from '@/core/model/plan';
import type { Clip, Title } from '@/core/model/project';
import { newClip, newTitle } from '@/core/model/project';
import type { Template } from '@/core/model/template';
import { putAsset } from '@/db/assets';
import type { Db } from '@/db/open';
import { changeProject, insertProject } from '@/db/projects';
import { insertTemplate, releaseTemplate } from '@/db/templates';
import { CAPTION_CUES, CAPTION_TRACKS } from './captions';
import { CLOSING_CLIPS, CLOSING_ID, CLOSING_PLAN, CLOSING_SETTINGS, CLOSING_TITLES } from './closing';
import { DEMO_PICTURES, paintPicture } from './pictures';
import { DEMO_TEMPLATES } from './templates';

/** The id that a demo template is kept under. */
export const idOf = ({ name }: Template): string => name.toLowerCase().replaceAll(' ', '-');

export const DEMO_PROJECT_ID = 'lantern-regatta-2';

/** Every project of the demo, in the order it is put in. */
export const DEMO_PROJECT_IDS = [CLOSING_ID, DEMO_PROJECT_ID] as const;

const seconds = (value: number): number => Math.round(value * 25);

const RECORDED = {
  place: ['Lantern Gate', 'Osier Reach', 'Upper Weir', 'Withy Beds', 'Osier Harbour', 'Night Ferry quay'],
  recordedAt: [
    '2026-05-09T10:12',
    '2026-05-09T14:20',
    '2026-05-09T15:05',
    '2026-05-10T08:40',
    '2026-05-10T20:31',
    '2026-05-10T22:48',
  ],
};

const clip = (index: number, picture: string, label: string, from: number, to: number): Clip =>
  newClip({
    id: `clip-${index}`,
    picture,
    label,
    startFrame: seconds(from),
    lengthFrames: seconds(to) - seconds(from),
    sourceStartFrame: seconds(index * 3),
    place: RECORDED.place[index - 1],
    recordedAt: RECORDED.recordedAt[index - 1],
  });

const CLIPS: readonly Clip[] = [
  clip(1, 'lock-gates', 'Lock gates', 0, 12),
  clip(2, 'harbour-dusk', 'Harbour dusk', 12, 34),
  clip(3, 'weir', 'Weir, close', 34, 52),
  clip(4, 'reed-beds', 'Reed beds', 52, 74),
  clip(5, 'harbour-dusk', 'Harbour, late', 74, 92),
  clip(6, 'night-deck', 'Night deck', 92, 120),
];

const title = (
  index: number,
  templateId: string,
  start: number,
  length: number,
  values: Title['values'],
): Title =>
  newTitle({
    id: `title-${index}`,
    editionId: `${templateId}-1`,
    startFrame: seconds(start),
    lengthFrames: seconds(length),
    lane: 0,
    values,
  });

const TITLES: readonly Title[] = [
  title(1, 'opening-lockup', 2, 6, { title: 'Lantern Regatta', line: 'Day two' }),
  title(2, 'place-corner', 13, 4.4, { place: 'Osier Reach', when: 'low water 14:20' }),
  title(3, 'tideline-strap', 19, 5.2, { name: 'Ilse Marrow', role: 'Lockkeeper, Osier Reach' }),
  title(4, 'tideline-strap', 27, 5, { name: 'Teo Vance', role: 'Sailmaker' }),
  title(5, 'place-corner', 35, 4.4, { place: 'Upper Weir', when: 'second heat' }),
  title(6, 'tideline-strap', 42, 6, {
    name: 'Bartholomew Quillfeather-Oduya',
    role: 'Steward of the Upper Weirs',
  }),
  title(7, 'tideline-strap', 56, 5, { name: 'Noor Halloran', role: 'Tide pilot', 'panel-colour': '#3c4a22' }),
  title(8, 'tideline-strap', 64, 5.4, { name: 'نور الهلالي', role: 'مرشدة المد والجزر' }),
  title(9, 'tideline-strap', 78, 5.4, { name: 'सीमा घाटे', role: 'नौका निर्माता' }),
  title(10, 'tideline-strap', 98, 5, { name: 'Ode Pell', role: '', 'panel-colour': '#6d2a2c' }),
];

const PLAN: Plan = {
  captions: CAPTION_TRACKS,
  deliveries: [
    { id: MASTER_ID, name: 'Master', format: 'wide-1080', interlaced: false },
    { id: 'tall', name: 'Tall cut-down', format: 'tall-1080', interlaced: false },
    { id: 'square', name: 'Square cut-down', format: 'square-1080', interlaced: false },
  ],
  markers: [
    { id: 'marker-1', frame: seconds(56), name: 'Second heat starts' },
    { id: 'marker-2', frame: seconds(98), name: 'Night crossing' },
  ],
  words: ['lockkeeper', 'sailmaker'],
  setAside: [
    {
      key: 'spelling in plain-captions',
      reason: 'Read by the Hindi desk',
      by: 'Seema',
      like: { check: 'spelling', templateId: 'plain-captions' },
    },
  ],
};

/** Keeps the bytes of a picture under their hash. */
type Keep = (hash: string, bytes: Uint8Array) => Promise<void>;

/**
 * Fills an empty database with the demo: the released templates, its pictures, a project with ten titles and captions, and
 * its closing.
 */
export async function seedDemo(db: Db, keep: Keep): Promise<void> {
  for (const { facts, bytes } of DEMO_PICTURES.map(paintPicture)) {
    await keep(facts.hash, bytes);
    await putAsset(db, facts);
  }
  for (const plain of DEMO_TEMPLATES) {
    const document = nameColours(plain, FIRST_HOUSE.colours);
    const id = idOf(document);
    await insertTemplate(db, id, document);
    await releaseTemplate(db, id, 1, `${id}-1`);
  }
  // First, so that the day itself is the latest.
  await insertProject(db, CLOSING_ID, CLOSING_SETTINGS, CLOSING_CLIPS, CLOSING_PLAN);
  await changeProject(db, CLOSING_ID, {
    titles: { put: CLOSING_TITLES.map((value) => ({ value, revision: null })), remove: [] },
    clips: { put: [], remove: [] },
    cues: { put: [], remove: [] },
    plan: null,
  });
  const settings = {
    name: 'Lantern Regatta, day two',
    production: 'Lantern Regatta',
    format: 'wide-1080',
    rate: '25',
  };
  await insertProject(db, DEMO_PROJECT_ID, settings, CLIPS, PLAN);
  const put = TITLES.map((value) => ({ value, revision: null }));
  const clips = { put: [], remove: [] };
  await changeProject(db, DEMO_PROJECT_ID, {
    titles: { put, remove: [] },
    clips,
    cues: { put: CAPTION_CUES.map((value) => ({ value, revision: null })), remove: [] },
    plan: null,
  });
}
