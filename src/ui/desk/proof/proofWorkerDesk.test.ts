import { beforeEach, expect, test } from '@jest/globals';
import { FIRST_HOUSE } from '@/core/model/house';
import { newPlan } from '@/core/model/plan';
import type { Title } from '@/core/model/project';
import type { ProofReply, ProofRequest } from '@/workers/proofMessages';
import { deskTitle } from '../deskForTest';
import { ProofWorkerDesk } from './proofWorkerDesk';

let said: ProofRequest[];
let answer: (reply: ProofReply) => void;
let desk: ProofWorkerDesk;
const around = { house: FIRST_HOUSE, editions: new Map(), project: { name: 'Night ferry', rate: '25' } };
const plan = newPlan('wide-1080');
const take = (titles: readonly Title[]): void => desk.take({ titles, clips: [], cues: [], plan }, around);
const turns = (): number[] => said.flatMap((one) => (one.kind === 'work' ? one.turn : []));
const looked = (): string[] => [...desk.store.getState().complete];
const found = (turn: number, titleId: string): ProofReply => ({
  kind: 'findings',
  turn,
  findings: [[titleId, [], true]],
  progress: { done: 1, total: 1 },
});

beforeEach(() => {
  said = [];
  // As much of a worker as the desk uses.
  const worker = Object.create(null);
  worker.postMessage = (message: ProofRequest) => said.push(message);
  worker.terminate = () => undefined;
  answer = (data) => worker.onmessage({ data });
  desk = new ProofWorkerDesk(() => worker);
  desk.start();
});

test('what changed waits for an answer that knows it', () => {
  take([deskTitle('a', 0, { name: 'Ilse' })]);
  answer({ kind: 'taken', turn: 1, waiting: ['a'], looked: [] });
  answer(found(1, 'a'));
  expect(looked()).toEqual(['a']);

  take([deskTitle('a', 0, { name: 'Teo' })]);
  expect(turns()).toEqual([1, 2]);
  expect(looked()).toEqual([]);
  // On its way since before the change: it says nothing of what is there now.
  answer(found(1, 'a'));
  expect(looked()).toEqual([]);
  answer(found(2, 'a'));
  expect(looked()).toEqual(['a']);
});

test('a title that is the same again was looked at already', () => {
  take([deskTitle('a', 0, { name: 'Ilse' })]);
  answer({ kind: 'taken', turn: 1, waiting: ['a'], looked: [] });
  answer(found(1, 'a'));
  take([deskTitle('a', 0, { name: 'Ilse' })]);
  expect(looked()).toEqual([]);
  answer({ kind: 'taken', turn: 2, waiting: [], looked: ['a'] });
  expect(looked()).toEqual(['a']);
});

test('an old answer does not call a title looked at that changed again', () => {
  take([deskTitle('a', 0, { name: 'Ilse' })]);
  take([deskTitle('a', 0, { name: 'Teo' })]);
  answer({ kind: 'taken', turn: 1, waiting: [], looked: ['a'] });
  expect(looked()).toEqual([]);
});

test('without a proof nothing was looked at', () => {
  take([deskTitle('a', 0, { name: 'Ilse' })]);
  answer(found(1, 'a'));
  answer({ kind: 'failed', message: 'out of memory' });
  expect(looked()).toEqual([]);
  expect(desk.store.getState().failure).toBe('out of memory');
});
