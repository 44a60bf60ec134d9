import { showsMoving } from '../../display/moving';
import { containsRect } from '../../kit/rect';
import { pictureSize } from '../../frame/formats';
import { fadeAt } from '../../project/deliver';
import type { Check, LayoutContext } from '../check';
import { defineCheck } from '../check';
import type { BackdropFrame } from '../eyes';
import { backdropPoint, displayAspect } from '../eyes';
import { FlashWatch } from '../flashes';
import { samplesOf } from '../sampler';
import { momentsUnder } from '../underTitle';

const WIDTH_PX = 64;
const LEAST_AREA = 0.25;
// Where no picture lies under a title it is looked at over a middling grey.
const GREY = 118;

export const flashingCheck: Check = defineCheck({
  kind: 'layout',
  id: 'flash',
  wordless: true,
  label: 'Flashing',
  about:
    'Counts flashes of more than a quarter of the picture in every second of a title (of credits in two of every ten), over the picture under it.',
  async run(context) {
    if (!isLarge(context)) return [];
    const { title, rate, timing, rules } = context;
    const shown = context.showAt(WIDTH_PX);
    const { format } = shown.compiled;
    const { widthPx, heightPx } = format;
    const under = backdropLook(await stillUnder(context), widthPx, heightPx, displayAspect(format));
    const watch = new FlashWatch(widthPx * heightPx);
    const unfaded = (from: number, to: number): boolean =>
      fadeAt(title, from) >= 1 && fadeAt(title, to - 1) >= 1;
    const samples = samplesOf(shown.compiled, timing, rate, unfaded);
    const looked = shown.compiled.credits === null ? samples : samples.filter(isInStretch);
    for (const { frame, seconds } of looked) {
      const area = { x: 0, y: 0, width: widthPx, height: heightPx };
      const { items } = shown.frame(frame);
      if (showsMoving(items)) await context.eyes.ready(items);
      const { data } = context.eyes.paint(items, area);
      watch.see(seconds, (pixel) => {
        const alpha = data[pixel * 4 + 3] / 255;
        const below = under(pixel);
        const mix = (part: number): number => data[pixel * 4 + part] * alpha + below[part] * (1 - alpha);
        return [mix(0), mix(1), mix(2)];
      });
    }
    const { most, fromSeconds } = watch.most();
    if (most <= rules.flashesPerSecond) return [];
    return [
      {
        tone: 'stop',
        message: `flashes ${most} times a second`,
        detail: `More than a quarter of the picture flashes ${most} times within a second; at most ${rules.flashesPerSecond} are safe to look at.`,
        frame: Math.min(
          title.lengthFrames - 1,
          Math.round((fromSeconds * rate.numerator) / rate.denominator),
        ),
      },
    ];
  },
});

// Credits go by alike for minutes: two seconds of every ten are looked at.
const isInStretch = ({ seconds }: { readonly seconds: number }): boolean => seconds % 10 < 2;

/** One picture of the clip that the title starts over: what that clip does itself is not the title's doing. */
async function stillUnder({ clips, title, rate, eyes }: LayoutContext): Promise<BackdropFrame | null> {
  const [moment] = momentsUnder(clips, title.startFrame, title.startFrame + 1, rate);
  return moment === undefined ? null : eyes.backdrop(moment.picture, moment.seconds);
}

/** The colour that lies under each pixel of a small picture of a title. */
function backdropLook(
  picture: BackdropFrame | null,
  width: number,
  height: number,
  aspect: number,
): (pixel: number) => readonly [number, number, number] {
  if (picture === null) return () => [GREY, GREY, GREY];
  const colours = Array.from({ length: width * height }, (_, pixel): [number, number, number] => {
    const [x, y] = [((pixel % width) + 0.5) / width, (Math.floor(pixel / width) + 0.5) / height];
    const at = backdropPoint(picture, { aspect }, x, y);
    const from = (at.y * picture.width + at.x) * 4;
    return [picture.data[from], picture.data[from + 1], picture.data[from + 2]];
  });
  return (pixel) => colours[pixel];
}

/** Whether its layers can cover a quarter of the picture at all. */
function isLarge({ shown, title }: LayoutContext): boolean {
  if (title.scrim !== null) return true;
  const { widthU, heightU } = pictureSize(shown.compiled.format);
  const frame = { x: 0, y: 0, width: widthU, height: heightU };
  let area = 0;
  for (const box of shown.compiled.boxes.values())
    area += containsRect(box, frame)
      ? widthU * heightU
      : Math.min(widthU, box.width) * Math.min(heightU, box.height);
  return area > LEAST_AREA * widthU * heightU;
}
