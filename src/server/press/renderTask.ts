import type { Edge, Scrim, Shift, Title } from '@/core/model/project';
import type { FieldValues, Template } from '@/core/model/template';
import type { FrameRingMemory } from './frameRing';

/** What a render worker is asked to do: the frames of one title. */
export interface RenderTask {
  readonly document: Template;
  readonly values: FieldValues;
  readonly format: string;
  readonly rate: string;
  readonly language?: string;
  readonly lengthFrames: number;
  readonly shift?: Shift | null;
  readonly scrim?: Scrim | null;
  readonly edge?: Edge | null;
  readonly moments?: Title['moments'];
  readonly fadeInFrames?: number;
  readonly fadeOutFrames?: number;
  /** Only this frame; all of them when null. */
  readonly onlyFrame: number | null;
  readonly frames: 'png' | 'rgba';
  /** The files of the pictures that it shows, by asset id. */
  readonly pictures: ReadonlyMap<string, Uint8Array>;
  readonly ring: FrameRingMemory;
}

/** A picture that stands for `repeats` frames from `first` on. */
export interface RenderedFrame {
  readonly type: 'frame';
  readonly slot: number;
  readonly byteLength: number;
  readonly first: number;
  readonly repeats: number;
}

/** What a worker says. `reference` is one frame: its alpha to compare with the finished file, and a picture of it. */
export type WorkerMessage =
  | RenderedFrame
  | {
      readonly type: 'reference';
      readonly frame: number;
      readonly alpha: Uint8Array;
      readonly png: Uint8Array;
    }
  | { readonly type: 'done' }
  | { readonly type: 'failed'; readonly message: string };
