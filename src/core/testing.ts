import { motionOf } from './model/newMove';
import { newBoxLayer, newTextLayer, placeAt } from './model/newLayers';
import { newTemplate } from './model/newTemplate';
import type { BoxLayer, Place, Template, TextLayer } from './model/template';
import type { FaceFile } from './faces/faceFile';
import type { FontLibrary } from './text/fontLibrary';

/** Builders for tests: a template that is never mirrored, texts and boxes with only what matters said. */
export function testTemplate(layers: Template['layers'], more: Partial<Template> = {}): Template {
  const start = { name: 'Test', kind: 'name-strap', production: '', format: 'wide-1080', rate: '25' };
  return { ...newTemplate(start), mirroring: undefined, layers, fields: [], ...more };
}

/** A text layer without motion. */
export function testText(id: string, text: string, more: Partial<TextLayer> = {}): TextLayer {
  return { ...newTextLayer(id, id), runs: [{ text }], motion: motionOf(null, null), ...more };
}

/** A box of 100 × 50 u without motion. */
export function testBox(id: string, more: Partial<BoxLayer> = {}): BoxLayer {
  return {
    ...newBoxLayer(id, id, []),
    place: place({}),
    motion: motionOf(null, null),
    fill: '#203040',
    fillOpacity: 1,
    width: { kind: 'fixed', u: 100 },
    height: { kind: 'fixed', u: 50 },
    padding: { leftU: 0, topU: 0, rightU: 0, bottomU: 0 },
    ...more,
  };
}

/** A place at the frame's top left corner, with what differs. */
export function place(more: Partial<Place>): Place {
  return placeAt({ point: 'topLeft', target: { kind: 'frame' }, targetPoint: 'topLeft', ...more });
}

/** A font file as the House has it, with what differs. */
export function faceFile(more: Partial<FaceFile>): FaceFile {
  return {
    id: 'a'.repeat(64),
    fileName: 'marrow.ttf',
    byteCount: 1,
    family: 'Marrow Sans',
    name: 'Marrow Sans',
    version: '1.0',
    weight: 400,
    italic: false,
    licence: 'not said',
    permission: 'installable',
    glyphCount: 60,
    letters: { Latin: 52 },
    features: [],
    axes: [],
    coloured: false,
    inUse: true,
    ...more,
  };
}

/** Fonts that count how often something is shaped with them. */
export function countingFonts(library: FontLibrary): { readonly fonts: FontLibrary; shaped(): number } {
  let count = 0;
  const fonts: FontLibrary = {
    font(...asked) {
      const font = library.font(...asked);
      return {
        ...font,
        shape(...text) {
          count++;
          return font.shape(...text);
        },
      };
    },
    with: (files) => library.with(files),
    hyphens: (language) => library.hyphens(language),
  };
  return { fonts, shaped: () => count };
}
