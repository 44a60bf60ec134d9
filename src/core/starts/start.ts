import type { TemplateStart } from '../model/newTemplate';
import type { Template } from '../model/template';

/** What a new template begins with. */
export interface Start {
  readonly id: string;
  readonly label: string;
  begin(asked: TemplateStart): Template;
}
