import { beforeEach, describe, expect, test } from '@jest/globals';
import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { tidelineStrap } from '../../../../demo/templates';
import { FORMATS } from '@/core/frame/formats';
import { resolve } from '@/core/resolve/resolve';
import { toggleField } from '@/core/edit/editFields';
import type { Field, Layer, Template } from '@/core/model/template';
import { parseTemplate } from '@/core/model/templateSchema';
import { testTemplate, testText } from '@/core/testing';
import { AddFormat, OwnAreaRows } from '../wall/AddFormat';
import type { BenchForTest } from '../state/benchForTest';
import { BenchAround, createBench } from '../state/benchForTest';
import { CardPanel } from './CardPanel';

let bench: BenchForTest;
const template = (): Template => bench.store.getState().template;
const field = (label: string): Field => {
  const found = template().fields.find((one) => one.label === label);
  if (found === undefined) throw new Error(`no field ${label}`);
  return found;
};
const put = async (label: string, value: string): Promise<void> => {
  await userEvent.clear(screen.getByLabelText(label));
  await userEvent.type(screen.getByLabelText(label), `${value}{Enter}`);
};
const all = (label: string): Promise<void> =>
  userEvent.click(screen.getByRole('button', { name: `All about ${label}` }));
const valid = (): void => expect(parseTemplate(template())).toEqual(template());

beforeEach(() => {
  bench = createBench(tidelineStrap);
});
const openCard = (): void => {
  render(
    <BenchAround bench={bench} selection={[]}>
      <CardPanel valuesOf={() => ({})} onTry={() => undefined} />
    </BenchAround>,
  );
};

const WIDE = FORMATS.get('wide-1080');

describe('a field', () => {
  test('has a section, help and limits', async () => {
    openCard();
    await all('Role');
    await userEvent.type(screen.getByLabelText('Section of Role'), 'Who');
    await userEvent.clear(screen.getByLabelText('Help of Role'));
    await userEvent.type(screen.getByLabelText('Help of Role'), 'One line');
    await put('Most characters in Role', '24');
    await put('Most lines in Role', '2');
    await userEvent.selectOptions(screen.getByLabelText('What Role takes'), 'Capitals');
    expect(field('Role')).toMatchObject({
      section: 'Who',
      help: 'One line',
      limits: { maxLength: 24, maxLines: 2, allowed: 'capitals' },
    });
    valid();
  });

  test('can be a date that is written in a way of its own, and begin as the day of the clip', async () => {
    openCard();
    await all('Role');
    await userEvent.selectOptions(screen.getByLabelText('What Role is'), 'A date or time');
    await userEvent.selectOptions(screen.getByLabelText('How Role is written'), '09/05/26');
    await userEvent.selectOptions(
      screen.getByLabelText('What Role begins as'),
      'The date the clip was recorded',
    );
    expect(field('Role')).toMatchObject({ kind: 'date', automatic: 'date', limits: { pattern: 'dd/MM/yy' } });
    valid();
  });

  test('drives other properties of its kind too', async () => {
    openCard();
    await all('Panel colour');
    const drives = screen.getByLabelText('Panel colour drives too');
    const options = within(drives)
      .getAllByRole('option')
      .map((option) => option.textContent);
    expect(options.some((option) => /: reads$/.test(option ?? ''))).toBe(false);
    await userEvent.selectOptions(drives, 'Gold edge: fill');
    expect(field('Panel colour').targets).toHaveLength(2);
    const shown = resolve(template(), {
      format: WIDE,
      values: { [field('Panel colour').id]: '#123456' },
    }).template;
    const fills = shown.layers.flatMap((layer: Layer) => (layer.kind === 'box' ? [layer.fill] : []));
    expect(fills.filter((fill) => fill === '#123456')).toHaveLength(2);
    valid();
  });
});

describe('a choice that sets several things', () => {
  test('has named variants, each with what it sets', async () => {
    openCard();
    await userEvent.click(screen.getByRole('button', { name: '+ A choice that sets several things' }));
    await all('Variant 1');
    await userEvent.selectOptions(screen.getByLabelText('First sets'), 'Panel: fill');
    await userEvent.selectOptions(screen.getByLabelText('Second sets'), 'Panel: fill');
    const second = screen.getByRole('group', { name: 'Second' });
    const hex = within(second).getByLabelText('Panel: fill, hex');
    await userEvent.clear(hex);
    await userEvent.type(hex, '445566');
    valid();
    const { id, limits } = field('Variant 1');
    const [, other] = limits.choices ?? [];
    const shown = resolve(template(), { format: WIDE, values: { [id]: other.value } }).template;
    expect(shown.layers.find((layer) => layer.id === 'panel')).toMatchObject({ fill: '#445566' });
    expect(resolve(template(), { format: WIDE, values: { [id]: 'a' } }).template.layers).toEqual(
      template().layers,
    );
  });

  test('variants are added, named and taken out, but two stay', async () => {
    openCard();
    await userEvent.click(screen.getByRole('button', { name: '+ A choice that sets several things' }));
    await all('Variant 1');
    expect(screen.queryByRole('button', { name: /^Take out the variant/ })).toBeNull();
    await userEvent.click(screen.getByRole('button', { name: '+ Variant' }));
    await userEvent.type(screen.getByLabelText('Name of the variant Variant 3'), '!');
    expect(field('Variant 1').limits.choices?.map(({ label }) => label)).toEqual([
      'First',
      'Second',
      'Variant 3!',
    ]);
    await userEvent.click(screen.getByRole('button', { name: 'Take out the variant First' }));
    expect(field('Variant 1').limits.choices).toHaveLength(2);
    valid();
  });
});

describe('what is opened to editors', () => {
  test('has room for half as many words again, and for the lines that the text has or wraps into', () => {
    const long = 'A lock is only as good as the patience of the one who keeps it, and the river knows.';
    const made = toggleField(
      testTemplate([
        testText('quote', long, { whenLong: [{ kind: 'wrap', maxLines: 4 }] }),
        testText('lines', 'Second heat\nUpper weir'),
        testText('short', 'Noor'),
      ]),
      'quote',
      'text',
    );
    const opened = toggleField(toggleField(made, 'lines', 'text'), 'short', 'text');
    expect(opened.fields.map(({ limits }) => limits)).toEqual([
      { maxLength: 130, maxLines: 4 },
      { maxLength: 60, maxLines: 2 },
      { maxLength: 60 },
    ]);
  });
});

describe('formats', () => {
  const openFormats = (): void => {
    render(
      <BenchAround bench={bench} selection={[]}>
        <AddFormat />
        <OwnAreaRows />
      </BenchAround>,
    );
  };

  test('are added from those that are known, or in a size of one’s own', async () => {
    bench = createBench({ ...tidelineStrap, formats: ['wide-1080'] });
    openFormats();
    await userEvent.click(screen.getByRole('button', { name: '+ Add a format' }));
    await userEvent.click(screen.getByRole('button', { name: /^Tall 9:16/ }));
    await userEvent.click(screen.getByRole('button', { name: '+ Add a format' }));
    await put('Width of the format', '1000');
    await put('Height of the format', '2');
    await userEvent.click(screen.getByRole('button', { name: 'Add it' }));
    expect(template().formats).toHaveLength(3);
    expect(template().formats[1]).toBe('tall-1080');
    // No side is shorter than a picture can be.
    expect(template().formats[2]).toMatch(/1000x(?!2$)\d+/);
    valid();
  });

  test('may have a title-safe area of their own, which starts as the usual one', async () => {
    openFormats();
    await userEvent.click(screen.getByRole('checkbox', { name: /^Title safe of its own in/ }));
    expect(template().areas).toMatchObject([{ left: 0.05, top: 0.05 }]);
    await put('Title safe, left', '12');
    expect(template().areas[0].left).toBeCloseTo(0.12, 6);
    valid();
    await userEvent.click(screen.getByRole('checkbox', { name: /^Title safe of its own in/ }));
    expect(template().areas).toEqual([]);
  });
});
