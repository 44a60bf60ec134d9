import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { DEMO_TEMPLATES, openingLockup, tidelineStrap } from '../../../demo/templates';
import { testBox, testTemplate, testText } from '../testing';
import {
  addBackdrop,
  addBox,
  addCopy,
  addGroup,
  addLight,
  addParticles,
  addPicture,
  addRows,
  addStack,
  addText,
  freeId,
} from './addLayer';
import type { Added, AddedPicture } from './addLayer';
import type { Template } from '../model/template';
import { parseTemplate } from '../model/templateSchema';

const ids = ({ layers }: Template): string[] => layers.map(({ id }) => id);
const layerOf = ({ template, layerId }: Added) => template.layers.find(({ id }) => id === layerId);
const THREE = testTemplate([testText('a', 'A'), testText('b', 'B'), testBox('c')]);

const picture = (more: Partial<AddedPicture> = {}): AddedPicture => ({
  id: 'asset',
  name: 'leaf.png',
  widthPx: 300,
  heightPx: 200,
  ownWidth: 300,
  ownHeight: 200,
  ...more,
});

describe('a new layer', () => {
  test('has the first free number of its kind', () => {
    expect(freeId([{ id: 'text-1' }, { id: 'text-3' }], 'text')).toEqual({ id: 'text-2', number: 2 });
    const once = addText(THREE);
    const twice = addText(once.template);
    expect([once.layerId, twice.layerId]).toEqual(['text-1', 'text-2']);
    expect(layerOf(twice)?.name).toBe('Text 2');
  });

  test.each([
    ['text', addText],
    ['rows', addRows],
    ['particles', addParticles],
    ['light', addLight],
    ['picture', (template: Template) => addPicture(template, picture())],
  ])('%s lies on top', (kind, add) => {
    const added = add(THREE);
    expect(ids(added.template)[0]).toBe(added.layerId);
    expect(layerOf(added)?.kind).toBe(kind);
  });

  test('a background lies below everything', () => {
    const added = addBackdrop(THREE);
    expect(ids(added.template).at(-1)).toBe(added.layerId);
  });

  test('a box goes right under what it encloses, or on top', () => {
    expect(ids(addBox(THREE, ['a']).template)).toEqual(['a', 'box-1', 'b', 'c']);
    expect(ids(addBox(THREE, ['a', 'b']).template)).toEqual(['a', 'b', 'box-1', 'c']);
    expect(ids(addBox(THREE, []).template)).toEqual(['box-1', 'a', 'b', 'c']);
    expect(layerOf(addBox(THREE, ['a']))).toMatchObject({ kind: 'box', encloses: ['a'], name: 'Panel 1' });
  });

  test('a picture is called after its file, as far as a name goes', () => {
    expect(layerOf(addPicture(THREE, picture({ name: 'kittiwake.png' })))?.name).toBe('kittiwake');
    expect(layerOf(addPicture(THREE, picture({ name: 'k'.repeat(200) })))?.name).toHaveLength(80);
  });

  test('a picture comes in at its own size, never larger than title safe, a full frame as the frame', () => {
    const sizes = (ownWidth: number, ownHeight: number, widthPx = ownWidth) =>
      layerOf(addPicture(THREE, picture({ ownWidth, ownHeight, widthPx, heightPx: ownHeight })));
    expect(sizes(300, 200)).toMatchObject({ sizing: 'auto' });
    // A drawing is kept with more pixels than it says it has.
    expect(sizes(300, 200, 2048)).toMatchObject({ sizing: 'fixed', widthU: 300, heightU: 200 });
    expect(sizes(3840, 2160)).toMatchObject({ sizing: 'auto' });
    // Title safe of 16:9 is 90 % of 1920 × 1080 (EBU R 95).
    expect(sizes(4000, 1000)).toMatchObject({ sizing: 'fixed', widthU: 1728, heightU: 432 });
    expect(sizes(1000, 4000)).toMatchObject({ sizing: 'fixed', widthU: 243, heightU: 972 });
  });

  test('a copy lies right below its original and is called after it', () => {
    const added = addCopy(THREE, 'b');
    expect(ids(added.template)).toEqual(['a', 'b', 'copy-1', 'c']);
    expect(layerOf(added)).toMatchObject({ kind: 'copy', of: 'b', name: 'Copy of b' });
  });
});

describe('groups and stacks', () => {
  test('a group takes the place of the topmost of its members, in their order', () => {
    const added = addGroup(THREE, ['c', 'b']);
    expect(layerOf(added)).toMatchObject({ kind: 'group', members: ['b', 'c'] });
    expect(ids(added.template)).toEqual(['a', 'group-1', 'b', 'c']);
  });

  test('members leave the group, or the stack, that they were in', () => {
    const first = addGroup(THREE, ['a', 'b']);
    const second = addGroup(first.template, ['b', 'c']);
    const [one, two] = [first.layerId, second.layerId].map((id) =>
      second.template.layers.find((layer) => layer.id === id),
    );
    expect(one).toMatchObject({ members: ['a'] });
    expect(two).toMatchObject({ members: ['b', 'c'] });
    // A layer may be in a group and in a stack.
    const stacked = addStack(first.template, ['a', 'c']);
    expect(stacked.template.layers.find(({ id }) => id === first.layerId)).toMatchObject({
      members: ['a', 'b'],
    });
  });

  test('a stack stands where the first of its members stood', () => {
    const added = addStack(tidelineStrap, ['name', 'role']);
    const name = tidelineStrap.layers.find(({ id }) => id === 'name');
    expect(layerOf(added)).toMatchObject({ kind: 'stack', members: ['name', 'role'], place: name?.place });
  });

  test('a stack whose first member hangs on another of them stands by itself', () => {
    const hung = testTemplate([
      testText('a', 'A', {
        place: { ...testText('x', '').place, target: { kind: 'layer', layerId: 'b' } },
      }),
      testText('b', 'B'),
    ]);
    const added = addStack(hung, ['a', 'b']);
    expect(layerOf(added)?.place.target).toEqual({ kind: 'frame' });
  });
});

test('whatever is added to whatever template, it is a template again and every other layer is still there', () => {
  const templates = fc.constantFrom(...DEMO_TEMPLATES, openingLockup);
  const adds: ((template: Template, chosen: readonly string[]) => Added)[] = [
    addText,
    addRows,
    addBackdrop,
    addParticles,
    addLight,
    addBox,
    addGroup,
    addStack,
    (template) => addPicture(template, picture()),
    (template, chosen) => addCopy(template, chosen[0] ?? template.layers[0].id),
  ];
  fc.assert(
    fc.property(
      templates,
      fc.array(fc.nat(), { maxLength: 4 }),
      fc.constantFrom(...adds),
      (start, picks, add) => {
        const plain = start.layers
          .filter(({ kind }) => kind === 'text' || kind === 'box')
          .map(({ id }) => id);
        const chosen = [...new Set(picks.map((pick) => plain[pick % plain.length]))];
        const { template, layerId } = add(start, chosen);
        expect(parseTemplate(template)).toEqual(template);
        expect(ids(template).filter((id) => id !== layerId)).toEqual(ids(start));
      },
    ),
    { numRuns: 60 },
  );
});
