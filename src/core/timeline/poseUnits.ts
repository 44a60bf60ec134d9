import type { TitleTiming } from '../titleTime/stretch';
import { bentUnits } from './bentUnits';
import type { PosedUnit } from './columns';
import type { CompiledLayer } from './compileLayer';
import { swapUnits } from './swapUnits';

// A hair before a frame is that frame.
const DUST_SECONDS = 1e-9;

/** The units of a layer with what is done to them at a time of its own. */
export function poseUnits(layer: CompiledLayer, seconds: number, title: TitleTiming): readonly PosedUnit[] {
  const span = layer.spanAt?.(title);
  if (span === undefined) return poseWithin(layer, seconds, title);
  const { fromSeconds, timing } = span;
  const own = seconds - fromSeconds;
  if (own < -DUST_SECONDS || own >= timing.totalSeconds - DUST_SECONDS) return [];
  return poseWithin(layer, Math.max(0, own), timing);
}

function poseWithin(layer: CompiledLayer, seconds: number, timing: TitleTiming): readonly PosedUnit[] {
  return bentUnits(layer, straightUnits(layer, seconds, timing));
}

function straightUnits(layer: CompiledLayer, seconds: number, timing: TitleTiming): readonly PosedUnit[] {
  const posed = columnUnits(layer, seconds, timing);
  const { animate, counts, swaps } = layer;
  if (animate !== null) {
    // A layer whose content moves by itself has one unit, with the shapes that it has now.
    const shapes = animate(seconds, timing.frameSeconds);
    return posed.map(({ unit, acts }) => ({ unit: { ...unit, shapes }, acts }));
  }
  const counted = counts ? countUnits(layer, posed) : posed;
  return swaps ? swapUnits(counted) : counted;
}

const countedTo = ({ acts }: PosedUnit): number => Math.min(1, ...acts.map(({ pose }) => pose.counted));

/** Units with their numbers as far as they have counted; where only the whole can count, that takes their place. */
function countUnits({ resting }: CompiledLayer, posed: readonly PosedUnit[]): readonly PosedUnit[] {
  if (posed.every((one) => countedTo(one) >= 1)) return posed;
  if (posed.every(({ unit }) => unit.counted !== undefined))
    return posed.map((one) => {
      const { unit, acts } = one;
      const share = countedTo(one);
      return share < 1 ? { unit: { ...unit, ...unit.counted?.(share), cut: unit.cut }, acts } : one;
    });
  const [whole] = resting;
  const share = Math.min(...posed.map(countedTo));
  return whole.unit.counted === undefined
    ? posed
    : [{ unit: whole.unit.counted(share), acts: posed[0].acts }];
}

function columnUnits(layer: CompiledLayer, seconds: number, timing: TitleTiming): readonly PosedUnit[] {
  if (layer.chain !== null) return layer.chain.at(seconds, timing);
  if (layer.pages !== null) return layer.pages.at(seconds, timing);
  if (layer.roll !== null) return layer.roll.at(seconds, timing);
  if (seconds >= timing.outStartSeconds) {
    const share = (seconds - timing.outStartSeconds) / timing.outSeconds;
    return layer.out?.at(share, timing.outSeconds) ?? layer.resting;
  }
  const arriving = layer.arrivals?.at(seconds, timing) ?? null;
  if (arriving !== null) return arriving;
  if (layer.arrivals === null && seconds < timing.inSeconds) {
    const { inSeconds, totalSeconds, totalFrames } = timing;
    const frameSeconds = totalSeconds / totalFrames;
    return layer.in?.at(seconds / inSeconds, inSeconds, frameSeconds / inSeconds) ?? layer.resting;
  }
  const held = timing.outStartSeconds - timing.inSeconds;
  return layer.hold?.at(seconds - timing.inSeconds, held) ?? layer.resting;
}
