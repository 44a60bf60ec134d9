import * as yup from 'yup';
import type { House } from '../core/model/house';
import { houseSchema } from '../core/model/house';
import type { TypeOf } from './schema';
import { documentOf, whole } from './schema';

/** The house style as it is kept; revision 0 while nobody has changed it. */
export const houseRecordSchema = yup.object({ document: documentOf<House>(houseSchema), revision: whole() });
export type HouseRecord = TypeOf<typeof houseRecordSchema>;
