import { beforeEach, describe, expect, test } from '@jest/globals';
import { nudgeLayer } from '@/core/edit/editTemplate';
import { setKey } from '@/core/edit/editTracks';
import { trackOf } from '@/core/model/track';
import type { Template } from '@/core/model/template';
import { tidelineStrap } from '../../../../demo/templates';
import type { BenchStore } from './benchStore';
import { createBenchStore, createPlayhead, designSeconds } from './benchStore';

const START = { from: 'start', offsetSeconds: 0, share: 0 } as const;
const keyed: Template = {
  ...tidelineStrap,
  layers: tidelineStrap.layers.map((layer) =>
    layer.id === 'name' ? setKey(layer, 'place.dyU', START, -200) : layer,
  ),
};
const playhead = createPlayhead(keyed);
let store: BenchStore;
beforeEach(() => {
  store = createBenchStore(keyed, playhead);
});

const name = () => {
  const found = store.getState().template.layers.find((layer) => layer.id === 'name');
  if (found === undefined) throw new Error('no name');
  return found;
};
const values = (): unknown[] => trackOf(name(), 'place.dyU')?.keys.map((key) => key.value) ?? [];
const design = keyed.layers.find((layer) => layer.id === 'name');

describe('a template with keyframes on the bench', () => {
  test('gets a key where the playhead is, and the design stays', () => {
    store.getState().apply((now) => nudgeLayer(now, 'name', 0, 10));
    expect(values()).toEqual([-200, -190]);
    expect(name().place.dyU).toBe(design?.place.dyU);
  });

  test('follows a drag from where it began, also when the pointer rests, and is one step of undo', () => {
    const from = store.getState().template;
    store.grouping.begin();
    for (const by of [4, 30, 30, 18]) store.getState().applyTo(from, (now) => nudgeLayer(now, 'name', 0, by));
    store.grouping.end();
    expect(values()).toEqual([-200, -182]);
    store.temporal.getState().undo();
    expect(store.getState().template).toEqual(from);
    store.temporal.getState().redo();
    expect(values()).toEqual([-200, -182]);
  });

  test('is put in the place of another as it is', () => {
    store.getState().replace(tidelineStrap);
    expect(store.getState().template).toBe(tidelineStrap);
  });
});

test('the playhead stands for a time of the design, whatever length is tried', () => {
  expect(designSeconds(playhead, keyed.timing)).toBe(keyed.timing.inSeconds);
});
