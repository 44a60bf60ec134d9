import type { House } from '../model/house';
import { nameColoursIn } from '../model/houseChanges';
import { dropTargets } from './dropTargets';
import { placeAbove } from './layerOrder';
import {
  newBackdropLayer,
  newBoxLayer,
  newCopyLayer,
  newCreditsLayer,
  newGroupLayer,
  newLightLayer,
  newParticlesLayer,
  newPictureLayer,
  newProgrammeLayer,
  newRowsLayer,
  newStackLayer,
  newTextLayer,
  placeAt,
} from '../model/newLayers';
import { FORMATS, pictureSize } from '../frame/formats';
import { safeArea } from '../frame/safeAreas';
import { isFullFrame } from '../layers/picture';
import type { Layer, PictureLayer, Template } from '../model/template';

/** A template with a new layer, and the new layer's id. */
export interface Added {
  readonly template: Template;
  readonly layerId: string;
}

/** A free id with a prefix, such as `text-3`. */
export function freeId(
  taken: readonly { readonly id: string }[],
  prefix: string,
): { id: string; number: number } {
  const ids = new Set(taken.map((item) => item.id));
  let number = 1;
  while (ids.has(`${prefix}-${number}`)) number++;
  return { id: `${prefix}-${number}`, number };
}

/** The same, with a layer that was added on top right above another. */
export function addedAbove({ template, layerId }: Added, above: string | null): Added {
  const { layers } = template;
  if (above === null || layers[0]?.id !== layerId) return { template, layerId };
  const rest = { ...template, layers: layers.slice(1) };
  return put(rest, placeAbove(rest, above), layers[0]);
}

/** The same, with what the new layer has in a figure of the house as that colour of it. */
export function inHouseColours({ template, layerId }: Added, colours: House['colours']): Added {
  const layers = template.layers.map((layer) =>
    layer.id === layerId ? nameColoursIn(layer, colours) : layer,
  );
  return { template: { ...template, layers }, layerId };
}

function put(template: Template, at: number, layer: Layer): Added {
  return { template: { ...template, layers: template.layers.toSpliced(at, 0, layer) }, layerId: layer.id };
}

/** Where a layer goes that belongs under all of the given ones: right below the lowest; at the bottom for none. */
function below(template: Template, ids: readonly string[]): number {
  const lowest = Math.max(-1, ...ids.map((id) => template.layers.findIndex((one) => one.id === id)));
  return lowest < 0 ? template.layers.length : lowest + 1;
}

/** Adds a text, in the middle of the frame. */
export function addText(template: Template): Added {
  const { id, number } = freeId(template.layers, 'text');
  const place = placeAt({ point: 'centre', target: { kind: 'frame' }, targetPoint: 'centre' });
  return put(template, 0, { ...newTextLayer(id, `Text ${number}`), place });
}

/**
 * Adds a box. With layers to enclose it goes right under the lowest of them and fits round them; otherwise it lies on top,
 * in a size of its own.
 */
export function addBox(template: Template, encloses: readonly string[]): Added {
  const { id, number } = freeId(template.layers, 'box');
  const name = encloses.length > 0 ? `Panel ${number}` : `Box ${number}`;
  const at = encloses.length > 0 ? below(template, encloses) : 0;
  return put(template, at, newBoxLayer(id, name, encloses));
}

/** A picture to be added: what it is called, and the size that its file says it has, in pixels. */
export interface AddedPicture {
  readonly id: string;
  readonly name: string;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly ownWidth: number;
  readonly ownHeight: number;
}

/**
 * Adds a picture on top, in its own size, a pixel a unit: one that was drawn on a full-frame canvas fills the frame, and
 * any other that is larger than title safe comes in as large as title safe.
 */
export function addPicture(template: Template, picture: AddedPicture): Added {
  const { id, number } = freeId(template.layers, 'picture');
  const name = picture.name.replace(/\.\w+$/, '').slice(0, 80);
  const layer = newPictureLayer(id, name === '' ? `Picture ${number}` : name, picture.id);
  return put(template, 0, { ...layer, ...sizeOfNew(template, picture) });
}

function sizeOfNew(
  template: Template,
  { ownWidth, ownHeight, widthPx }: AddedPicture,
): Partial<Pick<PictureLayer, 'sizing' | 'widthU' | 'heightU'>> {
  const format = FORMATS.get(template.formats[0]);
  const { widthU, heightU } = pictureSize(format);
  const frame = { x: 0, y: 0, width: widthU, height: heightU };
  if (isFullFrame({ widthPx: ownWidth, heightPx: ownHeight }, frame)) return {};
  const safe = safeArea(format, 'titleSafe');
  const scale = Math.min(1, safe.width / ownWidth, safe.height / ownHeight);
  if (scale === 1 && ownWidth === widthPx) return {};
  const round = (size: number): number => Math.max(1, Math.round(size * scale));
  return { sizing: 'fixed', widthU: round(ownWidth), heightU: round(ownHeight) };
}

/** Adds a list of rows on top. */
export function addRows(template: Template): Added {
  const { id, number } = freeId(template.layers, 'rows');
  return put(template, 0, newRowsLayer(id, `Rows ${number}`));
}

/** Adds credits on top. */
export function addCredits(template: Template): Added {
  const { id, number } = freeId(template.layers, 'credits');
  return put(template, 0, newCreditsLayer(id, `Credits ${number}`));
}

/** Adds a background below everything. */
export function addBackdrop(template: Template): Added {
  const { id, number } = freeId(template.layers, 'backdrop');
  return put(template, template.layers.length, newBackdropLayer(id, `Background ${number}`));
}

/** How much of title safe the programme picture takes at first. */
const PROGRAMME_SHARE = 0.5;

/** Adds the programme picture on top, at the left of title safe: what is below it is uncovered as it gets smaller. */
export function addProgramme(template: Template): Added {
  const { id, number } = freeId(template.layers, 'programme');
  const { width } = safeArea(FORMATS.get(template.formats[0]), 'titleSafe');
  const name = number === 1 ? 'Programme' : `Programme ${number}`;
  const layer = newProgrammeLayer(id, name, Math.round(width * PROGRAMME_SHARE));
  const place = placeAt({ point: 'left', target: { kind: 'titleSafe' }, targetPoint: 'left' });
  return put(template, 0, { ...layer, place });
}

/** Adds particles on top. */
export function addParticles(template: Template): Added {
  const { id, number } = freeId(template.layers, 'particles');
  return put(template, 0, newParticlesLayer(id, `Particles ${number}`));
}

/** Adds a light on top. */
export function addLight(template: Template): Added {
  const { id, number } = freeId(template.layers, 'light');
  return put(template, 0, newLightLayer(id, `Light ${number}`));
}

/** Puts layers into a new group, which takes the place of the topmost of them. Members leave other groups. */
export function addGroup(template: Template, members: readonly string[]): Added {
  const { id, number } = freeId(template.layers, 'group');
  const ordered = template.layers.filter((one) => members.includes(one.id)).map((one) => one.id);
  const top = template.layers.findIndex((one) => one.id === ordered[0]);
  const freed = dropTargets(template, ordered, 'group');
  return put(freed, Math.max(0, top), newGroupLayer(id, `Group ${number}`, ordered));
}

/** Puts layers into a new stack in their order, where the first of them is. Members leave other stacks. */
export function addStack(template: Template, members: readonly string[]): Added {
  const { id, number } = freeId(template.layers, 'stack');
  const ordered = template.layers.filter((one) => members.includes(one.id)).map((one) => one.id);
  const first = template.layers.find((one) => one.id === ordered[0]);
  const freed = dropTargets(template, ordered, 'stack');
  const stack = newStackLayer(id, `Stack ${number}`, ordered);
  const inside = first?.place.target.kind === 'layer' && ordered.includes(first.place.target.layerId);
  const placed = first === undefined || inside ? stack : { ...stack, place: first.place };
  return put(freed, below(freed, ordered), placed);
}

/** Adds a linked copy right below its original. */
export function addCopy(template: Template, of: string): Added {
  const { id } = freeId(template.layers, 'copy');
  const original = template.layers.find((one) => one.id === of);
  return put(
    template,
    below(template, [of]),
    newCopyLayer(id, `Copy of ${original?.name ?? of}`.slice(0, 80), of),
  );
}
