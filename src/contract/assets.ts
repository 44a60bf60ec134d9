/** A picture that is kept, without its bytes. */
export interface AssetFacts {
  readonly id: string;
  readonly name: string;
  readonly mediaType: string;
  /** SHA-256 of its bytes, in hexadecimal. */
  readonly hash: string;
  readonly widthPx: number;
  readonly heightPx: number;
}
