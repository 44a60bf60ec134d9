'use client';
import { isLanguageTag } from '@/core/faces/language';
import { SelectBox } from './SelectBox';

// Those whose capitals or forms of letters differ, those of the shipped faces' scripts, and neighbours.
const OFFERED = [
  'en',
  'ar',
  'az',
  'bg',
  'cs',
  'cy',
  'da',
  'de',
  'el',
  'es',
  'fi',
  'fr',
  'ga',
  'hi',
  'it',
  'lt',
  'mr',
  'ne',
  'nl',
  'no',
  'pl',
  'pt',
  'ro',
  'ru',
  'sr',
  'sv',
  'tr',
  'uk',
  'ur',
];

interface Props {
  readonly label: string;
  readonly value: string | undefined;
  /** What holds when none is chosen, such as `As the project`. */
  readonly otherwise: string;
  readonly onChange: (language: string | undefined) => void;
}

/** A choice of the language that words are in. */
export function LanguageBox({ label, value, otherwise, onChange }: Props) {
  const tags = value === undefined || OFFERED.includes(value) ? OFFERED : [...OFFERED, value];
  const choices = tags
    .map((tag) => ({ value: tag, label: languageName(tag) }))
    .sort((a, b) => a.label.localeCompare(b.label, 'en'));
  return (
    <SelectBox
      label={label}
      value={value ?? ''}
      choices={[{ value: '', label: otherwise }, ...choices]}
      onChange={(tag) => onChange(tag === '' ? undefined : tag)}
    />
  );
}

const names = new Intl.DisplayNames('en', { type: 'language' });

/** A language by its English name; the tag itself for one without. */
function languageName(tag: string): string {
  return isLanguageTag(tag) ? (names.of(tag) ?? tag) : tag;
}
