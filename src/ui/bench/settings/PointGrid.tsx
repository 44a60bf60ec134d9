'use client';
import { Radio, RadioGroup } from '@headlessui/react';
import type { PointName } from '@/core/frame/points';
import { POINT_LABELS, POINT_NAMES } from '@/core/frame/points';
import { classes } from '../../shared/classes';

const GRID = POINT_NAMES.slice(0, 9);
const BASELINES = POINT_NAMES.slice(9);

interface Props {
  readonly label: string;
  readonly value: PointName;
  readonly onChange: (point: PointName) => void;
}

/** One of nine points of a box, or an end of a text's baselines. */
export function PointGrid({ label, value, onChange }: Props) {
  return (
    <RadioGroup aria-label={label} value={value} onChange={onChange}>
      <div className="grid w-[84px] grid-cols-3 gap-1 rounded-lg border border-line-strong bg-field p-1.5">
        {GRID.map((point) => (
          <Point key={point} point={point} className="h-5" />
        ))}
        <div className="col-span-3 mt-0.5 grid grid-cols-2 gap-1 border-t border-line pt-1.5">
          {BASELINES.map((point) => (
            <Point key={point} point={point} className="h-4" />
          ))}
        </div>
      </div>
    </RadioGroup>
  );
}

function Point({ point, className }: { readonly point: PointName; readonly className: string }) {
  return (
    <Radio
      value={point}
      aria-label={POINT_LABELS[point]}
      title={POINT_LABELS[point]}
      className={({ checked }) =>
        classes(
          'cursor-pointer rounded data-focus:outline-2 data-focus:outline-leaf',
          className,
          checked ? 'bg-leaf' : 'bg-paper hover:bg-leaf-wash',
        )
      }
    />
  );
}
