import { expect, test } from '@jest/globals';
import { DEMO_TEMPLATES, tidelineStrap } from '../../../demo/templates';
import type { RenderOrder } from '@/contract/clients';
import { renderOrderSchema } from '@/contract/clients';
import { checkValue } from '@/core/model/check';
import type { Template } from '@/core/model/template';
import { OUTPUTS } from '@/core/outputs';
import { renderPayload } from './renderPayload';

const ALL = new Set(OUTPUTS.list.flatMap(({ encoders }) => encoders));

function payloadOf(body: object, document: Template = tidelineStrap) {
  const order = checkValue<RenderOrder>(
    renderOrderSchema,
    { edition: 'e', output: 'png-still', ...body },
    'Order',
  );
  const edition = { id: 'e', templateId: 't', number: 1, releasedAt: '', document };
  return renderPayload(order, { edition, encoders: ALL, hasPicture: (id) => id === 'here' });
}

test('an order is a job of one title with its words, in the format, rate and length that were asked for', () => {
  const asked = { format: 'tall-1080', rate: '29.97', seconds: 4, output: 'mov-prores', premultiplied: true };
  const payload = payloadOf({ ...asked, values: { name: 'Ilse Marrow', role: 'Pilot' } });
  expect(payload).toMatchObject({ format: 'tall-1080', rate: '29.97', output: 'mov-prores' });
  const [title] = payload.titles;
  if ('parts' in title) throw new Error('a programme');
  expect(title).toMatchObject({ lengthFrames: 120, onlyFrame: null, plane: 'premultiplied' });
  expect(title.values).toMatchObject({ name: 'Ilse Marrow', role: 'Pilot' });
  expect(title.fileStem).toBe('tideline-strap-ilse-marrow');
});

test('a still is one frame of the hold; fill and key are two files', () => {
  const values = { name: 'Ilse', role: 'Pilot' };
  const [still] = payloadOf({ values, name: 'My still!' }).titles;
  expect([still.fileStem, still.onlyFrame !== null && still.onlyFrame > 10]).toEqual(['my-still', true]);
  const pair = payloadOf({ values, output: 'mov-fill-key' }).titles.map(({ plane }) => plane);
  expect(pair).toEqual(['fill', 'key']);
});

test('the sample words of a design never go out: a required field that is not sent is told', () => {
  expect(() => payloadOf({ values: {} })).toThrow(/values, name \(.*\): needs words, found nothing/);
});

test.each([
  [{ values: { name: 7, role: 'x' } }, /values, name .*needs words, found 7/],
  [{ values: { name: ' ', role: 'x' } }, /values, name .*needs words/],
  [
    { values: { name: 'x', role: 'y', nobody: 'z' } },
    /needs fields of the template: name, role.*found "nobody"/,
  ],
  [{ values: { name: 'x', role: 'y' }, format: 'wide-9' }, /Order, format: needs .*one of wide-1080/],
  [{ values: { name: 'x', role: 'y' }, rate: '26' }, /Order, rate: needs .*one of/],
  [{ values: { name: 'x', role: 'y' }, output: 'mp4-h264' }, /without pictures of a programme/],
  [{ values: { name: 'x', role: 'y' }, output: 'apng', format: 'classic-576' }, /square pixels/],
  [{ values: {}, seconds: 1e9 }, /seconds/],
  [{ values: {}, shell: 'rm' }, /shell/],
])('%j is refused with what is wrong', (body, words) => {
  expect(() => payloadOf(body)).toThrow(words);
});

test('choices, colours, numbers, switches and pictures are checked as what they are', () => {
  const field = { help: '', required: false, section: '', automatic: null, targets: [] };
  const document: Template = {
    ...tidelineStrap,
    fields: [
      {
        ...field,
        id: 'mood',
        label: 'Mood',
        kind: 'choice',
        limits: { choices: [{ value: 'calm', label: 'Calm' }] },
      },
      { ...field, id: 'tint', label: 'Tint', kind: 'colour', limits: {} },
      { ...field, id: 'count', label: 'Count', kind: 'number', limits: {} },
      { ...field, id: 'on', label: 'On', kind: 'switch', limits: {} },
      { ...field, id: 'mark', label: 'Mark', kind: 'picture', limits: {} },
    ],
  };
  const good = { mood: 'calm', tint: '#1f6454', count: 4, on: false, mark: 'here' };
  const [title] = payloadOf({ values: good }, document).titles;
  expect('parts' in title ? null : title.values).toEqual(good);
  for (const [id, value, expected] of [
    ['mood', 'wild', 'one of calm'],
    ['tint', 'green', 'a colour such as'],
    ['count', '4', 'a number'],
    ['on', 'yes', 'true or false'],
    ['mark', 'gone', 'a picture that is here'],
  ])
    expect(() => payloadOf({ values: { ...good, [id]: value } }, document)).toThrow(expected);
});

test('everything that is wrong is told at once, and every demo template can be filled in', () => {
  expect(() => payloadOf({ values: { name: 1, role: 2 } })).toThrow(/name[^]*role/);
  for (const document of DEMO_TEMPLATES) {
    const values = Object.fromEntries(
      document.fields.filter(({ kind }) => kind === 'text' || kind === 'rows').map(({ id }) => [id, 'Words']),
    );
    expect(payloadOf({ values }, document).titles).toHaveLength(1);
  }
});
