import { describe, expect, test } from '@jest/globals';
import { tidelineStrap } from '../../../../demo/templates';
import { changeBetween } from '@/core/draft/change';
import { sayChange } from '@/core/draft/changeWords';
import { addTextLine } from '@/core/edit/addTextLine';
import { nudgeLayer, setProperty, setTiming, typeWords, updateLayer } from '@/core/edit/editTemplate';
import { removeLayer } from '@/core/edit/removeLayer';
import type { Template } from '@/core/model/template';
import { templateWords } from './stepWords';

function said(after: Template): string {
  const change = changeBetween(tidelineStrap, after);
  if (change === null) throw new Error('nothing was changed');
  return sayChange(change, after, templateWords(after));
}

describe('what was done on the bench', () => {
  test.each([
    ['Place of “Name line”', nudgeLayer(tidelineStrap, 'name', 10, 12)],
    ['Offset across of “Name line”', nudgeLayer(tidelineStrap, 'name', 10, 0)],
    ['Size of “Role line”', setProperty(tidelineStrap, 'role', 'style.sizeU', 50)],
    ['Fill of “Panel”', setProperty(tidelineStrap, 'panel', 'fill', '#203040')],
    ['Text of “Name line”', typeWords(tidelineStrap, 'name', 'Noor')],
    ['Added “Text 1”', addTextLine(tidelineStrap, null).template],
    ['Removed “Gold edge”', removeLayer(tidelineStrap, 'edge')],
    ['In, hold and out', setTiming(tidelineStrap, { ...tidelineStrap.timing, holdSeconds: 9 })],
    [
      'Motion of “Name line”',
      updateLayer(tidelineStrap, 'name', (one) => ({ ...one, motion: { ...one.motion, in: [] } })),
    ],
    ['Shown of “Panel”', setProperty(tidelineStrap, 'panel', 'visible', false)],
    ['Mirroring', { ...tidelineStrap, mirroring: undefined }],
  ])('%s', (words, after) => {
    expect(said(after)).toBe(words);
  });
});
