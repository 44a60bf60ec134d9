import type { Title } from '@/core/model/project';
import type { FieldValues, Template } from '@/core/model/template';
import { tapNextRow, timedLists } from '@/core/project/rowMoments';
import type { FrameRate } from '@/core/time/rates';
import { frameToSeconds } from '@/core/time/rates';

interface Here {
  readonly values: FieldValues;
  readonly frame: number;
  readonly rate: FrameRate;
  /** The list that is meant; the first one with a row left when nobody says. */
  readonly fieldId?: string;
}

/** The moments of a title with its next row coming at a frame of the project; or why there is no such row, in words. */
export function rowHere(
  title: Title,
  template: Template,
  { values, frame, rate, fieldId }: Here,
): NonNullable<Title['moments']> | string {
  const lists = timedLists(template, title.moments, values).filter(
    ({ rows, field }) => rows.length > 0 && (fieldId === undefined || field.id === fieldId),
  );
  if (lists.length === 0) return 'The chosen title has no list with rows.';
  const own = frame - title.startFrame;
  if (own < 0 || own >= title.lengthFrames) return 'Put the playhead into the chosen title first.';
  const seconds = frameToSeconds(own, rate);
  for (const list of lists) {
    const moments = tapNextRow(list, seconds);
    if (moments !== null) return { ...title.moments, [list.field.id]: moments };
  }
  return 'Every row has its moment. “As designed” on the card begins anew.';
}
