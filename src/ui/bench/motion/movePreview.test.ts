import { beforeAll, describe, expect, test } from '@jest/globals';
import { serverFonts } from '@/server/fontFiles';
import {
  newBackdropLayer,
  newBoxLayer,
  newCopyLayer,
  newGroupLayer,
  newLightLayer,
  newParticlesLayer,
  newPictureLayer,
  newRowsLayer,
  newStackLayer,
  newTextLayer,
} from '@/core/model/newLayers';
import { motionOf, newHoldUse, newMoveUse } from '@/core/model/newMove';
import type { Layer } from '@/core/model/template';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { makePreview, previewSeconds } from './movePreview';

let fonts: FontLibrary;
beforeAll(async () => {
  fonts = await serverFonts();
});

const TILE = { widthPx: 224, heightPx: 112 };
const LAYERS: readonly Layer[] = [
  newTextLayer('text', 'Text'),
  newRowsLayer('rows', 'Rows'),
  // Encloses what is not there in a preview.
  newBoxLayer('box', 'Panel', ['text']),
  newPictureLayer('picture', 'Picture', null),
  newBackdropLayer('backdrop', 'Backdrop'),
  newParticlesLayer('particles', 'Particles'),
  newLightLayer('light', 'Light'),
  newGroupLayer('group', 'Group', ['text']),
  newStackLayer('stack', 'Stack', ['text']),
  newCopyLayer('copy', 'Copy', 'text'),
];

describe('a preview', () => {
  test.each(LAYERS.map((layer) => [layer.kind, layer] as const))('shows a move on a %s', (_kind, layer) => {
    const preview = makePreview(layer, { kind: 'in', use: newMoveUse('slide') }, TILE, fonts);
    const { title, timing, cropX, cropY } = preview ?? missing();
    expect(title.frame(1, timing).items.length).toBeGreaterThan(0);
    expect(title.frame(0.1, timing)).not.toEqual(title.frame(1, timing));
    // The layer fits the tile, which shows the middle of the frame.
    const box = [...title.boxes.values()][0];
    const perUnit = title.toPixels[0];
    expect(box.width * perUnit).toBeLessThanOrEqual(TILE.widthPx);
    expect(box.height * perUnit).toBeLessThanOrEqual(TILE.heightPx);
    expect(Math.abs((box.x + box.width / 2) * perUnit - cropX - TILE.widthPx / 2)).toBeLessThan(2);
    expect(Math.abs((box.y + box.height / 2) * perUnit - cropY - TILE.heightPx / 2)).toBeLessThan(2);
  });

  test('plays motion of the House in and out again, whatever it hangs on elsewhere', () => {
    const motion = motionOf(newMoveUse('slide', { startSeconds: 3, lengthSeconds: 8 }), newMoveUse('fade'), {
      span: {
        from: { from: 'start', offsetSeconds: 30, share: 0 },
        to: { from: 'end', offsetSeconds: 0, share: 0 },
      },
    });
    const preview = makePreview(newTextLayer('text', 'Text'), { kind: 'kept', motion }, TILE, fonts);
    const { title, timing } = preview ?? missing();
    const at = (seconds: number) => title.frame(seconds, timing);
    expect(at(0.3)).not.toEqual(at(1));
    expect(at(1.6)).not.toEqual(at(1));
    expect([previewSeconds('kept', 0.5), previewSeconds('kept', 1.5), previewSeconds('kept', 2.6)]).toEqual([
      0.5, 1.5, 2,
    ]);
  });

  test('shows nothing for a text without words', () => {
    const empty = { ...newTextLayer('text', 'Text'), runs: [{ text: ' ' }] };
    expect(makePreview(empty, { kind: 'in', use: newMoveUse('fade') }, TILE, fonts)).toBeNull();
  });

  test('plays the way out backwards in time, and a hold for as long as one is', () => {
    const out = makePreview(LAYERS[0], { kind: 'out', use: newMoveUse('fade') }, TILE, fonts);
    const { title, timing } = out ?? missing();
    expect(title.frame(previewSeconds('out', 0), timing).items.length).toBeGreaterThan(0);
    expect(title.frame(previewSeconds('out', 1), timing).items).toEqual([]);
    const hold = makePreview(LAYERS[0], { kind: 'hold', use: newHoldUse('float') }, TILE, fonts);
    const { title: floating, timing: held } = hold ?? missing();
    expect(floating.frame(previewSeconds('hold', 1), held)).not.toEqual(
      floating.frame(previewSeconds('hold', 2.5), held),
    );
  });

  test('goes round with a rest after it', () => {
    expect([0, 0.5, 1, 1.5].map((played) => previewSeconds('in', played))).toEqual([0, 0.5, 1, 1]);
    expect(previewSeconds('in', 1.7)).toBeCloseTo(0, 6);
    expect(previewSeconds('out', 0.25)).toBe(1.25);
  });
});

function missing(): never {
  throw new Error('There is no preview');
}
