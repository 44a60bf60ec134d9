/** A write was made from a state that is no longer the newest. Nothing was changed; the newer state comes along. */
export class StaleWriteError extends Error {
  override readonly name = 'StaleWriteError';

  constructor(
    readonly what: string,
    /** null when it was deleted. */
    readonly newer: object | null,
  ) {
    super(
      newer === null
        ? `This ${what} was deleted elsewhere, so the change was not saved.`
        : `This ${what} was changed elsewhere since you loaded it, so the change was not saved over it.`,
    );
  }
}
