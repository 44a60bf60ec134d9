/** Why a file is not taken: the parts of an InputError but its place. */
export interface FileRefusal {
  readonly expected: string;
  readonly got: string;
  readonly advice: string;
}

/** What a process that opens files answers. */
export type Opened<T> =
  { readonly type: 'opened'; readonly file: T } | { readonly type: 'refused'; readonly refusal: FileRefusal };

/** Thrown inside such a process for a file that is not taken. */
export class RefusedFile extends Error {
  override readonly name = 'RefusedFile';

  constructor(readonly refusal: FileRefusal) {
    super(refusal.expected);
  }

  static of(expected: string, got: string, advice = 'Export it again.'): RefusedFile {
    return new RefusedFile({ expected, got, advice });
  }
}
