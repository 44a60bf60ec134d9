import { airValue, isWords } from './fieldValue';
import { assertNever } from '../kit/assertNever';
import type { Clock } from '../time/clock';
import { frameToTimecode } from '../time/clock';
import type { Clip, Title } from '../model/project';
import type { AutomaticSource, FieldValue, FieldValues, Template } from '../model/template';

/** What automatic fields are filled from. */
export interface AutomaticContext {
  readonly projectName: string;
  readonly clock: Clock;
  readonly clips: readonly Clip[];
  /** The title's number in its project, from 1. */
  readonly number: number;
}

/**
 * The values that a title goes to air with: what was typed; where nothing was, what fills itself, else the words that go
 * to air by default, else none. The design's sample words are never among them.
 */
export function airValues(template: Template, title: Title, context: AutomaticContext): FieldValues {
  const words = template.fields.flatMap((field): [string, FieldValue][] => {
    if (title.values[field.id] !== undefined) return [];
    const filled = field.automatic === null ? '' : sourceValue(field.automatic, title, context);
    if (filled !== '') return [[field.id, filled]];
    return isWords(field) ? [[field.id, airValue(template, field)]] : [];
  });
  return words.length === 0 ? title.values : { ...Object.fromEntries(words), ...title.values };
}

function sourceValue(source: AutomaticSource, title: Title, context: AutomaticContext): string {
  switch (source) {
    case 'project':
      return context.projectName;
    case 'number':
      return String(context.number);
    case 'timecode':
      return frameToTimecode(title.startFrame, context.clock);
    case 'place':
      return clipAt(context.clips, title.startFrame)?.place ?? '';
    case 'date':
      return clipAt(context.clips, title.startFrame)?.recordedAt ?? '';
    default:
      return assertNever(source, 'automatic source');
  }
}

/** The clip that a title starts over; undefined where it starts over none. */
function clipAt(clips: readonly Clip[], startFrame: number): Clip | undefined {
  return clips.find(
    (clip) => startFrame >= clip.startFrame && startFrame < clip.startFrame + clip.lengthFrames,
  );
}
