'use client';
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import { TrashIcon } from '@heroicons/react/24/outline';
import { addMark, moveMark, nameMark, namedMarks, removeMark, waitingFor } from '@/core/edit/marks';
import { designTiming } from '@/core/titleTime/moments';
import { Button } from '../../shared/Button';
import { NumberBox } from '../../shared/NumberBox';
import { UNIT_LABELS } from '../motion/words';
import { useTimeUnits } from '../motion/OrderRows';
import { designSeconds, useApply, useBench, useTemplate } from '../state/benchStore';

/** The marks as a list: their times, what they are called, and what waits for each. */
export function MarkList() {
  const template = useTemplate();
  const apply = useApply();
  const { playhead, seek } = useBench();
  const units = useTimeUnits();
  const marks = namedMarks(template);
  const { totalSeconds } = designTiming(template.timing);
  return (
    <Popover className="relative">
      <PopoverButton
        title="Moments that moves can wait for (M sets one while it plays)"
        className="h-8 rounded-lg border border-line-strong bg-field px-2.5 whitespace-nowrap hover:border-soft"
      >
        Marks {marks.length}
      </PopoverButton>
      <PopoverPanel
        anchor={{ to: 'top end', gap: 6 }}
        aria-label="Marks"
        className="z-50 w-96 rounded-xl border border-line bg-card p-3 text-[13px] shadow-xl"
      >
        {marks.length === 0 && (
          <p className="pb-2 text-soft">
            None yet. A move can start at a mark, or each word at its own: play, and press M in time.
          </p>
        )}
        <ol className="max-h-72 overflow-y-auto">
          {marks.map(({ seconds, name }, index) => (
            <li key={index} className="border-b border-line py-1.5 last:border-b-0">
              <span className="grid grid-cols-[28px_92px_1fr_28px] items-center gap-2">
                <button
                  type="button"
                  aria-label={`Go to mark ${index + 1}`}
                  title="Go to it"
                  onClick={() => seek.to(seconds)}
                  className="h-7 rounded-md bg-leaf-wash font-semibold text-leaf-ink"
                >
                  {index + 1}
                </button>
                <NumberBox
                  label={`Time of mark ${index + 1}`}
                  unit="s"
                  min={0}
                  max={totalSeconds}
                  step={0.04}
                  units={units}
                  value={seconds}
                  onChange={(next) => apply((now) => moveMark(now, index, next))}
                />
                <input
                  aria-label={`Name of mark ${index + 1}`}
                  placeholder="Name"
                  maxLength={60}
                  value={name}
                  onChange={(event) => apply((now) => nameMark(now, index, event.target.value))}
                  className="h-8 min-w-0 rounded-lg border border-line-strong bg-field px-2"
                />
                <button
                  type="button"
                  aria-label={`Remove mark ${index + 1}`}
                  title="Remove"
                  onClick={() => apply((now) => removeMark(now, index))}
                  className="grid h-7 w-7 place-items-center rounded-md text-soft hover:bg-paper"
                >
                  <TrashIcon className="h-4 w-4" />
                </button>
              </span>
              <span className="block pt-0.5 pl-9 text-[12px] text-soft">
                {waitingFor(template, index)
                  .map(({ layerName, unit }) =>
                    unit === 'layer'
                      ? `“${layerName}” waits for it`
                      : `a ${UNIT_LABELS[unit].toLowerCase()} of “${layerName}” waits for it`,
                  )
                  .join(', ') || 'nothing waits for it'}
              </span>
            </li>
          ))}
        </ol>
        <Button
          className="mt-2 w-full"
          onClick={() => apply((now) => addMark(now, designSeconds(playhead, now.timing)))}
        >
          Add a mark at the playhead
        </Button>
      </PopoverPanel>
    </Popover>
  );
}
