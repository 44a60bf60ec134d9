import type { Title } from '../model/project';
import type { FieldValues, Template } from '../model/template';
import { withCaption } from './captionTemplate';
import { withRowMoments } from './rowMoments';
import { withWordsEdge } from './wordsEdge';

/** What a title has for itself besides values, by which its layout is decided. */
export type OwnLook = Pick<Title, 'edge' | 'moments' | 'caption'>;

/**
 * A title's template with what the title has for itself beyond values of fields: the edge of its words, and when rows of
 * its lists come, and how its words look where it is a caption. Asked again for the same it gives the same object.
 */
export function titleTemplate(
  template: Template,
  { edge, moments, caption }: OwnLook,
  values: FieldValues,
): Template {
  return withRowMoments(withWordsEdge(withCaption(template, caption), edge), moments, values);
}
