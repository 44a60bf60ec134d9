'use client';
import { useState } from 'react';
import type { CheckRules } from '@/core/model/rules';
import { CHECKS } from '@/core/proof/checks';
import { SwitchBox } from '../shared/SwitchBox';
import { FigureRow } from './FigureRow';
import type { SectionProps } from './HouseScreen';

const LONGEST_STAND_IN = 80;
const MOST_STAND_INS = 200;

type Figure = Exclude<keyof CheckRules, 'off' | 'standIns'>;

interface FigureSpec {
  readonly key: Figure;
  readonly label: string;
  readonly about: string;
  readonly unit: string;
  readonly min: number;
  readonly max: number;
  readonly step: number;
  /** What a figure is multiplied by to be shown. */
  readonly times?: number;
}

const FIGURES: readonly FigureSpec[] = [
  {
    key: 'contrastText',
    label: 'Contrast of text',
    about: 'against what lies round its letters (WCAG 2.2)',
    unit: ': 1',
    min: 1,
    max: 21,
    step: 0.5,
  },
  {
    key: 'contrastLarge',
    label: 'Contrast of large text',
    about: 'the same, for large text',
    unit: ': 1',
    min: 1,
    max: 21,
    step: 0.5,
  },
  {
    key: 'largeCapShare',
    label: 'Large is from',
    about: 'capitals as a share of the picture’s height',
    unit: '%',
    min: 0,
    max: 50,
    step: 0.1,
    times: 100,
  },
  {
    key: 'smallestCapShare',
    label: 'Smallest capitals',
    about: 'of the picture’s height, or of a tall picture’s width',
    unit: '%',
    min: 0,
    max: 50,
    step: 0.1,
    times: 100,
  },
  {
    key: 'squeezeShare',
    label: 'Squeezed to at least',
    about: 'of the letters’ designed width',
    unit: '%',
    min: 10,
    max: 100,
    step: 1,
    times: 100,
  },
  {
    key: 'thinLines',
    label: 'Thinnest line',
    about: 'lines of an interlaced frame',
    unit: 'lines',
    min: 0,
    max: 10,
    step: 0.1,
  },
  {
    key: 'flashesPerSecond',
    label: 'Flashes',
    about: 'at most, in any one second (WCAG 2.3.1)',
    unit: '/s',
    min: 0,
    max: 30,
    step: 1,
  },
  {
    key: 'overCutFrames',
    label: 'Over a cut',
    about: 'a title that is over one by at most so many frames is told',
    unit: 'f',
    min: 0,
    max: 250,
    step: 1,
  },
  {
    key: 'nearCutFrames',
    label: 'Near a cut',
    about: 'a title that starts at most so many frames after one is told',
    unit: 'f',
    min: 0,
    max: 250,
    step: 1,
  },
];

/** The checks: which are made, and where they draw the line. */
export function ChecksSection({ house, onChange }: SectionProps) {
  const { checks } = house;
  const set = (change: Partial<CheckRules>): void => onChange({ checks: { ...checks, ...change } });
  return (
    <>
      <h3 className="caps pt-2 pb-1">Figures</h3>
      {FIGURES.map(({ key, times = 1, ...row }) => (
        <FigureRow
          key={key}
          {...row}
          value={checks[key] * times}
          onChange={(value) => set({ [key]: value / times })}
        />
      ))}
      <h3 className="caps pt-4 pb-1">Words that stand in for others</h3>
      <p className="pb-1.5 text-soft">
        One on a line. The usual ones (TBC, xx, “name surname”, lorem ipsum, in the languages of the scripts
        that ship) are always found.
      </p>
      <StandIns words={checks.standIns ?? []} onChange={(standIns) => set({ standIns })} />
      <h3 className="caps pt-4 pb-1">Which checks are made</h3>
      <ul className="divide-y divide-line">
        {CHECKS.list.map(({ id, label, about }) => (
          <li key={id} className="grid grid-cols-[44px_156px_1fr] items-center gap-3 py-1.5">
            <SwitchBox
              label={label}
              value={!checks.off.includes(id)}
              onChange={(on) =>
                set({ off: on ? checks.off.filter((one) => one !== id) : [...checks.off, id] })
              }
            />
            <span>{label}</span>
            <span className="text-soft">{about}</span>
          </li>
        ))}
      </ul>
    </>
  );
}

interface StandInsProps {
  readonly words: readonly string[];
  readonly onChange: (words: readonly string[]) => void;
}

/** The House's own stand-ins; what is typed counts line by line once the box is left. */
function StandIns({ words, onChange }: StandInsProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const take = (): void => {
    if (typed === null) return;
    const lines = typed.split('\n').map((line) => line.trim().slice(0, LONGEST_STAND_IN));
    onChange([...new Set(lines.filter((line) => line !== ''))].slice(0, MOST_STAND_INS));
    setTyped(null);
  };
  return (
    <textarea
      aria-label="Words that stand in for others"
      rows={3}
      dir="auto"
      value={typed ?? words.join('\n')}
      onChange={(event) => setTyped(event.target.value)}
      onBlur={take}
      className="w-full rounded-lg border border-line-strong bg-field px-2.5 py-1 field-sizing-content"
    />
  );
}
