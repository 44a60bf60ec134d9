'use client';
import { arrayMove } from '@dnd-kit/sortable';
import { ChevronDownIcon, ChevronUpIcon, PlusIcon, XMarkIcon } from '@heroicons/react/24/outline';
import type { ReactNode } from 'react';
import type { EdgeLine, Shadow } from '@/core/model/look';
import { FIRST_OUTLINE, FIRST_SHADOW } from '@/core/model/look';
import { ColourBox } from '../../shared/ColourBox';
import { NumberBox } from '../../shared/NumberBox';
import { Segmented } from '../../shared/Segmented';
import { Row } from './PropertyRow';

const SIDES = [
  { value: 'inside', label: 'Inside' },
  { value: 'centre', label: 'Centre' },
  { value: 'outside', label: 'Outside' },
] as const;

interface OutlineProps {
  readonly outlines: readonly EdgeLine[];
  readonly onChange: (outlines: readonly EdgeLine[]) => void;
}

/** Any number of outlines, the first nearest the viewer. */
export function OutlineRows({ outlines, onChange }: OutlineProps) {
  return (
    <Listed
      name="Outline"
      count={outlines.length}
      onAdd={() => onChange([...outlines, { ...FIRST_OUTLINE, widthU: 4 + 4 * outlines.length }])}
      onRemove={(i) => onChange(outlines.toSpliced(i, 1))}
      onMove={(from, to) => onChange(arrayMove([...outlines], from, to))}
    >
      {(i, name) => {
        const line = outlines[i];
        const set = (change: Partial<EdgeLine>): void => onChange(outlines.with(i, { ...line, ...change }));
        return (
          <>
            <Segmented
              label={`${name} side`}
              value={line.side}
              choices={SIDES}
              onChange={(side) => set({ side })}
            />
            <Pair label="Width, opacity">
              <NumberBox
                label={`${name} width`}
                unit="u"
                min={0}
                max={200}
                step={1}
                value={line.widthU}
                onChange={(widthU) => set({ widthU })}
              />
              <NumberBox
                label={`${name} opacity`}
                unit="%"
                min={0}
                max={100}
                step={5}
                value={line.opacity * 100}
                onChange={(v) => set({ opacity: v / 100 })}
              />
            </Pair>
            <Row label="Colour">
              <ColourBox
                label={`${name} colour`}
                value={line.colour}
                onChange={(colour) => set({ colour })}
              />
            </Row>
          </>
        );
      }}
    </Listed>
  );
}

const KINDS = [
  { value: 'drop', label: 'Behind' },
  { value: 'inner', label: 'Inner' },
] as const;

interface ShadowProps {
  readonly shadows: readonly Shadow[];
  readonly onChange: (shadows: readonly Shadow[]) => void;
}

/** Any number of shadows, the first nearest the viewer. */
export function ShadowRows({ shadows, onChange }: ShadowProps) {
  return (
    <Listed
      name="Shadow"
      count={shadows.length}
      onAdd={() => onChange([...shadows, FIRST_SHADOW])}
      onRemove={(i) => onChange(shadows.toSpliced(i, 1))}
      onMove={(from, to) => onChange(arrayMove([...shadows], from, to))}
    >
      {(i, name) => {
        const shadow = shadows[i];
        const set = (change: Partial<Shadow>): void => onChange(shadows.with(i, { ...shadow, ...change }));
        const figure = (
          key: 'angleDegrees' | 'distanceU' | 'softnessU' | 'spreadU',
          label: string,
          unit: string,
          max: number,
        ): ReactNode => (
          <NumberBox
            label={`${name} ${label}`}
            unit={unit}
            min={unit === '°' ? -360 : 0}
            max={max}
            step={unit === '°' ? 5 : 1}
            value={shadow[key]}
            onChange={(value) => set({ [key]: value })}
          />
        );
        return (
          <>
            <Segmented
              label={`${name} kind`}
              value={shadow.kind}
              choices={KINDS}
              onChange={(kind) => set({ kind })}
            />
            <Pair label="Angle, distance">
              {figure('angleDegrees', 'angle', '°', 360)}
              {figure('distanceU', 'distance', 'u', 300)}
            </Pair>
            <Pair label="Blur, spread">
              {figure('softnessU', 'softness', 'u', 300)}
              {figure('spreadU', 'spread', 'u', 200)}
            </Pair>
            <Row label="Strength">
              <NumberBox
                label={`${name} strength`}
                unit="%"
                min={0}
                max={100}
                step={5}
                value={shadow.opacity * 100}
                onChange={(v) => set({ opacity: v / 100 })}
              />
            </Row>
            <Row label="Colour">
              <ColourBox
                label={`${name} colour`}
                value={shadow.colour}
                onChange={(colour) => set({ colour })}
              />
            </Row>
          </>
        );
      }}
    </Listed>
  );
}

function Pair({ label, children }: { readonly label: string; readonly children: ReactNode }) {
  return (
    <Row label={label}>
      <span className="grid grid-cols-2 gap-2">{children}</span>
    </Row>
  );
}

interface ListedProps {
  readonly name: string;
  readonly count: number;
  readonly onAdd: () => void;
  readonly onRemove: (index: number) => void;
  /** Puts one in another's place, those between moving up. */
  readonly onMove: (index: number, to: number) => void;
  readonly children: (index: number, name: string) => ReactNode;
}

const MOST = 12;

interface StepProps {
  readonly name: string;
  readonly way: 'nearer' | 'further';
  readonly disabled: boolean;
  readonly onStep: () => void;
}

/** Moves one a place nearer to the viewer, or further away. */
function Step({ name, way, disabled, onStep }: StepProps) {
  const label = way === 'nearer' ? `Bring ${name.toLowerCase()} nearer` : `Send ${name.toLowerCase()} back`;
  const Icon = way === 'nearer' ? ChevronUpIcon : ChevronDownIcon;
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      disabled={disabled}
      onClick={onStep}
      className="grid h-6 w-6 place-items-center rounded text-soft hover:text-ink disabled:opacity-30"
    >
      <Icon className="h-4 w-4" />
    </button>
  );
}

/** Parts of one kind, each with a way to take it out, and a way to add one. */
function Listed({ name, count, onAdd, onRemove, onMove, children }: ListedProps) {
  return (
    <>
      {Array.from({ length: count }, (_, i) => {
        const own = count === 1 ? name : `${name} ${i + 1}`;
        return (
          <fieldset key={i} className="mb-2 rounded-lg border border-line bg-field px-2 pb-1">
            <legend className="sr-only">{own}</legend>
            <span className="flex h-8 items-center justify-between font-semibold">
              <span className="flex-1">{own}</span>
              {count > 1 && (
                <>
                  <Step name={own} way="nearer" disabled={i === 0} onStep={() => onMove(i, i - 1)} />
                  <Step name={own} way="further" disabled={i === count - 1} onStep={() => onMove(i, i + 1)} />
                </>
              )}
              <button
                type="button"
                aria-label={`Take out ${own.toLowerCase()}`}
                onClick={() => onRemove(i)}
                className="grid h-6 w-6 place-items-center rounded text-soft hover:text-ink"
              >
                <XMarkIcon className="h-4 w-4" />
              </button>
            </span>
            {children(i, own)}
          </fieldset>
        );
      })}
      <button
        type="button"
        disabled={count >= MOST}
        onClick={onAdd}
        className="mr-4 inline-flex items-center gap-1 py-1 font-semibold text-leaf-ink disabled:opacity-50"
      >
        <PlusIcon className="h-3.5 w-3.5" /> {name}
      </button>
    </>
  );
}
