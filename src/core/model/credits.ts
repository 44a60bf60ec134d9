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

/** How roles and names stand to one another. */
export const CREDIT_PAIRS = ['gutter', 'stacked'] as const;
/** The ways that a roll goes. */
export const ROLL_WAYS = ['up', 'down', 'left', 'right'] as const;

/** Credits that roll. */
export interface RollSetting {
  readonly way: (typeof ROLL_WAYS)[number];
  /** `off`: until all is out of the picture; `stays`: until the last block stands in the middle. */
  readonly ends: 'off' | 'stays';
  /** How long the last block stands before the title goes. */
  readonly staysSeconds: number;
  /** How long it takes to slow down to that; left out for none. */
  readonly slowsSeconds?: number;
  /** Whether it goes whole lines a frame, or a field; else it meets its length by parts of a pixel. */
  readonly wholeLines: boolean;
  /** How far gaps may be changed to meet a length, as shares of the designed ones. */
  readonly leastSpacing: number;
  readonly mostSpacing: number;
  /** How far the size may be. */
  readonly leastSize: number;
  readonly mostSize: number;
  /** Rows come and go softly over this part of the window's length at either end. */
  readonly softShare: number;
}

/** Credits that are pages following one another. */
export interface CardsSetting {
  /** One length for all, or by the reading time of each. */
  readonly rhythm: 'even' | 'reading';
  /** 0: the next comes when the one before has gone; 1: as it goes. */
  readonly overlap: number;
  /** Whether a heading is said again on the next card when its rows go on there. */
  readonly repeatsHeading: boolean;
}
