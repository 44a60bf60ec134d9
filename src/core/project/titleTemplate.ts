import type { Title } from '../model/project';
import type { FieldValues, Template } from '../model/template';
import { withCaption } from './captionTemplate';
import { withCredits } from './titleCredits';
import { withRowMoments } from './rowMoments';
import { withWordsEdge } from './wordsEdge';

/** What a title has for itself besides values, by which its layout is decided. */
export type OwnLook = Pick<Title, 'edge' | 'moments' | 'credits' | 'caption'>;

/**
 * A title's template with what the title has for itself beyond values of fields: the edge of its words, and when rows of
 * its lists come, what its credits say, and how its words look where it is a caption. Asked again for the same it gives the same object.
 */
export function titleTemplate(
  template: Template,
  { edge, moments, credits, caption }: OwnLook,
  values: FieldValues,
): Template {
  const looks = withWordsEdge(withCaption(template, caption), edge);
  return withRowMoments(withCredits(looks, credits), moments, values);
}
