import * as yup from 'yup';
import { wellFormedText } from '../kit/wellFormed';

/** How many tags a thing can have, and how long each can be. */
export const MOST_TAGS = 20;
export const LONGEST_TAG = 40;

/** What is checked of tags; left out for none. */
export const tagsSchema = yup
  .array()
  .of(yup.string().required().min(1).max(LONGEST_TAG))
  .max(MOST_TAGS)
  .default(undefined)
  .optional();

/** Tags as they are typed, with commas between them: each once, as many and as long as there may be. */
export function readTags(typed: string): readonly string[] {
  const tags = typed.split(',').map((tag) => wellFormedText(tag.trim().slice(0, LONGEST_TAG)));
  return [...new Set(tags.filter((tag) => tag !== ''))].slice(0, MOST_TAGS);
}

/** Tags as they are shown to be typed on. */
export const tagsToText = (tags: readonly string[] = []): string => tags.join(', ');
