'use client';
import { TrashIcon } from '@heroicons/react/24/outline';
import type { FieldValue, Keyframe, Layer, Track } from '@/core/model/template';
import { findProperty } from '@/core/layers';
import { designTiming, secondsToMoment } from '@/core/titleTime/moments';
import { keySeconds } from '@/core/titleTime/moveKeys';
import { ColourBox } from '../../shared/ColourBox';
import { NumberBox } from '../../shared/NumberBox';
import { SelectBox } from '../../shared/SelectBox';
import { Row } from '../settings/PropertyRow';
import { useEditing } from '../state/useEditing';
import { CurveBox } from './CurveBox';

const WAYS: readonly { readonly value: Keyframe['way']; readonly label: string }[] = [
  { value: 'smooth', label: 'Smooth, by a curve' },
  { value: 'straight', label: 'Straight' },
  { value: 'round', label: 'Round, without a corner' },
  { value: 'stepped', label: 'Stepped' },
  { value: 'spring', label: 'Spring' },
];

const TIED: Readonly<Record<Keyframe['moment']['from'], string>> = {
  start: 'to the start',
  inEnd: 'to the end of the in',
  hold: 'to a share of the hold',
  outStart: 'to the start of the out',
  end: 'to the very end',
};

interface Props {
  readonly layer: Layer;
  readonly track: Track;
  readonly index: number;
  readonly onChange: (change: (track: Track) => Track | null) => void;
}

/** The chosen key: its value, its time and what that is tied to, and the way to the next. */
export function KeyRows({ layer, track, index, onChange }: Props) {
  const { template } = useEditing();
  const key = track.keys[index];
  const property = findProperty(layer, track.path);
  if (key === undefined || property === undefined) return null;
  const set = (change: Partial<Keyframe>): void =>
    onChange((now) => ({ ...now, keys: now.keys.with(index, { ...now.keys[index], ...change }) }));
  const { timing } = template;
  return (
    <div className="my-1 rounded-lg border border-line px-2 py-1">
      <div className="flex items-center gap-1">
        <span className="min-w-0 flex-1 truncate font-semibold">
          {property.label}, key {index + 1} of {track.keys.length}
        </span>
        <button
          type="button"
          aria-label="Remove this key"
          title="Remove this key"
          onClick={() =>
            onChange((now) => (now.keys.length === 1 ? null : { ...now, keys: now.keys.toSpliced(index, 1) }))
          }
          className="grid h-8 w-8 place-items-center rounded-lg text-soft hover:bg-paper"
        >
          <TrashIcon className="h-4 w-4" />
        </button>
      </div>
      <Row label="Value">
        <KeyValue layer={layer} track={track} value={key.value} onChange={(value) => set({ value })} />
      </Row>
      <Row label="At">
        <NumberBox
          label="Time of the key"
          unit="s"
          min={0}
          max={designTiming(timing).totalSeconds}
          step={0.04}
          value={Math.round(keySeconds(key, timing) * 1000) / 1000}
          onChange={(seconds) => set({ moment: secondsToMoment(seconds, timing) })}
        />
      </Row>
      <p className="pb-1 text-[12px] text-soft">Tied {TIED[key.moment.from]}.</p>
      <Row label="From here">
        <SelectBox
          label="Way to the next key"
          value={key.way}
          choices={WAYS}
          onChange={(way) => set({ way })}
        />
      </Row>
      {key.way === 'smooth' && <CurveBox curve={key.curve} onChange={(curve) => set({ curve })} />}
    </div>
  );
}

interface ValueProps {
  readonly layer: Layer;
  readonly track: Track;
  readonly value: FieldValue;
  readonly onChange: (value: FieldValue) => void;
}

function KeyValue({ layer, track, value, onChange }: ValueProps) {
  const control = findProperty(layer, track.path)?.control;
  if (control?.kind === 'colour')
    return <ColourBox label="Colour of the key" value={String(value)} onChange={onChange} />;
  if (control?.kind === 'number') {
    const { unit, min, max, step } = control;
    return (
      <NumberBox
        label="Value of the key"
        unit={unit}
        min={min}
        max={max}
        step={step}
        value={Number(value)}
        onChange={onChange}
      />
    );
  }
  return (
    <input
      aria-label="Value of the key"
      value={String(value)}
      onChange={(event) => onChange(event.target.value)}
      className="h-8 w-full rounded-lg border border-line-strong bg-field px-2.5 font-mono text-[12px]"
    />
  );
}
