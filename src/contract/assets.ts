/** A picture that is kept, without its bytes. */
export interface AssetFacts {
  readonly id: string;
  readonly name: string;
  readonly mediaType: string;
  /** SHA-256 of its bytes, in hexadecimal. */
  readonly hash: string;
  readonly widthPx: number;
  readonly heightPx: number;
  /** The size that the file said it has; a drawing is kept with more pixels than that. */
  readonly ownWidth: number;
  readonly ownHeight: number;
}

/** A picture that was just taken in, and what was done to it that a designer should know. */
export interface TakenPicture extends AssetFacts {
  /** Whether the same picture was not kept already. */
  readonly isNew: boolean;
  readonly notes: readonly string[];
}

/** What was kept of a file that was sent: its size and the SHA-256 of its bytes in hexadecimal. */
export interface ReceivedFacts {
  readonly bytes: number;
  readonly sha256: string;
}
