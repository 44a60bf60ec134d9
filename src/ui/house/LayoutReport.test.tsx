import { beforeAll, expect, test } from '@jest/globals';
import { render, screen, within } from '@testing-library/react';
import { tidelineStrap } from '../../../demo/templates';
import { followHouse } from '@/core/model/houseChanges';
import type { Template } from '@/core/model/template';
import { loadFontsForTest } from '../fontsForTest';
import { LayoutReport } from './LayoutReport';

beforeAll(loadFontsForTest);

const inFace = (to: string): Template =>
  followHouse(tidelineStrap, [{ kind: 'face', name: 'Names', from: 'barlow-condensed', to }]);

test('another font says what is laid out otherwise in it, in which formats and with what words', async () => {
  render(<LayoutReport before={tidelineStrap} after={inFace('hanken-grotesk')} />);
  expect(screen.getByRole('status')).toHaveTextContent('Comparing layouts…');
  const report = await screen.findByRole('list', { name: 'What Tideline strap lays out otherwise' });
  const said = within(report)
    .getAllByRole('listitem')
    .map((item) => item.textContent);
  expect(said).toContainEqual(expect.stringMatching(/^“Name line” is \d+ % wider in every format$/));
  expect(said).toContainEqual(
    expect.stringMatching(/^“Name line” is squeezed to .*\(before: as designed\) with long words in Wide$/),
  );
});

test('one that is no other says that nothing differs', async () => {
  render(<LayoutReport before={tidelineStrap} after={inFace('barlow-condensed')} />);
  expect(await screen.findByText('Every format lays out as before.')).toBeInTheDocument();
});
