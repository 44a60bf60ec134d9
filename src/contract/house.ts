import type { House } from '../core/model/house';

/** The house style as it is kept; revision 0 while nobody has changed it. */
export interface HouseRecord {
  readonly document: House;
  readonly revision: number;
}
