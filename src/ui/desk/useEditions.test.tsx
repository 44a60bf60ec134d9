import { afterEach, expect, test } from '@jest/globals';
import { render, screen } from '@testing-library/react';
import { useState } from 'react';
import { Toaster } from 'sonner';
import type { EditionRecord } from '@/contract/templates';
import { placeCorner, tidelineStrap } from '../../../demo/templates';
import { jsonAnswer } from '../shared/forTest';
import { useEditions } from './useEditions';

const edition = (id: string, document = tidelineStrap): EditionRecord => ({
  id,
  templateId: id,
  number: 1,
  releasedAt: '',
  document,
});
const before = globalThis.fetch;
afterEach(() => {
  globalThis.fetch = before;
});

/** A server that has some editions, and gives them when it is let. */
function serve(all: readonly EditionRecord[]): () => void {
  let give = (): void => undefined;
  const held = new Promise<void>((resolve) => (give = resolve));
  globalThis.fetch = async (url) => {
    await held;
    const ids = new URL(String(url), 'http://gilder').searchParams.get('ids')?.split(',') ?? [];
    return jsonAnswer(
      200,
      all.filter(({ id }) => ids.includes(id)),
    );
  };
  return give;
}

function Shelf({ first, others }: { readonly first: readonly EditionRecord[]; readonly others: string[] }) {
  const [project] = useState({ editions: [...first], otherEditions: others });
  const { editions, isShelfHere } = useEditions(project);
  return (
    <p role="status">{`${editions.map(({ id }) => id).join(' ')}, ${isShelfHere ? 'all' : 'more to come'}`}</p>
  );
}

const status = (): HTMLElement => screen.getByRole('status');

test('a desk has what it opened with at once, and says when the rest of the shelf is there', async () => {
  const [first, others] = [[edition('used')], ['late-1', 'late-2']];
  const give = serve(others.map((id) => edition(id, placeCorner)));
  render(<Shelf first={first} others={others} />);
  expect(status()).toHaveTextContent('used, more to come');
  give();
  expect(await screen.findByText('used late-1 late-2, all')).toBeInTheDocument();
});

test('without anything else on the shelf all of it is there', () => {
  serve([]);
  render(<Shelf first={[edition('used')]} others={[]} />);
  expect(status()).toHaveTextContent('used, all');
});

test('what cannot be read is told, and the rest is there', async () => {
  const others = ['here-1', 'gone-1'];
  const give = serve([edition('here-1')]);
  render(
    <>
      <Shelf first={[]} others={others} />
      <Toaster />
    </>,
  );
  give();
  expect(await screen.findByText('here-1, all')).toBeInTheDocument();
  expect(await screen.findByText(/^1 template of the shelf could not be read/)).toBeInTheDocument();
});
