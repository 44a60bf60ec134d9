import { beforeAll, expect, test } from '@jest/globals';
import { serverFonts } from '../../server/fontFiles';
import { FORMATS } from '../frame/formats';
import { previewFormat } from '../frame/previewFormat';
import { newGroupLayer } from '../model/newLayers';
import { motionOf, newMoveUse } from '../model/newMove';
import type { Layer, MoveUse } from '../model/template';
import { testBox, testTemplate, testText } from '../testing';
import type { FontLibrary } from '../text/fontLibrary';
import { RATES } from '../time/rates';
import { designFrames, stretchTiming } from '../titleTime/stretch';
import { compile } from './compile';

const SMALL = previewFormat(FORMATS.get('wide-1080'), 480);
const TIMING = { inSeconds: 1, holdSeconds: 2, outSeconds: 1 };
const RATE = RATES.get('25');
const LENGTH = stretchTiming(TIMING, designFrames(TIMING, RATE), RATE);
const FADE = newMoveUse('fade', { unit: 'layer', lengthSeconds: 1 });
const SLICES = newMoveUse('slices', { unit: 'layer', lengthSeconds: 0.4 });
const HIGHLIGHT = { colour: '#203040', opacity: 1, padAcrossU: 10, padDownU: 4, radiusU: 0 };

let fonts: FontLibrary;
beforeAll(async () => {
  fonts = await serverFonts();
});

const moving = <L extends Layer>(layer: L, uses: readonly MoveUse[]): L => ({
  ...layer,
  motion: motionOf([...uses], null),
});
const LAYERS: Readonly<Record<string, (uses: readonly MoveUse[]) => readonly Layer[]>> = {
  'a text on a highlight': (uses) => [
    moving({ ...testText('words', 'Osier Reach'), highlight: HIGHLIGHT }, uses),
  ],
  'a box': (uses) => [moving(testBox('box', { fill: '#ff0000', fillOpacity: 0.5 }), uses)],
  'a group': (uses) => {
    const members = [testBox('one', { fill: '#ff0000' }), testText('two', 'Osier')];
    const ids = members.map(({ id }) => id);
    return [moving(newGroupLayer('group', 'Group', ids), uses), ...members];
  },
};

test.each(Object.entries(LAYERS))('%s whose slices have come together is whole and once', (_, layersOf) => {
  const at = (uses: readonly MoveUse[], seconds: number) =>
    compile(testTemplate(layersOf(uses), { timing: TIMING }), {}, SMALL, fonts).frame(seconds, LENGTH).items;
  expect(at([SLICES, FADE], 0.2)).not.toEqual(at([FADE], 0.2));
  expect(at([SLICES, FADE], 0.7)).toEqual(at([FADE], 0.7));
});
