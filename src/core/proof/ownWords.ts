import { FORMATS } from '../frame/formats';
import type { Plan } from '../model/plan';
import { newPlan } from '../model/plan';
import type { Clip, Title } from '../model/project';
import { newClip, newTitle } from '../model/project';
import type { Template } from '../model/template';
import { sampleCredits } from '../project/titleCredits';
import { designValue, isWords } from '../resolve/fieldValue';
import { RATES, secondsToNearestFrames } from '../time/rates';

/** A template as the only title of a project, so that the proof can look at it. */
export interface OwnWords {
  readonly title: Title;
  readonly clip: Clip;
  /** A delivery for each of its formats, called by the format's id. */
  readonly plan: Plan;
}

// What says nothing of the design: samples may be stand-ins and made-up names.
const OF_OTHERS = ['placeholder', 'spelling', 'names', 'doubled', 'edition', 'cuts', 'end', 'pictures'];

/**
 * The checks that are switched off when a template is looked at with its own words, besides those of the House. Captions
 * are read at a pace of their own, which their cues are held to.
 */
export function checksOfOthers(off: readonly string[], { kind }: Pick<Template, 'kind'>): string[] {
  return [...new Set([...off, ...OF_OTHERS, ...(kind === 'caption' ? ['reading'] : [])])];
}

/** A template with its own words, as long as its design says, over its own backdrop, in each of its formats. */
export function ownWords(template: Template): OwnWords {
  const { inSeconds, holdSeconds, outSeconds } = template.timing;
  const rate = RATES.get(template.rate);
  const lengthFrames = secondsToNearestFrames(inSeconds + holdSeconds + outSeconds, rate);
  const words = template.fields.filter(isWords).map((field) => [field.id, designValue(template, field)]);
  const title = newTitle({
    id: 'own',
    editionId: 'own',
    startFrame: 0,
    lengthFrames,
    lane: 0,
    values: Object.fromEntries(words),
    credits: sampleCredits(template),
  });
  const deliveries = template.formats.map((format) => ({
    id: format,
    name: FORMATS.get(format).label,
    format,
    interlaced: false,
  }));
  return {
    title,
    clip: newClip({ id: 'own', picture: template.backdrop, startFrame: 0, lengthFrames }),
    plan: { ...newPlan(template.formats[0]), deliveries },
  };
}
