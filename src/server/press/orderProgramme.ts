import type { JobOrder } from '@/contract/jobs';
import type { ProjectRecord } from '@/contract/projects';
import type { EditionRecord } from '@/contract/templates';
import { cueTitle } from '@/core/captions/cueTitle';
import { PLAIN_CAPTION, PLAIN_CAPTION_ID } from '@/core/captions/plainCaption';
import { InputError } from '@/core/kit/inputError';
import type { Delivery } from '@/core/model/plan';
import type { Clip, Title } from '@/core/model/project';
import type { FieldValues, Template } from '@/core/model/template';
import { titleIn } from '@/core/project/deliver';
import type { GroundClip } from '@/core/project/ground';
import { endOf } from '@/core/project/lanes';
import type { JobPart, JobProgramme } from '@/db/schema';

/** What a programme is made of, besides its project. */
interface ProgrammeOf {
  readonly delivery: Delivery;
  readonly editions: ReadonlyMap<string, EditionRecord>;
  /** The values that a title goes to air with. */
  readonly airValuesOf: (title: Title) => FieldValues;
  /** Whether it goes out with the pictures under it. */
  readonly withPictures: boolean;
}

/**
 * A whole programme as one file: its titles, or the captions of a track, or both. Titles that are not painted are there
 * all the same, for captions to keep clear of. Throws InputError where nothing is painted, and for captions that wait for
 * their times.
 */
export function programmeToJob(
  project: ProjectRecord,
  { titles: withTitles, trackId, burnIn = false }: NonNullable<JobOrder['programme']>,
  { delivery, editions, airValuesOf, withPictures }: ProgrammeOf,
): JobProgramme {
  const documents: Template[] = [];
  const numberOf = (document: Template): number => {
    const at = documents.indexOf(document);
    return at < 0 ? documents.push(document) - 1 : at;
  };
  const titles = project.titles
    .flatMap((title) => titleIn(title, delivery.id) ?? [])
    .flatMap((title): JobPart[] => {
      const document = editions.get(title.editionId)?.document;
      if (document === undefined) throw InputError.of('Title', 'an edition that exists', title.editionId);
      return [
        {
          ...partOf({ ...title, values: airValuesOf(title) }),
          document: numberOf(document),
          place: null,
          painted: withTitles,
          number: project.titles.findIndex(({ id }) => id === title.id) + 1,
        },
      ];
    });
  const captions = captionParts(project, trackId, editions, numberOf);
  const parts = [...titles, ...captions];
  if (!parts.some(({ painted }) => painted))
    throw InputError.of(
      'Programme',
      'titles or captions to paint',
      'none',
      'Choose titles, a caption track, or both.',
    );
  const spans = [...project.clips, ...parts];
  return {
    titleId: 'programme',
    fileStem: programmeStem(withTitles, trackId !== null, withPictures, burnIn),
    lengthFrames: spans.reduce((last, span) => Math.max(last, endOf(span)), 1),
    onlyFrame: null,
    documents,
    parts,
    ...(withPictures ? { ground: { clips: project.clips.map(groundClip), burnIn } } : {}),
  };
}

function programmeStem(titles: boolean, captions: boolean, pictures: boolean, burnIn: boolean): string {
  if (pictures && burnIn) return 'proof-copy';
  const parts = [titles ? 'titles' : '', captions ? 'captions' : ''].filter(Boolean).join('-and-');
  return pictures ? `pictures-with-${parts}` : parts;
}

const groundClip = ({ picture, startFrame, lengthFrames, sourceStartFrame }: Clip): GroundClip => ({
  picture,
  startFrame,
  lengthFrames,
  sourceStartFrame,
});

function captionParts(
  { plan, cues }: ProjectRecord,
  trackId: string | null,
  editions: ReadonlyMap<string, EditionRecord>,
  numberOf: (document: Template) => number,
): JobPart[] {
  if (trackId === null) return [];
  const track = plan.captions?.find(({ id }) => id === trackId);
  if (track === undefined) throw InputError.of('Captions', 'a caption track of the project', trackId);
  const template = track.editionId === null ? PLAIN_CAPTION : editions.get(track.editionId)?.document;
  if (template === undefined)
    throw InputError.of(
      `Captions "${track.name}"`,
      'an edition that exists',
      track.editionId ?? PLAIN_CAPTION_ID,
    );
  const own = cues.filter((cue) => cue.trackId === trackId);
  const waiting = own.filter(({ guessed }) => guessed).length;
  if (waiting > 0)
    throw InputError.of(
      `Captions "${track.name}"`,
      'captions whose times are set',
      `${waiting} that wait`,
      'Tap them in on the desk, or remove them.',
    );
  const document = numberOf(template);
  return own
    .filter(({ words }) => words.trim() !== '')
    .map((cue) => ({
      ...partOf(cueTitle(cue, track, template, cue.place === 'top')),
      lengthFrames: cue.lengthFrames,
      document,
      place: cue.place,
      painted: true,
    }));
}

function partOf(title: Title): Omit<JobPart, 'document' | 'place' | 'painted'> {
  const { startFrame, lane, values, lengthFrames, shift, scrim, edge, moments, credits, caption } = title;
  const { fadeInFrames, fadeOutFrames } = title;
  return {
    startFrame,
    lane,
    values,
    lengthFrames,
    shift,
    scrim,
    edge,
    moments,
    credits,
    caption,
    fadeInFrames,
    fadeOutFrames,
  };
}
