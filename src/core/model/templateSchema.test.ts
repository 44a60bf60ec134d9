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
    [['layers', 0, 'style', 'sizeU'], 0, /layers\[0\]\.style\.sizeU: expected at least 1, got 0/],
    [['layers', 0, 'style', 'sizeU'], -12, /expected at least 1, got -12/],
    [
      ['layers', 0, 'style', 'sizeU'],
      '84',
      /layers\[0\]\.style\.sizeU: expected a value of type number, got "84"/,
    ],
    [['timing', 'inSeconds'], 0, /timing\.inSeconds: expected at least 0\.01, got 0/],
    [['rate'], '26', /rate: expected one of 23\.976, .*got "26"/],
    [['formats', 0], 'cinema', /formats\[0\]: expected one of wide-1080, .*got "cinema"/],
    [['layers', 3, 'fill'], 'red', /layers\[3\]\.fill: expected text of the form .*got "red"/],
    [
      ['layers', 0, 'motion', 'in', 0, 'move'],
      'explode',
      /expected one of fade, slide, rise, .*got "explode"/,
    ],
    [
      ['layers', 0, 'kind'],
      'hologram',
      /layers\[0\]\.kind: expected one of text, box, picture, backdrop, particles, light, group, stack, copy, credits, rows, got "hologram"/,
    ],
    [['layers', 0, 'secret'], 1, /layers\[0\]: expected no unknown properties \(secret\)/],
    [
      ['layers', 3, 'encloses'],
      ['name', 'gone'],
      /layer "Panel": expected a layer of this template, got "gone"/,
    ],
    [
      ['fields', 0, 'targets', 0, 'layerId'],
      'gone',
      /field "Name": expected a layer of this template, got "gone"/,
    ],
    [['layers', 1, 'id'], 'name', /layer "Role line": expected an id of its own, got "name"/],
    [
      ['backdrop'],
      'moon',
      /backdrop: expected a stand-in picture, an uploaded still or a plain colour, got "moon"/,
    ],
    [['layers', 0, 'runs', 0, 'text'], 'x'.repeat(10_001), /expected at most 10000 characters/],
  ])('%j = %j', (path, value, message) => {
    expect(problems(() => parseTemplate(broken(path, value)))).toMatch(message);
  });

  test('a later version is named, not taken apart', () => {
    const message = problems(() => parseTemplate({ version: 4, layers: 'something new' }));
    expect(message).toMatch(
      /version: expected version 3 or earlier, got 4\. It was made with a later Gilder/,
    );
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
    [{ lengthFrames: 0 }, /lengthFrames: expected at least 2, got 0/],
    [{ lengthFrames: -3 }, /lengthFrames: expected at least 2, got -3/],
    [{ startFrame: 1.5 }, /startFrame: expected a whole number, got 1\.5/],
    [
      { values: { name: ['no'] } },
      /values: expected words of at most 20 000 characters, numbers and switches/,
    ],
    [
      { ...newTitle(title), perDelivery: { 'to all': { leftOut: true, values: {}, shift: null } } },
      /perDelivery: expected ids of deliveries/,
    ],
  ])('%j is refused', (change, message) => {
    expect(problems(() => parseTitle({ ...title, ...change }))).toMatch(message);
  });

  test('a rate that is not supported is refused', () => {
    const settings = { name: 'P', production: '', format: 'wide-1080', rate: '31' };
    expect(problems(() => parseProjectSettings(settings))).toMatch(/rate: expected one of/);
  });
});
