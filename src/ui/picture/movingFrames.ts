import type { OpenVideo, VideoFrameImage } from './videoStore';

// Times in files are rounded, so a frame is asked for a little after it begins.
const WITHIN_SECONDS = 0.004;
// A video may be seen at several moments at once.
const MOST_FRAMES = 8;
// What is asked for while others are decoded; older wishes are let go of, so that playing does not fall behind.
const MOST_WANTED = 2;

/** The frames of a video that were decoded last, and the next that are wanted. */
export class MovingFrames {
  /** By their moments, from the oldest on. */
  private readonly frames: Map<number, VideoFrameImage>;
  private wanted: readonly number[] = [];
  private busy = false;

  /** `first`: its first frame. `onDecoded` is told of each frame that was asked for and came. */
  constructor(
    private readonly video: OpenVideo,
    first: VideoFrameImage,
    private readonly onDecoded: () => void,
  ) {
    this.frames = new Map([[0, first]]);
  }

  /** The frame at a moment; until that is decoded, the nearest that is here. */
  at(seconds: number): VideoFrameImage | null {
    const known = this.frames.get(seconds);
    if (known !== undefined) return known;
    this.wanted = [...this.wanted.filter((one) => one !== seconds), seconds].slice(-MOST_WANTED);
    if (!this.busy) void this.decodeWanted();
    return this.nearest(seconds);
  }

  /** Waits until the frame at a moment is decoded. */
  async ready(seconds: number): Promise<void> {
    if (!this.frames.has(seconds)) await this.decode(seconds);
  }

  private async decodeWanted(): Promise<void> {
    this.busy = true;
    while (this.wanted.length > 0) {
      const [seconds, ...rest] = this.wanted;
      this.wanted = rest;
      await this.decode(seconds);
      this.onDecoded();
    }
    this.busy = false;
  }

  private async decode(seconds: number): Promise<void> {
    const { video, frames } = this;
    // After its end it goes on with its last frame.
    const last = Math.max(0, video.seconds - 0.5 / Math.max(1, video.framesPerSecond));
    const image = await video.frameAt(Math.min(seconds + WITHIN_SECONDS, last)).catch(() => null);
    // One that cannot be decoded is not asked for again and again.
    const shown = image ?? this.nearest(seconds);
    if (shown !== null) frames.set(seconds, shown);
    const [oldest] = frames.keys();
    if (frames.size > MOST_FRAMES) frames.delete(oldest);
  }

  private nearest(seconds: number): VideoFrameImage | null {
    const far = (moment: number): number => Math.abs(moment - seconds);
    const [moment] = [...this.frames.keys()].sort((a, b) => far(a) - far(b));
    return this.frames.get(moment) ?? null;
  }
}
