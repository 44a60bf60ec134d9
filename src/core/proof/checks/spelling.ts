import type { FieldWords } from '../check';
import { defineCheck } from '../check';
import type { Found } from '../finding';
import type { Speller, Word } from '../speller';
import { dictionaryOf, isCapitalised, wordsOf } from '../speller';

export const spellingCheck = defineCheck({
  kind: 'title',
  id: 'spelling',
  label: 'Spelling',
  about:
    'Looks words up in the dictionary of their language and in the project’s own words. Names are not looked up.',
  run({ words, speller }): readonly Found[] {
    const unread = new Set<string>();
    const found: Found[] = [];
    for (const one of words) {
      if (!one.typed || isForNames(one)) continue;
      const dictionary = dictionaryOf(speller, one.language);
      const script = scriptOf(dictionary ?? one.language);
      const inScript = doubtful(one, script);
      if (dictionary === null && inScript.length > 0) unread.add(`“${one.language}”`);
      else if (wordsOf(one.text).some((word) => !script.test(word.text))) unread.add('its script');
      if (dictionary === null) continue;
      for (const word of inScript)
        if (!speller.correct(word.text, one.language)) found.push(misspelt(one, word, speller));
    }
    return [...(unread.size === 0 ? [] : [notLookedAt(speller, [...unread].join(' and '))]), ...found];
  },
});

function misspelt({ field, text, language }: FieldWords, word: Word, speller: Speller): Found {
  const choices = speller.suggest(word.text, language).slice(0, 3);
  const [best] = choices;
  const replaced = (by: string): string =>
    text.slice(0, word.index) + by + text.slice(word.index + word.text.length);
  return {
    tone: 'look',
    subject: `${field.id} ${word.text}`,
    message: best === undefined ? `“${word.text}”?` : `“${word.text}”, perhaps “${best}”`,
    detail: `${field.label}: “${word.text}” is in no dictionary of its language here.`,
    mends: [
      ...choices.map((choice) => ({
        label: `Write “${choice}”`,
        change: { kind: 'words' as const, fieldId: field.id, value: replaced(choice) },
      })),
      { label: 'It is right', change: { kind: 'ownWord' as const, word: word.text } },
    ],
  };
}

function notLookedAt({ languages }: Pick<Speller, 'languages'>, language: string): Found {
  const why =
    languages.length === 0
      ? 'The dictionary could not be loaded. Reload the page'
      : `There is no dictionary of ${language} here. Have the words read, then ignore this`;
  return { tone: 'unseen', message: 'spelling not looked at', detail: `${why}.` };
}

// Fields whose words are names of people, places and programmes, by a word of what they are called.
const NAME_LIKE =
  /(^|\P{L})(names?|who|persons?|people|speakers?|guests?|contributors?|interviewees?|places?|where|locations?|town|production|nom|nombre|nome|naam|namn|isim|имя|όνομα)(?!\p{L})/iu;
// A title alone is that of a programme or a chapter; a job title is not.
const TITLE = /^title$/i;

/** Whether a field is for the names of people, places and programmes. */
export const isForNames = ({ field }: Pick<FieldWords, 'field'>): boolean =>
  [field.label, field.id.replace(/([a-z])([A-Z])/g, '$1 $2')].some(
    (name) => TITLE.test(name) || NAME_LIKE.test(name),
  );

const SCRIPTS: Readonly<Record<string, RegExp>> = {
  Cyrl: /^[\p{Script=Cyrillic}\p{M}’'‐-]+$/u,
  Grek: /^[\p{Script=Greek}\p{M}’'‐-]+$/u,
  Latn: /^[\p{Script=Latin}\p{M}’'‐-]+$/u,
};

/** Words of the script that a language is mostly written in; of the Latin one where its dictionaries would be in none of ours. */
function scriptOf(language: string): RegExp {
  return SCRIPTS[new Intl.Locale(language).maximize().script ?? 'Latn'] ?? SCRIPTS.Latn;
}

/**
 * The words of a field that a dictionary should know: those of its script that are no names. Within a line a word with a
 * capital counts as a name, also behind an article that is joined to it; where every word has a capital, so do all.
 */
function doubtful({ text }: FieldWords, script: RegExp): Word[] {
  const all = wordsOf(text).filter((word) => script.test(word.text) && word.text.length > 1);
  if (all.length > 1 && all.every((word) => isCapitalised(word.text))) return [];
  return all.filter((word) => {
    if (word.text === word.text.toUpperCase()) return false;
    const [, joined] = /^\p{Ll}+['’](.+)$/u.exec(word.text) ?? [];
    if (joined !== undefined && isCapitalised(joined)) return false;
    const startsLine = /(^|\n)\s*$/.test(text.slice(0, word.index));
    return !isCapitalised(word.text) || startsLine;
  });
}
