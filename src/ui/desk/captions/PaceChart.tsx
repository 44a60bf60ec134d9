'use client';
import { useDeferredValue, useMemo } from 'react';
import { Area, AreaChart, ReferenceLine, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import { charactersPerSecond } from '@/core/captions/timeCues';
import { endOf } from '@/core/project/lanes';
import { frameToTimecode } from '@/core/time/clock';
import { useClock, useDesk } from '../deskContext';
import { useCaptionRules, useTrackCues } from './captionContext';
import { BUBBLE, TICK } from '../proof/chartLook';

// More points than pixels say nothing.
const MOST_POINTS = 600;

/** Characters a second along the programme, against what can be read; a click goes there. */
export function PaceChart({ onSeek }: { readonly onSeek: (frame: number) => void }) {
  const { rate } = useDesk();
  const clock = useClock();
  const rules = useCaptionRules();
  // Typing does not wait for a chart.
  const cues = useDeferredValue(useTrackCues());
  const points = useMemo(() => {
    const group = Math.max(1, Math.ceil((cues.length * 3) / MOST_POINTS));
    const list: { frame: number; pace: number | null }[] = [];
    for (let i = 0; i < cues.length; i += group) {
      const part = cues.slice(i, i + group);
      // Of several together the fastest counts.
      const pace = Math.max(...part.map((cue) => charactersPerSecond(cue, rate)));
      const last = part[part.length - 1];
      list.push(
        { frame: part[0].startFrame, pace },
        { frame: endOf(last) - 1, pace },
        { frame: endOf(last), pace: 0 },
      );
    }
    return list;
  }, [cues, rate]);
  const at = (frame: number): string => frameToTimecode(frame, clock);
  const fastest = points.reduce(
    (most, point) => ((point.pace ?? 0) > (most.pace ?? 0) ? point : most),
    points[0],
  );
  if (fastest === undefined) return null;
  return (
    <figure aria-label="Characters a second along the programme">
      <p className="text-[12px] text-soft">Characters a second</p>
      <div className="h-32">
        <ResponsiveContainer width="100%" height="100%">
          <AreaChart
            data={points}
            margin={{ top: 8, right: 10, bottom: 0, left: 0 }}
            onClick={({ activeLabel }) => activeLabel !== undefined && onSeek(Number(activeLabel))}
          >
            <XAxis
              dataKey="frame"
              type="number"
              domain={['dataMin', 'dataMax']}
              ticks={[points[0].frame, points[points.length - 1].frame]}
              tickFormatter={(frame) => at(Number(frame))}
              interval="preserveStartEnd"
              tick={TICK}
              stroke="var(--line-strong)"
            />
            <YAxis
              width={30}
              tick={TICK}
              stroke="var(--line-strong)"
              tickFormatter={(n) => Number(n).toFixed(0)}
            />
            <Tooltip
              contentStyle={BUBBLE}
              labelFormatter={(frame) => at(Number(frame))}
              formatter={(value) => [Number(value).toFixed(1), 'Characters a second']}
            />
            <Area
              type="linear"
              dataKey="pace"
              stroke="var(--leaf)"
              fill="var(--leaf-wash)"
              isAnimationActive={false}
            />
            <ReferenceLine y={rules.charactersPerSecond} stroke="var(--stop)" strokeDasharray="4 3" />
          </AreaChart>
        </ResponsiveContainer>
      </div>
      <figcaption className="text-[12px] text-soft">
        <button
          type="button"
          className="font-semibold text-leaf-ink hover:underline"
          onClick={() => onSeek(fastest.frame)}
        >
          {`Go to the fastest, ${at(fastest.frame)}`}
        </button>
        {` · ${(fastest.pace ?? 0).toFixed(1)} a second; at most ${rules.charactersPerSecond} can be read`}
      </figcaption>
    </figure>
  );
}
