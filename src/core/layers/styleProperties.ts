import { axisSettings, FACES } from '../faces/faces';
import type { Face, FaceFeature } from '../faces/faces';
import type { NamedStyle } from '../faces/faceFile';
import type { Layer, TextStyle } from '../model/template';
import type { Property } from './layerKind';
import { choiceProperty, numberProperty, slidingProperty, switchProperty, weightChoices } from './properties';

/** A layer with a changed style. */
type Styled = (change: Partial<TextStyle>) => Layer;

/** The face of a style; for one that is not here, the first there is. */
const faceOf = (style: TextStyle): Face => FACES.find(style.face) ?? FACES.list[0];

function featuresOf(style: TextStyle): (feature: FaceFeature) => boolean {
  const { features } = faceOf(style);
  return (feature) => features.includes(feature);
}

interface FaceChoice<T extends string> {
  readonly value: T;
  readonly label: string;
  /** The feature without which it would do nothing. */
  readonly needs?: FaceFeature;
}

/** The choices that the face can show, and the one that is chosen now, so that it is seen and can be left. */
function offered<T extends string>(
  choices: readonly FaceChoice<T>[],
  current: T,
  has: (feature: FaceFeature) => boolean,
): { readonly value: T; readonly label: string }[] {
  return choices
    .filter(({ value, needs }) => needs === undefined || has(needs) || value === current)
    .map(({ value, label }) => ({ value, label }));
}

/** How the letters are cased. */
export function caseProperty(style: TextStyle, styled: Styled): Property {
  const has = featuresOf(style);
  return choiceProperty(
    'style.letterCase',
    'Case',
    offered<TextStyle['letterCase']>(
      [
        { value: 'typed', label: 'Typed' },
        { value: 'capitals', label: 'CAPS' },
        { value: 'smallCapitals', label: 'Small', needs: 'smcp' },
      ],
      style.letterCase,
      has,
    ),
    style.letterCase,
    (letterCase) => styled({ letterCase }),
  );
}

/** A weight among those that the face has, or anywhere along the axes of a variable one. */
export function weightProperties(style: TextStyle, styled: Styled): Property[] {
  const axes = FACES.find(style.face)?.axes;
  if (axes === undefined) {
    const { choices, current } = weightChoices(style.face, style.weight);
    return [choiceProperty('style.weight', 'Weight', choices, current, (w) => styled({ weight: Number(w) }))];
  }
  const [narrowest, widest] = axes.width;
  return [
    slidingProperty('style.weight', 'Weight', ['', ...axes.weight, 10], style.weight, (weight) =>
      styled({ weight }),
    ),
    ...(narrowest === widest
      ? []
      : [
          slidingProperty('style.width', 'Width', ['%', ...axes.width, 1], style.width, (width) =>
            styled({ width }),
          ),
        ]),
  ];
}

/** The other axes of a face, each in the font's own scale. */
export function axisProperties(style: TextStyle, styled: Styled): Property[] {
  const { moreAxes = [] } = FACES.find(style.face) ?? {};
  return moreAxes.map(({ tag, name, least, usual, most }) =>
    slidingProperty(
      `style.axes.${tag}`,
      name,
      ['', least, most, stepOf(most - least)],
      style.axes?.[tag] ?? usual,
      (value) => styled({ axes: { ...style.axes, [tag]: value } }),
    ),
  );
}

/** A step along an axis: a hundredth of it at most, and a round figure. */
const stepOf = (span: number): number => (span > 0 ? 10 ** Math.floor(Math.log10(span / 100) + 1e-9) : 1);

const OWN_PLACE = '';

/** The places on its axes that a face has names for, and a way to each. */
export function namedStyles(style: TextStyle, styled: Styled): Property[] {
  const face = FACES.find(style.face);
  const { styles = [] } = face ?? {};
  if (face === undefined || styles.length === 0) return [];
  const now = axisSettings(face, style) ?? {};
  const isAt = ({ at }: NamedStyle): boolean =>
    Object.entries(now).every(([tag, value]) => Math.abs((at[tag] ?? value) - value) < 1e-6);
  const choices = [
    { value: OWN_PLACE, label: 'None' },
    ...styles.map(({ name }) => ({ value: name, label: name })),
  ];
  return [
    choiceProperty('style.named', 'Named style', choices, styles.find(isAt)?.name ?? OWN_PLACE, (name) => {
      const { at = {} } = styles.find((one) => one.name === name) ?? {};
      const { wght = style.weight, wdth = style.width, ...axes } = at;
      return styled({ weight: wght, width: wdth, ...(Object.keys(axes).length > 0 && { axes }) });
    }),
  ];
}

/** The features that a face has besides, each on or off. */
function optionProperties(style: TextStyle, styled: Styled): Property[] {
  const { options } = faceOf(style);
  const { features = [] } = style;
  return options.map(({ tag, label }) =>
    switchProperty(`style.features.${tag}`, label, features.includes(tag), (on) => {
      const others = features.filter((one) => one !== tag);
      return styled({ features: on ? [...others, tag] : others });
    }),
  );
}

/** What few styles need: baseline, figures, ligatures, fractions, and what else the face has. */
export function fineProperties(style: TextStyle, styled: Styled): Property[] {
  const has = featuresOf(style);
  return [
    numberProperty('style.shift', 'Baseline shift', ['‰', -1000, 1000, 10], style.shift, (shift) =>
      styled({ shift }),
    ),
    ...(has('tnum') || has('onum') || style.figures !== 'font'
      ? [
          choiceProperty(
            'style.figures',
            'Figures',
            offered<TextStyle['figures']>(
              [
                { value: 'font', label: 'Usual' },
                { value: 'tabular', label: 'Tabular', needs: 'tnum' },
                { value: 'oldStyle', label: 'Old', needs: 'onum' },
              ],
              style.figures,
              has,
            ),
            style.figures,
            (figures) => styled({ figures }),
          ),
        ]
      : []),
    switchProperty('style.ligatures', 'Ligatures', style.ligatures, (ligatures) => styled({ ligatures })),
    ...(has('frac') || style.fractions
      ? [switchProperty('style.fractions', 'Fractions', style.fractions, (v) => styled({ fractions: v }))]
      : []),
    ...optionProperties(style, styled),
  ];
}
