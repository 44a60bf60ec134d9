import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { KeptThing, ThingUses } from '@/contract/room';
import { jsonAnswer } from '../shared/forTest';
import { RoomSection } from './RoomSection';

const thing = (id: string, more: Partial<KeptThing> = {}): KeptThing => ({
  kind: 'template',
  id,
  name: id,
  bytes: 7300,
  createdAt: '2026-11-03T08:00:00.000Z',
  away: null,
  awayAt: null,
  ...more,
});

/** A server that keeps templates. */
class Server {
  things = [thing('Heat board'), thing('Tideline strap')];
  /** Waited for before a list is given. */
  held: Promise<void> | null = null;
  fails = false;
  uses: ThingUses = { names: [], count: 0 };
  readonly asked: string[] = [];

  answer = async (url: string | URL | Request, request: RequestInit = {}): Promise<Response> => {
    const path = decodeURIComponent(String(url).replace('/api/', ''));
    const { method = 'GET' } = request;
    if (method !== 'GET') this.asked.push(`${method} ${path} ${String(request.body ?? '')}`.trim());
    const id = path.split('/')[2];
    if (method === 'DELETE') this.things = this.things.filter((one) => one.id !== id);
    if (method === 'PUT') {
      const { away }: { away: KeptThing['away'] } = JSON.parse(String(request.body));
      const awayAt = away === null ? null : new Date().toISOString();
      this.things = this.things.map((one) => (one.id === id ? { ...one, away, awayAt } : one));
    }
    if (this.fails) return jsonAnswer(500, { message: 'The server could not read its disk.' });
    if (path === 'room') return jsonAnswer(200, this.room());
    if (id !== undefined) return jsonAnswer(200, this.uses);
    await this.held;
    const listed = this.things.filter(({ away }) => (away !== null) === path.endsWith('?away'));
    return jsonAnswer(200, { things: listed, total: listed.length });
  };

  private room() {
    const away = this.things.filter((one) => one.away !== null);
    const bytes = (list: readonly KeptThing[]): number => list.reduce((sum, one) => sum + one.bytes, 0);
    return {
      kinds: [
        {
          kind: 'template',
          count: this.things.length,
          bytes: bytes(this.things),
          awayCount: away.length,
          awayBytes: bytes(away),
        },
      ],
      databaseBytes: 8_300_000,
      backups: [],
      freeBytes: 81_200_000_000,
    };
  }
}

const before = globalThis.fetch;
let server: Server;
beforeEach(() => {
  server = new Server();
  globalThis.fetch = server.answer;
  render(<RoomSection />);
});
afterEach(() => {
  globalThis.fetch = before;
});

const menu = (name: string): Promise<HTMLElement> =>
  screen.findByRole('button', { name: `What to do with ${name}` });
const away = async (): Promise<void> =>
  userEvent.click(await screen.findByRole('radio', { name: 'Out of the way' }));

describe('the page of what takes room', () => {
  test('counts what is in use and what is out of the way', async () => {
    await menu('Heat board');
    const row = screen.getByRole('row', { name: /^Templates/ });
    expect(
      within(row)
        .getAllByRole('cell')
        .map(({ textContent }) => textContent),
    ).toEqual(['2', '15 kB', '0', '0 B']);
    expect(screen.getByText(/The database takes 8\.3 MB\. 81\.20 GB are free/)).toBeInTheDocument();
  });

  test('what nothing uses is deleted at once, and can be brought back', async () => {
    await userEvent.click(await menu('Heat board'));
    await userEvent.click(screen.getByRole('menuitem', { name: /^Delete/ }));
    await waitFor(() => expect(screen.queryByText('Heat board')).toBeNull());
    await away();
    expect(await screen.findByText('deleted, kept for 30 days')).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Bring back' }));
    expect(await screen.findByText('Nothing is out of the way.')).toBeInTheDocument();
    expect(server.asked).toEqual([
      'PUT room/template/Heat board {"away":"deleted"}',
      'PUT room/template/Heat board {"away":null}',
    ]);
  });

  test('what is in use is asked about before it is deleted, and never goes for good', async () => {
    server.uses = { names: ['Lantern Regatta'], count: 3 };
    await userEvent.click(await menu('Tideline strap'));
    await userEvent.click(screen.getByRole('menuitem', { name: /^Delete/ }));
    const dialog = await screen.findByRole('dialog');
    expect(dialog).toHaveTextContent('It is in use by “Lantern Regatta” and 2 more.');
    await userEvent.click(within(dialog).getByRole('button', { name: 'Delete' }));
    await waitFor(() => expect(screen.queryByText('Tideline strap')).toBeNull());
    await away();
    await userEvent.click(await screen.findByRole('button', { name: 'Delete for good…' }));
    expect(await screen.findByText(/so it stays\. Take it out there first/)).toBeInTheDocument();
    expect(screen.getByRole('button', { name: 'Delete for good' })).toBeDisabled();
  });

  test('what nothing uses goes for good once it was asked', async () => {
    server.things = [thing('Old', { away: 'aside', awayAt: '2026-11-20T08:00:00.000Z' })];
    await away();
    await userEvent.click(await screen.findByRole('button', { name: 'Delete for good…' }));
    await screen.findByText(/Nothing uses it\. 7 kB come free/);
    await userEvent.click(screen.getByRole('button', { name: 'Delete for good' }));
    expect(await screen.findByText('Nothing is out of the way.')).toBeInTheDocument();
    expect(server.asked).toEqual(['DELETE room/template/Old']);
  });

  test('one list never stands in the place of another that is still being read', async () => {
    await menu('Heat board');
    let give = (): void => undefined;
    server.held = new Promise((resolve) => (give = resolve));
    await away();
    expect(screen.queryByText('Heat board')).toBeNull();
    expect(screen.queryByText('Nothing is out of the way.')).toBeNull();
    give();
    expect(await screen.findByText('Nothing is out of the way.')).toBeInTheDocument();
  });

  test('a server that does not answer is told, and asked again', async () => {
    await menu('Heat board');
    server.fails = true;
    await away();
    expect(await screen.findByRole('alert')).toHaveTextContent('The server could not read its disk.');
    server.fails = false;
    await userEvent.click(screen.getByRole('button', { name: 'Try again' }));
    expect(await screen.findByText('Nothing is out of the way.')).toBeInTheDocument();
    expect(screen.queryByRole('alert')).toBeNull();
  });
});
