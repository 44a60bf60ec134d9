import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { cleanup, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { clear } from 'idb-keyval';
import type { HouseRecord } from '@/contract/house';
import type { NewsItem } from '@/contract/news';
import type { TemplateRecord } from '@/contract/templates';
import { placeCorner, tidelineStrap } from '../../../demo/templates';
import type { House } from '@/core/model/house';
import { FIRST_HOUSE } from '@/core/model/house';
import { nameColours } from '@/core/model/houseChanges';
import type { Template } from '@/core/model/template';
import { fakeLocks, jsonAnswer, renderScreen } from '../shared/forTest';
import { HouseScreen } from './HouseScreen';

const strap = nameColours(tidelineStrap, FIRST_HOUSE.colours);
const GOLD = '#e3b94f';
const NEW_GOLD = '#c98a2b';

/** A server with a House and two templates that takes a change only of the newest state. */
class Server {
  house: HouseRecord = { document: FIRST_HOUSE, revision: 1 };
  readonly templates = new Map<string, TemplateRecord>();

  constructor() {
    for (const document of [strap, nameColours(placeCorner, FIRST_HOUSE.colours)])
      this.putTemplate(document.name, document, 1);
  }

  putTemplate(id: string, document: Template, revision: number): void {
    this.templates.set(id, { id, document, revision, releasedRevision: 1, latestEdition: 1 });
  }

  answer = async (input: string | URL | Request, request: RequestInit = {}): Promise<Response> => {
    // Fonts are on their way for as long as a test takes.
    if (!String(input).startsWith('/api/')) return new Promise(() => undefined);
    const path = String(input).replace('/api/', '');
    if (request.method !== 'PUT') return jsonAnswer(200, this.read(path));
    const body: { revision: number; document: House & Template } = JSON.parse(String(request.body));
    const id = decodeURIComponent(path.replace('templates/', ''));
    const known = path === 'house' ? this.house : this.templates.get(id);
    if (known?.revision !== body.revision) return jsonAnswer(409, { message: 'Changed in between.' });
    const revision = body.revision + 1;
    if (path === 'house') this.house = { document: body.document, revision };
    else this.putTemplate(id, body.document, revision);
    return jsonAnswer(200, { revision });
  };

  private read(path: string): unknown {
    if (path === 'house') return this.house;
    return path.startsWith('templates') ? [...this.templates.values()] : [];
  }
}

/** The server's news, as pages listen to it. */
class News {
  static readonly open = new Set<News>();
  onmessage: ((event: { readonly data: string }) => void) | null = null;

  constructor() {
    News.open.add(this);
  }

  close(): void {
    News.open.delete(this);
  }

  static tell(item: NewsItem): void {
    for (const one of News.open) one.onmessage?.({ data: JSON.stringify(item) });
  }
}

let server: Server;
const before = globalThis.fetch;
beforeEach(async () => {
  await clear();
  fakeLocks();
  server = new Server();
  globalThis.fetch = server.answer;
  Object.defineProperty(globalThis, 'EventSource', { configurable: true, value: News });
});
afterEach(() => {
  globalThis.fetch = before;
});

const openHouse = (): void => {
  cleanup();
  // A page that is gone holds nothing.
  fakeLocks();
  openAnother();
};
const openAnother = (): void => {
  renderScreen('/house', <HouseScreen saved={server.house} templates={[...server.templates.values()]} />);
};
const status = (): HTMLElement => screen.getByText(/as it is in force|changed here, not in force yet/);
const goTo = (part: string): Promise<void> => userEvent.click(screen.getByRole('button', { name: part }));
const colourRow = (name: string): HTMLElement => {
  const row = screen.getByLabelText(`Name of ${name}`).closest('li');
  if (row === null) throw new Error(`No row for ${name}`);
  return row;
};
async function recolour(name: string, hex: string): Promise<void> {
  const box = within(colourRow(name)).getByLabelText(`${name}, hex`);
  await userEvent.clear(box);
  await userEvent.type(box, `${hex}{Enter}`);
}
const colourOf = (house: House, name: string): string | undefined =>
  house.colours.find((one) => one.name === name)?.colour;
const usesThere = (colour: string): number =>
  [...server.templates.values()].reduce(
    (sum, { document }) => sum + JSON.stringify(document).split(`${colour}@lamp-gold`).length - 1,
    0,
  );

describe('the House', () => {
  test('says where a colour is used, shows where its change lands, and changes all of it', async () => {
    openHouse();
    expect(within(colourRow('Lamp gold')).getByText(/^\d+ places in /)).toBeInTheDocument();
    const uses = usesThere(GOLD);
    await recolour('Lamp gold', NEW_GOLD);
    expect(status()).toHaveTextContent('changed here, not in force yet');
    // What is made has the old one still.
    expect(within(colourRow('Lamp gold')).getByText(/^\d+ places in /)).toBeInTheDocument();
    expect(colourOf(server.house.document, 'Lamp gold')).toBe(GOLD);
    await userEvent.click(screen.getByRole('button', { name: 'See where it lands' }));
    expect(screen.getByRole('img', { name: 'Tideline strap, before' })).toBeInTheDocument();
    expect(screen.getAllByText(/^Lamp gold in \d+ places?$/).length).toBeGreaterThan(0);
    await userEvent.click(screen.getByRole('button', { name: /^Make the change in/ }));
    await waitFor(() => expect(status()).toHaveTextContent('as it is in force'));
    expect(colourOf(server.house.document, 'Lamp gold')).toBe(NEW_GOLD);
    expect([usesThere(GOLD), usesThere(NEW_GOLD)]).toEqual([0, uses]);
  });

  test('a figure that templates have without a name is named, and nothing looks otherwise', async () => {
    openHouse();
    await userEvent.click(screen.getByRole('button', { name: 'Name #04141b' }));
    expect(document.activeElement).toHaveValue('Colour 04141b');
    await userEvent.keyboard('Deep shade');
    expect(screen.queryByRole('button', { name: 'Name #04141b' })).toBeNull();
    await userEvent.click(screen.getByRole('button', { name: 'See where it lands' }));
    expect(screen.getByText('1 place named Deep shade, nothing looks otherwise')).toBeInTheDocument();
    expect(screen.queryByRole('img')).toBeNull();
    await userEvent.click(screen.getByRole('button', { name: 'Make the change in 1 template' }));
    await waitFor(() => expect(status()).toHaveTextContent('as it is in force'));
    const { id } = server.house.document.colours.at(-1) ?? { id: '' };
    expect(JSON.stringify(server.templates.get('Tideline strap')?.document)).toContain(`"#04141b@${id}"`);
  });

  test('a template that is left out stays as it is', async () => {
    openHouse();
    await recolour('Lamp gold', NEW_GOLD);
    await userEvent.click(screen.getByRole('button', { name: 'See where it lands' }));
    await userEvent.click(screen.getByRole('checkbox', { name: 'Tideline strap' }));
    await userEvent.click(screen.getByRole('button', { name: /^Make the change/ }));
    await waitFor(() => expect(status()).toHaveTextContent('as it is in force'));
    expect(server.templates.get('Tideline strap')?.document).toEqual(strap);
    expect(
      within(colourRow('Lamp gold')).getByText('Another figure still in Tideline strap'),
    ).toBeInTheDocument();
  });

  test('what is not in force yet outlives a reload, and can be taken back', async () => {
    openHouse();
    await screen.findByText('as it is in force');
    await recolour('Lamp gold', NEW_GOLD);
    openHouse();
    await waitFor(() => expect(screen.getByLabelText('Lamp gold, hex')).toHaveValue(NEW_GOLD));
    await userEvent.click(screen.getByRole('button', { name: 'Take it back' }));
    expect(status()).toHaveTextContent('as it is in force');
    openHouse();
    await screen.findByText('as it is in force');
    expect(screen.getByLabelText('Lamp gold, hex')).toHaveValue(GOLD);
  });

  test('two pages keep what was made on each, and neither takes from the other while it is open', async () => {
    openHouse();
    await recolour('Lamp gold', NEW_GOLD);
    const first = new Set(screen.getAllByRole('heading', { name: 'House' }));
    openAnother();
    const [there] = screen.getAllByRole('heading', { name: 'House' }).filter((one) => !first.has(one));
    const second = within(there.closest<HTMLElement>('.h-dvh') ?? there);
    expect(second.getByLabelText('Lamp gold, hex')).toHaveValue(GOLD);
    await userEvent.click(second.getByRole('button', { name: 'Add a colour' }));
    await userEvent.type(second.getByLabelText('Name of New colour'), ' two');
    openHouse();
    expect(await screen.findByLabelText('Name of New colour two')).toBeInTheDocument();
    await waitFor(() => expect(screen.getByLabelText('Lamp gold, hex')).toHaveValue(NEW_GOLD));
  });

  test('steps are taken back and made again, also after a reload, and what is in force can be taken back too', async () => {
    openHouse();
    await recolour('Lamp gold', NEW_GOLD);
    await userEvent.click(screen.getByRole('button', { name: 'Add a colour' }));
    await userEvent.keyboard('{Control>}z{/Control}');
    expect(screen.queryByLabelText('Name of New colour')).toBeNull();
    expect(screen.getByLabelText('Lamp gold, hex')).toHaveValue(NEW_GOLD);
    await userEvent.click(screen.getByRole('button', { name: 'Undo' }));
    expect(status()).toHaveTextContent('as it is in force');
    await userEvent.keyboard('{Control>}{Shift>}z{/Shift}{/Control}');
    expect(screen.getByLabelText('Lamp gold, hex')).toHaveValue(NEW_GOLD);
    await userEvent.click(screen.getByRole('button', { name: 'See where it lands' }));
    await userEvent.click(screen.getByRole('button', { name: /^Make the change in/ }));
    await waitFor(() => expect(status()).toHaveTextContent('as it is in force'));
    window.dispatchEvent(new Event('pagehide'));
    openHouse();
    await waitFor(() => expect(screen.getByRole('button', { name: 'Undo' })).toBeEnabled());
    await userEvent.click(screen.getByRole('button', { name: 'Undo' }));
    expect(screen.getByLabelText('Lamp gold, hex')).toHaveValue(GOLD);
    expect(status()).toHaveTextContent('changed here, not in force yet');
  });

  test('what somebody else puts in force comes in by itself, what was made here stays, and can be put in force', async () => {
    openHouse();
    await recolour('Lamp gold', NEW_GOLD);
    const colours = FIRST_HOUSE.colours.map((one) =>
      one.name === 'Paper' ? { ...one, colour: '#eeeeee' } : one,
    );
    const older = server.house;
    server.house = { document: { ...FIRST_HOUSE, colours }, revision: 2 };
    News.tell({ kind: 'fonts' });
    await new Promise((done) => setTimeout(done));
    expect(screen.getByLabelText('Paper, hex')).not.toHaveValue('#eeeeee');
    News.tell({ kind: 'house' });
    await waitFor(() => expect(screen.getByLabelText('Paper, hex')).toHaveValue('#eeeeee'));
    expect(screen.getByLabelText('Lamp gold, hex')).toHaveValue(NEW_GOLD);
    // An answer that comes late changes nothing.
    const answers: ((answer: Response) => void)[] = [];
    globalThis.fetch = () => new Promise((answer) => answers.push(answer));
    News.tell({ kind: 'house' });
    News.tell({ kind: 'restored' });
    answers[1](jsonAnswer(200, server.house));
    answers[0](jsonAnswer(200, older));
    await new Promise((done) => setTimeout(done));
    globalThis.fetch = server.answer;
    expect(screen.getByLabelText('Paper, hex')).toHaveValue('#eeeeee');
    await userEvent.click(screen.getByRole('button', { name: 'See where it lands' }));
    await userEvent.click(screen.getByRole('button', { name: /^Make the change/ }));
    await waitFor(() => expect(status()).toHaveTextContent('as it is in force'));
    expect(colourOf(server.house.document, 'Paper')).toBe('#eeeeee');
    expect(colourOf(server.house.document, 'Lamp gold')).toBe(NEW_GOLD);
  });

  test('another language is a change like any other', async () => {
    openHouse();
    await goTo('Timing and reading');
    await userEvent.selectOptions(screen.getByLabelText('Language of the House'), 'tr');
    await userEvent.click(screen.getByRole('button', { name: 'See where it lands' }));
    await userEvent.click(screen.getByRole('button', { name: 'Make the change' }));
    await waitFor(() => expect(server.house.document.language).toBe('tr'));
  });

  test('a change that somebody made meanwhile is put together with this one, and nothing is overwritten', async () => {
    openHouse();
    await recolour('Lamp gold', NEW_GOLD);
    const reading = { ...FIRST_HOUSE.reading, leastSeconds: 4 };
    server.house = { document: { ...FIRST_HOUSE, reading }, revision: 2 };
    await userEvent.click(screen.getByRole('button', { name: 'See where it lands' }));
    await userEvent.click(screen.getByRole('button', { name: /^Make the change/ }));
    expect(await screen.findByRole('alert')).toHaveTextContent(/changed elsewhere meanwhile/);
    expect(colourOf(server.house.document, 'Lamp gold')).toBe(GOLD);
    await userEvent.click(screen.getByRole('button', { name: /^Make the change/ }));
    await waitFor(() => expect(status()).toHaveTextContent('as it is in force'));
    expect(server.house.document.reading.leastSeconds).toBe(4);
    expect(colourOf(server.house.document, 'Lamp gold')).toBe(NEW_GOLD);
    expect(usesThere(GOLD)).toBe(0);
  });

  test('while Gilder is away nothing is lost and nothing is half done', async () => {
    openHouse();
    await recolour('Lamp gold', NEW_GOLD);
    await userEvent.click(screen.getByRole('button', { name: 'See where it lands' }));
    globalThis.fetch = () => Promise.reject(new TypeError('Failed to fetch'));
    await userEvent.click(screen.getByRole('button', { name: /^Make the change/ }));
    expect(await screen.findByRole('alert')).toHaveTextContent(/cannot be reached/);
    globalThis.fetch = server.answer;
    await userEvent.click(screen.getByRole('button', { name: /^Make the change/ }));
    await waitFor(() => expect(status()).toHaveTextContent('as it is in force'));
    expect(usesThere(GOLD)).toBe(0);
  });
});

describe('its parts', () => {
  test('an entry is added, named and removed; an emptied name waits for another', async () => {
    openHouse();
    await userEvent.click(screen.getByRole('button', { name: 'Add a colour' }));
    const name = screen.getByLabelText('Name of New colour');
    await userEvent.clear(name);
    await userEvent.type(name, 'Rope');
    expect(screen.getByLabelText('Name of Rope')).toHaveValue('Rope');
    await userEvent.click(screen.getByRole('button', { name: 'Remove Rope' }));
    expect(status()).toHaveTextContent('as it is in force');
  });

  test('figures of reading and checks are typed, checks switched off', async () => {
    openHouse();
    await goTo('Timing and reading');
    const least = screen.getByLabelText('At least');
    await userEvent.clear(least);
    await userEvent.type(least, '3{Enter}');
    await goTo('Checks');
    await userEvent.click(screen.getByRole('switch', { name: 'Spelling' }));
    await userEvent.click(screen.getByRole('button', { name: 'See where it lands' }));
    await userEvent.click(screen.getByRole('button', { name: 'Make the change' }));
    await waitFor(() => expect(server.house.revision).toBe(2));
    expect(server.house.document.reading.leastSeconds).toBe(3);
    expect(server.house.document.checks.off).toEqual(['spelling']);
  });

  test('an area starts as the standard has it, and goes back to it', async () => {
    openHouse();
    await goTo('Safe areas');
    await userEvent.selectOptions(screen.getByLabelText('Add an area for a format'), 'Tall 9:16');
    const left = screen.getByLabelText('Tall, left');
    const standard = left.getAttribute('value');
    expect(Number(standard)).toBeGreaterThan(0);
    await userEvent.clear(left);
    await userEvent.type(left, '12{Enter}');
    expect(status()).toHaveTextContent('changed here');
    await userEvent.click(screen.getByRole('button', { name: 'Back to the standard for Tall' }));
    expect(status()).toHaveTextContent('as it is in force');
  });
});
