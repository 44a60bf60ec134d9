import type { DisplayItem } from '../../display/list';
import { showsMoving } from '../../display/moving';
import { programmeBounds } from '../../display/programme';
import type { Rect } from '../../kit/rect';
import { growRect, intersectRects, outwardRect, unionRects } from '../../kit/rect';
import type { FrameFormat } from '../../frame/formats';
import { pictureSize } from '../../frame/formats';
import type { Scrim } from '../../model/project';
import { MOST_EDGE_U } from '../../model/project';
import type { CompiledText } from '../../timeline/compile';
import { frameToTimecode } from '../../time/clock';
import { frameToSeconds } from '../../time/rates';
import type { Check, LayoutContext } from '../check';
import { cardName } from '../cardName';
import { defineCheck } from '../check';
import { colourMends } from '../colourMends';
import type { RingBackdrop, TextRing } from '../contrastRing';
import {
  leastContrast,
  meanLuminances,
  mostContrast,
  plainBackdrop,
  ringContrast,
  surroundingsOf,
  textRing,
} from '../contrastRing';
import type { BackdropFrame, Pixels } from '../eyes';
import { backdropPoint, displayAspect } from '../eyes';
import type { Found, Measured, Mend } from '../finding';
import { inkBounds } from '../inkBounds';
import { standsOnPanel } from '../panelContrast';
import { momentsUnder, picturesUnder } from '../underTitle';

// The stroke of a text face is about this share of its capitals' height.
const STROKE_SHARE = 0.18;

export const contrastCheck: Check = defineCheck({
  kind: 'layout',
  id: 'contrast',
  label: 'Contrast',
  about:
    'Measures text against what lies directly round its letters, its panel and the real pictures, for the whole time in which it is read.',
  async run(context) {
    const all = await ringsOf(context);
    const rings = all.filter(({ overProgramme }) => !overProgramme);
    const unseen = onePerLayer(
      all.filter(({ overProgramme }) => overProgramme),
      ({ text }) => text.layerId,
    ).map((one) => notLookedAt(one, context));
    const doubtful = rings.filter(({ ring, needed }) => leastContrast(ring) < needed);
    if (doubtful.length === 0) return unseen;
    const { title, timing, rate, clips, eyes } = context;
    const from = title.startFrame + timing.inFrames;
    const to = title.startFrame + Math.max(timing.inFrames + 1, timing.totalFrames - timing.outFrames);
    const pictures = await picturesUnder(momentsUnder(clips, from, to, rate), eyes);
    const judged = doubtful.flatMap((one) => {
      const { from: since, to: until } = one.seen ?? { from, to };
      const under = pictures.filter(({ moment }) => moment.frame >= since && moment.frame < until);
      return judge(one, under, context) ?? [];
    });
    // Of words that go by, the moment at which they are read worst.
    const worst = onePerLayer(
      judged.toSorted((a, b) => a.ratio - b.ratio),
      ({ layerId }) => layerId,
    );
    return [...worst.map(({ found }) => found), ...unseen];
  },
});

/** The first of each layer. */
function onePerLayer<T>(all: readonly T[], layerOf: (one: T) => string): T[] {
  return all.filter((one, i) => all.findIndex((other) => layerOf(other) === layerOf(one)) === i);
}

interface MeasuredText {
  readonly text: CompiledText;
  readonly ring: TextRing;
  readonly crop: Rect;
  readonly needed: number;
  /** The frames of the project (half-open) at which that is seen; null for as long as it is read. */
  readonly seen: { readonly from: number; readonly to: number } | null;
  /** Whether it lies on the programme picture that the title shows smaller: nobody painted that here. */
  readonly overProgramme: boolean;
}

function notLookedAt({ text }: MeasuredText, { template }: LayoutContext): Found {
  return {
    tone: 'unseen',
    subject: text.layerId,
    message: 'contrast not looked at: on the programme picture',
    detail: `${cardName(template, text.layerId)} lies on the programme picture where that is smaller. Give it a panel, or look at it yourself.`,
  };
}

// So many moments of words that go by are looked at.
const MOST_LOOKS = 8;
// Where in its stretch a look falls: in the middle, or where words stand if they are on their way there.
const SHARES = [0.5, 0.25, 0.75, 0.1, 0.9];

/** A stretch of a title in which its words are looked at once, at the first of these moments at which some stand. */
interface Look {
  readonly moments: readonly number[];
  readonly seen: MeasuredText['seen'];
}

/** When a text is looked at: once where it stands, several times where other words are seen at another time. */
function looksOf(text: CompiledText, { title, restingFrame, rate, timing }: LayoutContext): readonly Look[] {
  if (!text.goesBy)
    return [{ moments: [text.standsAt(frameToSeconds(restingFrame, rate), timing)], seen: null }];
  const from = timing.inFrames;
  const held = Math.max(1, timing.totalFrames - timing.outFrames - from);
  const count = Math.min(MOST_LOOKS, held);
  return Array.from({ length: count }, (_, i) => {
    const [start, end] = [from + Math.floor((held * i) / count), from + Math.floor((held * (i + 1)) / count)];
    return {
      moments: SHARES.map((share) => frameToSeconds(Math.floor(start + (end - start) * share), rate)),
      seen: { from: title.startFrame + start, to: title.startFrame + end },
    };
  });
}

async function ringsOf(context: LayoutContext): Promise<MeasuredText[]> {
  const { shown, timing, eyes, rules, applied } = context;
  const { compiled } = shown;
  const pxPerU = compiled.toPixels[3];
  const { heightU } = pictureSize(compiled.format);
  const neededFor = ({ capU }: CompiledText): number =>
    capU >= rules.largeCapShare * heightU ? rules.contrastLarge : rules.contrastText;
  const certain = (text: CompiledText): boolean => {
    const layer = applied.layers.find(({ id }) => id === text.layerId);
    const margin = text.capU * STROKE_SHARE;
    return (
      layer !== undefined && standsOnPanel(layer, applied.layers, compiled.boxes, margin, neededFor(text))
    );
  };
  const cropped = compiled.texts.flatMap((text) => {
    if (certain(text)) return [];
    const widthPx = Math.max(1, text.capU * STROKE_SHARE * pxPerU);
    return looksOf(text, context).flatMap(({ moments, seen }) => {
      for (const seconds of moments) {
        const ink = text.ink(seconds, timing);
        const crop = cropFor(ink, widthPx, compiled.format);
        if (crop !== null) return [{ text, seconds, seen, ink, widthPx, crop }];
      }
      return [];
    });
  });
  // Shadows and the like make painting dear: once for all texts that stand at one time.
  const paintedAt = new Map<number, { all: Rect; pixels: Pixels; programme: Rect | null }>();
  for (const seconds of new Set(cropped.map((one) => one.seconds))) {
    const there = cropped.filter((one) => one.seconds === seconds).map(({ crop }) => crop);
    const all = unionRects(there) ?? there[0];
    const { items } = shown.frame(Math.round(seconds / timing.frameSeconds));
    if (showsMoving(items)) await eyes.ready(items);
    paintedAt.set(seconds, { all, pixels: eyes.paint(items, all), programme: programmeBounds(items) });
  }
  return cropped.flatMap(({ text, seconds, seen, ink, widthPx, crop }): MeasuredText[] => {
    const painted = paintedAt.get(seconds);
    if (painted === undefined) return [];
    const ring = textRing(eyes.paint(ink, crop), cutPixels(painted.pixels, painted.all, crop), widthPx);
    if (ring === null) return [];
    const { programme } = painted;
    const common = programme === null ? null : intersectRects(programme, crop);
    const overProgramme = common !== null && common.width > 0 && common.height > 0;
    return [{ text, ring, crop, needed: neededFor(text), seen, overProgramme }];
  });
}

/** The part of some pixels that lies in a smaller crop. */
function cutPixels({ data }: Pixels, from: Rect, crop: Rect): Pixels {
  const cut = new Uint8ClampedArray(crop.width * crop.height * 4);
  for (let y = 0; y < crop.height; y++) {
    const start = ((crop.y - from.y + y) * from.width + (crop.x - from.x)) * 4;
    cut.set(data.subarray(start, start + crop.width * 4), y * crop.width * 4);
  }
  return { width: crop.width, height: crop.height, data: cut };
}

/** The whole pixels that letters and the ring round them cover, within the picture; null for nothing. */
function cropFor(ink: readonly DisplayItem[], widthPx: number, format: FrameFormat): Rect | null {
  const all = inkBounds(ink);
  if (all === null) return null;
  const frame = { x: 0, y: 0, width: format.widthPx, height: format.heightPx };
  const crop = intersectRects(outwardRect(growRect(all, widthPx + 1)), frame);
  return crop.width < 2 || crop.height < 2 ? null : crop;
}

/** What was found of a text, and the contrast that it has at worst. */
interface Judged {
  readonly layerId: string;
  readonly ratio: number;
  readonly found: Found;
}

/** What is told of a text over some pictures; null where it stands out enough. */
function judge(
  { text, ring, crop, needed }: MeasuredText,
  pictures: Awaited<ReturnType<typeof picturesUnder>>,
  { shown, title, clock, template, colours }: LayoutContext,
): Judged | null {
  const { format } = shown.compiled;
  const look = createBackdropLook(ring, crop, format);
  const measured = pictures.map(({ moment, picture }) => {
    const backdrop = look(picture);
    return { moment, backdrop, ratio: ringContrast(ring, backdrop) };
  });
  const name = cardName(template, text.layerId);
  const worstFirst = measured.toSorted((a, b) => a.ratio - b.ratio);
  const [worst] = worstFirst;
  const ratio = worst?.ratio ?? mostContrast(ring);
  if (ratio >= needed) return null;
  const judged = (found: Found): Judged => ({ layerId: text.layerId, ratio, found });
  const about = { tone: 'stop', subject: text.layerId, message: `contrast ${ratio.toFixed(1)} : 1` } as const;
  const tell = (against: string): string =>
    `${name} has ${ratio.toFixed(1)} : 1 against ${against}; ${needed} : 1 is needed.`;
  // Without pictures, or on a panel that nothing shows through, no moment is worse than another.
  const surroundings = worst === undefined ? 'panel' : surroundingsOf(ring);
  const around = meanLuminances(ring, worst?.backdrop ?? plainBackdrop(ring, 128));
  const coloured = colourMends(template, text.layerId, shown.compiled.boxes, around, colours);
  if (worst === undefined || surroundings === 'panel')
    return judged({ ...about, detail: tell(AGAINST.panel), mends: coloured });
  const scrim = scrimFor(ring, worstFirst.slice(0, 3), needed, title.scrim?.opacity ?? 0);
  const at = frameToTimecode(worst.moment.frame, clock);
  return judged({
    ...about,
    detail: tell(`${AGAINST[surroundings]} at worst, at ${at}`),
    frame: worst.moment.frame - title.startFrame,
    measurement: {
      label: 'Contrast',
      needed,
      points: fewPoints(
        measured.map(({ moment, ratio: value }) => ({ frame: moment.frame - title.startFrame, value })),
      ),
    },
    mends: [
      ...coloured,
      ...(scrim === null
        ? []
        : [
            {
              label: `Scrim of ${Math.round(scrim.opacity * 100)} %`,
              change: { kind: 'title' as const, set: { scrim } },
            },
          ]),
      ...edgeMends(text.capU, around.text),
      { label: 'Find a quiet place', change: { kind: 'quiet' as const } },
    ],
  });
}

/** A soft and a hard edge round the words, as wide as what is judged round them, also across corners. */
function edgeMends(capU: number, textLuminance: number): Mend[] {
  // Black stands out against what is lighter than this, white against the rest (WCAG 2.2).
  const colour = textLuminance > EQUALLY_FAR ? '#000000' : '#ffffff';
  const tone = colour === '#000000' ? 'dark' : 'light';
  const widthU = Math.min(MOST_EDGE_U, Math.ceil(capU * STROKE_SHARE * 1.5));
  const edge = (label: string, softU: number): Mend => ({
    label,
    change: { kind: 'title', set: { edge: { colour, widthU, softU } } },
  });
  return [edge(`Soft ${tone} edge`, widthU * 2), edge(`${tone === 'dark' ? 'Dark' : 'Light'} outline`, 0)];
}

// The luminance that is as far from black as from white.
const EQUALLY_FAR = Math.sqrt(0.05 * 1.05) - 0.05;

const AGAINST = {
  panel: 'its own panel',
  picture: 'the picture',
  both: 'the picture and what the title has over it',
} as const;

// A chart on the panel has no room for more.
const MOST_POINTS = 80;

/** At most eighty moments of a measurement, the least of each stretch. */
function fewPoints(points: readonly Measured[]): readonly Measured[] {
  const step = Math.ceil(points.length / MOST_POINTS);
  return Array.from({ length: Math.ceil(points.length / Math.max(1, step)) }, (_, i) =>
    points.slice(i * step, (i + 1) * step).reduce((least, one) => (one.value < least.value ? one : least)),
  );
}

/** What of a picture lies under a text and its ring. Where to look is worked out once for pictures of one size. */
function createBackdropLook(
  { core, ring }: TextRing,
  crop: Rect,
  format: FrameFormat,
): (picture: BackdropFrame) => RingBackdrop {
  const shape = { aspect: displayAspect(format) };
  const known = new Map<string, { readonly core: Int32Array; readonly ring: Int32Array }>();
  const placesOf = (picture: BackdropFrame): { core: Int32Array; ring: Int32Array } => {
    const place = (index: number): number => {
      const x = (crop.x + (index % crop.width) + 0.5) / format.widthPx;
      const y = (crop.y + Math.floor(index / crop.width) + 0.5) / format.heightPx;
      const at = backdropPoint(picture, shape, x, y);
      return at.y * picture.width + at.x;
    };
    return { core: core.at.map(place), ring: ring.at.map(place) };
  };
  return (picture) => {
    const size = `${picture.width} ${picture.height} ${picture.aspect}`;
    const places = known.get(size) ?? placesOf(picture);
    known.set(size, places);
    return { core: coloursAt(picture, places.core), ring: coloursAt(picture, places.ring) };
  };
}

function coloursAt({ data }: BackdropFrame, places: Int32Array): Uint8ClampedArray {
  const colours = new Uint8ClampedArray(places.length * 3);
  for (let k = 0; k < places.length; k++) {
    for (let part = 0; part < 3; part++) colours[k * 3 + part] = data[places[k] * 4 + part];
  }
  return colours;
}

/** The weakest scrim, black or white, with which a text passes over some pictures, in steps of 5 %; null when none does. */
function scrimFor(
  ring: TextRing,
  pictures: readonly { readonly backdrop: RingBackdrop }[],
  needed: number,
  present: number,
): Scrim | null {
  const passes = (scrim: Scrim): boolean =>
    pictures.every(({ backdrop }) => ringContrast(ring, underScrim(backdrop, scrim)) >= needed * 1.02);
  const found = ['#000000', '#ffffff'].flatMap((colour): Scrim[] => {
    const at = (step: number): Scrim => ({ colour, opacity: (step * 5) / 100 });
    let [low, high] = [Math.round(present * 20), STRONGEST_STEP];
    if (high <= low || !passes(at(high))) return [];
    // The stronger it is, the more the text stands out once it does at all.
    while (high - low > 1) {
      const middle = (low + high) >> 1;
      if (passes(at(middle))) high = middle;
      else low = middle;
    }
    return [at(high)];
  });
  return found.toSorted((a, b) => a.opacity - b.opacity)[0] ?? null;
}

// 95 %: with more there is no picture left.
const STRONGEST_STEP = 19;

function underScrim({ core, ring }: RingBackdrop, { colour, opacity }: Scrim): RingBackdrop {
  const level = colour === '#000000' ? 0 : 255;
  const mixed = (colours: ArrayLike<number>): Float32Array => {
    const under = new Float32Array(colours.length);
    for (let i = 0; i < under.length; i++) under[i] = colours[i] * (1 - opacity) + level * opacity;
    return under;
  };
  return { core: mixed(core), ring: mixed(ring) };
}
