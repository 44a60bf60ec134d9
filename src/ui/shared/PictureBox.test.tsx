import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import type { AssetFacts } from '@/contract/assets';
import { videoPicture } from '@/core/display/moving';
import { jsonAnswer } from './forTest';
import type { VideoSource } from './PictureBox';
import { PictureBox } from './PictureBox';

const asset = (id: string, name: string): AssetFacts => ({
  id,
  name,
  mediaType: 'image/png',
  hash: '0'.repeat(64),
  widthPx: 1200,
  heightPx: 800,
  ownWidth: 600,
  ownHeight: 400.4,
});

const ASSETS = [
  asset('a1', 'ilse at the weir.png'),
  asset('a2', 'weir by night.png'),
  asset('a3', 'mark.svg'),
];
const VIDEOS: VideoSource = {
  types: 'video/mp4',
  list: () => Promise.resolve([{ value: videoPicture('v1'), label: 'reed beds.mp4' }]),
  bringIn: () => Promise.reject(new Error('Nothing is brought in here')),
};

/** What uses each thing; what is not in it cannot be found out. */
const USES: Readonly<Record<string, readonly string[]>> = {
  'picture/a1': ['Tideline strap', 'Lantern Regatta'],
  'picture/a2': [],
  'video/v1': ['Heat board'],
};

const before = globalThis.fetch;
let chosen: string[];
let sent: number;
beforeEach(() => {
  [chosen, sent] = [[], 0];
  globalThis.fetch = (url) => {
    const path = decodeURIComponent(String(url).replace('/api/', ''));
    if (path === 'assets') return Promise.resolve(jsonAnswer(200, ASSETS));
    const names = USES[path.replace('room/', '')] as readonly string[] | undefined;
    return Promise.resolve(
      names === undefined
        ? jsonAnswer(404, { message: 'That picture is gone.' })
        : jsonAnswer(200, { names, count: names.length }),
    );
  };
});
afterEach(() => {
  globalThis.fetch = before;
});

function Box({ first = '', videos }: { readonly first?: string; readonly videos?: VideoSource }) {
  const [value, setValue] = useState(first);
  const onChange = (next: string): void => {
    chosen.push(next);
    setValue(next);
  };
  return (
    <form onSubmit={() => sent++}>
      <PictureBox label="Portrait" value={value} onChange={onChange} videos={videos} />
    </form>
  );
}

async function find(first = '', videos?: VideoSource): Promise<HTMLElement> {
  render(<Box first={first} videos={videos} />);
  await screen.findByRole('option', { name: 'mark.svg' });
  await userEvent.click(screen.getByRole('button', { name: 'Portrait: find' }));
  return screen.findByRole('dialog', { name: 'Portrait' });
}

const tiles = (dialog: HTMLElement): (string | null)[] =>
  within(dialog)
    .queryAllByRole('radio')
    .map(({ textContent }) => textContent);

describe('finding a picture', () => {
  test('shows each with its name and size, those found by all words that are typed', async () => {
    const dialog = await find();
    expect(tiles(dialog)).toEqual([
      'ilse at the weir.png600 × 400 px',
      'weir by night.png600 × 400 px',
      'mark.svg600 × 400 px',
    ]);
    const box = within(dialog).getByRole('searchbox', { name: 'Find by name' });
    expect(box).toHaveFocus();
    await userEvent.type(box, 'WEIR ilse');
    expect(tiles(dialog)).toEqual(['ilse at the weir.png600 × 400 px']);
    await within(dialog).findByText('1 of 3');
    await userEvent.type(box, 'x');
    await within(dialog).findByText('None is called so.');
  });

  test('says what uses the chosen one, and takes it when told to', async () => {
    const dialog = await find();
    const choose = within(dialog).getByRole('button', { name: 'Choose' });
    expect(choose).toBeDisabled();
    await userEvent.click(within(dialog).getByRole('radio', { name: /ilse/ }));
    await within(dialog).findByText('Used by “Tideline strap”, “Lantern Regatta”.');
    await userEvent.click(within(dialog).getByRole('radio', { name: /night/ }));
    await within(dialog).findByText('Nothing uses it.');
    expect(chosen).toEqual([]);
    await userEvent.click(choose);
    expect(chosen).toEqual(['a2']);
    expect(screen.queryByRole('dialog')).toBeNull();
    expect(screen.getByRole('combobox', { name: 'Portrait' })).toHaveValue('a2');
    // What it stands in is not sent off with it.
    expect(sent).toBe(0);
  });

  test('begins at the one that is there; Cancel and Escape leave it', async () => {
    const dialog = await find('a1');
    expect(within(dialog).getByRole('radio', { checked: true })).toHaveTextContent('ilse');
    await userEvent.click(within(dialog).getByRole('radio', { name: /mark/ }));
    await within(dialog).findByText('That picture is gone.');
    await userEvent.click(within(dialog).getByRole('button', { name: 'Cancel' }));
    await userEvent.click(screen.getByRole('button', { name: 'Portrait: find' }));
    await screen.findByRole('dialog');
    await userEvent.keyboard('{Escape}');
    expect(screen.queryByRole('dialog')).toBeNull();
    expect(chosen).toEqual([]);
  });

  test('a picture that is not among those found cannot be taken by mistake', async () => {
    const dialog = await find('a1');
    await userEvent.type(within(dialog).getByRole('searchbox'), 'mark{Enter}');
    expect(chosen).toEqual([]);
    expect(within(dialog).getByRole('button', { name: 'Choose' })).toBeDisabled();
  });

  test('has videos where they are taken', async () => {
    const dialog = await find('', VIDEOS);
    await userEvent.click(within(dialog).getByRole('radio', { name: /reed beds/ }));
    expect(tiles(dialog).at(-1)).toBe('reed beds.mp4Video');
    await within(dialog).findByText('Used by “Heat board”.');
    await userEvent.click(within(dialog).getByRole('button', { name: 'Choose' }));
    expect(chosen).toEqual([videoPicture('v1')]);
  });
});
