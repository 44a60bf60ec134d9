import { beforeEach, describe, expect, test } from '@jest/globals';
import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { tidelineStrap } from '../../../../demo/templates';
import type { FieldValues, Layer, Template } from '@/core/model/template';
import { parseTemplate } from '@/core/model/templateSchema';
import type { BenchForTest } from '../state/benchForTest';
import { BenchAround, createBench } from '../state/benchForTest';
import { Settings } from './Settings';

let bench: BenchForTest;
beforeEach(() => {
  bench = createBench(tidelineStrap);
});
function Bench({ selected }: { readonly selected: string | null }) {
  const [values, setValues] = useState<FieldValues>({});
  return (
    <BenchAround bench={bench} selection={selected === null ? [] : [selected]}>
      <Settings valuesOf={() => values} onTry={(id, value) => setValues({ ...values, [id]: value })} />
    </BenchAround>
  );
}
const template = (): Template => bench.store.getState().template;
const layer = (id: string): Layer => bench.layer(id);
const pickMove = async (menu: string | RegExp, move: string): Promise<void> => {
  await userEvent.click(screen.getByRole('button', { name: menu }));
  await userEvent.click(screen.getByRole('button', { name: move, pressed: false }));
};
const tab = (name: string): Promise<void> => userEvent.click(screen.getByRole('tab', { name }));

describe('Type', () => {
  test('sets text, face, weight, case and colour, and every result is a valid template', async () => {
    render(<Bench selected="name" />);
    await userEvent.clear(screen.getByRole('textbox', { name: 'Text' }));
    await userEvent.type(screen.getByRole('textbox', { name: 'Text' }), 'Ode Pell');
    await userEvent.click(screen.getByRole('button', { name: 'Font: Barlow Condensed' }));
    await userEvent.click(screen.getByRole('option', { name: /Fraunces/ }));
    // Three weights have no room side by side.
    await userEvent.selectOptions(screen.getByRole('combobox', { name: 'Weight' }), 'Bold');
    await userEvent.click(screen.getByRole('radio', { name: 'CAPS' }));
    const name = layer('name');
    expect(name).toMatchObject({
      runs: [{ text: 'Ode Pell' }],
      style: { face: 'fraunces', weight: 700, letterCase: 'capitals' },
    });
    expect(parseTemplate(template())).toEqual(template());
  });

  test('offers only the weights that the face has', () => {
    render(<Bench selected="name" />);
    const names = within(screen.getByLabelText('Weight'))
      .getAllByRole('option')
      .map((option) => option.textContent);
    expect(names).toEqual(['Regular', 'Medium', 'Semibold', 'Bold']);
  });

  test('a leaf opens a property to editors and closes it again', async () => {
    render(<Bench selected="name" />);
    const leaf = screen.getByRole('button', { name: 'Size, open to editors' });
    expect(leaf).toHaveAttribute('aria-pressed', 'false');
    await userEvent.click(leaf);
    expect(leaf).toHaveAttribute('aria-pressed', 'true');
    expect(screen.getByText(/2 on this layer/)).toBeInTheDocument();
    expect(template().fields.at(-1)).toMatchObject({
      label: 'Name line, size',
      kind: 'number',
    });
    await userEvent.click(leaf);
    expect(template().fields).toHaveLength(3);
  });

  test('long text: steps are tried in the order of the designer, a cut always last', async () => {
    render(<Bench selected="name" />);
    // Its own controls, not a line of type.
    expect(screen.queryByLabelText('When long')).toBeNull();
    await userEvent.click(screen.getByRole('button', { name: /^When the text is long/ }));
    await userEvent.click(screen.getByRole('checkbox', { name: 'Cut' }));
    await userEvent.click(screen.getByRole('checkbox', { name: 'Wrap' }));
    const name = layer('name');
    expect(name.kind === 'text' && name.whenLong.map((step) => step.kind)).toEqual([
      'squeeze',
      'shrink',
      'wrap',
      'cut',
    ]);
    await userEvent.click(screen.getByRole('button', { name: 'Try wrap earlier' }));
    const again = layer('name');
    expect(again.kind === 'text' && again.whenLong.map((step) => step.kind)).toEqual([
      'squeeze',
      'wrap',
      'shrink',
      'cut',
    ]);
  });

  test('a shadow is switched on and off', async () => {
    render(<Bench selected="name" />);
    await userEvent.click(screen.getByRole('button', { name: /^Edges and shadows/ }));
    await userEvent.click(screen.getByRole('button', { name: 'Shadow' }));
    expect(layer('name').look.shadows).toHaveLength(1);
    await userEvent.click(screen.getByRole('button', { name: 'Take out shadow' }));
    expect(layer('name').look.shadows).toEqual([]);
  });
});

describe('Place', () => {
  test('attaches to areas and to layers that do not wait for this one', async () => {
    render(<Bench selected="name" />);
    await tab('Place');
    const names = within(screen.getByLabelText('Attached to'))
      .getAllByRole('option')
      .map((option) => option.textContent);
    // Role, edge and panel hang on the name, so they are not offered.
    expect(names).toEqual(['Title safe', 'Action safe', 'The frame', 'Centre cut']);
    await userEvent.selectOptions(screen.getByLabelText('Attached to'), 'The frame');
    await userEvent.click(
      within(screen.getByRole('radiogroup', { name: 'Anchor of the target' })).getByRole('radio', {
        name: 'Centre',
      }),
    );
    expect(layer('name').place).toMatchObject({ target: { kind: 'frame' }, targetPoint: 'centre' });
  });

  test('says why a panel that encloses has no place of its own, and sets its paddings', async () => {
    render(<Bench selected="panel" />);
    await tab('Place');
    expect(screen.getByText(/lies where the layers lie that it encloses/)).toBeInTheDocument();
    expect(screen.getByRole('checkbox', { name: 'Name line' })).toBeChecked();
    const left = screen.getByLabelText('Pad left');
    await userEvent.clear(left);
    await userEvent.type(left, '*2{Enter}');
    expect(layer('panel')).toMatchObject({ padding: { leftU: 60 } });
  });

  test('a box can have a fixed size or that of another layer', async () => {
    render(<Bench selected="edge" />);
    await tab('Place');
    await userEvent.selectOptions(screen.getByLabelText('Height'), 'Fixed');
    expect(layer('edge')).toMatchObject({ height: { kind: 'fixed' } });
    await userEvent.selectOptions(screen.getByLabelText('Height'), 'Same as Name line');
    expect(layer('edge')).toMatchObject({ height: { kind: 'matches', layerId: 'name' } });
  });
});

describe('Motion', () => {
  test('picks a move, a unit and an order; a move of its own replaces the mirrored out', async () => {
    render(<Bench selected="name" />);
    await tab('Motion');
    await pickMove(/^Move in: /, 'Slide');
    await userEvent.selectOptions(screen.getByLabelText('Animate by, in'), 'Letter');
    await userEvent.selectOptions(screen.getByLabelText('Order in'), 'From the centre');
    await userEvent.click(screen.getByRole('radio', { name: 'Its own moves' }));
    await pickMove(/^Move out: /, 'Fade');
    await pickMove('Add a move to the hold', 'Shimmer');
    expect(layer('name').motion).toMatchObject({
      in: [{ move: 'slide', unit: 'letter', order: 'centre', params: { distanceU: 60 } }],
      hold: [{ move: 'shimmer' }],
      out: [{ move: 'fade' }],
    });
    expect(parseTemplate(template())).toEqual(template());
  });

  test('offers a panel only what can be done to one', async () => {
    render(<Bench selected="panel" />);
    await tab('Motion');
    await userEvent.click(screen.getByRole('button', { name: /^Move in: / }));
    expect(screen.getByRole('button', { name: 'Iris' })).toBeInTheDocument();
    for (const move of ['Count up', 'Type on', 'Tracking opens'])
      expect(screen.queryByRole('button', { name: move })).toBeNull();
    await userEvent.type(screen.getByLabelText('Find a move'), 'wipe');
    expect(screen.queryByRole('button', { name: 'Iris' })).toBeNull();
    await userEvent.click(screen.getByRole('button', { name: 'Wipe with a soft edge' }));
    expect(layer('panel').motion.in).toMatchObject([{ move: 'wipe', unit: 'layer' }]);
  });

  test('a second move acts with the first, a way out of its own starts from the in, and moves go again', async () => {
    render(<Bench selected="name" />);
    await tab('Motion');
    await pickMove('Add a move to the in', 'Glint');
    expect(layer('name').motion.in.map((use) => use.move)).toEqual(['rise', 'glint']);
    await userEvent.click(screen.getByRole('radio', { name: 'Its own moves' }));
    const { out } = layer('name').motion;
    // The rise ends 0.15 s before its second is over, so its way out begins that much (of 0.8 s) after the out does.
    expect(out).toMatchObject([{ move: 'rise', startSeconds: expect.closeTo(0.12, 5) }, { move: 'glint' }]);
    await userEvent.click(screen.getByRole('button', { name: 'Take away Glint, in 2' }));
    expect(layer('name').motion.in.map((use) => use.move)).toEqual(['rise']);
    expect(parseTemplate(template())).toEqual(template());
  });

  test('a layer stands in depth, has a shutter for all layers, time of its own and a matte', async () => {
    render(<Bench selected="name" />);
    await tab('Motion');
    for (const section of ['Depth and motion blur', 'Own time', 'Matte'])
      await userEvent.click(screen.getByRole('button', { name: new RegExp(`^${section}`) }));
    const put = async (label: string, value: string): Promise<void> => {
      await userEvent.clear(screen.getByLabelText(label));
      await userEvent.type(screen.getByLabelText(label), `${value}{Enter}`);
    };
    await put('Turn in depth', '35');
    await put('Shutter', '180');
    await userEvent.click(screen.getByRole('button', { name: 'The same shutter for all layers' }));
    await userEvent.selectOptions(screen.getByLabelText('Own time'), 'Loop');
    await put('How long the content of the hold is', '0.5');
    await userEvent.selectOptions(screen.getByLabelText('Matte'), 'Panel');
    await userEvent.click(screen.getByLabelText(/^Inverted/));
    expect(layer('name')).toMatchObject({
      motion: { turnY: 35, shutterDegrees: 180, retime: { kind: 'loop', within: 'hold', spanSeconds: 0.5 } },
      matte: { layerId: 'panel', by: 'alpha', inverted: true },
    });
    expect(layer('panel').motion.shutterDegrees).toBe(180);
    expect(parseTemplate(template())).toEqual(template());
  });

  test('units wait for marks, follow by numbers, at a fixed delay, and turn about a point', async () => {
    render(<Bench selected="name" />);
    await tab('Motion');
    await userEvent.selectOptions(screen.getByLabelText('Order in'), 'By numbers');
    await userEvent.type(screen.getByLabelText('Ranks in'), '2 1');
    await userEvent.click(screen.getByRole('button', { name: 'Advanced' }));
    await userEvent.click(screen.getByLabelText('Fixed delay in'));
    await userEvent.selectOptions(screen.getByLabelText('Turns about, in'), 'Its baseline');
    await userEvent.click(screen.getByLabelText('Each waits for its mark, in'));
    expect(layer('name').motion.in).toMatchObject([
      { order: 'custom', ranks: [1, 0], gapSeconds: 0.08, pivot: 'baseline', waits: true },
    ]);
    expect(parseTemplate(template())).toEqual(template());
  });

  test('a move never leaves its column', async () => {
    render(<Bench selected="name" />);
    await tab('Motion');
    const length = screen.getByLabelText('Length in');
    await userEvent.clear(length);
    await userEvent.type(length, '5{Enter}');
    expect(layer('name').motion.in).toMatchObject([{ startSeconds: 0, lengthSeconds: 1 }]);
  });
});

describe('Card', () => {
  test('names fields, says which are needed, limits them and closes them', async () => {
    render(<Bench selected={null} />);
    await tab('Card');
    const label = screen.getByLabelText('Name of the field for Role line: text');
    await userEvent.clear(label);
    expect(template().fields[1].label).not.toBe('');
    await userEvent.type(label, '{Control>}a{/Control}Function');
    await userEvent.click(screen.getAllByRole('checkbox', { name: 'needed' })[1]);
    await userEvent.click(screen.getByRole('button', { name: 'Close Panel colour to editors' }));
    const { fields } = template();
    expect(fields).toHaveLength(2);
    expect(fields[1]).toMatchObject({ required: true });
  });

  test('words that are tried leave the design as it is', async () => {
    render(<Bench selected={null} />);
    await tab('Card');
    await userEvent.type(screen.getByRole('textbox', { name: 'Role' }), '!');
    expect(screen.getByRole('textbox', { name: 'Role' })).toHaveValue('Lockkeeper, Osier Reach!');
    expect(template()).toBe(tidelineStrap);
  });
});

test('with no layer chosen the settings say what to do', () => {
  render(<Bench selected={null} />);
  expect(screen.getByText(/Pick a layer in the picture or in the timeline/)).toBeInTheDocument();
});
