import { mergeEntry, mergeList } from '../kit/mergeParts';
import type { House } from './house';
import { captionRules, creditRules } from './house';

/**
 * Two states of the house that come from one, put together: each entry and figure as the one that changed it has it,
 * `mine` where both did.
 */
export function mergeHouse(base: House, mine: House, theirs: House): House {
  const list = <T extends { readonly id: string }>(pick: (house: House) => readonly T[]): readonly T[] =>
    mergeList(pick(base), pick(mine), pick(theirs), mergeEntry);
  const areas = list(({ areas: all }) => all.map((area) => ({ ...area, id: area.format })));
  const captions = mergeEntry(captionRules(base), captionRules(mine), captionRules(theirs));
  const saysRules = mine.captions !== undefined || theirs.captions !== undefined;
  const credits = mergeEntry(creditRules(base), creditRules(mine), creditRules(theirs));
  const saysCredits = mine.credits !== undefined || theirs.credits !== undefined;
  const saysPresets = mine.presets !== undefined || theirs.presets !== undefined;
  const language = mine.language === base.language ? theirs.language : mine.language;
  const saysFallbacks = mine.fallbacks !== undefined || theirs.fallbacks !== undefined;
  const fallbacks = list(({ fallbacks: all = [] }) => all.map((one) => ({ ...one, id: one.script })));
  const filesDays = mine.filesDays === base.filesDays ? theirs.filesDays : mine.filesDays;
  return {
    ...(filesDays !== undefined && { filesDays }),
    ...(language !== undefined && { language }),
    ...(saysFallbacks && { fallbacks: fallbacks.map(({ id: _, ...one }) => one) }),
    ...(saysRules && { captions }),
    ...(saysCredits && { credits }),
    ...(saysPresets && { presets: list(({ presets = [] }) => presets) }),
    colours: list(({ colours }) => colours),
    faces: list(({ faces }) => faces),
    finishes: list(({ finishes }) => finishes),
    moves: list(({ moves }) => moves),
    timing: mergeEntry(base.timing, mine.timing, theirs.timing),
    reading: mergeEntry(base.reading, mine.reading, theirs.reading),
    checks: mergeEntry(base.checks, mine.checks, theirs.checks),
    areas: areas.map(({ id: _, ...area }) => area),
  };
}
