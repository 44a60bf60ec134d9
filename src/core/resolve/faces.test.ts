import { expect, test } from '@jest/globals';
import { tidelineStrap } from '../../../demo/templates';
import { facesOf } from '../model/facesOf';
import type { Template } from '../model/template';
import { everyFace, scriptsOfTemplate } from './faces';

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

const LATE = ['Hebrew', 'Bengali', 'Tamil', 'Thai', 'Georgian', 'Armenian'];
test('scripts are those of the faces that it asks for; shipped ones stand in for the others', () => {
  const words = (face: string): Template =>
    ({ ...tidelineStrap, layers: [{ ...text, style: { face }, runs: [] }] }) as unknown as Template;
  const latin = scriptsOfTemplate(words('barlow-condensed'));
  expect(latin).toEqual({ own: ['Latin'], standIn: ['Greek', 'Cyrillic', 'Arabic', 'Devanagari', ...LATE] });
  expect(scriptsOfTemplate(words('alegreya'))).toEqual({
    own: ['Latin', 'Greek', 'Cyrillic'],
    standIn: ['Arabic', 'Devanagari', ...LATE],
  });
  // One that is not here has none.
  expect(scriptsOfTemplate(words('own-nowhere')).own).toEqual([]);
});
