import type { DisplayItem } from '../../display/list';
import type { Rect } from '../../kit/rect';
import { growRect, intersectRects, outwardRect, unionRects } from '../../kit/rect';
import type { FrameFormat } from '../../layout/formats';
import { pictureSize } from '../../layout/formats';
import type { Scrim } from '../../document/project';
import type { CompiledText } from '../../timeline/compile';
import { frameToTimecode } from '../../units/timecode';
import type { Check, LayoutContext } from '../check';
import { defineCheck } from '../check';
import type { ColourAt, TextRing } from '../contrastRing';
import { leastContrast, ringContrast, textRing } from '../contrastRing';
import type { BackdropFrame, Pixels } from '../eyes';
import { backdropPoint, displayAspect } from '../eyes';
import type { Found } from '../finding';
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
    'Measures text against what lies directly round its letters, over the real pictures, for the whole time in which it is read.',
  async run(context) {
    const rings = ringsOf(context);
    const doubtful = rings.filter(({ ring, needed }) => leastContrast(ring) < needed);
    if (doubtful.length === 0) return [];
    const { title, timing, rate, clips, eyes } = context;
    const from = title.startFrame + timing.inFrames;
    const to = title.startFrame + Math.max(timing.inFrames + 1, timing.totalFrames - timing.outFrames);
    const pictures = await picturesUnder(momentsUnder(clips, from, to, rate), eyes);
    return doubtful.flatMap((one) => judge(one, pictures, context));
  },
});

interface MeasuredText {
  readonly text: CompiledText;
  readonly ring: TextRing;
  readonly crop: Rect;
  readonly needed: number;
}

function ringsOf({ shown, restingFrame, eyes, rules, applied }: LayoutContext): MeasuredText[] {
  const { compiled } = shown;
  const pxPerU = compiled.toPixels[3];
  const { heightU } = pictureSize(compiled.format);
  const neededFor = ({ type }: CompiledText): number =>
    type.capU >= rules.largeCapShare * heightU ? rules.contrastLarge : rules.contrastText;
  const certain = (text: CompiledText): boolean => {
    const layer = applied.layers.find(({ id }) => id === text.layerId);
    const margin = text.type.capU * STROKE_SHARE;
    return (
      layer !== undefined && standsOnPanel(layer, applied.layers, compiled.boxes, margin, neededFor(text))
    );
  };
  const cropped = compiled.texts.flatMap((text) => {
    if (certain(text)) return [];
    const ink = text.ink();
    const widthPx = Math.max(1, text.type.capU * STROKE_SHARE * pxPerU);
    const crop = cropFor(ink, widthPx, compiled.format);
    return crop === null ? [] : [{ text, ink, widthPx, crop }];
  });
  const all = unionRects(cropped.map(({ crop }) => crop));
  if (all === null) return [];
  // Shadows and the like make painting dear: once for all texts.
  const painted = eyes.paint(shown.frame(restingFrame).items, all);
  return cropped.flatMap(({ text, ink, widthPx, crop }): MeasuredText[] => {
    const ring = textRing(eyes.paint(ink, crop), cutPixels(painted, all, crop), widthPx);
    if (ring === null) return [];
    return [{ text, ring, crop, needed: neededFor(text) }];
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

function judge(
  { text, ring, crop, needed }: MeasuredText,
  pictures: Awaited<ReturnType<typeof picturesUnder>>,
  { shown, title, rate, applied }: LayoutContext,
): Found[] {
  const { format } = shown.compiled;
  const measured = pictures.map(({ moment, picture }) => {
    const colourAt = backdropColours(picture, crop, format);
    return { moment, colourAt, ratio: ringContrast(ring, colourAt) };
  });
  measured.sort((a, b) => a.ratio - b.ratio);
  const [worst] = measured;
  if (worst === undefined || worst.ratio >= needed) return [];
  const name = applied.layers.find((layer) => layer.id === text.layerId)?.name ?? 'A text';
  const scrim = scrimFor(ring, measured.slice(0, 3), needed, title.scrim?.opacity ?? 0);
  const at = frameToTimecode(worst.moment.frame, rate);
  return [
    {
      tone: 'stop',
      subject: text.layerId,
      message: `contrast ${worst.ratio.toFixed(1)} : 1`,
      detail: `${name} has ${worst.ratio.toFixed(1)} : 1 against the picture at worst, at ${at}; ${needed} : 1 is needed.`,
      frame: worst.moment.frame - title.startFrame,
      mends: [
        ...(scrim === null
          ? []
          : [
              {
                label: `Scrim of ${Math.round(scrim.opacity * 100)} %`,
                change: { kind: 'title' as const, set: { scrim } },
              },
            ]),
        { label: 'Find a quiet place', change: { kind: 'quiet' as const } },
      ],
    },
  ];
}

/** The colour of the picture under each pixel of a crop. */
function backdropColours(picture: BackdropFrame, crop: Rect, format: FrameFormat): ColourAt {
  const shape = { aspect: displayAspect(format) };
  return (index) => {
    const x = (crop.x + (index % crop.width) + 0.5) / format.widthPx;
    const y = (crop.y + Math.floor(index / crop.width) + 0.5) / format.heightPx;
    const at = backdropPoint(picture, shape, x, y);
    const i = (at.y * picture.width + at.x) * 4;
    return [picture.data[i], picture.data[i + 1], picture.data[i + 2]];
  };
}

/** The weakest scrim, black or white, with which a text passes over some pictures, in steps of 5 %; null when none does. */
function scrimFor(
  ring: TextRing,
  pictures: readonly { readonly colourAt: ColourAt }[],
  needed: number,
  present: number,
): Scrim | null {
  const passes = (scrim: Scrim): boolean =>
    pictures.every(({ colourAt }) => ringContrast(ring, underScrim(colourAt, scrim)) >= needed * 1.02);
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

function underScrim(colourAt: ColourAt, { colour, opacity }: Scrim): ColourAt {
  const level = colour === '#000000' ? 0 : 255;
  const mix = (channel: number): number => channel * (1 - opacity) + level * opacity;
  return (index) => {
    const [red, green, blue] = colourAt(index);
    return [mix(red), mix(green), mix(blue)];
  };
}
