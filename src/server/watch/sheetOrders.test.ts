import { expect, test } from '@jest/globals';
import { tidelineStrap } from '../../../demo/templates';
import { readSheet } from '@/core/formats/csv/csv';
import { newPictureLayer } from '@/core/model/newLayers';
import { pictureNames } from '@/core/project/pictureNames';
import { sheetOrders } from './sheetOrders';

const film = {
  ...tidelineStrap.fields[0],
  id: 'film',
  kind: 'picture' as const,
  label: 'Film',
  required: false,
  limits: {},
  targets: [{ layerId: 'film', path: 'asset' }],
};
const document = {
  ...tidelineStrap,
  layers: [newPictureLayer('film', 'Film', null), ...tidelineStrap.layers],
  fields: [...tidelineStrap.fields, film],
};
const edition = {
  id: 'e',
  templateId: 't',
  number: 1,
  document,
  releasedAt: '2026-11-25T00:00:00.000Z',
};

test('a sheet in the watched folder names pictures as people do, and says of the others which', () => {
  const sheet = readSheet('Template,Name,Film\nTideline strap,Ilse,ilse\nTideline strap,Teo,gull.png');
  const pictures = pictureNames([{ value: 'a1', label: 'ilse.png' }]);
  const [ilse, teo] = sheetOrders(sheet, { editions: [edition], pictures });
  expect(ilse).toMatchObject({ line: 2, problem: '', order: { values: { name: 'Ilse', film: 'a1' } } });
  expect(teo).toMatchObject({ line: 3, order: null });
  expect(teo.problem).toMatch(/Film: needs the name of a picture that is here.*gull\.png/);
});
