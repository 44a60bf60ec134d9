'use client';
import { TrashIcon } from '@heroicons/react/24/outline';
import type { Spring } from '@/core/kit/springBy';
import type { FieldValue, Keyframe, Layer, Track } from '@/core/model/template';
import { findProperty } from '@/core/layers';
import { POINT_LABELS } from '@/core/frame/points';
import { SAFE_AREA_LABELS } from '@/core/frame/safeAreas';
import { ENCLOSES_PATH, readAttachment, readIds } from '@/core/model/attachment';
import { designTiming, secondsToMoment } from '@/core/titleTime/moments';
import { keyNumber, keySeconds } from '@/core/titleTime/moveKeys';
import { ColourBox } from '../../shared/ColourBox';
import { NumberBox } from '../../shared/NumberBox';
import { SelectBox } from '../../shared/SelectBox';
import { Row } from '../settings/PropertyRow';
import { useEditing } from '../state/useEditing';
import { FiguresBox } from '../settings/FiguresBox';
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
  const { timing } = useEditing().template;
  const key = track.keys[index];
  const property = findProperty(layer, track.path);
  if (key === undefined || property === undefined) return null;
  const set = (change: Partial<Keyframe>): void =>
    onChange((now) => ({ ...now, keys: now.keys.with(index, { ...now.keys[index], ...change }) }));
  return (
    <div className="my-1 rounded-lg border border-line px-2 py-1">
      <div className="flex items-center gap-1">
        <span className="min-w-0 flex-1 truncate font-semibold">
          {property.label}, key {keyNumber(track, index, timing)} of {track.keys.length}
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
      {key.way === 'spring' && <SpringRows spring={key.spring} onChange={(spring) => set({ spring })} />}
      {key.way === 'smooth' && <CurveBox curve={key.curve} onChange={(curve) => set({ curve })} />}
    </div>
  );
}

// What the usual spring comes to.
const USUAL: Spring = { overshoot: 0.2, reach: 0.3 };

interface SpringProps {
  readonly spring: Spring | undefined;
  readonly onChange: (spring: Spring) => void;
}

/** How far a spring goes past its end, and when it is furthest past it. */
function SpringRows({ spring = USUAL, onChange }: SpringProps) {
  const rows = [
    { part: 'overshoot', row: 'Overshoot', label: 'Overshoot of the spring', min: 0, max: 95 },
    { part: 'reach', row: 'Furthest at', label: 'When the spring is furthest', min: 2, max: 100 },
  ] as const;
  return rows.map(({ part, row, label, min, max }) => (
    <Row key={part} label={row}>
      <NumberBox
        label={label}
        unit="%"
        min={min}
        max={max}
        step={5}
        value={spring[part] * 100}
        onChange={(percent) => onChange({ ...spring, [part]: percent / 100 })}
      />
    </Row>
  ));
}

interface ValueProps {
  readonly layer: Layer;
  readonly track: Track;
  readonly value: FieldValue;
  readonly onChange: (value: FieldValue) => void;
}

/** The value of a key, by the control of its property. */
function KeyValue({ layer, track, value, onChange }: ValueProps) {
  const control = findProperty(layer, track.path)?.control;
  switch (control?.kind) {
    case 'colour':
      return <ColourBox label="Colour of the key" value={String(value)} onChange={onChange} />;
    case 'number': {
      const { unit, min, max, step } = control;
      const limits = { unit, min, max, step };
      return <NumberBox label="Value of the key" value={Number(value)} onChange={onChange} {...limits} />;
    }
    case 'figures':
      return (
        <FiguresBox
          label="Values of the key"
          value={String(value)}
          figures={control.figures}
          onChange={onChange}
        />
      );
    case 'state':
      return <StateWords path={track.path} value={value} />;
    default:
      return (
        <input
          aria-label="Value of the key"
          value={String(value)}
          onChange={(event) => onChange(event.target.value)}
          className="h-8 w-full rounded-lg border border-line-strong bg-field px-2.5 font-mono text-[12px]"
        />
      );
  }
}

/** What a key attaches to or encloses, by name; it is changed where that is set, with the playhead on the key. */
function StateWords({ path, value }: { readonly path: string; readonly value: FieldValue }) {
  const { layers } = useEditing().template;
  const nameOf = (id: string): string => layers.find((one) => one.id === id)?.name ?? id;
  if (path === ENCLOSES_PATH) {
    const ids = readIds(value) ?? [];
    return <span>{ids.length === 0 ? 'nothing' : ids.map(nameOf).join(', ')}</span>;
  }
  const attachment = readAttachment(value);
  if (attachment === null) return null;
  const { point, target, targetPoint } = attachment;
  const to = target.kind === 'layer' ? `“${nameOf(target.layerId)}”` : SAFE_AREA_LABELS[target.kind];
  return <span>{`${POINT_LABELS[point]} on ${POINT_LABELS[targetPoint].toLowerCase()} of ${to}`}</span>;
}
