'use client';
import dynamic from 'next/dynamic';
import { useDeferredValue } from 'react';
import { lineFrames } from '@/core/credits/rollWays';
import type { RollWay } from '@/core/credits/rollWays';
import type { FrameFormat } from '@/core/frame/formats';
import { changeTitles } from '@/core/project/work';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { stretchTiming } from '@/core/titleTime/stretch';
import { lengthToTimecode } from '@/core/time/clock';
import { frameToSeconds } from '@/core/time/rates';
import type { RollPlan } from '@/core/timeline/roll';
import { classes } from '../../shared/classes';
import { counted } from '../../shared/counted';
import { CardFields } from '../card/CardFields';
import { TimeField } from '../TimeField';
import { useApplyTitles, useClock, useDesk } from '../deskContext';
import { CardTimes } from './CardTimes';
import type { CreditTitle } from './creditContext';
import { useApplyCredits, useCreditTitle } from './creditContext';
import { useCreditLayout } from './useFollowRow';

const RollChart = dynamic(() => import('./RollChart').then((module) => module.RollChart), { ssr: false });

interface Props {
  readonly format: FrameFormat;
  readonly fonts: FontLibrary | null;
  readonly onSeek: (frame: number) => void;
}

/** How the credits that lie open go by: their length, and the ways to meet it. */
export function RollPanel(props: Props) {
  const open = useCreditTitle();
  if (open === null) return <p className="p-4 text-soft">No credits yet.</p>;
  return <OpenCredits {...props} open={open} />;
}

function OpenCredits({ format, fonts, onSeek, open }: Props & { readonly open: CreditTitle }) {
  const { title, template, layer } = open;
  const { rate } = useDesk();
  const apply = useApplyTitles();
  // Typing does not wait for it.
  const late = useDeferredValue(open);
  const compiled = useCreditLayout(late, format, fonts);
  const setLength = (lengthFrames: number): void =>
    apply((now) => changeTitles(now, new Set([title.id]), (one) => ({ ...one, lengthFrames })));
  const timing = stretchTiming(late.template.timing, late.title.lengthFrames, rate);
  const plan = compiled?.credits?.rollAt(timing) ?? null;
  const cards = compiled?.credits?.cardsAt(timing) ?? [];
  const rows = title.credits?.rows.length ?? 0;
  return (
    <div className="grid gap-4 p-4">
      <div className="flex items-end gap-3">
        <label className="grid gap-1">
          <span className="text-[12px] text-soft">Length</span>
          <TimeField
            label="Length of the credits"
            kind="length"
            frame={title.lengthFrames}
            least={2}
            onChange={setLength}
            className="w-32"
          />
        </label>
        <p className="pb-1.5 text-soft">{`${counted(rows, 'row')}, ${layer.show === 'roll' ? 'rolling' : 'on cards'} · ${template.name}`}</p>
      </div>
      {template.fields.length > 0 && (
        <section aria-label="Fields of the credits">
          <CardFields first={title} chosen={[title]} />
        </section>
      )}
      {rows === 0 && <p className="text-soft">How it goes by is worked out as soon as there are rows.</p>}
      {cards.length > 0 && (
        <CardTimes
          cards={cards}
          onShow={(seconds) => onSeek(title.startFrame + Math.round(seconds / timing.frameSeconds))}
        />
      )}
      {plan !== null && !layer.roll.wholeLines && <Steady plan={plan} />}
      {plan !== null && layer.roll.wholeLines && (
        <>
          <Ways plan={plan} ways={compiled?.credits?.rollWays(timing) ?? []} open={open} />
          <RollChart
            plan={plan}
            roll={layer.roll}
            // What does not roll is in every length.
            besides={late.title.lengthFrames - plan.frames}
            onLength={setLength}
          />
        </>
      )}
    </div>
  );
}

/** How long a line is seen, in seconds. */
function useLineSeconds(plan: RollPlan): (way: RollWay) => number {
  const { rate } = useDesk();
  return (way) => frameToSeconds(1, rate) * lineFrames(plan.designed, way);
}

function Steady({ plan }: { readonly plan: RollPlan }) {
  const lineSeconds = useLineSeconds(plan);
  return (
    <p className="text-soft">
      {`It goes ${plan.way.pxPerFrame.toFixed(2)} px a frame: not whole lines, so fine strokes may flicker. Each line is seen for ${lineSeconds(plan.way).toFixed(1)} s.`}
    </p>
  );
}

const percent = (share: number): string => `${Math.round(share * 100)} %`;

function Ways({
  plan,
  ways,
  open,
}: {
  readonly plan: RollPlan;
  readonly ways: readonly RollWay[];
  readonly open: CreditTitle;
}) {
  const { title } = open;
  const clock = useClock();
  const lineSeconds = useLineSeconds(plan);
  const apply = useApplyCredits(title.id);
  const wish = title.credits?.wish ?? { speedU: null, size: null };
  const choose = (way: RollWay | null): void =>
    apply((credits) => ({
      ...credits,
      wish:
        way === null
          ? { speedU: null, size: null }
          : { speedU: way.pxPerFrame / plan.pxPerU, size: way.size },
    }));
  const wait = plan.way.waitFrames;
  return (
    <section aria-labelledby="roll-ways">
      <h3 id="roll-ways" className="caps pb-1.5">
        Ways to meet this length
      </h3>
      <ul className="grid gap-1">
        {ways.map((way, i) => (
          <li key={way.pxPerFrame}>
            <button
              type="button"
              aria-pressed={way.pxPerFrame === plan.way.pxPerFrame}
              onClick={() => choose(i === 0 ? null : way)}
              className={classes(
                'grid w-full grid-cols-[1fr_auto] gap-x-3 rounded-lg border px-3 py-1.5 text-left',
                way.pxPerFrame === plan.way.pxPerFrame
                  ? 'border-leaf bg-leaf-wash'
                  : 'border-line bg-field hover:border-line-strong',
              )}
            >
              <span className="font-semibold">
                {plan.stepPx === 2 ? `${way.pxPerFrame / 2} px a field` : `${way.pxPerFrame} px a frame`}
              </span>
              <span className="text-right">{`a line ${lineSeconds(way).toFixed(1)} s`}</span>
              <span className="col-span-2 text-[12px] text-soft">
                {`gaps ${percent(way.spacing)}, size ${percent(way.size)}`}
                {i === 0 ? ' · nearest to the design' : ''}
              </span>
            </button>
          </li>
        ))}
      </ul>
      {wait > 0 && (
        <p role="status" className="pt-1.5 text-[12px] text-leaf-ink">
          {`No speed fills this length within the template's limits: it is through ${lengthToTimecode(wait, clock)} before the end. Take a length below, or allow more gap or size on the bench.`}
        </p>
      )}
      {wish.speedU !== null && wait === 0 && (
        <p className="pt-1.5 text-[12px] text-soft">
          The chosen speed is kept where another length can be met with it.
        </p>
      )}
    </section>
  );
}
