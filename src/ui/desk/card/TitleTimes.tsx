'use client';
import { secondsToNearestFrames } from '@/core/time/rates';
import { Button } from '../../shared/Button';
import { NumberBox } from '../../shared/NumberBox';
import { Pill } from '../../shared/Pill';
import { useApplyTitles, useDesk } from '../deskContext';
import { useReading } from '../useReading';
import { changeTitles } from '@/core/project/work';
import type { Title } from '@/core/model/project';
import type { ChosenTitles } from './chosenTitles';

// While fonts are loaded nothing is known of a title's reading.
const NOT_YET = { reads: 0, readable: 0, neededFrames: () => 0 };

/** How long the chosen titles last and whether the first can be read in that time; their fades. */
export function TitleTimes({ first, chosen }: ChosenTitles) {
  const { editions, rate } = useDesk();
  const apply = useApplyTitles();
  const readingFor = useReading();
  const template = editions.get(first.editionId)?.document;
  if (template === undefined) return null;
  const ids = new Set(chosen.map(({ id }) => id));
  const differ = (of: (title: Title) => number): boolean => new Set(chosen.map(of)).size > 1;
  const set = (change: Partial<Title>): void =>
    apply((now) => changeTitles(now, ids, (title) => ({ ...title, ...change })));
  const { reads, readable, neededFrames } = readingFor(first) ?? NOT_YET;
  const short = reads > readable + 0.05;
  const perSecond = rate.numerator / rate.denominator;
  const frames = { unit: 'f', min: 0, max: 5000, step: 1, digits: 0, units: { s: perSecond } };
  return (
    <div className="mt-3 grid grid-cols-[72px_84px_1fr] items-center gap-2 border-t border-line pt-3">
      <span className="text-soft">Duration</span>
      <NumberBox
        label="Duration, in seconds"
        unit="s"
        min={2 / perSecond}
        max={36000}
        step={0.2}
        value={first.lengthFrames / perSecond}
        mixed={differ(({ lengthFrames }) => lengthFrames)}
        units={{ f: 1 / perSecond }}
        onChange={(seconds) => set({ lengthFrames: Math.max(2, secondsToNearestFrames(seconds, rate)) })}
      />
      <span className="flex flex-wrap items-center justify-end gap-1.5">
        <Pill tone={short ? 'stop' : 'pass'}>
          {short
            ? `reads in ${reads.toFixed(1)} s, fully visible for ${readable.toFixed(1)}`
            : reads === 0
              ? '…'
              : `reads in ${reads.toFixed(1)} s`}
        </Pill>
        {short && chosen.length === 1 && (
          <Button onClick={() => set({ lengthFrames: neededFrames() })}>Lengthen</Button>
        )}
      </span>
      <span className="text-soft">Fades</span>
      <NumberBox
        {...frames}
        label="Fades in, in frames"
        value={first.fadeInFrames}
        mixed={differ(({ fadeInFrames }) => fadeInFrames)}
        onChange={(fadeInFrames) => set({ fadeInFrames: Math.round(fadeInFrames) })}
      />
      <span className="w-[84px]">
        <NumberBox
          {...frames}
          label="Fades out, in frames"
          value={first.fadeOutFrames}
          mixed={differ(({ fadeOutFrames }) => fadeOutFrames)}
          onChange={(fadeOutFrames) => set({ fadeOutFrames: Math.round(fadeOutFrames) })}
        />
      </span>
    </div>
  );
}
