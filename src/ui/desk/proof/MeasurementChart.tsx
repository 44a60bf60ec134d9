'use client';
import { Line, LineChart, ReferenceLine, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import type { Measurement } from '@/core/proof/finding';
import { frameToTimecode } from '@/core/time/clock';
import { useClock } from '../deskContext';

interface Props {
  readonly measurement: Measurement;
  /** The project's frame at which the title starts. */
  readonly startFrame: number;
  readonly onLook: (frame: number) => void;
}

/** What was measured over a title's time, with what is needed as a line; a click goes to the moment. */
export function MeasurementChart({ measurement: { points, needed, label }, startFrame, onLook }: Props) {
  const clock = useClock();
  const at = (frame: number): string => frameToTimecode(startFrame + frame, clock);
  const worst = points.reduce((least, one) => (one.value < least.value ? one : least));
  return (
    <figure aria-label={`${label} over the time of the title`} className="pt-1.5">
      <div className="h-24">
        <ResponsiveContainer width="100%" height="100%">
          <LineChart
            data={[...points]}
            margin={{ top: 6, right: 10, bottom: 0, left: 0 }}
            onClick={({ activeLabel }) => activeLabel !== undefined && onLook(Number(activeLabel))}
          >
            <XAxis
              dataKey="frame"
              type="number"
              domain={['dataMin', 'dataMax']}
              ticks={[points[0].frame, points[points.length - 1].frame]}
              tickFormatter={at}
              interval="preserveStartEnd"
              tick={{ fontSize: 11, fill: 'var(--ink-soft)' }}
              stroke="var(--line-strong)"
            />
            <YAxis
              width={28}
              domain={[1, (most: number) => Math.ceil(Math.max(most, needed + 1))]}
              ticks={[1, needed]}
              tick={{ fontSize: 11, fill: 'var(--ink-soft)' }}
              stroke="var(--line-strong)"
            />
            <Tooltip
              formatter={(value) => [`${Number(value).toFixed(1)} : 1`, label]}
              labelFormatter={(frame) => at(Number(frame))}
              contentStyle={{ background: 'var(--card)', border: '1px solid var(--line)', fontSize: 12 }}
            />
            <ReferenceLine y={needed} stroke="var(--ink-soft)" strokeDasharray="4 3" />
            <Line
              dataKey="value"
              stroke="var(--stop)"
              strokeWidth={1.75}
              dot={points.length < 3}
              isAnimationActive={false}
            />
          </LineChart>
        </ResponsiveContainer>
      </div>
      <figcaption className="flex items-center justify-between text-[12px] text-soft">
        <span>{`Dashed: ${needed} : 1 is needed`}</span>
        <button
          type="button"
          className="font-semibold text-leaf-ink hover:underline"
          onClick={() => onLook(worst.frame)}
        >
          {`Go to the worst, ${at(worst.frame)}`}
        </button>
      </figcaption>
    </figure>
  );
}
