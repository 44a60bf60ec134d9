/** No language in particular. */
export const UNDETERMINED = 'und';

/** Whether a text is a language tag (BCP 47) that is well-formed, such as `tr` or `pt-BR`. */
export function isLanguageTag(tag: string): boolean {
  try {
    return Intl.getCanonicalLocales(tag).length === 1;
  } catch {
    return false;
  }
}

/** The first language that is given; `und` for none. Asked in the order field, delivery, project, House. */
export function languageOf(...tags: readonly (string | undefined)[]): string {
  return tags.find((tag) => tag !== undefined && tag !== '' && isLanguageTag(tag)) ?? UNDETERMINED;
}

/**
 * A text in capitals as its language writes them (Unicode's SpecialCasing): dotted and dotless i in Turkish and
 * Azeri, Greek without accents, and German with ẞ where `has` says that a face has it, else with SS.
 */
export function capitalsOf(text: string, language: string, has: (character: string) => boolean): string {
  const german = /^de\b/i.test(language) && has('ẞ');
  return (german ? text.replaceAll('ß', 'ẞ') : text).toLocaleUpperCase(language);
}
