import type { Face } from '@/core/faces/faces';
import type { ScriptFallback } from '@/core/faces/fallback';
import type { JobContent } from '@/db/schema';
import type { PictureKind, Shades } from '@/core/outputs/output';
import type { FrameRingMemory } from './frameRing';
import type { Pixels } from './pictures/picture';

/** Faces that do not ship, with their files by the names that they are known by. */
interface OwnFonts {
  readonly faces: readonly Face[];
  readonly files: ReadonlyMap<string, Uint8Array>;
}

/** What a render worker is asked to do: the frames of one title, or of a whole programme. */
export interface RenderTask {
  readonly content: JobContent;
  readonly format: string;
  readonly rate: string;
  readonly language?: string;
  /** Whether the delivery's frames are two fields each. */
  readonly interlaced?: boolean;
  readonly frames: PictureKind | 'rgba';
  readonly shades: Shades;
  readonly limited?: boolean;
  readonly studio?: boolean;
  /** The files of the pictures that it shows, by asset id. */
  readonly pictures: ReadonlyMap<string, Uint8Array>;
  /** The House's own faces that it is set in, with their files; left out for none. */
  readonly own?: OwnFonts;
  /** What the House says of letters that a face lacks; left out for the usual order. */
  readonly fallbacks?: readonly ScriptFallback[];
  /** Where the videos lie that are seen under it, by id. */
  readonly videos: ReadonlyMap<string, string>;
  /** Whether the project's timecode drops numbers. */
  readonly drop?: boolean;
  /** The keys of pictures that need not be painted; left out where keys are not asked for. */
  readonly known?: ReadonlySet<string>;
  readonly ring: FrameRingMemory;
}

/** A picture that stands for `repeats` frames from `first` on. */
export interface RenderedFrame {
  readonly type: 'frame';
  readonly slot: number;
  readonly byteLength: number;
  readonly first: number;
  readonly repeats: number;
  /** What it is known by, where that is asked for. */
  readonly key: string | null;
}

/** What a worker says. `reference` is a frame as it was painted, to compare with the finished file; with a picture of it where it stands for the file. */
export type WorkerMessage =
  | RenderedFrame
  /** A picture that was known and is not painted. */
  | { readonly type: 'known'; readonly key: string; readonly repeats: number }
  | {
      readonly type: 'reference';
      readonly frame: number;
      /** RGBA as the file has it. */
      readonly pixels: Pixels;
      readonly png: Uint8Array | null;
    }
  | { readonly type: 'done' }
  | { readonly type: 'failed'; readonly message: string };
