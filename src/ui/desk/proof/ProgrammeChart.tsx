'use client';
import { useDeferredValue, useMemo } from 'react';
import { Bar, BarChart, Line, LineChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import { endOf } from '@/core/project/lanes';
import type { ProgrammePart } from '@/core/proof/programme';
import { programmeParts } from '@/core/proof/programme';
import { wordsOf } from '@/core/proof/speller';
import { frameToTimecode } from '@/core/time/clock';
import { useClips, useClock, useDesk, useShownValues, useTemplateOf, useTitles } from '../deskContext';
import type { Look } from './FindingItem';
import { BUBBLE, TICK } from './chartLook';

const MARGIN = { top: 6, right: 10, bottom: 0, left: 0 };

/** Words a minute and titles at once over the programme; a click goes to the title there, or the nearest. */
export function ProgrammeChart({ onLook }: { readonly onLook: Look }) {
  const clock = useClock();
  const titles = useTitles();
  const parts = useParts();
  const at = (frame: number): string => frameToTimecode(frame, clock);
  const go = (frame: number): void => {
    const away = (title: (typeof titles)[number]): number =>
      Math.max(0, title.startFrame - frame, frame - endOf(title) + 1);
    const [nearest] = titles.toSorted((a, b) => away(a) - away(b));
    if (nearest === undefined) return;
    const own = Math.max(0, Math.min(nearest.lengthFrames - 1, frame - nearest.startFrame));
    onLook(nearest.id, own);
  };
  const click = ({ activeLabel }: { readonly activeLabel?: string | number }): void => {
    if (activeLabel !== undefined) go(Number(activeLabel));
  };
  if (titles.length === 0) return <p className="pt-1 text-soft">There is nothing to read yet.</p>;
  const busiest = parts.reduce((most, part) => (part.wordsAMinute > most.wordsAMinute ? part : most));
  const [first, last] = [parts[0], parts[parts.length - 1]];
  const axis = (
    <XAxis
      dataKey="fromFrame"
      type="number"
      domain={[first.fromFrame, last.toFrame]}
      ticks={[first.fromFrame, last.fromFrame]}
      tickFormatter={at}
      interval="preserveStartEnd"
      tick={TICK}
      stroke="var(--line-strong)"
    />
  );
  return (
    <figure aria-label="What there is to read over the programme" className="pt-2">
      <p className="text-[12px] text-soft">Words a minute</p>
      <div className="h-24">
        <ResponsiveContainer width="100%" height="100%">
          <LineChart data={[...parts]} margin={MARGIN} onClick={click}>
            {axis}
            <YAxis
              width={34}
              tick={TICK}
              stroke="var(--line-strong)"
              tickFormatter={(n) => Number(n).toFixed(0)}
            />
            <Tooltip
              contentStyle={BUBBLE}
              labelFormatter={(frame) => at(Number(frame))}
              formatter={(value) => [Number(value).toFixed(0), 'Words a minute']}
            />
            <Line
              type="step"
              dataKey="wordsAMinute"
              stroke="var(--leaf)"
              dot={false}
              isAnimationActive={false}
            />
          </LineChart>
        </ResponsiveContainer>
      </div>
      <p className="pt-1 text-[12px] text-soft">Titles at once</p>
      <div className="h-16">
        <ResponsiveContainer width="100%" height="100%">
          <BarChart data={[...parts]} margin={MARGIN} onClick={click} barCategoryGap={0}>
            {axis}
            <YAxis width={34} allowDecimals={false} tick={TICK} stroke="var(--line-strong)" />
            <Tooltip
              contentStyle={BUBBLE}
              cursor={{ fill: 'var(--paper)' }}
              labelFormatter={(frame) => at(Number(frame))}
              formatter={(value) => [String(value), 'Titles at once']}
            />
            <Bar dataKey="titles" fill="var(--in)" isAnimationActive={false} />
          </BarChart>
        </ResponsiveContainer>
      </div>
      <figcaption className="text-[12px] text-soft">
        <button
          type="button"
          className="font-semibold text-leaf-ink hover:underline"
          onClick={() => go(busiest.fromFrame)}
        >
          {`Go to the busiest, ${at(busiest.fromFrame)}`}
        </button>
        {` · ${busiest.wordsAMinute.toFixed(0)} words a minute`}
      </figcaption>
    </figure>
  );
}

function useParts(): readonly ProgrammePart[] {
  const { rate } = useDesk();
  // Typing does not wait for a chart.
  const titles = useDeferredValue(useTitles());
  const clips = useClips();
  const templateOf = useTemplateOf();
  const valuesOf = useShownValues();
  return useMemo(() => {
    const spans = titles.map((title) => {
      const values = valuesOf(title);
      const words = (templateOf(title.editionId)?.fields ?? [])
        .filter(({ kind }) => kind === 'text' || kind === 'rows')
        .reduce((sum, { id }) => sum + wordsOf(String(values[id] ?? '')).length, 0);
      return { startFrame: title.startFrame, lengthFrames: title.lengthFrames, words };
    });
    return programmeParts(spans, Math.max(1, ...clips.map(endOf), ...titles.map(endOf)), rate);
  }, [titles, clips, templateOf, valuesOf, rate]);
}
