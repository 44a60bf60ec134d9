'use client';
import { XMarkIcon } from '@heroicons/react/24/outline';
import { figureOf } from '@/core/colour/houseColour';
import { mixColours } from '@/core/colour/mixStops';
import type { Gradient } from '@/core/model/look';
import { firstGradient } from '@/core/model/look';
import type { Layer } from '@/core/model/template';
import { ColourBox } from '../../shared/ColourBox';
import { NumberBox } from '../../shared/NumberBox';
import { SelectBox } from '../../shared/SelectBox';
import { Row } from './PropertyRow';

interface Props {
  readonly layer: Layer;
  readonly onChange: (gradient: Gradient | null) => void;
}

const SHAPES = [
  { value: 'none', label: 'None, a plain fill' },
  { value: 'linear', label: 'Straight across' },
  { value: 'radial', label: 'From the middle' },
  { value: 'conic', label: 'Round the middle' },
] as const;

const MOST_STOPS = 12;

/** A gradient in place of the plain fill: its shape, its direction and its colours. */
export function GradientRows({ layer, onChange }: Props) {
  const { gradient } = layer.look;
  const plain = layer.kind === 'text' ? layer.style.fill : layer.kind === 'box' ? layer.fill : '#e3b94f';
  const chooseShape = (shape: (typeof SHAPES)[number]['value']): void =>
    onChange(shape === 'none' ? null : { ...(gradient ?? firstGradient(plain)), shape });
  const setStop = (index: number, change: Partial<Gradient['stops'][number]>): void => {
    if (gradient === null) return;
    const stops = gradient.stops.with(index, { ...gradient.stops[index], ...change });
    onChange({ ...gradient, stops: stops.toSorted((a, b) => a.at - b.at) });
  };
  return (
    <>
      <Row label="Shape">
        <SelectBox
          label="Gradient shape"
          value={gradient?.shape ?? 'none'}
          choices={SHAPES}
          onChange={chooseShape}
        />
      </Row>
      {gradient !== null && (
        <>
          {gradient.shape !== 'radial' && (
            <Row label="Angle">
              <NumberBox
                label="Gradient angle"
                unit="°"
                min={-360}
                max={360}
                step={5}
                value={gradient.angleDegrees}
                onChange={(angleDegrees) => onChange({ ...gradient, angleDegrees })}
              />
            </Row>
          )}
          <div
            aria-hidden="true"
            className="my-1 h-4 rounded-md border border-line-strong"
            style={{ background: `linear-gradient(90deg in oklab, ${cssStops(gradient)})` }}
          />
          {gradient.stops.map((stop, i) => (
            <div key={i} className="grid grid-cols-[1fr_64px_64px_20px] items-center gap-1 py-0.5">
              <ColourBox
                label={`Gradient colour ${i + 1}`}
                value={stop.colour}
                onChange={(colour) => setStop(i, { colour })}
              />
              <NumberBox
                label={`Gradient colour ${i + 1}, at`}
                unit="%"
                min={0}
                max={100}
                step={5}
                value={stop.at * 100}
                onChange={(v) => setStop(i, { at: v / 100 })}
              />
              <NumberBox
                label={`Gradient colour ${i + 1}, opacity`}
                unit="%"
                min={0}
                max={100}
                step={5}
                value={stop.opacity * 100}
                onChange={(v) => setStop(i, { opacity: v / 100 })}
              />
              <button
                type="button"
                aria-label={`Take out gradient colour ${i + 1}`}
                disabled={gradient.stops.length <= 2}
                onClick={() => onChange({ ...gradient, stops: gradient.stops.toSpliced(i, 1) })}
                className="grid h-6 w-5 place-items-center text-soft disabled:opacity-30"
              >
                <XMarkIcon className="h-3.5 w-3.5" />
              </button>
            </div>
          ))}
          <button
            type="button"
            disabled={gradient.stops.length >= MOST_STOPS}
            className="py-1 font-semibold text-leaf-ink disabled:opacity-50"
            onClick={() => onChange(withStop(gradient))}
          >
            + Colour
          </button>
        </>
      )}
    </>
  );
}

function cssStops(gradient: Gradient): string {
  return gradient.stops.map((stop) => `${figureOf(stop.colour)} ${stop.at * 100}%`).join(', ');
}

/** The gradient with one more colour, in the middle of its widest stretch. */
function withStop(gradient: Gradient): Gradient {
  const { stops } = gradient;
  let widest = 0;
  for (let i = 1; i + 1 < stops.length; i++) {
    if (stops[i + 1].at - stops[i].at > stops[widest + 1].at - stops[widest].at) widest = i;
  }
  const [before, after] = [stops[widest], stops[widest + 1]];
  const between = {
    at: (before.at + after.at) / 2,
    colour: mixColours(before.colour, after.colour, 0.5),
    opacity: (before.opacity + after.opacity) / 2,
  };
  return { ...gradient, stops: stops.toSpliced(widest + 1, 0, between) };
}
