import { seededShare } from './seeded';

/**
 * A number between -1 and 1 for a place, the same every time, that changes smoothly from place to place and has about
 * one hill or hollow in each unit cube. (Value noise on a lattice: Ebert and others, Texturing and Modeling, 2003.)
 */
export function smoothNoise(seed: number, x: number, y: number, z: number): number {
  const [x0, y0, z0] = [Math.floor(x), Math.floor(y), Math.floor(z)];
  const [u, v, w] = [fade(x - x0), fade(y - y0), fade(z - z0)];
  const corner = (dx: number, dy: number, dz: number): number =>
    seededShare(
      seed,
      Math.imul(x0 + dx, 73_856_093) ^ Math.imul(y0 + dy, 19_349_663) ^ Math.imul(z0 + dz, 83_492_791),
    );
  const edge = (dy: number, dz: number): number => mix(corner(0, dy, dz), corner(1, dy, dz), u);
  const face = (dz: number): number => mix(edge(0, dz), edge(1, dz), v);
  return 2 * mix(face(0), face(1), w) - 1;
}

const fade = (t: number): number => t * t * t * (t * (t * 6 - 15) + 10);
const mix = (a: number, b: number, t: number): number => a + (b - a) * t;
