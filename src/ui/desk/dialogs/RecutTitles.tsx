'use client';
import type { RecutTitle } from '@/core/project/recut';
import type { Clock } from '@/core/time/clock';
import { frameToTimecode } from '@/core/time/clock';
import { counted } from '../../shared/counted';
import { Pill } from '../../shared/Pill';
import { SelectBox } from '../../shared/SelectBox';
import { numbersOf, useShownValues, useTemplateOf, useTitles } from '../deskContext';

interface Props {
  readonly plan: readonly RecutTitle[];
  readonly chosen: ReadonlyMap<string, 'along' | 'stay'>;
  readonly clock: Clock;
  readonly onChoose: (titleId: string, way: 'along' | 'stay') => void;
}

const DOUBTS = {
  gone: 'its pictures are not in the new cut',
  several: 'its pictures are there more than once',
  overEnd: 'it would run past the end of its clip',
  noPicture: 'no picture would be under it',
};

/** What becomes of the titles when the clips are replaced: each that moves or should be looked at, with its choice. */
export function RecutTitles({ plan, chosen, clock, onChoose }: Props) {
  const titles = useTitles();
  const templateOf = useTemplateOf();
  const valuesOf = useShownValues();
  if (titles.length === 0) return null;
  const byId = new Map(titles.map((title) => [title.id, title]));
  const told = plan.filter(
    ({ doubt, alongFrame, stayFrame }) => doubt !== null || (alongFrame !== null && alongFrame !== stayFrame),
  );
  const doubtful = plan.filter(({ doubt }) => doubt !== null).length;
  const moving =
    told.length -
    told.filter(({ alongFrame, stayFrame }) => alongFrame === null || alongFrame === stayFrame).length;
  return (
    <section aria-label="What becomes of the titles" className="pt-3">
      <p className="pb-1.5">
        {told.length === 0
          ? `All ${counted(titles.length, 'title')} stay where they are, over the same pictures.`
          : `${counted(moving, 'title goes', 'titles go')} along with the pictures${doubtful > 0 ? `, ${doubtful} should be looked at` : ''}; the others stay.`}
      </p>
      <ul className="max-h-60 divide-y divide-line overflow-auto border-y border-line empty:hidden">
        {told.map(({ titleId, stayFrame, alongFrame, proposed, doubt }) => {
          const title = byId.get(titleId);
          if (title === undefined) return null;
          const values = valuesOf(title);
          const words = templateOf(title.editionId)
            ?.fields.map(({ id }) => String(values[id] ?? ''))
            .find((text) => text.trim() !== '');
          const number = numbersOf(titles).get(titleId);
          return (
            <li key={titleId} className="flex items-center gap-3 py-1">
              <span className="w-6 text-right font-mono text-[12px] text-soft">{number}</span>
              <span className="min-w-0 flex-1 truncate">{words ?? templateOf(title.editionId)?.name}</span>
              {doubt !== null && <Pill tone="look">{DOUBTS[doubt]}</Pill>}
              <span className="w-64">
                <SelectBox
                  label={`Title ${number}`}
                  value={chosen.get(titleId) ?? proposed}
                  onChange={(way) => onChoose(titleId, way)}
                  choices={[
                    ...(alongFrame === null
                      ? []
                      : [
                          {
                            value: 'along' as const,
                            label: `with its clip, ${frameToTimecode(alongFrame, clock)}`,
                          },
                        ]),
                    { value: 'stay' as const, label: `stays at ${frameToTimecode(stayFrame, clock)}` },
                  ]}
                />
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
