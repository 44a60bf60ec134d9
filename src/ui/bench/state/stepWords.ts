import type { DocumentWords } from '@/core/draft/changeWords';
import { partNamed } from '@/core/draft/changeWords';
import { bindLayer } from '@/core/layers';
import type { Template } from '@/core/model/template';

const PARTS: Readonly<Record<string, string>> = {
  runs: 'Text',
  rows: 'Rows',
  style: 'Type',
  styles: 'Type',
  columns: 'Columns',
  place: 'Place',
  motion: 'Motion',
  look: 'Look',
  name: 'Name',
  locked: 'Lock',
  members: 'Members',
  encloses: 'Enclosed layers',
  padding: 'Padding',
  shape: 'Shape',
  width: 'Size',
  height: 'Size',
  whenLong: 'Long text',
  matte: 'Matte',
  finish: 'Finish',
};

/** What properties of a layer are called together: as its settings call the one, or by what they are of. */
function partOf(template: Template, id: unknown, paths: readonly string[]): string {
  const layer = template.layers.find((one) => one.id === id);
  const properties = layer === undefined ? [] : bindLayer(layer).properties;
  const [only] = paths;
  const label = paths.length === 1 ? properties.find(({ path }) => path === only)?.label : undefined;
  return label ?? partNamed(PARTS, paths);
}

/** How what is done on the bench is called in its history. */
export function templateWords(template: Template): DocumentWords {
  return {
    lists: {
      layers: {
        one: 'layer',
        many: 'layers',
        nameOf: ({ name }) => String(name ?? ''),
        partOf: ({ id }, paths) => partOf(template, id, paths),
      },
      fields: {
        one: 'field',
        many: 'fields',
        nameOf: ({ label }) => String(label ?? ''),
        partOf: () => 'Field',
      },
    },
    parts: {
      overrides: 'Settings of a format',
      timing: 'In, hold and out',
      formats: 'Formats',
      name: 'Name of the template',
      kind: 'Kind',
      production: 'Production',
      description: 'Description',
      tags: 'Tags',
      notes: 'Notes',
      coverSeconds: 'Cover',
      marks: 'Marks',
      guides: 'Guides',
      areas: 'Safe areas',
      backdrop: 'Backdrop',
      mirroring: 'Mirroring',
      sound: 'Sound',
      rate: 'Frame rate',
    },
  };
}
