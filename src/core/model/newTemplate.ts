import { MIRRORS_WITH_WORDS } from './mirroring';
import { newTextLayer } from './newLayers';
import type { Template } from './template';
import { TEMPLATE_VERSION } from './template';

/** What is asked before a template is begun. */
export interface TemplateStart {
  readonly name: string;
  readonly kind: string;
  readonly production: string;
  readonly format: string;
  readonly rate: string;
}

/** A new template: one line of text, lower left on the title-safe line, open to editors. */
export function newTemplate(start: TemplateStart): Template {
  const { name, kind, production, format, rate } = start;
  return {
    version: TEMPLATE_VERSION,
    name,
    kind,
    production,
    description: '',
    formats: [format],
    rate,
    backdrop: 'harbour-dusk',
    timing: { inSeconds: 1, holdSeconds: 4, outSeconds: 0.8 },
    layers: [newTextLayer('text-1', 'Text 1')],
    fields: [
      {
        id: 'field-1',
        label: 'Text',
        kind: 'text',
        help: '',
        required: true,
        section: '',
        automatic: null,
        targets: [{ layerId: 'text-1', path: 'text' }],
        limits: { maxLength: 60 },
      },
    ],
    overrides: [],
    areas: [],
    guides: [],
    marks: [],
    mirroring: MIRRORS_WITH_WORDS,
  };
}
