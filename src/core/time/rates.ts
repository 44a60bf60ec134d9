import { createRegistry } from '../kit/registry';

/** A frame rate as an exact fraction of frames per second. */
export interface FrameRate {
  readonly id: string;
  readonly label: string;
  readonly numerator: number;
  readonly denominator: number;
  /** Whole frames that timecode counts in a second. */
  readonly nominal: number;
  /** Frame numbers that drop-frame timecode skips each minute save each tenth; 0 where there is none. */
  readonly dropPerMinute: number;
}

const whole = (id: string, fps: number): FrameRate => ({
  id,
  label: `${fps}`,
  numerator: fps,
  denominator: 1,
  nominal: fps,
  dropPerMinute: 0,
});

const fractional = (id: string, label: string, nominal: number, dropPerMinute: number): FrameRate => ({
  id,
  label,
  numerator: nominal * 1000,
  denominator: 1001,
  nominal,
  dropPerMinute,
});

/** Every supported rate. Drop frame exists for 29.97 and 59.94 only (SMPTE ST 12-1). */
export const RATES = createRegistry('frame rate', [
  fractional('23.976', '23.976', 24, 0),
  whole('24', 24),
  whole('25', 25),
  fractional('29.97', '29.97', 30, 2),
  whole('30', 30),
  whole('50', 50),
  fractional('59.94', '59.94', 60, 4),
  whole('60', 60),
]);

// A frame that starts a rounding error late still counts; far below the length of any frame.
const EPSILON_FRAMES = 1e-6;

/** The frame that is on screen at a time: floor(t × rate + ε). Negative times give negative frames. */
export function secondsToFrame(seconds: number, rate: FrameRate): number {
  return Math.floor((seconds * rate.numerator) / rate.denominator + EPSILON_FRAMES);
}

/** The number of frames nearest to a length in seconds. */
export function secondsToNearestFrames(seconds: number, rate: FrameRate): number {
  return Math.round((seconds * rate.numerator) / rate.denominator);
}

/** The time at which a frame starts, in seconds. */
export function frameToSeconds(frame: number, rate: FrameRate): number {
  return (frame * rate.denominator) / rate.numerator;
}

/** The shortest that a title can last: one frame to come in, one to go out. */
export const SHORTEST_FRAMES = 2;
