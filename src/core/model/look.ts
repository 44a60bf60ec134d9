import { mixColours } from '../colour/mixStops';
import type { GradientStop, HexColour } from '../display/list';

/** Colours that run into one another across a layer, in place of its plain fill. Mixed in OKLab. */
export interface Gradient {
  readonly shape: 'linear' | 'radial' | 'conic';
  /** Linear: the direction it runs in, clockwise from the right. Conic: where it starts. */
  readonly angleDegrees: number;
  /** Two or more, in order. */
  readonly stops: readonly GradientStop[];
}

/** A line along the edge of everything that a layer draws. */
export interface EdgeLine {
  readonly side: 'inside' | 'centre' | 'outside';
  readonly widthU: number;
  readonly colour: HexColour;
  readonly opacity: number;
}

/** A shadow thrown behind a layer, or by its edge into it. */
export interface Shadow {
  readonly kind: 'drop' | 'inner';
  /** Clockwise from the right: 90 falls straight down. */
  readonly angleDegrees: number;
  readonly distanceU: number;
  /** The width over which its edge fades. */
  readonly softnessU: number;
  /** How far it stands out beyond the shape before it is softened. */
  readonly spreadU: number;
  readonly colour: HexColour;
  readonly opacity: number;
}

/** Light round a layer. */
export interface Glow {
  readonly sizeU: number;
  readonly colour: HexColour;
  readonly opacity: number;
}

/** The layer upside down below itself, fading away. */
export interface Reflection {
  readonly distanceU: number;
  readonly opacity: number;
  /** The share of the layer's height after which nothing is left of it. */
  readonly fade: number;
}

/** Depth behind a layer's shapes, as if they were cut from a board, and edges that catch the light. */
export interface Solid {
  readonly depthU: number;
  /** Where the depth goes, clockwise from the right. */
  readonly angleDegrees: number;
  readonly colour: HexColour;
  /** How wide the lit and the shaded edge are; 0 for none. */
  readonly bevelU: number;
}

/** How a layer is coloured and edged beyond its plain fill. What comes first in a list lies nearest the viewer. */
export interface Look {
  readonly gradient: Gradient | null;
  /** A picture that fills the shape, by asset id. */
  readonly picture: string | null;
  readonly outlines: readonly EdgeLine[];
  readonly shadows: readonly Shadow[];
  readonly glow: Glow | null;
  readonly solid: Solid | null;
  readonly blurAcrossU: number;
  readonly blurDownU: number;
  readonly reflection: Reflection | null;
}

/** Nothing but the plain fill. */
export const PLAIN_LOOK: Look = {
  gradient: null,
  picture: null,
  outlines: [],
  shadows: [],
  glow: null,
  solid: null,
  blurAcrossU: 0,
  blurDownU: 0,
  reflection: null,
};

/** A shadow as it is first put on: straight down, soft. */
export const FIRST_SHADOW: Shadow = {
  kind: 'drop',
  angleDegrees: 90,
  distanceU: 4,
  softnessU: 20,
  spreadU: 0,
  colour: '#000000',
  opacity: 0.6,
};

/** Depth as it is first put on: down to the right, in the dark. */
export const FIRST_SOLID: Solid = { depthU: 14, angleDegrees: 45, colour: '#10303c', bevelU: 2 };

/** An outline as it is first put on. */
export const FIRST_OUTLINE: EdgeLine = { side: 'outside', widthU: 4, colour: '#10303c', opacity: 1 };

/** A gradient as it is first put on: from a colour down into a darker one. */
export function firstGradient(colour: HexColour): Gradient {
  return {
    shape: 'linear',
    angleDegrees: 90,
    stops: [
      { at: 0, colour, opacity: 1 },
      { at: 1, colour: mixColours(colour, '#10303c', 0.5), opacity: 1 },
    ],
  };
}
