import * as yup from 'yup';
import { exactly, id, number, numberOrNull, oneOfShapes, text, variant, word } from './schemaParts';

/** What a row of credits can be, in the order in which kinds are offered. */
export const CREDIT_KINDS = ['heading', 'role', 'name', 'paragraph', 'pictures', 'gap', 'beside'] as const;
export type CreditKind = (typeof CREDIT_KINDS)[number];

/** One row of credits. Rows are told apart by their ids, so that two may read alike. */
export type CreditRow =
  | { readonly id: string; readonly kind: 'heading'; readonly name: string }
  /** Of several names of one role, the first says the role and the others leave it empty. */
  | { readonly id: string; readonly kind: 'role'; readonly role: string; readonly name: string }
  /** Names that follow one another are set in columns. */
  | { readonly id: string; readonly kind: 'name'; readonly name: string }
  | { readonly id: string; readonly kind: 'paragraph'; readonly name: string }
  /** Pictures side by side. */
  | { readonly id: string; readonly kind: 'pictures'; readonly assets: readonly string[] }
  /** So many empty lines. */
  | { readonly id: string; readonly kind: 'gap'; readonly lines: number }
  /** A picture next to the credits, from when this row comes into the picture, or from a moment of the title. */
  | {
      readonly id: string;
      readonly kind: 'beside';
      readonly asset: string;
      readonly side: 'left' | 'right';
      /** From the title's start; null for when the row comes. */
      readonly atSeconds: number | null;
      /** How long it stands; null for as long as its row is seen. */
      readonly forSeconds: number | null;
    };

/** How a roll was asked to meet its length; what is null is left to the solver. */
export interface RollWish {
  /** How far it goes in a frame of the project's rate, in design units; null for the best. */
  readonly speedU: number | null;
  /** The size that it is set in, as a share of the designed one; null for the best. */
  readonly size: number | null;
}

/** What a title says of its credits. */
export interface Credits {
  readonly rows: readonly CreditRow[];
  readonly wish: RollWish;
}

/** Credits in which nothing is typed yet. */
export const NO_CREDITS: Credits = { rows: [], wish: { speedU: null, size: null } };

/** The most rows of one title's credits, pictures of a row, and letters of a cell. */
export const MOST_CREDIT_ROWS = 5000;
export const MOST_CREDIT_PICTURES = 12;
export const LONGEST_CREDIT = 2000;

const name = text(LONGEST_CREDIT);
const asset = text(64);
const variants: Readonly<Record<CreditKind, yup.Schema>> = {
  heading: variant({ id, name }),
  role: variant({ id, role: text(LONGEST_CREDIT), name }),
  name: variant({ id, name }),
  paragraph: variant({ id, name }),
  pictures: variant({
    id,
    assets: yup.array().of(asset.required()).required().max(MOST_CREDIT_PICTURES),
  }),
  gap: variant({ id, lines: number(0, 100) }),
  beside: variant({
    id,
    asset,
    side: word(['left', 'right']),
    atSeconds: numberOrNull(0, 24 * 60 * 60),
    forSeconds: numberOrNull(0.1, 60 * 60),
  }),
};

/** Rows of credits from outside. */
export const creditRowsSchema = yup
  .array()
  .of(oneOfShapes('kind', variants))
  .required()
  .max(MOST_CREDIT_ROWS)
  .test(
    'ids',
    'rows with an id each',
    (rows: readonly unknown[]) => new Set(rows.map(idOf)).size === rows.length,
  );

const idOf = (row: unknown): unknown =>
  typeof row === 'object' && row !== null ? Reflect.get(row, 'id') : undefined;

/** What a title says of its credits, from outside. */
export const creditsSchema = exactly({
  rows: creditRowsSchema,
  wish: exactly({ speedU: numberOrNull(0.01, 500), size: numberOrNull(0.1, 4) }),
});

/** What credits have to keep to. */
export interface CreditRules {
  /** How long a line of a roll is seen, at least. */
  readonly lineSeconds: number;
  /** The least height of a picture that stands in for a name, as a share of the picture's height. */
  readonly pictureShare: number;
  /** What has to be said somewhere in them. */
  readonly required: readonly string[];
}

/** Practice: a line is seen for three seconds, and a mark is no lower than a twentieth of the picture. */
export const FIRST_CREDITS: CreditRules = { lineSeconds: 3, pictureShare: 0.05, required: [] };

export const creditRulesSchema = exactly({
  lineSeconds: number(0.5, 30),
  pictureShare: number(0.005, 0.5),
  required: yup.array().of(yup.string().required().min(1).max(200)).required().max(60),
});

/** The words of a row, cells on lines of their own; empty for one that shows none. */
export function creditWords(row: CreditRow): string {
  switch (row.kind) {
    case 'role':
      return row.role === '' ? row.name : `${row.role}\n${row.name}`;
    case 'heading':
    case 'name':
    case 'paragraph':
      return row.name;
    case 'pictures':
    case 'gap':
    case 'beside':
      return '';
  }
}

/** The ids of the pictures that rows show. */
export function creditPictures(rows: readonly CreditRow[]): string[] {
  const all = rows.flatMap((row) =>
    row.kind === 'pictures' ? row.assets : row.kind === 'beside' ? [row.asset] : [],
  );
  return [...new Set(all)].filter((one) => one !== '');
}
