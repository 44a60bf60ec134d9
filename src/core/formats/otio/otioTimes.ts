import type { FrameRate } from '../../time/rates';

/** What a timeline's times are written as, all in frames of one rate. */
export interface OtioTimes {
  moment(frame: number): object;
  span(startFrame: number, lengthFrames: number): object;
  /** Nothing, for so many frames. */
  gap(lengthFrames: number): object;
}

/** Times of OpenTimelineIO (RationalTime.1, TimeRange.1, Gap.1) at a rate. */
export function otioTimes({ numerator, denominator }: FrameRate): OtioTimes {
  const rate = numerator / denominator;
  const moment = (value: number): object => ({ OTIO_SCHEMA: 'RationalTime.1', rate, value });
  const span = (start: number, length: number): object => ({
    OTIO_SCHEMA: 'TimeRange.1',
    start_time: moment(start),
    duration: moment(length),
  });
  return {
    moment,
    span,
    gap: (length) => ({ OTIO_SCHEMA: 'Gap.1', name: '', source_range: span(0, length) }),
  };
}
