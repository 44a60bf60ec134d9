import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { clear, keys } from 'idb-keyval';
import type { DeskProject } from '@/contract/projects';
import type { Title } from '@/core/model/project';
import { newPlan } from '@/core/model/plan';
import { UnreachableError } from '../shared/api';
import { fakeLocks, jsonAnswer } from '../shared/forTest';
import { deskTitle } from './deskForTest';
import { DeskDraft } from './deskDraft';
import type { DeskStore } from './deskStore';
import { createDeskStore, updateTitle } from './deskStore';

const plan = newPlan('wide-1080');
const TITLES = [
  deskTitle('a', 0, { name: 'Ilse', role: 'Lockkeeper' }),
  deskTitle('b', 200, { name: 'Teo', role: 'Sailmaker' }),
];

interface Put {
  readonly value: Title;
  readonly revision: number | null;
}

/** A server that keeps titles by the rules of the real one: a save from an older state changes nothing. */
class Server {
  titles = new Map(TITLES.map((value) => [value.id, { value, revision: 1 }]));
  away = false;
  readonly saves: number[] = [];

  project(): DeskProject {
    const titles = [...this.titles.values()].map(({ value, revision }) => ({ ...value, revision }));
    const settings = { name: 'P', production: '', format: 'wide-1080', rate: '25' };
    return {
      id: 'p',
      settings,
      titles,
      clips: [],
      cues: [],
      plan,
      planRevision: 1,
      emptied: [],
      editions: [],
      otherEditions: [],
    };
  }

  answer = async (_: string | URL | Request, request: RequestInit = {}): Promise<Response> => {
    if (this.away) throw new TypeError('Failed to fetch');
    if (request.method !== 'POST') return jsonAnswer(200, this.project());
    const body: { titles: { put: Put[]; remove: { id: string; revision: number }[] } } = JSON.parse(
      String(request.body),
    );
    const { put, remove } = body.titles;
    const known = (id: string): number | null => this.titles.get(id)?.revision ?? null;
    const stale =
      put.some(({ value, revision }) => known(value.id) !== revision) ||
      remove.some(({ id, revision }) => known(id) !== revision);
    if (stale) return jsonAnswer(409, { message: 'Changed in between.' });
    this.saves.push(put.length + remove.length);
    const revisions: Record<string, number> = {};
    for (const { value } of put) {
      const revision = (known(value.id) ?? 0) + 1;
      this.titles.set(value.id, { value, revision });
      revisions[value.id] = revision;
    }
    for (const { id } of remove) this.titles.delete(id);
    return jsonAnswer(200, { titles: revisions, clips: {}, plan: null });
  };
}

let server: Server;
const before = globalThis.fetch;

beforeEach(async () => {
  await clear();
  server = new Server();
  globalThis.fetch = server.answer;
  fakeLocks();
});
afterEach(() => {
  globalThis.fetch = before;
});

interface Desk {
  readonly store: DeskStore;
  readonly draft: DeskDraft;
  type(id: string, values: Title['values']): void;
  save(): Promise<void>;
}

function openDesk(): Desk {
  const project = server.project();
  const titles = project.titles.map(({ revision: _, ...title }) => title);
  const store = createDeskStore({ titles, clips: [], cues: [], plan });
  const draft = new DeskDraft(project, store);
  return {
    store,
    draft,
    type: (id, values) =>
      store
        .getState()
        .apply((now) =>
          updateTitle(now, id, { values: { ...now.find((one) => one.id === id)?.values, ...values } }),
        ),
    save: () => draft.save(store.getState(), false),
  };
}

const valuesThere = (id: string): Title['values'] | undefined => server.titles.get(id)?.value.values;
const valuesOn = ({ store }: Desk, id: string): Title['values'] | undefined =>
  store.getState().titles.find((one) => one.id === id)?.values;

/** Two desks that named one title: this one has the conflict, the other one's name is on the server. */
async function inConflict(): Promise<[Desk, Desk]> {
  const [here, there] = [openDesk(), openDesk()];
  there.type('a', { name: 'I. Marrow' });
  await there.save();
  here.type('a', { name: 'Ilse Marrow' });
  await here.save();
  return [here, there];
}

describe('a desk and its server', () => {
  test('only titles that changed are sent, and nothing when nothing did', async () => {
    const desk = openDesk();
    await desk.save();
    desk.type('b', { name: 'Teo Vance' });
    await desk.save();
    await desk.save();
    expect(server.saves).toEqual([1]);
    expect(valuesThere('b')).toEqual({ name: 'Teo Vance', role: 'Sailmaker' });
  });

  test('what two desks change in one title is put together, and undo does not take the other’s away', async () => {
    const [here, there] = [openDesk(), openDesk()];
    there.type('a', { role: 'Pilot' });
    await there.save();
    here.type('a', { name: 'Ilse Marrow' });
    await here.save();
    expect(valuesThere('a')).toEqual({ name: 'Ilse Marrow', role: 'Pilot' });
    here.store.temporal.getState().undo();
    expect(valuesOn(here, 'a')).toEqual({ name: 'Ilse', role: 'Pilot' });
  });

  test('a cell that both changed keeps both values until somebody chooses', async () => {
    const [here, there] = [openDesk(), openDesk()];
    there.type('a', { name: 'I. Marrow' });
    await there.save();
    here.type('a', { name: 'Ilse Marrow', role: 'Pilot' });
    await here.save();
    expect(here.store.getState().conflicts).toEqual([
      { titleId: 'a', cell: 'values.name', mine: 'Ilse Marrow', theirs: 'I. Marrow' },
    ]);
    expect(valuesOn(here, 'a')).toEqual({ name: 'Ilse Marrow', role: 'Pilot' });
    expect(valuesThere('a')).toEqual({ name: 'I. Marrow', role: 'Pilot' });
  });

  test('a cell in conflict that changes there again has the newer value to choose', async () => {
    const [here, there] = await inConflict();
    there.type('a', { name: 'Marrow' });
    await there.save();
    await here.draft.catchUp();
    expect(here.store.getState().conflicts).toEqual([
      { titleId: 'a', cell: 'values.name', mine: 'Ilse Marrow', theirs: 'Marrow' },
    ]);
  });

  test('a title that one removed and the other changed stays', async () => {
    const [here, there] = [openDesk(), openDesk()];
    there.store.getState().apply((now) => now.filter(({ id }) => id !== 'a'));
    await there.save();
    here.type('a', { name: 'Ilse Marrow' });
    await here.save();
    expect(valuesThere('a')?.name).toBe('Ilse Marrow');
    await there.draft.catchUp();
    expect(valuesOn(there, 'a')?.name).toBe('Ilse Marrow');
  });

  test('thousands of titles, and long ones, go in parts that a request can carry', async () => {
    const desk = openDesk();
    const many = Array.from({ length: 2300 }, (_, i) => deskTitle(`n${i}`, i * 10, { name: `Name ${i}` }));
    desk.store.getState().apply((now) => [...now, ...many]);
    await desk.save();
    expect(server.saves).toEqual([1000, 1000, 300]);
    server.saves.length = 0;
    const long = Array.from({ length: 90 }, (_, i) =>
      deskTitle(`l${i}`, 1e5 + i * 10, { name: 'x'.repeat(19_000) }),
    );
    desk.store.getState().apply((now) => [...now, ...long]);
    await desk.save();
    expect(server.saves.length).toBeGreaterThan(1);
    expect(server.saves.reduce((sum, count) => sum + count)).toBe(90);
    desk.store.getState().apply((now) => now.slice(0, 2));
    await desk.save();
    expect(server.titles.size).toBe(2);
  });
});

describe('while the server is away', () => {
  test('work is kept in the browser, taken up by the next page, and saved from there', async () => {
    const gone = openDesk();
    server.away = true;
    gone.type('a', { name: 'Ilse Marrow' });
    await expect(gone.save()).rejects.toThrow(UnreachableError);
    await gone.draft.keep(gone.store.getState());
    server.away = false;
    const other = openDesk();
    other.type('a', { role: 'Pilot' });
    await other.save();
    const next = openDesk();
    expect(await next.draft.takeUpUnsaved()).toBe(true);
    expect(valuesOn(next, 'a')).toEqual({ name: 'Ilse Marrow', role: 'Pilot' });
    await next.save();
    expect(valuesThere('a')).toEqual({ name: 'Ilse Marrow', role: 'Pilot' });
    expect(await keys()).toEqual([]);
  });

  test('what a page that is still open keeps is left to it', async () => {
    const open = openDesk();
    await open.draft.takeUpUnsaved();
    open.type('a', { name: 'Ilse Marrow' });
    await open.draft.keep(open.store.getState());
    const next = openDesk();
    expect(await next.draft.takeUpUnsaved()).toBe(false);
    expect(valuesOn(next, 'a')?.name).toBe('Ilse');
    await open.save();
    expect(await keys()).toEqual([]);
  });

  test('not even a reload decides about a cell in conflict', async () => {
    await inConflict();
    const next = openDesk();
    await next.draft.takeUpUnsaved();
    expect(next.store.getState().conflicts).toMatchObject([{ mine: 'Ilse Marrow', theirs: 'I. Marrow' }]);
    expect(valuesOn(next, 'a')?.name).toBe('Ilse Marrow');
  });
});
