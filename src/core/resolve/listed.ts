import type { Template } from '../model/template';
import { designValue } from './fieldValue';

/** What lists tell of a template, so that no list reads documents. */
export interface ListedTemplate {
  readonly name: string;
  readonly kind: string;
  readonly production: string;
  readonly description: string;
  /** Left out for none. */
  readonly tags?: readonly string[];
  readonly formats: readonly string[];
  readonly inSeconds: number;
  readonly holdSeconds: number;
  readonly outSeconds: number;
  readonly fieldCount: number;
  /** The labels and sample words of its fields, for finding it; at most 200 characters. */
  readonly words: string;
}

const MOST_WORDS = 200;

/** The facts of a template that lists tell. */
export function listedOf(template: Template): ListedTemplate {
  const { inSeconds, holdSeconds, outSeconds } = template.timing;
  const words = template.fields.flatMap((field) => [field.label, String(designValue(template, field))]);
  const { name, kind, production, tags = [] } = template;
  return {
    name,
    kind,
    production,
    description: template.description,
    ...(tags.length > 0 && { tags }),
    formats: template.formats,
    inSeconds,
    holdSeconds,
    outSeconds,
    fieldCount: template.fields.length,
    words: Array.from(words.join(' ')).slice(0, MOST_WORDS).join(''),
  };
}
