import { containsRect } from '../kit/rect';
import type { Rect } from '../kit/rect';
import type { House } from '../model/house';
import type { Field, Template } from '../model/template';
import type { Mend } from './finding';
import { contrastRatio, luminance } from './luminance';

/** A colour as text or panel, to be tried. */
interface Candidate {
  readonly mend: Mend;
  readonly ratio: number;
}

const MOST = 2;

/**
 * House colours that could make a text stand out, in the colour fields that its designer opened: for the text itself
 * against what lies round it, and for the panel that it stands on against the text. The strongest of each are proposed,
 * two at most; whether they mend anything is found out by trying them.
 */
export function colourMends(
  template: Template,
  textId: string,
  boxes: ReadonlyMap<string, Rect>,
  around: { readonly luminance: number; readonly text: number },
  colours: House['colours'],
): Mend[] {
  const panels = new Set(panelsUnder(template, textId, boxes));
  return template.fields.flatMap((field) => {
    if (field.kind !== 'colour') return [];
    const forText = field.targets.some(({ layerId, path }) => layerId === textId && path === 'style.fill');
    const forPanel = field.targets.some(({ layerId, path }) => panels.has(layerId) && path === 'fill');
    // One that colours both gains nothing.
    if (forText === forPanel) return [];
    const against = forText ? around.luminance : around.text;
    return strongest(field, colours, against);
  });
}

function strongest(field: Field, colours: House['colours'], against: number): Mend[] {
  const candidates = colours.map(({ name, colour }): Candidate => {
    const [red, green, blue] = [1, 3, 5].map((at) => parseInt(colour.slice(at, at + 2), 16));
    return {
      ratio: contrastRatio(luminance(red, green, blue), against),
      mend: {
        label: `${field.label}: ${name}`,
        change: { kind: 'words', fieldId: field.id, value: colour },
      },
    };
  });
  return candidates
    .toSorted((a, b) => b.ratio - a.ratio)
    .slice(0, MOST)
    .map(({ mend }) => mend);
}

/** The boxes that a text lies on: those below it that hold all of it. */
function panelsUnder(template: Template, textId: string, boxes: ReadonlyMap<string, Rect>): string[] {
  const area = boxes.get(textId);
  const at = template.layers.findIndex(({ id }) => id === textId);
  if (area === undefined) return [];
  return template.layers.slice(at + 1).flatMap(({ id, kind }) => {
    const box = boxes.get(id);
    return kind === 'box' && box !== undefined && containsRect(box, area, 1) ? [id] : [];
  });
}
