import type * as yup from 'yup';

/** One thing that can be asked of the server. */
export interface Operation {
  readonly method: 'get' | 'head' | 'post' | 'put' | 'patch' | 'delete' | 'options';
  /** Under /api, with names in braces for the parts that change. */
  readonly path: string;
  readonly says: string;
  readonly query?: Readonly<Record<string, string>>;
  /** What is sent along: a JSON body, or a file as it is. */
  readonly body?: yup.Schema | 'file';
  /** What comes back: JSON, or the media type of anything else; null for nothing. */
  readonly answer: yup.Schema | string | null;
  readonly status?: number;
  /** The refusals that belong to it, beside those that every request may get. */
  readonly refusals?: readonly number[];
  /** Whether it needs the key of a client. */
  readonly byKey?: boolean;
}
