import { assertNever } from '../kit/assertNever';
import type { Clock } from '../time/clock';
import { frameToTimecode } from '../time/clock';
import type { Clip, Title } from '../model/project';
import type { AutomaticSource, FieldValues, Template } from '../model/template';

/** What automatic fields are filled from. */
export interface AutomaticContext {
  readonly projectName: string;
  readonly clock: Clock;
  readonly clips: readonly Clip[];
  /** The title's number in its project, from 1. */
  readonly number: number;
}

/** The values of a title with its automatic fields filled, those that an editor typed left as they are. */
export function withAutomaticValues(
  template: Template,
  title: Title,
  context: AutomaticContext,
): FieldValues {
  const automatic = automaticValues(template, title, context);
  return Object.keys(automatic).length === 0 ? title.values : { ...automatic, ...title.values };
}

/** What automatic fields say for a title; a source that says nothing leaves the design's words. */
function automaticValues(template: Template, title: Title, context: AutomaticContext): FieldValues {
  const entries = template.fields.flatMap((field): [string, string][] => {
    if (field.automatic === null) return [];
    const value = sourceValue(field.automatic, title, context);
    return value === '' ? [] : [[field.id, value]];
  });
  return Object.fromEntries(entries);
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
