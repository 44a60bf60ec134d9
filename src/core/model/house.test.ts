import { describe, expect, test } from '@jest/globals';
import { tidelineStrap } from '../../../demo/templates';
import { testBox, testText } from '../testing';
import type { Finish } from './house';
import { applyFinish, FIRST_HOUSE, finishOf, parseHouse, updateFinish } from './house';
import { FIRST_SHADOW, PLAIN_LOOK } from './look';
import { parseTemplate } from './templateSchema';

const styled = testText('name', 'Noor', {
  look: { ...PLAIN_LOOK, shadows: [FIRST_SHADOW] },
  highlight: { colour: '#10303c', opacity: 1, padAcrossU: 8, padDownU: 2, radiusU: 3 },
});

const finish = (name = 'Lamp text'): Finish => {
  const made = finishOf(styled, 'lamp', name);
  if (made === null) throw new Error('texts take finishes');
  return made;
};

describe('a finish', () => {
  test('gives hollow letters, and takes hollowness away where it has none', () => {
    const hollow = finishOf({ ...testText('t', 'Ilse'), fillOpacity: 0.2 }, 'h', 'Hollow');
    if (hollow === null) throw new Error('texts take finishes');
    const put = applyFinish(testText('o', 'Ode'), hollow);
    expect(put).toMatchObject({ fillOpacity: 0.2 });
    expect(applyFinish(put, finish())).not.toHaveProperty('fillOpacity');
  });

  test('gives its look to another text, which keeps its own words and size', () => {
    const other = testText('role', 'Pilot');
    const put = applyFinish({ ...other, style: { ...other.style, sizeU: 30 } }, finish());
    expect(put).toMatchObject({
      finish: 'lamp',
      look: styled.look,
      highlight: styled.highlight,
      style: { sizeU: 30 },
      runs: [{ text: 'Pilot' }],
    });
  });

  test('of a text is not for a box, and kinds without words or fill take none', () => {
    expect(applyFinish(testBox('box'), finish())).toEqual(testBox('box'));
    expect(finishOf({ ...testBox('box'), kind: 'group', members: [] } as never, 'x', 'X')).toBeNull();
  });

  test('changed is put anew on every layer that has it, and on no other', () => {
    const [name, ...rest] = tidelineStrap.layers;
    const template = { ...tidelineStrap, layers: [applyFinish(name, finish()), ...rest] };
    const softer = { ...finish(), look: { ...PLAIN_LOOK, shadows: [{ ...FIRST_SHADOW, softnessU: 60 }] } };
    const updated = updateFinish(template, softer);
    expect(updated.layers[0].look.shadows[0].softnessU).toBe(60);
    expect(updated.layers.slice(1)).toEqual(rest);
    expect(updateFinish(tidelineStrap, softer)).toBe(tidelineStrap);
    expect(parseTemplate(updated)).toEqual(updated);
  });
});

describe('a house from outside', () => {
  test('is taken when all of it is right', () => {
    const house = { ...FIRST_HOUSE, finishes: [finish()] };
    expect(parseHouse(house)).toEqual(house);
  });

  test.each([
    [{ ...FIRST_HOUSE, colours: [{ id: 'a', name: 'A', colour: 'red' }] }, /colours\[0\]\.colour/],
    [
      { ...FIRST_HOUSE, finishes: [{ ...finish(), look: { gradient: 7 } }] },
      /finish "Lamp text", layer\.look/,
    ],
    [
      { ...FIRST_HOUSE, finishes: [{ kind: 'song', id: 'a', name: 'A' }] },
      /finishes\[0\]\.kind: needs one of text, box/,
    ],
    [{}, /colours: needs a value/],
  ])('%# is refused, saying where', (house, message) => {
    expect(() => parseHouse(house)).toThrow(message);
  });
});
