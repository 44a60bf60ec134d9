import { afterEach, describe, expect, test } from '@jest/globals';
import { faceFile } from '../testing';
import { knowOwnFaces } from './faces';
import {
  fallbackFaces,
  fallbacksIn,
  knowFallbacks,
  knownFallbacks,
  lateFacesFor,
  usualFallbacks,
} from './fallback';
import { ownFaces } from './ownFaces';

const OWN = 'own-marrow-sans';
const knowOwn = (): void => knowOwnFaces(ownFaces([faceFile({ letters: { Tamil: 60 } })]));

afterEach(() => {
  knowOwnFaces([]);
  knowFallbacks([]);
});

describe('letters that a face lacks', () => {
  test('come from faces made for the script, then others that have it, then Latin ones', () => {
    expect(fallbackFaces('Taml').slice(0, 2)).toEqual(['noto-sans-tamil', 'hanken-grotesk']);
    expect(fallbackFaces('Grek')[0]).toBe('alegreya');
    expect(fallbackFaces('Latn').slice(0, 2)).toEqual(['hanken-grotesk', 'barlow-condensed']);
    expect(fallbackFaces('Latn').at(-1)).toBe('noto-sans-symbols');
    expect(fallbackFaces('Latn')).not.toContain('noto-sans-arabic');
  });

  test('come first from those that the House names for the script, in its order, each once', () => {
    knowFallbacks([{ script: 'Latn', faces: ['fraunces', 'alegreya'] }]);
    const order = fallbackFaces('Latn');
    expect(order.slice(0, 3)).toEqual(['fraunces', 'alegreya', 'hanken-grotesk']);
    expect(new Set(order).size).toBe(order.length);
    expect(fallbackFaces('Grek')).toEqual(usualFallbacks('Grek'));
    knowFallbacks([]);
    expect(fallbackFaces('Latn')).toEqual(usualFallbacks('Latn'));
  });

  test('come from a face of the House while it is here', () => {
    knowFallbacks([{ script: 'Taml', faces: [OWN] }]);
    expect(fallbackFaces('Taml')[0]).toBe('noto-sans-tamil');
    knowOwn();
    expect(fallbackFaces('Taml').slice(0, 2)).toEqual([OWN, 'noto-sans-tamil']);
    knowOwnFaces([]);
    expect(fallbackFaces('Taml')[0]).toBe('noto-sans-tamil');
  });

  test('is another list only when it differs', () => {
    const first = [{ script: 'Taml', faces: [OWN] }];
    knowFallbacks(first);
    knowFallbacks(structuredClone(first));
    expect(knownFallbacks()).toBe(first);
  });
});

test('the faces that words need are those of their scripts, shipped and of the House', () => {
  expect(lateFacesFor('Harbour master')).toEqual([]);
  expect(lateFacesFor('படகு and เรือ').toSorted()).toEqual(['noto-sans-tamil', 'noto-sans-thai']);
  knowOwn();
  knowFallbacks([
    { script: 'Taml', faces: [OWN, 'alegreya'] },
    { script: 'Grek', faces: [OWN] },
  ]);
  expect(lateFacesFor('படகு').toSorted()).toEqual(['noto-sans-tamil', OWN]);
  expect(lateFacesFor('เรือ')).toEqual(['noto-sans-thai']);
});

test('only orders whose script is written are of any account', () => {
  const orders = ['Grek', 'Latn', 'Qaaa'].map((script) => ({ script, faces: [OWN] }));
  expect(fallbacksIn('Πορθμείο 12', orders)).toEqual([orders[0]]);
  expect(fallbacksIn('Ferry', orders)).toEqual([orders[1]]);
  expect(fallbacksIn('12:30', orders)).toEqual([]);
});
