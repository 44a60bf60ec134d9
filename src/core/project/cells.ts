import { airValue } from '../resolve/fieldValue';
import { countGraphemes } from '../text/graphemes';
import type { Delivery } from '../model/plan';
import type { Title } from '../model/project';
import { LONGEST_WORDS } from '../model/project';
import type { Field, FieldValue, FieldValues, Template } from '../model/template';
import { InputError } from '../kit/inputError';
import { SHORTEST_FRAMES } from '../time/rates';
import type { Clock } from '../time/clock';
import { frameToTimecode, lengthToTimecode, textToLength, timecodeToFrame } from '../time/clock';
import { NO_PICTURES } from './pictureNames';
import { plainName, swapTitle } from './swap';

/** A column of the cue sheet. A `field` column shows in each row the field that its template has there. */
export type Column =
  | { readonly kind: 'in' | 'lasts' | 'template'; readonly id: string; readonly label: string }
  | {
      readonly kind: 'field';
      readonly id: string;
      readonly label: string;
      /** The place of the field among those of its template that the sheet shows. */
      readonly at: number;
      /** Whether the sheet shows all fields of the one template that is used, or the words of several. */
      readonly all: boolean;
    };

/** What cells are read and written with. */
export interface CellContext {
  readonly clock: Clock;
  templateOf(editionId: string): Template | undefined;
  /** The edition that a title gets when a template's name is typed; the newest one. */
  editionNamed(name: string): { readonly id: string; readonly document: Template } | undefined;
  shownValues(title: Title): FieldValues;
  readonly deliveries?: readonly Delivery[];
}

const TIME_COLUMNS: readonly Column[] = [
  { kind: 'in', id: 'in', label: 'In' },
  { kind: 'lasts', id: 'lasts', label: 'Duration' },
  { kind: 'template', id: 'template', label: 'Template' },
];

/** The fields of a template that a sheet shows: all that can be typed, or only those with words. */
function sheetFields(template: Template, all: boolean): Field[] {
  const kinds = all
    ? ['text', 'rows', 'date', 'number', 'choice', 'colour', 'switch']
    : ['text', 'rows', 'date'];
  return template.fields.filter((field) => kinds.includes(field.kind));
}

/**
 * The columns for titles of some templates. One template shows all its fields under their own names; several show
 * their words side by side, under the names that at most two of them have there.
 */
export function columnsFor(templates: readonly Template[]): Column[] {
  const all = templates.length === 1;
  const lists = templates.map((template) => sheetFields(template, all));
  const count = Math.max(1, ...lists.map((list) => list.length));
  const fields = Array.from({ length: count }, (_, at): Column => {
    const labels = [...new Set(lists.flatMap((list) => list[at]?.label ?? []))];
    const label = labels.length <= 2 ? labels.join(' / ') : at === 0 ? 'Text' : `Line ${at + 1}`;
    return { kind: 'field', id: `field ${at}`, label, at, all };
  });
  return [...TIME_COLUMNS, ...fields];
}

/** The field that a column shows for a template; undefined where it has none there. */
export function fieldOf(template: Template | undefined, column: Column): Field | undefined {
  if (template === undefined || column.kind !== 'field') return undefined;
  return sheetFields(template, column.all)[column.at];
}

/** What a cell says. */
export function cellText(title: Title, column: Column, context: CellContext): string {
  const template = context.templateOf(title.editionId);
  switch (column.kind) {
    case 'in':
      return frameToTimecode(title.startFrame, context.clock);
    case 'lasts':
      return lengthToTimecode(title.lengthFrames, context.clock);
    case 'template':
      return template?.name ?? '';
    case 'field': {
      const field = fieldOf(template, column);
      if (field === undefined || template === undefined) return '';
      return fieldText(field, context.shownValues(title)[field.id] ?? airValue(template, field));
    }
  }
}

/** A value as a sheet writes it: a choice by its label, a picture by its name, a switch as yes or no. */
export function fieldText(field: Field, value: FieldValue, pictures = NO_PICTURES): string {
  if (field.kind === 'choice')
    return field.limits.choices?.find((choice) => choice.value === value)?.label ?? String(value);
  if (field.kind === 'switch') return value === true ? 'yes' : 'no';
  if (field.kind === 'picture') return pictures.nameOf(String(value)) ?? String(value);
  return String(value);
}

/** The title with a cell typed into. Throws InputError for what cannot be there. */
export function withCell(title: Title, column: Column, typed: string, context: CellContext): Title {
  const template = context.templateOf(title.editionId);
  switch (column.kind) {
    case 'in':
      return { ...title, startFrame: timecodeToFrame(typed, context.clock, 'In') };
    case 'lasts': {
      const lengthFrames = textToLength(typed, context.clock, 'Duration');
      if (lengthFrames < SHORTEST_FRAMES)
        throw InputError.of('Duration', `at least ${SHORTEST_FRAMES} frames`, typed);
      return { ...title, lengthFrames };
    }
    case 'template': {
      const edition = context.editionNamed(typed);
      if (edition === undefined)
        throw InputError.of('Template', 'the name of a template on the shelf', typed);
      if (template?.name === edition.document.name) return title;
      return swapTitle(title, template, edition, { deliveries: context.deliveries });
    }
    case 'field': {
      const field = fieldOf(template, column);
      if (field === undefined)
        throw InputError.of(column.label, `nothing, "${template?.name}" has no field here`, typed);
      return { ...title, values: { ...title.values, [field.id]: parseField(field, typed) } };
    }
  }
}

/** What was typed for a field, as its value. Throws InputError with what the field takes. */
export function parseField(field: Field, typed: string, pictures = NO_PICTURES): FieldValue {
  const { label, limits } = field;
  const said = typed.trim();
  switch (field.kind) {
    case 'number': {
      const number = Number(said.replace(',', '.'));
      if (said === '' || !Number.isFinite(number)) throw InputError.of(label, 'a number', typed);
      if (number < (limits.min ?? -Infinity) || number > (limits.max ?? Infinity))
        throw InputError.of(label, `a number from ${limits.min} to ${limits.max}`, typed);
      return number;
    }
    case 'choice': {
      const choices = limits.choices ?? [];
      const found = choices.find(
        (choice) => choice.value === said || plainName(choice.label) === plainName(said),
      );
      if (found === undefined)
        throw InputError.of(label, `one of ${choices.map((choice) => choice.label).join(', ')}`, typed);
      return found.value;
    }
    case 'switch': {
      if (/^(yes|y|true|on|1|x)$/i.test(said)) return true;
      if (/^(no|n|false|off|0|)$/i.test(said)) return false;
      throw InputError.of(label, 'yes or no', typed);
    }
    case 'colour': {
      const hex = said.toLowerCase();
      if (!/^#[0-9a-f]{6}$/.test(hex)) throw InputError.of(label, 'a colour such as #10303c', typed);
      return hex;
    }
    case 'picture': {
      if (said === '') return '';
      const [found, ...others] = pictures.find(said);
      if (found === undefined) throw InputError.of(label, 'the name of a picture that is here', typed);
      if (others.length > 0)
        throw InputError.of(label, `a name that one picture has, ${others.length + 1} are called so`, typed);
      return found;
    }
    default: {
      const most = Math.min(limits.maxLength ?? LONGEST_WORDS, LONGEST_WORDS);
      const length = countGraphemes(typed);
      if (length > most) throw InputError.of(label, `at most ${most} characters`, `${length} characters`);
      return typed;
    }
  }
}
