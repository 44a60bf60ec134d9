import { toast } from 'sonner';
import { addCopy, addGroup, addStack } from '@/core/edit/addLayer';
import type { Added } from '@/core/edit/addLayer';
import { copyLayers, pasteLayers } from '@/core/edit/layerClip';
import type { LayerClip } from '@/core/edit/layerClip';
import { orderLayers } from '@/core/edit/layerOrder';
import type { OrderStep } from '@/core/edit/layerOrder';
import { updateLayer } from '@/core/edit/editTemplate';
import { removeLayer } from '@/core/edit/removeLayer';
import { ungroup } from '@/core/edit/ungroup';
import { withLookOf } from '@/core/model/house';
import { membersOf } from '@/core/model/references';
import type { Layer, Template } from '@/core/model/template';
import type { BenchView } from '../state/benchStore';
import { addToBench } from '../state/benchStore';
import { keepLayers, keepLook, keptLayers, keptLook } from './layerClipboard';

/** Something that can be done with the chosen layers. */
export interface LayerAction {
  readonly label: string;
  /** As the sheet of keys and the menu show it; empty for none. */
  readonly keysShown: string;
  /** As keys are bound; empty for none. */
  readonly keys: string;
  /** Actions of one kind stand together in the menu. */
  readonly part: 'clipboard' | 'look' | 'order' | 'together' | 'state' | 'remove';
  readonly possible: boolean;
  run(): void;
}

const ORDER: readonly {
  readonly step: OrderStep;
  readonly label: string;
  readonly keys: string;
  readonly keysShown: string;
}[] = [
  { step: 'front', label: 'Bring to front', keys: 'alt+shift+arrowup', keysShown: 'Alt Shift ↑' },
  { step: 'forward', label: 'Bring forward', keys: 'alt+arrowup', keysShown: 'Alt ↑' },
  { step: 'backward', label: 'Send backward', keys: 'alt+arrowdown', keysShown: 'Alt ↓' },
  { step: 'back', label: 'Send to back', keys: 'alt+shift+arrowdown', keysShown: 'Alt Shift ↓' },
];

/** All that can be done with the chosen layers as they are now: what the keys do, and what the menu shows. */
export function layerActions(view: BenchView): readonly LayerAction[] {
  return [...clipboardActions(view), ...orderActions(view), ...togetherActions(view), ...stateActions(view)];
}

interface Chosen {
  readonly template: Template;
  readonly layers: readonly Layer[];
  readonly ids: readonly string[];
}

function chosenOf({ store, selection }: BenchView): Chosen {
  const { template } = store.getState();
  const layers = template.layers.filter(({ id }) => selection.includes(id));
  return { template, layers, ids: layers.map(({ id }) => id) };
}

const counted = (layers: readonly Layer[]): string =>
  layers.length === 1 ? `“${layers[0].name}”` : `${layers.length} layers`;

function paste(view: BenchView, clip: LayerClip, home: boolean): void {
  const { store, selected } = view;
  const pasted = pasteLayers(store.getState().template, clip, { above: selected, home });
  store.getState().replace(pasted.template);
  view.choose(pasted.layerIds);
}

function clipboardActions(view: BenchView): LayerAction[] {
  const { store, templateId } = view;
  const { template, layers, ids } = chosenOf(view);
  const possible = ids.length > 0;
  const [main] = layers.filter(({ id }) => id === view.selected);
  const copy = (): boolean => {
    const clip = copyLayers(template, ids);
    const kept = clip !== null && keepLayers({ ...clip, templateId });
    if (!kept) toast.error('The browser has no room to copy this. Copy fewer layers.');
    return kept;
  };
  return [
    {
      label: 'Cut',
      keys: 'mod+x',
      keysShown: 'Ctrl X',
      part: 'clipboard',
      possible,
      run: () => void (copy() && removeChosen(view)),
    },
    {
      label: 'Copy',
      keys: 'mod+c',
      keysShown: 'Ctrl C',
      part: 'clipboard',
      possible,
      run: () => void (copy() && toast.success(`${counted(layers)} copied`)),
    },
    {
      label: 'Paste',
      keys: 'mod+v',
      keysShown: 'Ctrl V',
      part: 'clipboard',
      possible: true,
      run() {
        const kept = keptLayers();
        if (kept === null) return void toast('No layers are copied. Choose some and copy them first.');
        paste(view, kept, kept.templateId === templateId);
      },
    },
    {
      label: 'Duplicate',
      keys: 'mod+d',
      keysShown: 'Ctrl D',
      part: 'clipboard',
      possible,
      run() {
        const clip = copyLayers(template, ids);
        if (clip !== null) paste(view, clip, true);
      },
    },
    {
      label: 'Copy look',
      keys: 'mod+alt+c',
      keysShown: 'Ctrl Alt C',
      part: 'look',
      possible: main !== undefined,
      run() {
        if (keepLook({ from: template, layerIds: [main.id], templateId }))
          toast.success(`Look of “${main.name}” copied`);
      },
    },
    {
      label: 'Paste look',
      keys: 'mod+alt+v',
      keysShown: 'Ctrl Alt V',
      part: 'look',
      possible,
      run() {
        const from = keptLook();
        if (from === null) return void toast('No look is copied. Copy the look of a layer first.');
        store
          .getState()
          .apply((now) =>
            ids.reduce((done, id) => updateLayer(done, id, (one) => withLookOf(one, from)), now),
          );
      },
    },
  ];
}

function orderActions(view: BenchView): LayerAction[] {
  const { template, ids } = chosenOf(view);
  return ORDER.map(({ step, ...action }) => ({
    ...action,
    part: 'order',
    possible: ids.length > 0 && orderLayers(template, ids, step) !== template,
    run: () => view.store.getState().apply((now) => orderLayers(now, ids, step)),
  }));
}

/** What puts the chosen layers together, or takes them apart. */
export function togetherActions(view: BenchView): LayerAction[] {
  const { store, boxes, selected } = view;
  const { layers, ids } = chosenOf(view);
  const add = (make: (now: Template) => Added): void => addToBench(view, make);
  const members = layers.flatMap(membersOf);
  return [
    {
      label: 'Group',
      keys: 'mod+g',
      keysShown: 'Ctrl G',
      part: 'together',
      possible: ids.length > 1,
      run: () => add((now) => addGroup(now, ids)),
    },
    {
      label: 'Stack',
      keys: '',
      keysShown: '',
      part: 'together',
      possible: ids.length > 1,
      run: () => add((now) => addStack(now, ids)),
    },
    {
      label: 'Take apart',
      keys: 'mod+shift+g',
      keysShown: 'Ctrl Shift G',
      part: 'together',
      possible: members.length > 0,
      run() {
        const corners = boxes.read();
        store.getState().apply((now) => ungroup(now, ids, corners));
        view.choose(members);
      },
    },
    {
      label: 'Linked copy',
      keys: '',
      keysShown: '',
      part: 'together',
      possible: ids.length === 1,
      run: () => add((now) => addCopy(now, selected ?? ids[0])),
    },
  ];
}

function stateActions(view: BenchView): LayerAction[] {
  const { store, solo, setSolo } = view;
  const { layers, ids } = chosenOf(view);
  const each = (change: (layer: Layer) => Layer): void =>
    store.getState().apply((now) => ids.reduce((done, id) => updateLayer(done, id, change), now));
  const possible = ids.length > 0;
  const isLocked = layers.every((layer) => layer.locked === true);
  const isShown = layers.some((layer) => layer.visible);
  const isSolo = solo !== null && ids.every((id) => solo.includes(id)) && solo.length === ids.length;
  return [
    {
      label: isLocked && possible ? 'Unlock' : 'Lock',
      keys: 'l',
      keysShown: 'L',
      part: 'state',
      possible,
      run: () => each(({ locked: _, ...layer }) => (isLocked ? layer : { ...layer, locked: true })),
    },
    {
      label: isShown || !possible ? 'Hide' : 'Show',
      keys: 'h',
      keysShown: 'H',
      part: 'state',
      possible,
      run: () => each((layer) => ({ ...layer, visible: !isShown })),
    },
    {
      label: solo !== null && (isSolo || !possible) ? 'Show all again' : 'Show only this',
      keys: 's',
      keysShown: 'S',
      part: 'state',
      possible: possible || solo !== null,
      run: () => setSolo(isSolo || !possible ? null : ids),
    },
    {
      label: 'Remove',
      keys: 'delete, backspace',
      keysShown: 'Delete',
      part: 'remove',
      possible,
      run: () => removeChosen(view),
    },
  ];
}

/** Removes the chosen layers, but not those that are locked. */
function removeChosen(view: BenchView): void {
  const { layers } = chosenOf(view);
  const free = layers.filter((layer) => layer.locked !== true);
  if (free.length < layers.length)
    toast(
      `${counted(layers.filter((layer) => layer.locked === true))} locked and stays. Unlock it to remove it.`,
    );
  if (free.length === 0) return;
  view.store.getState().apply((now) => free.reduce((left, { id }) => removeLayer(left, id), now));
  view.choose([]);
}
