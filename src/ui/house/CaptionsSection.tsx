'use client';
import type { CaptionRules } from '@/core/model/captions';
import { captionRules } from '@/core/model/house';
import { FigureRow } from './FigureRow';
import type { SectionProps } from './HouseScreen';

type Figure = Omit<Parameters<typeof FigureRow>[0], 'value' | 'onChange'> & {
  readonly of: keyof CaptionRules;
};

const FIGURES: readonly Figure[] = [
  {
    of: 'mostLines',
    label: 'Lines',
    unit: '',
    min: 1,
    max: 6,
    step: 1,
    digits: 0,
    about: 'of a caption, at most',
  },
  {
    of: 'charactersPerLine',
    label: 'Characters in a line',
    unit: '',
    min: 5,
    max: 120,
    step: 1,
    digits: 0,
    about: 'at most; lines are broken to it',
  },
  {
    of: 'charactersPerSecond',
    label: 'Characters',
    unit: '/s',
    min: 3,
    max: 60,
    step: 1,
    about: 'a second, at most; times are made of it where nobody has set them',
  },
  {
    of: 'shortestSeconds',
    label: 'Shortest',
    unit: 's',
    min: 0.1,
    max: 10,
    step: 0.1,
    about: 'that a caption lasts',
  },
  {
    of: 'longestSeconds',
    label: 'Longest',
    unit: 's',
    min: 1,
    max: 60,
    step: 0.5,
    about: 'before it is read again',
  },
  {
    of: 'gapFrames',
    label: 'Between two',
    unit: 'f',
    min: 0,
    max: 60,
    step: 1,
    digits: 0,
    about: 'at least',
  },
  {
    of: 'cutFrames',
    label: 'From a cut',
    unit: 'f',
    min: 0,
    max: 120,
    step: 1,
    digits: 0,
    about: 'at least, unless it starts or ends with it; 0 for anywhere',
  },
];

/** What captions have to keep to. */
export function CaptionsSection({ house, onChange }: SectionProps) {
  const rules = captionRules(house);
  return FIGURES.map(({ of, ...figure }) => (
    <FigureRow
      key={of}
      {...figure}
      value={rules[of]}
      onChange={(value) =>
        onChange({ captions: { ...rules, [of]: figure.digits === 0 ? Math.round(value) : value } })
      }
    />
  ));
}
