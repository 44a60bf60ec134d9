import { describe, expect, test } from '@jest/globals';
import { DEMO_TEMPLATES, tidelineStrap } from '../../../demo/templates';
import { InputError } from '../kit/inputError';
import { newTemplate } from './newTemplate';
import { newTitle, parseProjectSettings, parseTitle } from './project';
import { parseTemplate } from './templateSchema';

function problems(run: () => unknown): string {
  try {
    run();
  } catch (error) {
    if (error instanceof InputError) return error.message;
    throw error;
  }
  return '';
}

/** The strap with something at a path replaced. */
function broken(path: readonly (string | number)[], value: unknown): unknown {
  const copy: unknown = structuredClone(tidelineStrap);
  let at: unknown = copy;
  for (const key of path.slice(0, -1)) at = Reflect.get(Object(at), key);
  Reflect.set(Object(at), path[path.length - 1], value);
  return copy;
}

test('the demo templates and a new one are accepted unchanged, also after a trip through JSON', () => {
  const start = { name: 'New', kind: 'quote', production: '', format: 'tall-1080', rate: '59.94' };
  for (const template of [...DEMO_TEMPLATES, newTemplate(start)]) {
    expect(parseTemplate(JSON.parse(JSON.stringify(template)))).toEqual(template);
  }
});

describe('a template is refused, saying where, what was expected and what was got', () => {
  test.each([
    [['layers', 0, 'style', 'sizeU'], 0, /layers\[0\]\.style\.sizeU: needs at least 1, found 0/],
    [['layers', 0, 'style', 'sizeU'], -12, /needs at least 1, found -12/],
    [
      ['layers', 0, 'style', 'sizeU'],
      '84',
      /layers\[0\]\.style\.sizeU: needs a value of type number, found "84"/,
    ],
    [['timing', 'inSeconds'], 0, /timing\.inSeconds: needs at least 0\.01, found 0/],
    [['rate'], '26', /rate: needs one of 23\.976, .*found "26"/],
    [['formats', 0], 'cinema', /formats\[0\]: needs one of wide-1080, .*found "cinema"/],
    [['layers', 3, 'fill'], 'red', /layers\[3\]\.fill: needs a colour such as #10303c.*found "red"/],
    [
      ['layers', 0, 'motion', 'in', 0, 'move'],
      'explode',
      /needs one of fade, slide, rise, .*found "explode"/,
    ],
    [
      ['layers', 0, 'kind'],
      'hologram',
      /layers\[0\]\.kind: needs one of text, box, picture, backdrop, particles, programme, light, group, stack, copy, credits, rows, found "hologram"/,
    ],
    [['layers', 0, 'secret'], 1, /layers\[0\]: needs no unknown properties \(secret\)/],
    [
      ['layers', 3, 'encloses'],
      ['name', 'gone'],
      /layer "Panel": needs a layer of this template, found "gone"/,
    ],
    [
      ['fields', 0, 'targets', 0, 'layerId'],
      'gone',
      /field "Name": needs a layer of this template, found "gone"/,
    ],
    [['layers', 1, 'id'], 'name', /layer "Role line": needs an id of its own, found "name"/],
    [
      ['backdrop'],
      'moon',
      /backdrop: needs a stand-in picture, an uploaded still or a plain colour, found "moon"/,
    ],
    [['layers', 0, 'runs', 0, 'text'], 'x'.repeat(10_001), /needs at most 10000 characters/],
  ])('%j = %j', (path, value, message) => {
    expect(problems(() => parseTemplate(broken(path, value)))).toMatch(message);
  });

  test('a later version is named, not taken apart', () => {
    const message = problems(() => parseTemplate({ version: 4, layers: 'something new' }));
    expect(message).toMatch(/version: needs version 3 or earlier, found 4\. It was made with a later Gilder/);
    expect(message.split('\n')).toHaveLength(1);
  });

  test.each([[null], [undefined], ['text'], [[]], [42]])('%j is no template', (value) => {
    expect(() => parseTemplate(value)).toThrow(InputError);
  });
});

describe('titles and projects', () => {
  const title = {
    id: 't',
    editionId: 'e',
    startFrame: 0,
    lengthFrames: 100,
    lane: 0,
    values: { name: 'Ode' },
  };

  test.each([
    [{ lengthFrames: 0 }, /lengthFrames: needs at least 2, found 0/],
    [{ lengthFrames: -3 }, /lengthFrames: needs at least 2, found -3/],
    [{ startFrame: 1.5 }, /startFrame: needs a whole number, found 1\.5/],
    [{ values: { name: ['no'] } }, /values: needs words of at most 20 000 characters, numbers and switches/],
    [
      { ...newTitle(title), perDelivery: { 'to all': { leftOut: true, values: {}, shift: null } } },
      /perDelivery: needs ids of deliveries/,
    ],
  ])('%j is refused', (change, message) => {
    expect(problems(() => parseTitle({ ...title, ...change }))).toMatch(message);
  });

  test('a rate that is not supported is refused', () => {
    const settings = { name: 'P', production: '', format: 'wide-1080', rate: '31' };
    expect(problems(() => parseProjectSettings(settings))).toMatch(/rate: needs one of/);
  });
});
