import type { MoveUse, Template, TextLayer } from './template';
import { TEMPLATE_VERSION } from './template';
import { SHORT_SIDE_U } from '../layout/formats';

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
        targets: [{ layerId: 'text-1', path: 'text' }],
        limits: { maxLength: 60 },
      },
    ],
  };
}

/** How a new layer comes in: it fades, and goes the same way. */
export const FIRST_MOVE: MoveUse = {
  move: 'fade',
  unit: 'layer',
  order: 'forward',
  overlap: 0.5,
  ease: 'settle',
  startSeconds: 0,
  lengthSeconds: 0.6,
  params: {},
};

/** A text layer as it is first put down. */
export function newTextLayer(id: string, name: string): TextLayer {
  return {
    id,
    name,
    kind: 'text',
    visible: true,
    opacity: 1,
    shadow: null,
    place: { point: 'bottomLeft', target: { kind: 'titleSafe' }, targetPoint: 'bottomLeft', dxU: 0, dyU: 0 },
    runs: [{ text: 'Text' }],
    style: {
      face: 'barlow-condensed',
      weight: 600,
      sizeU: SHORT_SIDE_U / 13.5,
      tracking: 0,
      leading: 1.1,
      letterCase: 'typed',
      fill: '#ffffff',
    },
    align: 'left',
    maxWidthShare: 0.7,
    whenLong: [
      { kind: 'squeeze', minPercent: 82 },
      { kind: 'shrink', minSizeU: 34 },
    ],
    motion: { in: { ...FIRST_MOVE }, out: 'mirror' },
  };
}
