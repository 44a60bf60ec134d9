import { applyValues } from '../document/applyValues';
import type { FieldValues, Template } from '../document/template';
import { layerWords } from '../document/template';
import { stretchTiming } from '../timeline/stretch';
import type { FrameRate } from '../units/rates';
import { readableSeconds } from './readableTime';
import { readingSeconds } from './readingTime';

export interface TitleProof {
  readonly tone: 'pass' | 'look' | 'stop';
  readonly message: string;
  /** What a viewer needs, and what the title gives, in seconds. */
  readonly readsSeconds: number;
  readonly readableSeconds: number;
}

/** Whether a title can be read in the time it lasts, and has all the words it needs. */
export function proofTitle(
  template: Template,
  values: FieldValues,
  lengthFrames: number,
  rate: FrameRate,
): TitleProof {
  const applied = applyValues(template, values);
  const reads = readingSeconds(applied.layers.map(layerWords).join(' '));
  const readable = readableSeconds(applied, stretchTiming(template.timing, lengthFrames, rate));
  const times = { readsSeconds: reads, readableSeconds: readable };
  const missing = template.fields.find(
    (field) =>
      ['text', 'rows', 'date', 'picture'].includes(field.kind) &&
      field.required &&
      String(values[field.id] ?? ' x').trim() === '',
  );
  if (missing !== undefined) return { tone: 'stop', message: `${missing.label} is empty`, ...times };
  if (reads > readable + 0.05) {
    return {
      tone: 'stop',
      message: `reads in ${reads.toFixed(1)} s, lasts ${readable.toFixed(1)}`,
      ...times,
    };
  }
  return { tone: 'pass', message: 'clear', ...times };
}
