import type { RollWay } from '../credits/rollWays';
import type { CardFacts } from '../layers/layerKind';
import type { TitleTiming } from '../titleTime/stretch';
import type { CompiledLayer } from './compileLayer';
import type { RollPlan } from './roll';

/** A card of credits with its time, in seconds from the title's start. */
export interface TimedCard extends CardFacts {
  readonly from: number;
  readonly to: number;
}

/** What a title's credits do in a format. */
export interface CompiledCredits {
  /** How they go by in a title of some length; null for cards. */
  rollAt(timing: TitleTiming): RollPlan | null;
  /** The ways in which they could meet that length; empty for cards. */
  rollWays(timing: TitleTiming): readonly RollWay[];
  /** Their cards; empty for a roll. */
  cardsAt(timing: TitleTiming): readonly TimedCard[];
  /** When a row is in the middle of its window, or its card half way through its time; null for one that is not shown. */
  secondsOf(rowId: string, timing: TitleTiming): number | null;
  /** The heights of pictures in rows. */
  readonly pictureHeightsU: readonly number[];
  /** How many of the pictures beside them have room. */
  readonly besideCount: number;
}

/** What the credits among some layers do; null where there are none. */
export function compiledCredits(layers: readonly CompiledLayer[]): CompiledCredits | null {
  const layer = layers.find((one) => one.layer.kind === 'credits');
  const credits = layer?.measured.credits;
  if (layer === undefined || credits === undefined) return null;
  const { roll, chain, box } = layer;
  const cardsAt = (timing: TitleTiming): readonly TimedCard[] => {
    if (chain === null) return [];
    return chain.links(timing).map(({ row, from, to }) => ({ ...credits.cards[row], from, to }));
  };
  return {
    rollAt: (timing) => roll?.plan(timing) ?? null,
    rollWays: (timing) => roll?.ways(timing) ?? [],
    cardsAt,
    secondsOf(rowId, timing) {
      const frame = roll?.frameOf(rowId, timing) ?? null;
      if (roll !== null) return frame === null ? null : frame * timing.frameSeconds;
      const card = cardsAt(timing).find(({ rowIds }) => rowIds.includes(rowId));
      return card === undefined ? null : (card.from + card.to) / 2;
    },
    pictureHeightsU: credits.pictureHeightsU,
    besideCount: credits.besideCount(box),
  };
}
