import type { FaceFacts } from '@/core/faces/faceFile';

/** A font file to be checked, as it goes to the process that opens it. */
export interface FaceTask {
  readonly bytes: Uint8Array;
}

/** A font that a text can be set in, as a plain TrueType or OpenType file. */
export interface OpenedFace {
  readonly facts: FaceFacts;
  readonly bytes: Uint8Array;
}
