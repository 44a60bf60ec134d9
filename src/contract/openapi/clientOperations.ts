import * as yup from 'yup';
import {
  clientFactsSchema,
  clientTemplateFieldsSchema,
  clientTemplateSchema,
  madeClientSchema,
  newClientSchema,
  renderOrderSchema,
  renderStateSchema,
} from '../clients';
import { text } from '../schema';
import type { Operation } from './operation';

const listOf = (schema: yup.Schema): yup.Schema => yup.array().of(schema).required();
const made = yup.object({ id: text() });
const nothing = yup.object({});

/** What other systems can ask, each with a key of its own; and what the House has for their keys. */
export const CLIENT_OPERATIONS: readonly Operation[] = [
  {
    method: 'get',
    path: '/clients',
    says: 'The systems that may order.',
    answer: listOf(clientFactsSchema),
  },
  {
    method: 'post',
    path: '/clients',
    says: 'Makes a key for a system; it is told this once.',
    body: newClientSchema,
    answer: madeClientSchema,
    status: 201,
  },
  {
    method: 'post',
    path: '/clients/{id}/withdraw',
    says: 'Withdraws a key.',
    answer: nothing,
    refusals: [404],
  },
  {
    method: 'get',
    path: '/v1/templates',
    says: 'The released templates.',
    answer: listOf(clientTemplateSchema),
    byKey: true,
  },
  {
    method: 'get',
    path: '/v1/templates/{edition}',
    says: 'A released template with what can be filled into it.',
    answer: clientTemplateFieldsSchema,
    refusals: [404],
    byKey: true,
  },
  {
    method: 'post',
    path: '/v1/renders',
    says: 'Orders a still or a video of a template with words. Sent again under the same Idempotency-Key it is taken once.',
    body: renderOrderSchema,
    answer: made,
    status: 201,
    refusals: [409],
    byKey: true,
  },
  {
    method: 'get',
    path: '/v1/renders/{id}',
    says: 'How an order stands, and its files.',
    answer: renderStateSchema,
    refusals: [404],
    byKey: true,
  },
  {
    method: 'get',
    path: '/v1/renders/{id}/events',
    says: 'How an order stands, now and at every change.',
    answer: 'text/event-stream',
    refusals: [404],
    byKey: true,
  },
  {
    method: 'post',
    path: '/v1/renders/{id}/cancel',
    says: 'Stops an order that waits or is being made.',
    answer: nothing,
    refusals: [404, 409],
    byKey: true,
  },
  {
    method: 'get',
    path: '/v1/renders/{id}/files/{name}',
    says: 'A finished file of an order.',
    answer: 'application/octet-stream',
    refusals: [404, 416],
    byKey: true,
  },
];
