import type { CanvasSink, WrappedCanvas } from 'mediabunny';
import type { VideoFrameImage } from './videoStore';

// Further ahead than this the file is read from a key frame on anew.
const IN_TURN_SECONDS = 1;

/**
 * The frames of a video, one by one on request. Asked for forwards, as in playing, they are decoded one after another;
 * a jump decodes from the key frame before it.
 */
export class FramesInTurn {
  private turn: Promise<unknown> = Promise.resolve();
  private asked = Infinity;
  private frames: AsyncGenerator<WrappedCanvas, void, unknown> | null = null;
  private now: WrappedCanvas | null = null;
  private next: WrappedCanvas | null = null;

  constructor(private readonly sink: CanvasSink) {}

  /** The frame that is on screen at a time; null before the first. Requests are met in their order. */
  at(seconds: number): Promise<VideoFrameImage | null> {
    const found = this.turn.then(() => this.find(seconds));
    this.turn = found.catch(() => this.stop());
    return found;
  }

  private async find(seconds: number): Promise<VideoFrameImage | null> {
    const ahead = seconds - this.asked;
    this.asked = seconds;
    if (ahead < 0 || ahead > IN_TURN_SECONDS) {
      await this.stop();
      return (await this.sink.getCanvas(seconds))?.canvas ?? null;
    }
    if (this.frames === null) {
      this.frames = this.sink.canvases(seconds);
      this.next = await this.take();
    }
    while (this.next !== null && this.next.timestamp <= seconds) {
      this.now = this.next;
      this.next = await this.take();
    }
    return this.now?.canvas ?? null;
  }

  private async take(): Promise<WrappedCanvas | null> {
    return (await this.frames?.next())?.value ?? null;
  }

  private async stop(): Promise<void> {
    const { frames } = this;
    [this.frames, this.now, this.next] = [null, null, null];
    await frames?.return();
  }
}
