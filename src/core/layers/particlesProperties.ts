import type { ParticleForm, ParticlesLayer } from '../model/template';
import type { Property } from './layerKind';
import { choiceProperty, colourProperty, numberProperty, pictureProperty } from './properties';

const FORM_LABELS: Readonly<Record<ParticleForm, string>> = {
  disc: 'Disc',
  square: 'Square',
  triangle: 'Triangle',
  star: 'Star',
  ring: 'Ring',
  streak: 'Streak',
};

/** What can be set of particles. */
export function particlesProperties(layer: ParticlesLayer): Property[] {
  const number = (
    path: 'count' | 'sizeU' | 'widthU' | 'heightU' | 'seed',
    label: string,
    range: readonly ['u' | '', number, number, number],
    whole = false,
  ): Property =>
    numberProperty(path, label, range, layer[path], (v) => ({ ...layer, [path]: whole ? Math.round(v) : v }));
  const { picture = null, form = 'disc', colour, endColour = colour } = layer;
  const { spinDegrees = 0, turbulence = 0 } = layer;
  return [
    choiceProperty(
      'style',
      'Behaviour',
      [
        { value: 'drift', label: 'Drift' },
        { value: 'burst', label: 'Burst' },
      ],
      layer.style,
      (style) => ({ ...layer, style }),
    ),
    pictureProperty('picture', 'Picture', picture, (next) => ({ ...layer, picture: next })),
    ...(picture === null
      ? [
          choiceProperty(
            'form',
            'Form',
            Object.entries(FORM_LABELS).map(([value, label]) => ({ value: value as ParticleForm, label })),
            form,
            (next) => ({ ...layer, form: next }),
          ),
          colourProperty('colour', 'Colour', colour, (next) => ({ ...layer, colour: next })),
          colourProperty('endColour', 'End colour', endColour, (next) => ({
            ...layer,
            endColour: next,
          })),
        ]
      : []),
    number('count', 'How many', ['', 1, 600, 5], true),
    number('sizeU', 'Size', ['u', 0.5, 200, 0.5]),
    numberProperty('speed', 'Pace', ['%', 0, 800, 5], layer.speed * 100, (v) => ({
      ...layer,
      speed: v / 100,
    })),
    numberProperty('spinDegrees', 'Spin a second', ['°', 0, 1440, 10], spinDegrees, (v) => ({
      ...layer,
      spinDegrees: v,
    })),
    numberProperty('turbulence', 'Turbulence', ['%', 0, 100, 1], turbulence * 100, (v) => ({
      ...layer,
      turbulence: v / 100,
    })),
    number('widthU', 'Width', ['u', 4, 6000, 10]),
    number('heightU', 'Height', ['u', 4, 6000, 10]),
    number('seed', 'Scatter', ['', 0, 9999, 1], true),
  ];
}
