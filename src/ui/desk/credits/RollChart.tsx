'use client';
import { useMemo } from 'react';
import {
  Area,
  ComposedChart,
  Line,
  ReferenceLine,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts';
import { lineFrames, speedLengths } from '@/core/credits/rollWays';
import type { RollSetting } from '@/core/model/credits';
import type { RollPlan } from '@/core/timeline/roll';
import { lengthToTimecode } from '@/core/time/clock';
import { frameToSeconds } from '@/core/time/rates';
import { useClock, useDesk } from '../deskContext';
import { BUBBLE, TICK } from '../proof/chartLook';

interface Props {
  readonly plan: RollPlan;
  readonly roll: RollSetting;
  /** Frames of the title in which it does not roll. */
  readonly besides: number;
  readonly onLength: (frames: number) => void;
}

// Around the speed that it goes, so that what is near is seen.
const SPEEDS = 8;

/** Length against speed: what each speed meets by changing nothing, and how far gaps and size reach; a length can be taken. */
export function RollChart({ plan, roll, besides, onLength }: Props) {
  const { rate } = useDesk();
  const clock = useClock();
  const points = useMemo(() => {
    const { designed: measure, way, stepPx, slowFrames } = plan;
    const most = Math.max(way.pxPerFrame * 2, stepPx * SPEEDS);
    return speedLengths(measure, { stepPx, slowFrames, ...roll }, most)
      .slice(-SPEEDS * 2)
      .map(({ pxPerFrame, designed, least, most: longest }) => ({
        pxPerFrame,
        designed: frameToSeconds(designed + besides, rate),
        frames: designed + besides,
        reach: [frameToSeconds(least + besides, rate), frameToSeconds(longest + besides, rate)],
        line: frameToSeconds(1, rate) * lineFrames(measure, { size: 1, pxPerFrame }),
      }));
  }, [plan, roll, besides, rate]);
  const now = frameToSeconds(plan.frames + besides, rate);
  const near = points
    .filter(({ pxPerFrame }) => Math.abs(pxPerFrame - plan.way.pxPerFrame) <= 2 * plan.stepPx)
    .slice(0, 5);
  return (
    <figure aria-label="Length against speed">
      <p className="text-[12px] text-soft">Length in seconds, by pixels a frame</p>
      <div className="h-40">
        <ResponsiveContainer width="100%" height="100%">
          <ComposedChart data={points} margin={{ top: 8, right: 10, bottom: 0, left: 0 }}>
            <XAxis
              dataKey="pxPerFrame"
              type="number"
              domain={['dataMin', 'dataMax']}
              allowDecimals={false}
              tick={TICK}
              stroke="var(--line-strong)"
            />
            <YAxis
              width={36}
              tick={TICK}
              stroke="var(--line-strong)"
              tickFormatter={(n) => Number(n).toFixed(0)}
            />
            <Tooltip
              contentStyle={BUBBLE}
              labelFormatter={(px) => `${String(px)} px a frame`}
              formatter={(value, name) => [
                Array.isArray(value)
                  ? `${Number(value[0]).toFixed(1)} to ${Number(value[1]).toFixed(1)} s`
                  : `${Number(value).toFixed(1)} s`,
                name,
              ]}
            />
            <Area
              dataKey="reach"
              name="with gaps and size"
              stroke="none"
              fill="var(--leaf-wash)"
              isAnimationActive={false}
            />
            <Line
              dataKey="designed"
              name="as designed"
              stroke="var(--leaf)"
              dot={{ r: 3 }}
              isAnimationActive={false}
            />
            <Line
              dataKey="line"
              name="a line is seen"
              stroke="var(--line-strong)"
              dot={false}
              isAnimationActive={false}
            />
            <ReferenceLine y={now} stroke="var(--ink)" strokeDasharray="4 3" />
          </ComposedChart>
        </ResponsiveContainer>
      </div>
      <figcaption className="text-[12px] text-soft">
        Lengths that need no change:
        <span className="flex flex-wrap gap-1.5 pt-1">
          {near.map(({ pxPerFrame, frames, line }) => (
            <button
              key={pxPerFrame}
              type="button"
              title={`${pxPerFrame} px a frame, a line is seen for ${line.toFixed(1)} s`}
              onClick={() => onLength(frames)}
              className="rounded-md border border-line-strong bg-field px-2 py-0.5 font-mono hover:border-soft"
            >
              {lengthToTimecode(frames, clock)}
            </button>
          ))}
        </span>
      </figcaption>
    </figure>
  );
}
