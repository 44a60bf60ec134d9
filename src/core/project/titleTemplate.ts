import type { Title } from '../model/project';
import type { FieldValues, Template } from '../model/template';
import { withRowMoments } from './rowMoments';
import { withWordsEdge } from './wordsEdge';

/**
 * A title's template with what the title has for itself beyond values of fields: the edge of its words, and when rows of
 * its lists come. Asked again for the same it gives the same object.
 */
export function titleTemplate(
  template: Template,
  { edge, moments }: Pick<Title, 'edge' | 'moments'>,
  values: FieldValues,
): Template {
  return withRowMoments(withWordsEdge(template, edge), moments, values);
}
