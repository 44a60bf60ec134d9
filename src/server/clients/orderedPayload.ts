import type { RenderOrder } from '@/contract/clients';
import { InputError } from '@/core/kit/inputError';
import { findAssets } from '@/db/assets';
import type { Db } from '@/db/open';
import type { JobPayload } from '@/db/schema';
import { readEditions } from '@/db/templates';
import { ffmpegEncoders } from '../press/ffmpeg';
import { withHouseFaces } from '../press/facesOf';
import { renderPayload } from './renderPayload';

/** What the press needs for an order of a template with words. Throws InputError with everything that is wrong with it. */
export async function orderedPayload(db: Db, order: RenderOrder): Promise<JobPayload> {
  const [edition] = await readEditions(db, [order.edition]);
  if (edition === undefined) throw InputError.of('Order, edition', 'an edition that exists', order.edition);
  const ids = Object.values(order.values).filter((value) => typeof value === 'string' && value.length <= 64);
  const here = new Set((await findAssets(db, ids.map(String))).map(({ id }) => id));
  const hasPicture = (id: string): boolean => here.has(id);
  return withHouseFaces(db, renderPayload(order, { edition, encoders: ffmpegEncoders(), hasPicture }));
}
