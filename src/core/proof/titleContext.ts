import { languageOf } from '../faces/language';
import { FORMATS } from '../frame/formats';
import { airValue } from '../resolve/fieldValue';
import { plainColours } from '../resolve/plainColours';
import { resolve } from '../resolve/resolve';
import { airValues } from '../resolve/automatic';
import type { Cue } from '../model/captions';
import type { House } from '../model/house';
import { captionRules, creditRules } from '../model/house';
import type { Plan } from '../model/plan';
import { MASTER_ID } from '../model/plan';
import type { Clip, Title } from '../model/project';
import type { FieldValues, Template } from '../model/template';
import { stretchTiming } from '../titleTime/stretch';
import { clockOf } from '../time/clock';
import type { FrameRate } from '../time/rates';
import type { PaintedTitle } from '../project/deliver';
import { titleTemplate } from '../project/titleTemplate';
import { deliveryLanguage, fadeAt } from '../project/deliver';
import type { FontLibrary } from '../text/fontLibrary';
import type { FieldWords, TitleContext } from './check';
import type { FadeAt } from './readableTime';
import { readableFor } from './readingOf';
import type { Speller } from './speller';

/** An edition as the proof needs it. */
export interface ProofEdition {
  readonly id: string;
  readonly templateId: string;
  readonly number: number;
  readonly document: Template;
}

/** Everything of a project that its proof depends on, besides the titles. */
export interface ProofSurroundings {
  readonly projectName: string;
  readonly rate: FrameRate;
  readonly clips: readonly Clip[];
  readonly plan: Plan;
  readonly house: Pick<
    House,
    'checks' | 'reading' | 'areas' | 'language' | 'colours' | 'captions' | 'credits'
  >;
  readonly editions: ReadonlyMap<string, ProofEdition>;
  /** The newest edition of each template, by template id. */
  readonly newest: ReadonlyMap<string, ProofEdition>;
  /** Names that the titles have, which captions may say; left out for none. */
  readonly names?: readonly string[];
  /** The cues that some of the titles are made of, by id; left out for none. */
  readonly cues?: ReadonlyMap<string, Cue>;
}

/** What checks of words and times know of a title; null for one whose edition is not here. */
export function titleContext(
  title: Title,
  number: number,
  around: ProofSurroundings,
  { speller, fonts }: { readonly speller: Speller; readonly fonts: FontLibrary },
  deliveryId: string = MASTER_ID,
): TitleContext | null {
  const edition = around.editions.get(title.editionId);
  if (edition === undefined) return null;
  const template = edition.document;
  const { rate, clips, projectName, house } = around;
  const clock = clockOf(rate, around.plan.clock);
  const values = airValues(template, title, { projectName, clock, clips, number });
  const own = titleTemplate(template, title, values);
  const newest = around.newest.get(edition.templateId);
  const language = title.caption?.language ?? deliveryLanguage(around.plan, deliveryId, house);
  return {
    title,
    template,
    applied: resolve(plainColours(own), {
      format: FORMATS.get(around.plan.deliveries[0].format),
      values,
    }).template,
    values,
    words: fieldWords(template, title.values, values, language),
    timing: stretchTiming(template.timing, title.lengthFrames, rate),
    rate,
    clock,
    rules: house.checks,
    reading: house.reading,
    cue: around.cues?.get(title.id) ?? null,
    captions: captionRules(house),
    credits: creditRules(house),
    colours: house.colours,
    clips,
    newer: newest === undefined || newest.id === edition.id ? null : newest,
    speller: withOwnWords(
      title.caption === undefined ? speller : withOwnWords(speller, around.names ?? NO_NAMES),
      around.plan.words,
    ),
    readableAt: (lengthFrames) =>
      readableFor(own, values, rate, fonts, fadesOf({ ...title, lengthFrames }))(lengthFrames),
  };
}

/** A title's own fades; none for one without, whose reading is that of all such titles. */
function fadesOf(title: PaintedTitle): FadeAt | undefined {
  const fades = title.fadeInFrames > 0 || title.fadeOutFrames > 0;
  return fades ? (frame) => fadeAt(title, frame) : undefined;
}

function fieldWords(
  template: Template,
  typed: FieldValues,
  shown: FieldValues,
  language: string,
): FieldWords[] {
  return template.fields
    .filter((field) => field.kind === 'text' || field.kind === 'rows')
    .map((field) => ({
      field,
      text: String(shown[field.id] ?? airValue(template, field)),
      language: languageOf(field.language, language),
      typed: typed[field.id] !== undefined,
    }));
}

const NO_NAMES: readonly string[] = [];

const known = new WeakMap<readonly string[], ReadonlySet<string>>();

/** A speller that knows a project's own words too. */
function withOwnWords(speller: Speller, words: readonly string[]): Speller {
  const own = known.get(words) ?? new Set(words.map((word) => word.toLowerCase()));
  known.set(words, own);
  return {
    languages: speller.languages,
    correct: (word, language) => own.has(word.toLowerCase()) || speller.correct(word, language),
    suggest: (word, language) => speller.suggest(word, language),
  };
}
