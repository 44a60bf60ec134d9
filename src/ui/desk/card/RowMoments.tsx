'use client';
import { toast } from 'sonner';
import type { RowMoment } from '@/core/model/project';
import type { TimedList } from '@/core/project/rowMoments';
import { isTimed, setRowMoment, spreadMoments, tapNextRow, timedLists } from '@/core/project/rowMoments';
import { changeTitles } from '@/core/project/work';
import { stretchTiming } from '@/core/titleTime/stretch';
import { Button } from '../../shared/Button';
import { NumberBox } from '../../shared/NumberBox';
import { useApplyTitles, useDeliveryValues, useDesk } from '../deskContext';
import { rowHere } from './rowHere';
import type { ChosenTitles } from './chosenTitles';

interface Props extends ChosenTitles {
  /** The frame that the playhead is at. */
  readonly frameNow: () => number;
}

// From its moment on a row is read; the last one is given this share of the hold for it when rows are spread evenly.
const LAST_SHARE = 0.75;

/** When the rows of the chosen title's lists come: as the template has it, evenly, at the playhead, or typed. */
export function RowMoments({ first, chosen, frameNow }: Props) {
  const { editions, rate } = useDesk();
  const values = useDeliveryValues()(first);
  const apply = useApplyTitles();
  const template = editions.get(first.editionId)?.document;
  if (template === undefined || chosen.length !== 1) return null;
  const timing = stretchTiming(template.timing, first.lengthFrames, rate);
  const holdSeconds = timing.outStartSeconds - timing.inSeconds;
  const set = (list: TimedList, moments: readonly RowMoment[]): void =>
    apply((now) =>
      changeTitles(now, new Set([first.id]), (title) => ({
        ...title,
        moments: { ...title.moments, [list.field.id]: moments },
      })),
    );
  const setHere = (fieldId: string): void => {
    const moments = rowHere(first, template, { values, frame: frameNow(), rate, fieldId });
    if (typeof moments === 'string') toast(moments);
    else apply((now) => changeTitles(now, new Set([first.id]), (title) => ({ ...title, moments })));
  };
  return timedLists(template, first.moments, values)
    .filter(({ rows }) => rows.length > 0)
    .map((list) => (
      <section
        key={list.field.id}
        aria-label={`When ${list.field.label} come`}
        className="mt-3 border-t border-line pt-3"
      >
        <div className="flex flex-wrap items-center gap-1.5 pb-1.5">
          <span className="mr-auto text-soft">{`${list.field.label} come`}</span>
          <Button
            title="From the first row’s moment to the last, over three quarters of the hold"
            onClick={() =>
              set(
                list,
                spreadMoments(list.rows, list.seconds[0], timing.inSeconds + holdSeconds * LAST_SHARE),
              )
            }
          >
            Evenly
          </Button>
          <Button
            title="The next row at the playhead (R)"
            disabled={tapNextRow(list, 0) === null}
            onClick={() => setHere(list.field.id)}
          >
            Next row here
          </Button>
          {isTimed(list) && (
            <Button title="In the rhythm of the template" onClick={() => set(list, [])}>
              As designed
            </Button>
          )}
        </div>
        {isTimed(list) && <Rows list={list} onSet={(moments) => set(list, moments)} />}
      </section>
    ));
}

/** Each row with its moment in seconds from the title's start; those that were not given one follow the others. */
function Rows({ list, onSet }: { readonly list: TimedList; readonly onSet: (moments: RowMoment[]) => void }) {
  const { rows, given, seconds } = list;
  return (
    <ol className="grid gap-1">
      {rows.map((row, i) => (
        <li key={i} className="grid grid-cols-[1fr_84px_64px] items-center gap-2">
          <span dir="auto" className="truncate">
            {row.replaceAll('\t', ' · ')}
          </span>
          <NumberBox
            label={`Row ${i + 1} comes after`}
            unit="s"
            min={0}
            max={86_400}
            step={0.1}
            value={seconds[i]}
            onChange={(own) => onSet(setRowMoment(list, i, own))}
          />
          {given[i] === null ? (
            <span className="text-[12px] text-soft">follows</span>
          ) : (
            <Button
              look="quiet"
              title={`Row ${i + 1} follows the others`}
              onClick={() => onSet(setRowMoment(list, i, null))}
            >
              Unset
            </Button>
          )}
        </li>
      ))}
    </ol>
  );
}
