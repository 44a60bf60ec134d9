import type { RenderOrder } from '@/contract/clients';
import type { EditionRecord } from '@/contract/templates';
import { FORMATS } from '@/core/frame/formats';
import { fileSlug } from '@/core/kit/fileSlug';
import type { InputProblem } from '@/core/kit/inputError';
import { InputError, quoteValue } from '@/core/kit/inputError';
import { LONGEST_WORDS } from '@/core/model/project';
import { colour } from '@/core/model/schemaParts';
import type { Field, FieldValue, FieldValues, Template } from '@/core/model/template';
import { OUTPUTS } from '@/core/outputs';
import { hasGround, isStill, planesOf } from '@/core/outputs/output';
import { airValue } from '@/core/resolve/fieldValue';
import { RATES, secondsToNearestFrames, SHORTEST_FRAMES } from '@/core/time/rates';
import { designFrames } from '@/core/titleTime/stretch';
import type { JobPayload, JobTitle } from '@/db/schema';
import { atRest, inPlanes, refuseMissing, refuseShape } from '../press/jobFiles';

interface OrderedWith {
  readonly edition: EditionRecord;
  /** The encoders of this machine's ffmpeg; null without it. */
  readonly encoders: ReadonlySet<string> | null;
  /** Whether a picture is here, by its id. */
  readonly hasPicture: (id: string) => boolean;
}

/** What the press needs for a client's order. Throws InputError with everything that is wrong with it. */
export function renderPayload(
  order: RenderOrder,
  { edition, encoders, hasPicture }: OrderedWith,
): JobPayload {
  const { document } = edition;
  const output = OUTPUTS.get(order.output);
  refuseMissing(output, encoders);
  if (hasGround(output))
    throw InputError.of('Order, output', 'a kind of file without pictures of a programme', output.label);
  const format = FORMATS.get(order.format ?? document.formats[0]);
  refuseShape(output, format, 'Order, format');
  const rate = RATES.get(order.rate ?? document.rate);
  const values = valuesOf(document, order.values, hasPicture);
  const lengthFrames =
    order.seconds === undefined
      ? designFrames(document.timing, rate)
      : Math.max(SHORTEST_FRAMES, secondsToNearestFrames(order.seconds, rate));
  const fileStem =
    fileSlug(order.name ?? '') || fileSlug(`${document.name} ${firstWords(document, values)}`) || 'title';
  const title: JobTitle = { titleId: 'render', fileStem, document, values, lengthFrames, onlyFrame: null };
  const shown = isStill(output) ? atRest(title, rate.id) : title;
  return {
    name: fileStem,
    output: output.id,
    format: format.id,
    interlaced: order.interlaced === true && output.fields,
    rate: rate.id,
    ...(order.fine === true ? { fine: true } : {}),
    ...(order.language === undefined ? {} : { language: order.language }),
    titles: inPlanes([shown], planesOf(output, order.premultiplied === true)),
  };
}

function firstWords({ fields }: Template, values: FieldValues): string {
  const first = fields.find(({ kind }) => kind === 'text');
  return first === undefined ? '' : String(values[first.id] ?? '');
}

/** What each field says: what was sent, else what goes to air when nobody types. */
function valuesOf(document: Template, sent: object, hasPicture: OrderedWith['hasPicture']): FieldValues {
  const problems: InputProblem[] = [];
  const given = new Map<string, unknown>(Object.entries(sent));
  const values = document.fields.map((field): [string, FieldValue] => {
    const value = given.get(field.id);
    given.delete(field.id);
    const where = `Order, values, ${field.id} (${field.label})`;
    if (value === undefined) {
      const own = airValue(document, field);
      if (field.required && String(own).trim() === '')
        problems.push({ where, expected: expectedFor(field), got: 'nothing', advice: '' });
      return [field.id, own];
    }
    if (isFor(field, value, hasPicture)) return [field.id, value];
    problems.push({ where, expected: expectedFor(field), got: quoteValue(value), advice: '' });
    return [field.id, ''];
  });
  const ids = document.fields.map(({ id }) => id).join(', ');
  for (const id of given.keys())
    problems.push({
      where: 'Order, values',
      expected: `fields of the template: ${ids}`,
      got: quoteValue(id),
      advice: '',
    });
  if (problems.length > 0) throw new InputError(problems);
  return Object.fromEntries(values);
}

function isFor(
  { kind, limits, required }: Field,
  value: unknown,
  hasPicture: OrderedWith['hasPicture'],
): value is FieldValue {
  switch (kind) {
    case 'number':
      return Number.isFinite(value);
    case 'switch':
      return typeof value === 'boolean';
    case 'colour':
      return colour.isValidSync(value);
    case 'choice':
      return limits.choices?.some((choice) => choice.value === value) ?? false;
    case 'picture':
      return typeof value === 'string' && hasPicture(value);
    case 'text':
    case 'rows':
    case 'date':
      return typeof value === 'string' && value.length <= LONGEST_WORDS && !(required && value.trim() === '');
  }
}

function expectedFor({ kind, limits }: Field): string {
  switch (kind) {
    case 'number':
      return 'a number';
    case 'switch':
      return 'true or false';
    case 'colour':
      return 'a colour such as #1f6454';
    case 'choice':
      return `one of ${(limits.choices ?? []).map(({ value }) => value).join(', ')}`;
    case 'picture':
      return 'the id of a picture that is here';
    case 'text':
    case 'rows':
    case 'date':
      return 'words';
  }
}
