'use client';
import type { FigureControl } from '@/core/layers/layerKind';
import { readFigures, writeFigures } from '@/core/layers/properties';
import { NumberBox } from '../../shared/NumberBox';

interface Props {
  readonly label: string;
  /** Figures parted by spaces; empty for none. */
  readonly value: string;
  readonly figures: readonly FigureControl[];
  readonly onChange: (value: string) => void;
}

/** Several figures that change together, two beside one another. */
export function FiguresBox({ label, value, figures, onChange }: Props) {
  const read = readFigures(value, figures);
  if (read === null) return <span className="text-soft">none</span>;
  return (
    <span role="group" aria-label={label} className="grid grid-cols-2 gap-x-2 gap-y-1">
      {figures.map(({ label: name, unit, min, max, step }, i) => (
        <NumberBox
          key={name}
          label={name}
          unit={unit}
          min={min}
          max={max}
          step={step}
          value={read[i]}
          onChange={(next) => onChange(writeFigures(read.with(i, next)))}
        />
      ))}
    </span>
  );
}
