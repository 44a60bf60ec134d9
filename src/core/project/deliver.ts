import type { DisplayItem, DisplayList } from '../display/list';
import type { OwnLook } from './titleTemplate';
import { titleTemplate } from './titleTemplate';
import { rectOutline } from '../display/shapes';
import type { House } from '../model/house';
import type { Plan } from '../model/plan';
import type { DeliveryChange, Scrim, Shift, Title } from '../model/project';
import type { FieldValues, Template } from '../model/template';
import { IDENTITY } from '../kit/matrix';
import type { PictureSizes } from '../layers/layerKind';
import type { FrameFormat } from '../frame/formats';
import type { FontLibrary } from '../text/fontLibrary';
import { languageOf } from '../faces/language';
import type { CompiledTitle } from '../timeline/compile';
import { compile } from '../timeline/compile';
import type { TitleTiming } from '../titleTime/stretch';
import { stretchTiming } from '../titleTime/stretch';
import type { FrameRate } from '../time/rates';
import { frameToSeconds } from '../time/rates';

/** A title as a delivery has it, with what it has otherwise there; null when it is not in it. */
export function titleIn(title: Title, deliveryId: string): Title | null {
  const own = title.perDelivery[deliveryId];
  if (own === undefined) return title;
  if (own.leftOut) return null;
  return { ...title, values: { ...title.values, ...own.values }, shift: own.shift ?? title.shift };
}

const NO_CHANGE: DeliveryChange = { leftOut: false, values: {}, shift: null };

/** A title with something otherwise in one delivery; what is as in the others again is left away. */
export function withDeliveryChange(title: Title, deliveryId: string, change: Partial<DeliveryChange>): Title {
  const next = { ...NO_CHANGE, ...title.perDelivery[deliveryId], ...change };
  const { [deliveryId]: _, ...others } = title.perDelivery;
  return { ...title, perDelivery: isAsElsewhere(next) ? others : { ...others, [deliveryId]: next } };
}

/**
 * A title that says something for all deliveries, typed where one of them is shown: that one has it as well, whatever
 * it said of its own; others keep what they have otherwise.
 */
export function withSharedValues(title: Title, shownDeliveryId: string, values: FieldValues): Title {
  const said = { ...title, values: { ...title.values, ...values } };
  const own = Object.entries(title.perDelivery[shownDeliveryId]?.values ?? {});
  const others = Object.fromEntries(own.filter(([id]) => values[id] === undefined));
  return own.length === 0 ? said : withDeliveryChange(said, shownDeliveryId, { values: others });
}

/**
 * A title moved from where its template puts it, `null` for back there: in one delivery alone, or in all, where that one
 * gives its own place up. A delivery in which it stands as designed while it is moved elsewhere says so.
 */
export function withShift(title: Title, deliveryId: string, shift: Shift | null, onlyHere: boolean): Title {
  const moved = shift === null || (shift.dxU === 0 && shift.dyU === 0) ? null : shift;
  if (!onlyHere) return withDeliveryChange({ ...title, shift: moved }, deliveryId, { shift: null });
  const here = moved ?? (title.shift === null ? null : { dxU: 0, dyU: 0 });
  return withDeliveryChange(title, deliveryId, { shift: here });
}

/** The language (BCP 47) of a delivery's words: its own, else the project's, else the House's; `und` for none. */
export function deliveryLanguage(plan: Plan, deliveryId: string, house: Pick<House, 'language'>): string {
  const delivery = plan.deliveries.find(({ id }) => id === deliveryId);
  return languageOf(delivery?.language, plan.language, house.language);
}

/** Whether a delivery has nothing otherwise after all. */
export function isAsElsewhere({ leftOut, values, shift }: DeliveryChange): boolean {
  return Object.keys(values).length === 0 && !leftOut && shift === null;
}

/** The delivery after one, round and round. */
export function nextDelivery(plan: Plan, id: string): Plan['deliveries'][number] {
  const at = plan.deliveries.findIndex((delivery) => delivery.id === id);
  return plan.deliveries[(at + 1) % plan.deliveries.length];
}

/** What of a title decides how it is painted. */
export type PaintedTitle = Pick<
  Title,
  | 'lengthFrames'
  | 'fadeInFrames'
  | 'fadeOutFrames'
  | 'shift'
  | 'scrim'
  | 'edge'
  | 'moments'
  | 'credits'
  | 'caption'
>;

/** A title laid out in a format, asked for by its own frames. */
export interface ShownTitle {
  readonly compiled: CompiledTitle;
  /** The display list of a frame, counted from the title's start. */
  frame(frame: number): DisplayList;
}

/** A title of a project laid out: its template with its values and what it has for itself, moved as the project has it. */
export function layOutTitle(
  title: Pick<Title, 'shift'> & OwnLook,
  template: Template,
  values: FieldValues,
  format: FrameFormat,
  fonts: FontLibrary,
  pictures?: PictureSizes,
  language?: string,
): CompiledTitle {
  return compile(
    titleTemplate(template, title, values),
    values,
    format,
    fonts,
    pictures,
    title.shift,
    language,
  );
}

/** A title of a project laid out, and its frames: its template with its values, moved and faded as the project has it. */
export function showTitle(
  title: PaintedTitle,
  template: Template,
  values: FieldValues,
  format: FrameFormat,
  rate: FrameRate,
  fonts: FontLibrary,
  pictures?: PictureSizes,
  language?: string,
): ShownTitle {
  const compiled = layOutTitle(title, template, values, format, fonts, pictures, language);
  return { compiled, frame: (frame) => titleFrame(compiled, title, template, rate, frame) };
}

/** The display list of a frame of a title that is laid out. */
export function titleFrame(
  compiled: CompiledTitle,
  title: PaintedTitle,
  template: Template,
  rate: FrameRate,
  frame: number,
): DisplayList {
  const timing = stretchTiming(template.timing, title.lengthFrames, rate);
  const list = faded(compiled.frame(frameToSeconds(frame, rate), timing), fadeAt(title, frame));
  if (title.scrim === null || frame < 0 || frame >= timing.totalFrames) return list;
  const scrim = scrimItem(title.scrim, scrimShare(timing, frame), compiled.format);
  return { ...list, items: [scrim, ...list.items] };
}

/** How much of a scrim is there: it comes with the title's in and goes with its out. */
function scrimShare({ inFrames, outFrames, totalFrames }: TitleTiming, frame: number): number {
  const arrived = inFrames === 0 ? 1 : (frame + 1) / (inFrames + 1);
  const left = outFrames === 0 ? 1 : (totalFrames - frame) / (outFrames + 1);
  return Math.max(0, Math.min(1, arrived, left));
}

function scrimItem(
  { colour, opacity }: Scrim,
  share: number,
  { widthPx, heightPx }: FrameFormat,
): DisplayItem {
  const outline = rectOutline({ x: 0, y: 0, width: widthPx, height: heightPx });
  return {
    kind: 'fill',
    outline,
    paint: { kind: 'solid', colour },
    matrix: IDENTITY,
    opacity: opacity * share,
  };
}

/**
 * How opaque a title is at one of its frames by its own fades: even steps, the first of them seen at frame 0 and full
 * after the fade's frames; the out likewise, backwards.
 */
export function fadeAt({ lengthFrames, fadeInFrames, fadeOutFrames }: PaintedTitle, frame: number): number {
  const arrived = fadeInFrames === 0 ? 1 : (frame + 1) / (fadeInFrames + 1);
  const left = fadeOutFrames === 0 ? 1 : (lengthFrames - frame) / (fadeOutFrames + 1);
  return Math.max(0, Math.min(1, arrived, left));
}

function faded(list: DisplayList, opacity: number): DisplayList {
  if (opacity >= 1 || list.items.length === 0) return list;
  return { ...list, items: [{ kind: 'group', opacity, items: list.items }] };
}
