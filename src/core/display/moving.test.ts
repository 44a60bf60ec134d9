import { expect, test } from '@jest/globals';
import type { DisplayItem } from './list';
import {
  movingImage,
  movingImages,
  movingMoment,
  movingSize,
  showsMoving,
  videoId,
  videoPicture,
} from './moving';

test('a video and its moment are found again in the name of an image, whatever its id', () => {
  for (const moment of [
    { id: 'weir', seconds: 0 },
    { id: 'weir@dusk', seconds: 12.48 },
    { id: 'a-b:c', seconds: 1 / 30 },
  ])
    expect(movingMoment(movingImage(moment))).toEqual(moment);
  expect(movingMoment('weir')).toBeNull();
  expect([videoId(videoPicture('weir')), videoId('weir')]).toEqual(['weir', null]);
});

test('frames are decoded no larger than high definition, in their proportions', () => {
  const sized = (widthPx: number, heightPx: number) => Object.values(movingSize({ widthPx, heightPx }));
  expect(sized(640, 360)).toEqual([640, 360]);
  expect(sized(3840, 2160)).toEqual([1920, 1080]);
  expect(sized(1080, 1920)).toEqual([608, 1080]);
  expect(sized(3840, 1600)).toEqual([1920, 800]);
  expect(sized(9000, 2)).toEqual([1920, 1]);
});

test('videos are found in groups and masks, each moment once', () => {
  const image = (asset: string): DisplayItem => ({
    kind: 'image',
    asset,
    sourcePx: { x: 0, y: 0, width: 1, height: 1 },
    rect: { x: 0, y: 0, width: 1, height: 1 },
    matrix: [1, 0, 0, 1, 0, 0],
    opacity: 1,
  });
  const [first, second] = [0, 1].map((seconds) => image(movingImage({ id: 'weir', seconds })));
  const items: DisplayItem[] = [
    image('still'),
    first,
    { kind: 'mask', mode: 'in', items: [image('still')], mask: [second, first] },
  ];
  expect([...movingImages(items)]).toEqual(['moving:weir@0', 'moving:weir@1']);
  expect([showsMoving(items), showsMoving([image('still')])]).toEqual([true, false]);
});
