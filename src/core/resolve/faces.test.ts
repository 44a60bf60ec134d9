import { expect, test } from '@jest/globals';
import { tidelineStrap } from '../../../demo/templates';
import { facesOf } from '../model/facesOf';
import type { Template } from '../model/template';
import { everyFace } from './faces';

const [text] = tidelineStrap.layers.filter(({ kind }) => kind === 'text');
const set = { layerId: text.id, path: 'style.face' };

test.each([
  [
    'in one format',
    { overrides: [{ ...set, value: 'own-reach', scope: { kind: 'format', id: 'tall-1080' } }] },
  ],
  [
    'in a variant',
    {
      fields: [
        {
          ...tidelineStrap.fields[0],
          id: 'v',
          kind: 'choice',
          targets: [],
          limits: { choices: [{ value: 'a', label: 'A', sets: [{ ...set, value: 'own-reach' }] }] },
        },
      ],
    },
  ],
  [
    'where an editor chooses',
    {
      fields: [
        {
          ...tidelineStrap.fields[0],
          id: 'v',
          kind: 'choice',
          targets: [set],
          limits: { choices: [{ value: 'own-reach', label: 'Reach' }] },
        },
      ],
    },
  ],
] as const)('a face that is only asked for %s is among those of the template', (_, change) => {
  const template = { ...tidelineStrap, ...change } as unknown as Template;
  const designed = tidelineStrap.layers.flatMap(facesOf);
  expect(designed).not.toContain('own-reach');
  expect(new Set(everyFace(template))).toEqual(new Set([...designed, 'own-reach']));
});

test('a value of another property is no face, whatever it says', () => {
  const overrides = [
    { layerId: text.id, path: 'text', value: 'own-reach', scope: { kind: 'format', id: 'x' } },
  ];
  expect(everyFace({ ...tidelineStrap, overrides } as Template)).not.toContain('own-reach');
});
