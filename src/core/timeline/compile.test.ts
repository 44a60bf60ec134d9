import { beforeAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { DEMO_TEMPLATES, tidelineStrap } from '../../../demo/templates';
import { serverFonts } from '../../server/fontFiles';
import type { DisplayItem, DisplayList } from '../display/list';
import { sameDisplayList } from '../display/list';
import type { Template } from '../model/template';
import { FORMATS } from '../frame/formats';
import { safeArea } from '../frame/safeAreas';
import { containsRect } from '../kit/rect';
import { FIRST_SHADOW, PLAIN_LOOK } from '../model/look';
import { newCreditsLayer, newRowsLayer } from '../model/newLayers';
import { place, testBox, testTemplate, testText } from '../testing';
import type { FontLibrary } from '../text/fontLibrary';
import { frameToSeconds, RATES } from '../time/rates';
import type { CompiledTitle } from './compile';
import { compile } from './compile';
import { designFrames, stretchTiming } from '../titleTime/stretch';

let fonts: FontLibrary;
beforeAll(async () => {
  fonts = await serverFonts();
});

const rate = RATES.get('25');
const wide = FORMATS.get('wide-1080');
const open = (template: Template, values = {}): CompiledTitle => compile(template, values, wide, fonts);
const at = (title: CompiledTitle, template: Template, frame: number, length?: number): DisplayList => {
  const timing = stretchTiming(template.timing, length ?? designFrames(template.timing, rate), rate);
  return title.frame(frameToSeconds(frame, rate), timing);
};
const kinds = (items: readonly DisplayItem[]): string[] => items.map((item) => item.kind);

describe('a frame', () => {
  test('depends on nothing but its time: asked in any order it is the same', () => {
    const one = open(tidelineStrap);
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 144 }), { minLength: 1, maxLength: 12 }), (frames) => {
        for (const frame of frames) {
          const again = at(one, tidelineStrap, frame);
          expect(sameDisplayList(again, at(one, tidelineStrap, frame))).toBe(true);
        }
        const fresh = open(tidelineStrap);
        const [first] = frames;
        expect(JSON.stringify(at(fresh, tidelineStrap, first))).toBe(
          JSON.stringify(at(one, tidelineStrap, first)),
        );
      }),
      { numRuns: 20 },
    );
  });

  // Credits go by in all of the time there is.
  const inAndOut = DEMO_TEMPLATES.filter(({ layers }) => layers.every(({ kind }) => kind !== 'credits'));
  test.each(inAndOut.map((t) => [t.name, t] as const))(
    '%s has the same in and out at any length',
    (_name, template) => {
      const title = open(template);
      const design = designFrames(template.timing, rate);
      const { inFrames, outFrames } = stretchTiming(template.timing, design, rate);
      // Lines that replace one another come sooner where there is no hold for them.
      const chained = template.layers.some((layer) => layer.kind === 'rows' && layer.chain != null);
      const shortest = chained ? [] : [inFrames + outFrames];
      for (const length of [...shortest, design + 1, design * 3, 1500]) {
        for (let frame = 0; frame < inFrames; frame++) {
          expect(sameDisplayList(at(title, template, frame, length), at(title, template, frame))).toBe(true);
        }
        // Water, sparks and lights go on by the title's own time, so only what is at rest goes the same way.
        const moves = template.layers.some((one) => ['backdrop', 'particles', 'light'].includes(one.kind));
        for (let back = 1; back <= outFrames && !moves; back++) {
          const stretched = JSON.stringify(at(title, template, length - back, length), roundNumbers);
          expect(stretched).toBe(JSON.stringify(at(title, template, design - back), roundNumbers));
        }
      }
    },
  );

  test('of the hold is always the same picture', () => {
    const title = open(tidelineStrap);
    const first = at(title, tidelineStrap, 26, 200);
    for (const frame of [40, 90, 150, 179])
      expect(sameDisplayList(first, at(title, tidelineStrap, frame, 200))).toBe(true);
  });

  test('at the very start shows nothing yet, and at the very end nothing more', () => {
    // Captions are there at once and gone at once; what squeezes the programme is the whole frame first and last.
    const comes = ({ kind, layers }: Template): boolean =>
      kind !== 'caption' && layers.every((layer) => layer.kind !== 'programme');
    for (const template of DEMO_TEMPLATES.filter(comes)) {
      const title = open(template);
      expect(at(title, template, 0).items).toEqual([]);
      expect(at(title, template, designFrames(template.timing, rate)).items).toEqual([]);
      expect(at(title, template, designFrames(template.timing, rate) + 1).items).toEqual([]);
    }
  });
});

// Times far from zero carry rounding errors of 1e-13; a ten-thousandth of a pixel is nothing.
function roundNumbers(_key: string, value: unknown): unknown {
  return typeof value === 'number' ? Math.round(value * 1e4) / 1e4 : value;
}

describe('layers', () => {
  test('that are higher in the list are painted later', () => {
    const template = testTemplate([
      testBox('near', { fill: '#111111' }),
      testBox('far', { fill: '#222222' }),
    ]);
    const items = at(open(template), template, 10).items;
    expect(
      items.map((item) => (item.kind === 'fill' && item.paint.kind === 'solid' ? item.paint.colour : '')),
    ).toEqual(['#222222', '#111111']);
  });

  test('that are hidden, transparent or empty are not painted', () => {
    const template = testTemplate([
      testBox('a', { visible: false }),
      testBox('b', { opacity: 0 }),
      testText('c', '  '),
    ]);
    expect(at(open(template), template, 10).items).toEqual([]);
  });

  test('with an outline fade as one, so that the edge does not show through', () => {
    const template = testTemplate([
      testBox('a', {
        opacity: 0.5,
        look: { ...PLAIN_LOOK, outlines: [{ side: 'centre', widthU: 4, colour: '#ffffff', opacity: 1 }] },
      }),
    ]);
    const [item] = at(open(template), template, 10).items;
    expect(item).toMatchObject({ kind: 'group', opacity: 0.5 });
    expect(item.kind === 'group' && kinds(item.items)).toEqual(['fill', 'stroke']);
  });

  test('with a shadow have it underneath', () => {
    const shadow = { ...FIRST_SHADOW, distanceU: 10, softnessU: 8, opacity: 0.5 };
    const template = testTemplate([testBox('a', { look: { ...PLAIN_LOOK, shadows: [shadow] } })]);
    const items = at(open(template), template, 10).items;
    expect(kinds(items)).toEqual(['shadow', 'fill']);
    expect(items[0]).toMatchObject({ offsetPx: { x: 0, y: 10 }, blurPx: 2, opacity: 0.5 });
  });

  test('box edges land on whole pixels', () => {
    const template = testTemplate([
      testBox('a', {
        place: place({ dxU: 10.3, dyU: 20.6 }),
      }),
    ]);
    const [item] = at(open(template), template, 10).items;
    const coords = item.kind === 'fill' ? item.outline.coords : [];
    expect(coords.every((value) => Math.abs(value - Math.round(value)) < 1e-9)).toBe(true);
  });
});

describe('values', () => {
  test('replace the design’s words, within the field’s limits', () => {
    const long = open(tidelineStrap, { name: 'x'.repeat(500) });
    const forty = open(tidelineStrap, { name: 'x'.repeat(40) });
    expect(long.boxes.get('name')?.width).toBeCloseTo(forty.boxes.get('name')?.width ?? 0, 6);
  });

  test('that are empty close the title up', () => {
    const both = open(tidelineStrap, {});
    const one = open(tidelineStrap, { role: '' });
    expect(one.boxes.has('role')).toBe(false);
    expect(one.boxes.get('panel')?.height).toBeLessThan(both.boxes.get('panel')?.height ?? 0);
  });

  test('colours reach what they open, and nonsense leaves the design as it was', () => {
    const paint = (values: Record<string, string>): unknown => {
      const title = open(tidelineStrap, values);
      return at(title, tidelineStrap, 60).items.find((item) => item.kind === 'fill');
    };
    expect(paint({ 'panel-colour': '#6d2a2c' })).toMatchObject({ paint: { colour: '#6d2a2c' } });
    expect(paint({ 'panel-colour': 'url(x)' })).toMatchObject({ paint: { colour: '#10303c' } });
  });
});

test('a face that is not here is named, and another stands in', () => {
  const text = testText('a', 'Osier');
  const template = testTemplate([{ ...text, style: { ...text.style, face: 'no-such-face' } }]);
  const title = open(template);
  expect(title.notes).toEqual([expect.objectContaining({ kind: 'unknownFace', layerId: 'a' })]);
  expect(title.boxes.get('a')?.width).toBeGreaterThan(10);
});

test('so it is in lists and credits, where it is named once', () => {
  const rows = newRowsLayer('rows', 'Rows');
  const [first, ...others] = rows.columns;
  const credits = newCreditsLayer('credits', 'Credits');
  const lost = { ...credits.styles.name, face: 'no-such-face' };
  const template = testTemplate([
    { ...rows, columns: [{ ...first, style: { ...first.style, face: 'no-such-face' } }, ...others] },
    { ...credits, styles: { ...credits.styles, role: lost, name: lost } },
  ]);
  expect(open(template).notes.map(({ kind, layerId }) => [kind, layerId])).toEqual([
    ['unknownFace', 'rows'],
    ['unknownFace', 'credits'],
  ]);
});

test.each(DEMO_TEMPLATES.map((t) => [t.name, t] as const))(
  'the texts of %s keep inside title safe in every format, long and in other scripts',
  (_name, template) => {
    for (const format of FORMATS.list) {
      for (const words of ['Bartholomew Quillfeather-Oduya', 'نور الهلالي', 'सीमा घाटे', 'X']) {
        const values = Object.fromEntries(
          template.fields.filter((f) => f.kind === 'text').map((f) => [f.id, words]),
        );
        const title = compile(template, values, format, fonts);
        for (const layer of template.layers) {
          const box = title.boxes.get(layer.id);
          if (layer.kind !== 'text' || box === undefined) continue;
          expect({
            format: format.id,
            layer: layer.id,
            words,
            inside: containsRect(safeArea(format, 'titleSafe'), box, 0.5),
          }).toMatchObject({ inside: true });
        }
      }
    }
  },
);
