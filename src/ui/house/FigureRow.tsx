'use client';
import { NumberBox } from '../shared/NumberBox';

interface Props {
  readonly label: string;
  readonly about: string;
  readonly unit: string;
  readonly value: number;
  readonly min: number;
  readonly max: number;
  readonly step: number;
  readonly digits?: number;
  readonly onChange: (value: number) => void;
}

/** A figure of the House with what it is for. */
export function FigureRow({ label, about, ...box }: Props) {
  return (
    <div className="grid grid-cols-[200px_120px_1fr] items-center gap-3 py-1">
      <span>{label}</span>
      <NumberBox label={label} {...box} />
      <span className="text-soft">{about}</span>
    </div>
  );
}
