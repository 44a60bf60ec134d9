'use client';
import { useRef } from 'react';
import type { KeyboardEvent, PointerEvent } from 'react';
import type { Keyframe } from '@/core/model/template';
import { keyShare } from '@/core/titleTime/tracks';
import { useBench } from '../state/benchStore';

type Curve = Keyframe['curve'];

const SIZE = 132;
const PAD = 26;
const STEPS = 40;
const PRESETS: readonly { readonly label: string; readonly curve: Curve }[] = [
  { label: 'Ease', curve: [0.45, 0, 0.3, 1] },
  { label: 'Off', curve: [0.6, 0, 0.9, 0.6] },
  { label: 'On', curve: [0.1, 0.6, 0.3, 1] },
  { label: 'Past', curve: [0.3, 0, 0.3, 1.35] },
];

interface Props {
  readonly curve: Curve;
  readonly onChange: (curve: Curve) => void;
}

/** The value graph from a key to the next: time to the right, value upwards; its two handles are dragged or nudged. */
export function CurveBox({ curve, onChange }: Props) {
  const { store } = useBench();
  const svg = useRef<SVGSVGElement>(null);
  const x = (share: number): number => PAD + share * SIZE;
  const y = (share: number): number => PAD + (1 - share) * SIZE;
  const key: Keyframe = {
    moment: { from: 'start', offsetSeconds: 0, share: 0 },
    value: 0,
    way: 'smooth',
    curve,
  };
  const points = Array.from({ length: STEPS + 1 }, (_, i) => {
    const share = i / STEPS;
    return `${x(share).toFixed(1)},${y(keyShare(key, share)).toFixed(1)}`;
  }).join(' ');
  const put = (handle: 0 | 1, toX: number, toY: number): void => {
    const tidy = (value: number, least: number, most: number): number =>
      Math.round(Math.max(least, Math.min(most, value)) * 100) / 100;
    const [px, py] = [tidy(toX, 0, 1), tidy(toY, -2, 3)];
    onChange(handle === 0 ? [px, py, curve[2], curve[3]] : [curve[0], curve[1], px, py]);
  };
  const drag = (event: PointerEvent, handle: 0 | 1): void => {
    const box = svg.current?.getBoundingClientRect();
    if (event.buttons !== 1 || box === undefined) return;
    put(handle, (event.clientX - box.left - PAD) / SIZE, 1 - (event.clientY - box.top - PAD) / SIZE);
  };
  const nudge = (event: KeyboardEvent, handle: 0 | 1): void => {
    const steps: Readonly<Record<string, readonly [number, number]>> = {
      ArrowLeft: [-0.02, 0],
      ArrowRight: [0.02, 0],
      ArrowUp: [0, 0.02],
      ArrowDown: [0, -0.02],
    };
    const step = steps[event.key];
    if (step === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    put(handle, curve[handle * 2] + step[0], curve[handle * 2 + 1] + step[1]);
  };
  return (
    <div className="flex gap-2 py-1">
      <svg
        ref={svg}
        width={SIZE + 2 * PAD}
        height={SIZE + 2 * PAD}
        className="shrink-0 touch-none rounded-lg border border-line bg-field"
        aria-label="Curve to the next key"
        role="group"
      >
        <rect x={PAD} y={PAD} width={SIZE} height={SIZE} className="fill-none stroke-line" />
        <polyline points={points} className="fill-none stroke-ink" strokeWidth={2} />
        {([0, 1] as const).map((handle) => {
          const [hx, hy] = [x(curve[handle * 2]), y(curve[handle * 2 + 1])];
          return (
            <g key={handle}>
              <line x1={x(handle)} y1={y(handle)} x2={hx} y2={hy} className="stroke-leaf" />
              <circle
                cx={hx}
                cy={hy}
                r={6}
                tabIndex={0}
                role="slider"
                aria-label={handle === 0 ? 'How it leaves the key' : 'How it comes to the next'}
                aria-valuenow={curve[handle * 2 + 1]}
                aria-valuetext={`${curve[handle * 2]} along, ${curve[handle * 2 + 1]} up`}
                className="cursor-grab fill-leaf"
                onPointerDown={(event) => {
                  event.currentTarget.setPointerCapture(event.pointerId);
                  store.grouping.begin();
                }}
                onPointerMove={(event) => drag(event, handle)}
                onPointerUp={() => store.grouping.end()}
                onKeyDown={(event) => nudge(event, handle)}
              />
            </g>
          );
        })}
      </svg>
      <div className="flex flex-col gap-1">
        {PRESETS.map((preset) => (
          <button
            key={preset.label}
            type="button"
            onClick={() => onChange(preset.curve)}
            className="rounded-md border border-line-strong bg-field px-2 py-1 hover:bg-leaf-wash"
          >
            {preset.label}
          </button>
        ))}
      </div>
    </div>
  );
}
