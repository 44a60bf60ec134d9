import { creditsToText, textToCredits } from '../credits/creditText';
import type { RollSetting } from '../model/credits';
import type { CreditsLayer } from '../model/template';
import { MOVES } from '../moves';
import type { Property } from './layerKind';
import {
  choiceProperty,
  colourProperty,
  faceChoices,
  numberProperty,
  switchProperty,
  weightChoices,
} from './properties';

/** What a designer sets of credits. */
export function creditProperties(layer: CreditsLayer): Property[] {
  return [
    {
      path: 'rows',
      label: 'Sample rows',
      part: 'type',
      stage: 'layout',
      fieldKind: 'text',
      control: { kind: 'text', lines: 'many' },
      value: creditsToText(layer.rows),
      // A title has rows of its own.
      closed: true,
      with: (text) => ({ ...layer, rows: textToCredits(String(text), layer.rows).rows }),
    },
    choiceProperty(
      'show',
      'Shown as',
      [
        { value: 'roll', label: 'Roll' },
        { value: 'cards', label: 'Cards' },
      ],
      layer.show,
      (show) => ({ ...layer, show }),
    ),
    ...(layer.show === 'roll' ? rollProperties(layer) : cardProperties(layer)),
    ...columnProperties(layer),
    ...(['heading', 'role', 'name', 'paragraph'] as const).flatMap((style) => styleProperties(layer, style)),
  ];
}

/** How the last block of a roll comes to stay. */
function stayProperties(roll: RollSetting, set: (roll: Partial<RollSetting>) => CreditsLayer): Property[] {
  return [
    numberProperty(
      'roll.slowsSeconds',
      'It slows',
      ['s', 0, 20, 0.5],
      roll.slowsSeconds ?? 0,
      (slowsSeconds) => set({ slowsSeconds }),
    ),
    numberProperty('roll.staysSeconds', 'It stays', ['s', 0, 600, 0.5], roll.staysSeconds, (staysSeconds) =>
      set({ staysSeconds }),
    ),
  ];
}

function rollProperties(layer: CreditsLayer): Property[] {
  const { roll } = layer;
  const set = (change: Partial<RollSetting>): CreditsLayer => ({ ...layer, roll: { ...roll, ...change } });
  const percent = (
    path: 'leastSpacing' | 'mostSpacing' | 'leastSize' | 'mostSize',
    label: string,
    range: readonly [number, number],
  ) =>
    numberProperty(`roll.${path}`, label, ['%', range[0], range[1], 1], roll[path] * 100, (v) =>
      set({ [path]: v / 100 }),
    );
  return [
    choiceProperty(
      'roll.way',
      'Goes',
      [
        { value: 'up', label: 'Up' },
        { value: 'down', label: 'Down' },
        { value: 'left', label: 'Left' },
        { value: 'right', label: 'Right' },
      ],
      roll.way,
      (way) => set({ way }),
    ),
    choiceProperty(
      'roll.ends',
      'Ends',
      [
        { value: 'off', label: 'Out of the picture' },
        { value: 'stays', label: 'Last block stays' },
      ],
      roll.ends,
      (ends) => set({ ends }),
    ),
    ...(roll.ends === 'stays' ? stayProperties(roll, set) : []),
    switchProperty('roll.wholeLines', 'Whole lines a frame', roll.wholeLines, (wholeLines) =>
      set({ wholeLines }),
    ),
    percent('leastSpacing', 'Gaps at least', [10, 100]),
    percent('mostSpacing', 'Gaps at most', [100, 500]),
    percent('leastSize', 'Size at least', [50, 100]),
    percent('mostSize', 'Size at most', [100, 200]),
    numberProperty('roll.softShare', 'Soft ends', ['%', 0, 50, 1], roll.softShare * 100, (v) =>
      set({ softShare: v / 100 }),
    ),
    choiceProperty(
      'besideMove',
      'Pictures beside come by',
      MOVES.list.map(({ id, label }) => ({ value: id, label })),
      layer.besideMove,
      (besideMove) => ({ ...layer, besideMove }),
    ),
  ];
}

function cardProperties(layer: CreditsLayer): Property[] {
  const { cards } = layer;
  return [
    choiceProperty(
      'cards.rhythm',
      'Each card stands',
      [
        { value: 'even', label: 'Equally long' },
        { value: 'reading', label: 'As long as it is read' },
      ],
      cards.rhythm,
      (rhythm) => ({ ...layer, cards: { ...cards, rhythm } }),
    ),
    numberProperty('cards.overlap', 'Pushes the last', ['%', 0, 100, 5], cards.overlap * 100, (v) => ({
      ...layer,
      cards: { ...cards, overlap: v / 100 },
    })),
    switchProperty('cards.repeatsHeading', 'Says headings again', cards.repeatsHeading, (repeatsHeading) => ({
      ...layer,
      cards: { ...cards, repeatsHeading },
    })),
  ];
}

type NumberPath = 'nameColumns' | 'gutterU' | 'rowGapU' | 'sectionGapU' | 'pictureHeightU';

function columnProperties(layer: CreditsLayer): Property[] {
  const number = (
    path: NumberPath,
    label: string,
    unit: 'u' | '',
    range: readonly [number, number],
  ): Property =>
    numberProperty(path, label, [unit, ...range, 1], layer[path], (v) => ({
      ...layer,
      [path]: Math.round(v),
    }));
  const share = (
    path: 'widthShare' | 'heightShare' | 'gutterAt',
    label: string,
    range: readonly [number, number],
  ) =>
    numberProperty(path, label, ['%', ...range, 1], layer[path] * 100, (v) => ({
      ...layer,
      [path]: v / 100,
    }));
  return [
    share('widthShare', 'Width', [5, 150]),
    share('heightShare', 'Height', [5, 400]),
    choiceProperty(
      'pairs',
      'Role and name',
      [
        { value: 'gutter', label: 'Side by side' },
        { value: 'stacked', label: 'Stacked' },
      ],
      layer.pairs,
      (pairs) => ({ ...layer, pairs }),
    ),
    choiceProperty(
      'align',
      'Align',
      [
        { value: 'left', label: 'Left' },
        { value: 'centre', label: 'Centre' },
        { value: 'right', label: 'Right' },
      ],
      layer.align,
      (align) => ({ ...layer, align }),
    ),
    number('nameColumns', 'Columns of names', '', [1, 4]),
    share('gutterAt', 'Gutter at', [10, 90]),
    number('gutterU', 'Gutter', 'u', [0, 400]),
    number('rowGapU', 'Between rows', 'u', [0, 400]),
    number('sectionGapU', 'Before a heading', 'u', [0, 1000]),
    number('pictureHeightU', 'Pictures', 'u', [8, 1000]),
  ];
}

const STYLE_LABELS = { heading: 'Heading', role: 'Role', name: 'Name', paragraph: 'Paragraph' } as const;

function styleProperties(layer: CreditsLayer, key: keyof CreditsLayer['styles']): Property[] {
  const style = layer.styles[key];
  const label = STYLE_LABELS[key];
  const set = (change: Partial<typeof style>): CreditsLayer => ({
    ...layer,
    styles: { ...layer.styles, [key]: { ...style, ...change } },
  });
  const weights = weightChoices(style.face, style.weight);
  return [
    choiceProperty(`styles.${key}.face`, `${label} font`, faceChoices(style.face), style.face, (face) =>
      set({ face }),
    ),
    choiceProperty(`styles.${key}.weight`, `${label} weight`, weights.choices, weights.current, (weight) =>
      set({ weight: Number(weight) }),
    ),
    numberProperty(`styles.${key}.sizeU`, `${label} size`, ['u', 4, 400, 1], style.sizeU, (sizeU) =>
      set({ sizeU }),
    ),
    numberProperty(
      `styles.${key}.tracking`,
      `${label} tracking`,
      ['‰', -200, 2000, 5],
      style.tracking,
      (tracking) => set({ tracking }),
    ),
    choiceProperty(
      `styles.${key}.letterCase`,
      `${label} case`,
      [
        { value: 'typed', label: 'Typed' },
        { value: 'capitals', label: 'CAPS' },
      ],
      style.letterCase === 'capitals' ? 'capitals' : 'typed',
      (letterCase) => set({ letterCase }),
    ),
    colourProperty(`styles.${key}.fill`, `${label} colour`, style.fill, (fill) => set({ fill })),
  ];
}
