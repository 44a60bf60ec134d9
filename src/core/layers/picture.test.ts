import { beforeAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { serverFonts } from '../../server/fontFiles';
import type { DisplayItem } from '../display/list';
import { newPictureLayer } from '../model/newLayers';
import { movingImage, movingImages } from '../display/moving';
import type { PictureLayer, Span, Template } from '../model/template';
import type { Rect } from '../kit/rect';
import { FORMATS } from '../frame/formats';
import { place, testBox, testTemplate } from '../testing';
import type { FontLibrary } from '../text/fontLibrary';
import { compile } from '../timeline/compile';
import { designFrames, stretchTiming } from '../titleTime/stretch';
import { RATES } from '../time/rates';
import type { PictureSize, PictureSizes } from './layerKind';
import { coverCrop, isFullFrame } from './picture';

let fonts: FontLibrary;
beforeAll(async () => {
  fonts = await serverFonts();
});

const sizes = (known: Readonly<Record<string, PictureSize>>): PictureSizes => ({
  size: (asset) => known[asset],
});
const pictureLayer = (more: Partial<PictureLayer>): PictureLayer => ({
  ...newPictureLayer('p', 'P', 'osier'),
  place: place({}),
  ...more,
});

/** What a picture layer covers and shows at rest, in a picture of 1920 × 1080. */
function shown(
  layer: PictureLayer,
  size?: PictureSize,
): { box: Rect | undefined; items: readonly DisplayItem[] } {
  const template = testTemplate([layer]);
  const compiled = compile(
    template,
    {},
    FORMATS.get('wide-1080'),
    fonts,
    sizes(size === undefined ? {} : { osier: size }),
  );
  const rate = RATES.get('25');
  const timing = stretchTiming(template.timing, designFrames(template.timing, rate), rate);
  return { box: compiled.boxes.get('p'), items: compiled.frame(2, timing).items };
}
const image = (items: readonly DisplayItem[]): Extract<DisplayItem, { kind: 'image' }> => {
  const [item] = items;
  if (item?.kind !== 'image') throw new Error('no image');
  return item;
};

describe('the size of a picture', () => {
  test('is its own, a pixel a unit', () => {
    expect(shown(pictureLayer({}), { widthPx: 300, heightPx: 200 }).box).toMatchObject({
      width: 300,
      height: 200,
    });
  });

  test('is the whole frame for one that was drawn on a full-frame canvas', () => {
    const whole = { x: 0, y: 0, width: 1920, height: 1080 };
    expect(
      shown(pictureLayer({ place: place({ dxU: 80 }) }), { widthPx: 3840, heightPx: 2160 }).box,
    ).toMatchObject(whole);
    expect(isFullFrame({ widthPx: 1920, heightPx: 1084 }, whole)).toBe(true);
    expect(isFullFrame({ widthPx: 1920, heightPx: 1100 }, whole)).toBe(false);
  });

  test('is what is set', () => {
    const set = pictureLayer({ sizing: 'fixed', widthU: 640, heightU: 100 });
    expect(shown(set, { widthPx: 300, heightPx: 200 }).box).toMatchObject({ width: 640, height: 100 });
  });

  test('is that of a stand-in while the picture is not here, and something is seen', () => {
    const { box, items } = shown(pictureLayer({}));
    expect(box).toMatchObject({ width: 320, height: 180 });
    expect(items[0].kind).toBe('fill');
  });
});

describe('a picture in a box of another shape', () => {
  const box = { sizing: 'fixed', widthU: 400, heightU: 400 } as const;
  const size = { widthPx: 800, heightPx: 200 };

  test('is seen whole, in the middle', () => {
    const { rect, sourcePx } = image(shown(pictureLayer({ ...box, fit: 'contain' }), size).items);
    expect(sourcePx).toEqual({ x: 0, y: 0, width: 800, height: 200 });
    expect(rect).toMatchObject({ width: 400, height: 100 });
    expect(rect.y).toBeCloseTo(150, 6);
  });

  test('or fills it, its middle cut out', () => {
    const { rect, sourcePx } = image(shown(pictureLayer({ ...box, fit: 'cover' }), size).items);
    expect(rect).toMatchObject({ width: 400, height: 400 });
    expect(sourcePx).toEqual({ x: 300, y: 0, width: 200, height: 200 });
  });

  test('or is stretched to it', () => {
    const { rect, sourcePx } = image(shown(pictureLayer({ ...box, fit: 'stretch' }), size).items);
    expect(rect).toMatchObject({ width: 400, height: 400 });
    expect(sourcePx).toMatchObject({ width: 800, height: 200 });
  });

  test('what fills a box has the box’s shape, lies within the picture and in its middle', () => {
    const px = fc.integer({ min: 1, max: 4000 });
    fc.assert(
      fc.property(px, px, px, px, (widthPx, heightPx, width, height) => {
        const crop = coverCrop({ widthPx, heightPx }, { x: 0, y: 0, width, height });
        expect(crop.width / crop.height).toBeCloseTo(width / height, 4);
        expect(crop.x).toBeGreaterThanOrEqual(-1e-6);
        expect(crop.x + crop.width).toBeLessThanOrEqual(widthPx + 1e-6);
        expect(crop.y + crop.height).toBeLessThanOrEqual(heightPx + 1e-6);
        expect(crop.x + crop.width / 2).toBeCloseTo(widthPx / 2, 6);
        expect(Math.min(widthPx - crop.width, heightPx - crop.height)).toBeCloseTo(0, 4);
      }),
    );
  });
});

describe('a video in place of a picture', () => {
  const upright = { widthPx: 90, heightPx: 160 };
  const plain = pictureLayer({ asset: 'video:reel' });
  const film = (motion: Partial<PictureLayer['motion']> = {}): PictureLayer => ({
    ...plain,
    motion: { ...plain.motion, in: [], out: [], ...motion },
  });
  const moments = (template: Template): ((frame: number) => string[]) => {
    const rate = RATES.get('25');
    const format = FORMATS.get('wide-1080');
    const compiled = compile(template, {}, format, fonts, sizes({ 'video:reel': upright }));
    const timing = stretchTiming(template.timing, designFrames(template.timing, rate), rate);
    return (frame) => [...movingImages(compiled.frame(frame * timing.frameSeconds, timing).items)];
  };
  const at = (frame: number): string[] => [movingImage({ id: 'reel', seconds: frame * 0.04 })];

  test('shows its frames from the first of the title on, one for both fields', () => {
    const shows = moments(testTemplate([film()]));
    for (const frame of [0, 1, 7, 49]) {
      expect(shows(frame)).toEqual(at(frame));
      expect(shows(frame + 0.5)).toEqual(at(frame));
    }
  });

  test('in a layer that is there for a part of the title, from the first of that', () => {
    const span: Span = {
      from: { from: 'start', offsetSeconds: 1, share: 0 },
      to: { from: 'end', offsetSeconds: 0, share: 0 },
    };
    const shows = moments(testTemplate([film({ span })]));
    expect(shows(24)).toEqual([]);
    expect(shows(25)).toEqual(at(0));
    expect(shows(40)).toEqual(at(15));
  });

  test('is as large as the frame has room for, however large its frames are decoded', () => {
    for (const share of [1, 0.5]) {
      const size = { widthPx: upright.widthPx * share, heightPx: upright.heightPx * share };
      const template = testTemplate([film()]);
      const compiled = compile(template, {}, FORMATS.get('wide-1080'), fonts, sizes({ 'video:reel': size }));
      expect(compiled.boxes.get('p')).toMatchObject({ width: (1080 * 90) / 160, height: 1080 });
    }
  });

  test('fills words, too', () => {
    const layer = testBox('b');
    const shows = moments(testTemplate([{ ...layer, look: { ...layer.look, picture: 'video:reel' } }]));
    expect(shows(30)).toEqual(at(30));
  });
});
