import { createHash, randomBytes } from 'node:crypto';
import { nanoid } from 'nanoid';
import type {
  ClientFacts,
  ClientTemplate,
  ClientTemplateFields,
  MadeClient,
  RenderOrder,
  RenderState,
} from '@/contract/clients';
import { newClientSchema, renderOrderSchema } from '@/contract/clients';
import { figureOf } from '@/core/colour/houseColour';
import { InputError } from '@/core/kit/inputError';
import { checkValue } from '@/core/model/check';
import { findCallback } from '@/db/callbacks';
import { insertClient, listClients, withdrawClient } from '@/db/clients';
import { findByClientKey, findClientJob } from '@/db/jobs';
import { listShelf, readEditions } from '@/db/templates';
import { checkCallback } from '../clients/callBacks';
import { orderedPayload } from '../clients/orderedPayload';
import { hashKey } from '../clients/respondToClient';
import { stateOf } from '../clients/stateOf';
import { ConflictError, NotFoundError, readId } from '../respond';
import { workshop } from '../workshop';

/** The systems that may order, the newest first. */
export async function getClients(): Promise<ClientFacts[]> {
  return listClients((await workshop()).db);
}

/** Makes a key for a system; it is told this once and kept as a hash only. Throws InputError. */
export async function makeClient(body: unknown): Promise<MadeClient> {
  const { name } = checkValue<{ readonly name: string }>(newClientSchema, body, 'Client');
  const key = `gld_${randomBytes(30).toString('base64url')}`;
  const id = nanoid(12);
  const { db } = await workshop();
  await insertClient(db, { id, name, keyHash: hashKey(key), keyStart: key.slice(0, 8) });
  return { id, key };
}

/** Withdraws a key: nothing can be asked with it any more. Throws NotFoundError. */
export async function withdraw(id: string): Promise<void> {
  const { db } = await workshop();
  if (!(await withdrawClient(db, readId(id, 'client'))))
    throw new NotFoundError(`There is no client "${id}" with a key in force.`);
}

/** The released templates on the shelf. */
export async function clientTemplates(): Promise<ClientTemplate[]> {
  const { db } = await workshop();
  return (await listShelf(db)).map(
    ({ id, templateId, number, name, kind, formats, inSeconds, holdSeconds, outSeconds }) => ({
      edition: id,
      template: templateId,
      number,
      name,
      kind,
      seconds: inSeconds + holdSeconds + outSeconds,
      formats,
    }),
  );
}

/** A released template with what can be filled into it. Throws NotFoundError. */
export async function clientTemplate(edition: string): Promise<ClientTemplateFields> {
  const { db } = await workshop();
  const [found] = await readEditions(db, [readId(edition, 'edition')]);
  if (found === undefined) throw new NotFoundError(`There is no edition "${edition}".`);
  const { id, templateId, number, document } = found;
  const { name, kind, rate, formats, timing, fields } = document;
  return {
    edition: id,
    template: templateId,
    number,
    name,
    kind,
    rate,
    seconds: timing.inSeconds + timing.holdSeconds + timing.outSeconds,
    formats: [...formats],
    fields: fields.map(({ id: field, label, kind: what, help, required, limits }) => ({
      id: field,
      label,
      kind: what,
      help,
      required,
      maxLength: limits.maxLength,
      choices: limits.choices?.map(({ value }) => figureOf(value)),
    })),
  };
}

/**
 * Takes an order of a client; gives its id. The same order under the same key of the client's own is taken once. Throws
 * InputError, and ConflictError for another order under that key.
 */
export async function orderRender(
  client: ClientFacts,
  body: unknown,
  ownKey: string | null,
): Promise<string> {
  const order = checkValue<RenderOrder>(renderOrderSchema, body, 'Order');
  const clientKey = ownKey === null ? null : checkOwnKey(ownKey);
  const callback = order.callback === undefined ? null : checkCallback(order.callback);
  const { db, press } = await workshop();
  const orderHash = createHash('sha256').update(JSON.stringify(order)).digest('hex');
  const taken = async (): Promise<string | null> => {
    const before = clientKey === null ? undefined : await findByClientKey(db, client.id, clientKey);
    if (before === undefined) return null;
    if (before.orderHash === orderHash) return before.id;
    throw new ConflictError(`Another order was sent under "${clientKey}" before.`);
  };
  const known = await taken();
  if (known !== null) return known;
  const payload = await orderedPayload(db, order);
  try {
    return await press.enqueue(payload, { clientId: client.id, clientKey, orderHash, callback });
  } catch (error) {
    // Sent twice at once: the other one came first.
    const other = await taken();
    if (other !== null) return other;
    throw error;
  }
}

function checkOwnKey(key: string): string {
  if (/^[\x21-\x7e]{1,120}$/.test(key)) return key;
  throw InputError.of('Idempotency-Key', '1 to 120 letters, figures and signs without spaces', key);
}

/** How an order of a client stands. Throws NotFoundError for one that is not its own. */
export async function renderState(client: ClientFacts, id: string): Promise<RenderState> {
  const { db } = await workshop();
  const job = await findClientJob(db, client.id, readId(id, 'render'));
  if (job === undefined) throw new NotFoundError(`There is no render "${id}" of this client.`);
  const callback = await findCallback(db, job.id);
  return callback === null ? stateOf(job) : { ...stateOf(job), callback };
}
