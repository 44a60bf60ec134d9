/**
 * What can be moved of a unit, at rest, to be changed. Lengths are design units, angles degrees. Written out as one
 * object: those are several times faster to make than copies, and every letter of every frame needs one.
 */
export function restPose() {
  return {
    xU: 0,
    yU: 0,
    scaleX: 1,
    scaleY: 1,
    /** About the level, the upright and the viewing axis. */
    turnX: 0,
    turnY: 0,
    turnZ: 0,
    /** How far upright strokes lean to the left. */
    skewX: 0,
    opacity: 1,
    blurXU: 0,
    blurYU: 0,
    /** How far the unit has the move's colour instead of its own. */
    tint: 0,
    /** How dark it is: at 1 it is black as far as it is opaque. */
    shade: 0,
    /** How much of the unit the move's mask shows. */
    shown: 1,
    /** How much of the unit's outline is drawn; at 1 the unit is filled. */
    drawn: 1,
    /** How far a band of light has gone over the layer; it is not seen at 0 and 1. */
    light: 1,
    /** How far a block has gone over the unit: at 0 neither is there, at 1 the block is gone. */
    block: 1,
    /** How far the numbers in a text have been counted. */
    counted: 1,
    /** How far it has settled on its own shapes; before that it shows those of other units. */
    settled: 1,
    /** How far to its right and left it shows itself in the two colours of the move's fringes. */
    fringeU: 0,
  };
}

export type PoseProperty = keyof ReturnType<typeof restPose>;

/** Where a unit is on its way, measured against its place at rest. */
export type Pose = Readonly<Record<PoseProperty, number>>;

export const REST: Pose = restPose();
