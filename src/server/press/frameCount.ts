/** How far a title is: how many of its frames are there, and how many pictures were painted for them. */
export interface CountedFrames {
  readonly doneFrames: number;
  readonly paintedFrames: number;
}

// Progress is saved and told this often, not for each frame; less often where others share the database.
const REPORT_EVERY_MS = { alone: 250, shared: 1000 };

/** Counts the frames of a title, and says so from time to time. */
export class FrameCount {
  counted: CountedFrames = { doneFrames: 0, paintedFrames: 0 };
  private toldAt = 0;
  private readonly everyMs: number;

  constructor(
    isShared: boolean,
    private readonly report: (counted: CountedFrames) => Promise<void>,
  ) {
    this.everyMs = isShared ? REPORT_EVERY_MS.shared : REPORT_EVERY_MS.alone;
  }

  /** Counts a picture that stands for so many frames, and whether it had to be painted. */
  add(frames: number, isPainted: boolean): void {
    const { doneFrames, paintedFrames } = this.counted;
    this.counted = { doneFrames: doneFrames + frames, paintedFrames: paintedFrames + (isPainted ? 1 : 0) };
    if (Date.now() - this.toldAt < this.everyMs) return;
    this.toldAt = Date.now();
    // What could not be said now is said with the next one.
    void this.report(this.counted).catch(() => undefined);
  }
}
