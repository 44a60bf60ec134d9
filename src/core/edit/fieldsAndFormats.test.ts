import { describe, expect, test } from '@jest/globals';
import { heatBoard } from '../../../demo/heatBoard';
import { logoCorner } from '../../../demo/logoCorner';
import { slateCorner } from '../../../demo/slateCorner';
import { tidelineStrap } from '../../../demo/templates';
import { FORMATS } from '../frame/formats';
import { safeArea } from '../frame/safeAreas';
import { clockOf } from '../time/clock';
import { RATES } from '../time/rates';
import { designValue, writeDate } from '../resolve/fieldValue';
import { resolve } from '../resolve/resolve';
import { withOwnAreas } from '../resolve/settings';
import { airValues } from '../resolve/automatic';
import { addVariants, driveBy, fieldOf, toggleField } from './editFields';
import { nudgeIn, setPropertyIn } from './editInFormat';
import { clearOverride, overrideFor, setOverride } from './editOverrides';
import { setProperty } from './editTemplate';
import type { Clip, Title } from '../model/project';
import { newClip, newTitle } from '../model/project';
import { removeLayer } from './removeLayer';
import { sampleValues } from './sampleTexts';
import type { Field, FieldValues, Layer, Template } from '../model/template';
import { plainText } from '../model/template';
import { parseTemplate } from '../model/templateSchema';

const layer = (template: Template, id: string): Layer => {
  const found = template.layers.find((one) => one.id === id);
  if (found === undefined) throw new Error(`no layer ${id}`);
  return found;
};
const reads = (template: Template, id: string): string => {
  const found = layer(template, id);
  return found.kind === 'text' ? plainText(found) : '';
};
const WIDE = FORMATS.get('wide-1080');
const withValues = (template: Template, values: FieldValues): Template =>
  resolve(template, { format: WIDE, values }).template;
const TALL = FORMATS.get('tall-1080');

describe('one field', () => {
  test('can drive many properties, and leaves the field that drove one before', () => {
    const both = driveBy(tidelineStrap, 'panel-colour', 'edge', 'fill');
    const applied = withValues(both, { 'panel-colour': '#123456' });
    expect(layer(applied, 'panel')).toMatchObject({ fill: '#123456' });
    expect(layer(applied, 'edge')).toMatchObject({ fill: '#123456' });
    const moved = driveBy(toggleField(tidelineStrap, 'edge', 'fill'), 'panel-colour', 'edge', 'fill');
    expect(moved.fields).toHaveLength(tidelineStrap.fields.length);
    expect(fieldOf(moved, 'edge', 'fill')?.id).toBe('panel-colour');
    expect(parseTemplate(moved)).toEqual(moved);
  });

  test('closed on one property keeps driving the others', () => {
    const both = driveBy(tidelineStrap, 'panel-colour', 'edge', 'fill');
    const closed = toggleField(both, 'panel', 'fill');
    expect(fieldOf(closed, 'edge', 'fill')?.id).toBe('panel-colour');
    expect(fieldOf(closed, 'panel', 'fill')).toBeUndefined();
  });

  test('can be a choice of variants that set several things at once', () => {
    const left = withValues(logoCorner, { side: 'left' });
    expect(layer(left, 'ring').place).toMatchObject({ point: 'topLeft', targetPoint: 'topLeft' });
    expect(layer(left, 'word').place).toMatchObject({ point: 'left', targetPoint: 'right', dxU: 16 });
    const side = logoCorner.fields.find((field) => field.id === 'side');
    expect(side && designValue(logoCorner, side)).toBe('right');
    const begun = addVariants(tidelineStrap);
    expect(parseTemplate(begun)).toEqual(begun);
  });

  test('loses what it set on a layer that is removed, and goes when nothing is left', () => {
    const without = removeLayer(removeLayer(logoCorner, 'ring'), 'word');
    expect(without.fields.map((field) => field.id)).toEqual([]);
    expect(parseTemplate(without)).toEqual(without);
  });

  test('bound to a layer that is gone is refused by name', () => {
    const broken = { ...tidelineStrap, layers: tidelineStrap.layers.filter((one) => one.id !== 'role') };
    expect(() =>
      parseTemplate({
        ...broken,
        layers: broken.layers.map((one) => (one.kind === 'box' ? { ...one, encloses: ['name'] } : one)),
      }),
    ).toThrow(/field "Role": needs a layer of this template, found "role"/);
  });
});

describe('what is typed is limited', () => {
  const limited = (limits: Field['limits'], kind: Field['kind'] = 'text'): Template => ({
    ...tidelineStrap,
    fields: [{ ...tidelineStrap.fields[0], kind, limits }],
  });

  test.each([
    [{ maxLength: 4 }, 'Bartholomew', 'Bart'],
    [{ maxLines: 2 }, 'a\nb\nc', 'a\nb'],
    [{ allowed: 'figures' as const }, 'Heat 2: 4.12', ' 2: 4.12'],
    [{ allowed: 'letters' as const }, 'Ode 4 Pell', 'Ode  Pell'],
    [{ allowed: 'capitals' as const }, 'straße', 'STRASSE'],
  ])('%j turns %j into %j', (limits, typed, kept) => {
    expect(reads(withValues(limited(limits), { name: typed }), 'name')).toBe(kept);
  });

  test.each([
    ['2026-05-09', 'd MMMM yyyy', '9 May 2026'],
    ['2026-05-09T14:20', 'HH:mm', '14:20'],
    ['low water', 'd MMMM yyyy', 'low water'],
    ['', 'd MMMM yyyy', ''],
    ['2026-05-09', 'not a pattern n', '2026-05-09'],
  ])('a date %j written as %j reads %j', (iso, pattern, written) => {
    expect(writeDate(iso, pattern)).toBe(written);
    expect(reads(withValues(limited({ pattern }, 'date'), { name: iso }), 'name')).toBe(written);
  });
});

describe('automatic fields', () => {
  const clips: Clip[] = [
    newClip({
      id: 'c',
      picture: 'weir',
      startFrame: 100,
      lengthFrames: 50,
      place: 'Upper Weir',
      recordedAt: '2026-05-09',
    }),
  ];
  const title = (startFrame: number, values: Title['values'] = {}): Title =>
    newTitle({ id: 't', editionId: 'e', startFrame, lengthFrames: 50, lane: 0, values });
  const context = { projectName: 'Regatta', clock: clockOf(RATES.get('25')), clips, number: 7 };

  test('are filled from the clip that the title starts over, until somebody types', () => {
    expect(airValues(slateCorner, title(120), context)).toEqual({
      place: 'Upper Weir',
      date: '2026-05-09',
    });
    expect(airValues(slateCorner, title(120, { place: 'The weir' }), context)).toMatchObject({
      place: 'The weir',
    });
    expect(airValues(slateCorner, title(120, { date: '' }), context)).toMatchObject({ date: '' });
  });

  test('are empty where no clip says anything: the design’s words are a sample, never sent to air', () => {
    const values = airValues(slateCorner, title(10), context);
    expect(values).toEqual({ place: '', date: '' });
    expect(reads(withValues(slateCorner, values), 'place')).toBe('');
  });

  test('and any other go to air with their default words where they have some, and nobody typed', () => {
    const fields = slateCorner.fields.map((field) =>
      field.id === 'place' ? { ...field, automatic: null, defaultWords: 'Osier' } : field,
    );
    const template = { ...slateCorner, fields };
    expect(airValues(template, title(120), context)).toMatchObject({ place: 'Osier' });
    expect(airValues(template, title(120, { place: '' }), context)).toMatchObject({ place: '' });
    expect(airValues(template, title(120, { place: 'The weir' }), context)).toMatchObject({
      place: 'The weir',
    });
  });

  test('what is no words keeps what the design says', () => {
    const colour = tidelineStrap.fields.filter(({ kind }) => kind === 'colour');
    expect(colour.length).toBeGreaterThan(0);
    expect(airValues({ ...tidelineStrap, fields: colour }, title(10), context)).toEqual({});
  });

  test.each([
    ['project', 'Regatta'],
    ['number', '7'],
    ['timecode', '00:00:04:20'],
  ] as const)('from the %s say %j', (automatic, says) => {
    const [field] = slateCorner.fields;
    const template = { ...slateCorner, fields: [{ ...field, automatic }] };
    expect(airValues(template, title(120), context)).toEqual({ place: says });
  });
});

describe('a format', () => {
  const scope = { kind: 'format', id: 'tall-1080' } as const;

  test('can have a property otherwise; what it has itself counts before what its shape has', () => {
    const shape = setOverride(tidelineStrap, { kind: 'shape', id: 'tall' }, 'name', 'style.sizeU', 60);
    const both = setOverride(shape, scope, 'name', 'style.sizeU', 50);
    const size = (template: Template): number => {
      const name = layer(template, 'name');
      return name.kind === 'text' ? name.style.sizeU : 0;
    };
    expect(size(resolve(both, { format: TALL }).template)).toBe(50);
    expect(size(resolve(both, { format: WIDE }).template)).toBe(84);
    const held = overrideFor(both, TALL, 'name', 'style.sizeU');
    expect(held?.scope.kind).toBe('format');
    const cleared = held === undefined ? both : clearOverride(both, held);
    expect(size(resolve(cleared, { format: TALL }).template)).toBe(60);
    expect(parseTemplate(both)).toEqual(both);
  });

  test('changes for all formats go to what the format that is looked at already has otherwise', () => {
    const held = setOverride(tidelineStrap, scope, 'name', 'place.dyU', -300);
    const changed = setPropertyIn(held, { format: TALL, scope: null }, 'name', 'place.dyU', -200);
    expect(layer(changed, 'name').place.dyU).toBe(-74);
    expect(overrideFor(changed, TALL, 'name', 'place.dyU')?.value).toBe(-200);
    const plain = setPropertyIn(held, { format: WIDE, scope: null }, 'name', 'place.dyU', -200);
    expect(layer(plain, 'name').place.dyU).toBe(-200);
  });

  test('nudges where the change is made, from where the layer is seen', () => {
    const held = setOverride(tidelineStrap, scope, 'name', 'place.dyU', -300);
    const nudged = nudgeIn(held, { format: TALL, scope }, 'name', 5, -10);
    expect(overrideFor(nudged, TALL, 'name', 'place.dyU')?.value).toBe(-310);
    expect(overrideFor(nudged, TALL, 'name', 'place.dxU')?.value).toBe(35);
    expect(layer(nudged, 'name').place).toMatchObject({ dxU: 30, dyU: -74 });
  });

  test('words of an editor count before what the format has otherwise', () => {
    const held = setOverride(tidelineStrap, scope, 'name', 'text', 'Tall words');
    expect(reads(resolve(held, { format: TALL }).template, 'name')).toBe('Tall words');
    expect(reads(resolve(held, { format: TALL, values: { name: 'Typed' } }).template, 'name')).toBe('Typed');
  });

  test('can have a title-safe area of its own, uneven too', () => {
    const areas = [{ format: 'tall-1080', left: 0.1, top: 0.2, right: 0.05, bottom: 0.25 }];
    const own = withOwnAreas({ ...tidelineStrap, areas }, TALL);
    expect(safeArea(own, 'titleSafe')).toMatchObject({ x: 108, y: 384 });
    expect(safeArea(withOwnAreas({ ...tidelineStrap, areas }, WIDE), 'titleSafe')).toMatchObject({ x: 96 });
  });
});

describe('formats of one’s own', () => {
  test.each([
    ['custom-2560x1080', 'ultra'],
    ['custom-1920x1080', 'wide'],
    ['custom-1000x800', 'classic'],
    ['custom-900x900', 'square'],
    ['custom-608x1080', 'tall'],
  ])('%s is laid out as %s', (id, shape) => expect(FORMATS.find(id)?.shape).toBe(shape));

  test.each(['custom-10x1080', 'custom-9000x1080', 'custom-1920', 'custom--5x5', 'cinema'])(
    '%s is no format',
    (id) => expect(FORMATS.find(id)).toBeUndefined(),
  );

  test('the centre cut is the middle that a 4:3 screen shows, the whole of what is not wider', () => {
    expect(safeArea(WIDE, 'centreCut')).toMatchObject({ x: 240, width: 1440 });
    expect(safeArea(TALL, 'centreCut')).toMatchObject({ x: 0, width: 1080 });
  });
});

describe('sample texts', () => {
  test('fill rows with as many cells as the list has columns', () => {
    for (const id of ['short', 'long', 'arabic', 'hindi']) {
      const rows = String(sampleValues(heatBoard, id).boats).split('\n');
      expect(rows.every((row) => row.split('\t').length === 3)).toBe(true);
    }
  });

  test('try whole sentences where a field takes them', () => {
    const quote = { ...tidelineStrap.fields[0], limits: { maxLength: 180 } };
    const values = sampleValues({ ...tidelineStrap, fields: [quote] }, 'long');
    expect(String(values.name).length).toBeGreaterThan(100);
  });
});

test('a document of version 1 is brought up to date and is valid', () => {
  const { overrides: _, areas: _areas, guides: _guides, ...rest } = tidelineStrap;
  const old = {
    ...rest,
    version: 1,
    layers: tidelineStrap.layers.map((one) => {
      const { look, finish: _finish, ...layer1 } = one;
      const { rotateDegrees: _r, scaleX: _x, scaleY: _y, keepInside: _k, pin: _p, ...place } = one.place;
      const shadow = look.shadows[0] ?? null;
      const bare = shadow && {
        angleDegrees: 90,
        distanceU: shadow.distanceU,
        softnessU: shadow.softnessU,
        colour: shadow.colour,
        opacity: shadow.opacity,
      };
      if (one.kind === 'text') {
        const { shift: _s, figures: _f, ligatures: _l, fractions: _fr, ...style } = one.style;
        const { columnU: _c, balanced: _b, highlight: _h, ...text } = one;
        const { look: _lk, finish: _fn, ...base } = text;
        return { ...base, style, place, shadow: bare };
      }
      if (one.kind !== 'box') return layer1;
      const { shape: _sh, limits: _lm, look: _lk, finish: _fn, ...base } = one;
      return { ...base, place, shadow: bare, radiusU: 0, outline: { widthU: 2, colour: '#ffffff' } };
    }),
    fields: tidelineStrap.fields.map(({ section: _s, automatic: _a, ...field }) => field),
  };
  const upgraded = parseTemplate(old);
  expect(layer(upgraded, 'panel').look.shadows[0]).toMatchObject({ kind: 'drop', softnessU: 28, spreadU: 0 });
  expect(layer(upgraded, 'panel').look.outlines).toEqual([
    { side: 'centre', widthU: 2, colour: '#ffffff', opacity: 1 },
  ]);
  expect(setProperty(upgraded, 'panel', 'radiusU', 8).layers[3]).toMatchObject({
    shape: { radiiU: [8, 8, 8, 8] },
  });
});
