import { render } from '@testing-library/react';
import { useState } from 'react';
import type { ReactNode } from 'react';
import type { Layer, Template } from '@/core/model/template';
import type { Rect } from '@/core/kit/rect';
import type { KeyRef } from '@/core/edit/manyKeys';
import type { BenchStore } from './benchStore';
import {
  BenchProvider,
  createBenchStore,
  createBoxesNote,
  createFramesNote,
  createMoveTimesNote,
  createPlayhead,
  createSeek,
  withKey,
} from './benchStore';
import { EditingProvider } from './EditingProvider';
import { useEditing } from './useEditing';

/** A bench with a template, without its picture. */
export interface BenchForTest {
  readonly store: BenchStore;
  readonly playhead: ReturnType<typeof createPlayhead>;
  readonly boxes: ReturnType<typeof createBoxesNote>;
  readonly moveTimes: ReturnType<typeof createMoveTimesNote>;
  readonly seek: ReturnType<typeof createSeek>;
  /** A layer of the template as it is now. */
  layer(id: string): Layer;
}

export function createBench(template: Template): BenchForTest {
  const playhead = createPlayhead(template);
  const store = createBenchStore(template, playhead);
  return {
    store,
    playhead,
    boxes: createBoxesNote(),
    moveTimes: createMoveTimesNote(),
    seek: createSeek(),
    layer(id) {
      const found = store.getState().template.layers.find((one) => one.id === id);
      if (found === undefined) throw new Error(`no layer ${id}`);
      return found;
    },
  };
}

interface Props {
  readonly bench: BenchForTest;
  /** The chosen layers, first the one whose settings are shown. */
  readonly selection: readonly string[];
  /** Told which layer is chosen. */
  readonly onSelect?: (id: string | null) => void;
  readonly children: ReactNode;
}

/** What parts of the bench need round them; keys are chosen by themselves. */
export function BenchAround({ bench, selection, onSelect = () => undefined, children }: Props) {
  const [chosenKeys, setChosenKeys] = useState<readonly KeyRef[]>([]);
  const view = {
    templateId: 'test',
    store: bench.store,
    selected: selection[0] ?? null,
    selection,
    select: onSelect,
    choose: () => undefined,
    solo: null,
    setSolo: () => undefined,
    typing: false,
    type: () => undefined,
    menuAt: null,
    setMenuAt: () => undefined,
    formatId: bench.store.getState().template.formats[0],
    chooseFormat: () => undefined,
    scope: null,
    setScope: () => undefined,
    moveTimes: bench.moveTimes,
    frames: NO_FRAMES,
    seek: bench.seek,
    boxes: bench.boxes,
    playhead: bench.playhead,
    chosenKey: chosenKeys[0] ?? null,
    chosenKeys,
    chooseKey: (key: KeyRef | null, add = false) => setChosenKeys((now) => withKey(now, key, add)),
    picking: null,
    pickColour: () => undefined,
  };
  return (
    <BenchProvider value={view}>
      <EditingProvider>{children}</EditingProvider>
    </BenchProvider>
  );
}

const NO_FRAMES = createFramesNote();

/** Draws a part of the bench that is about the chosen layer. */
export function renderForLayer(
  bench: BenchForTest,
  layerId: string,
  Part: (props: { readonly layer: Layer }) => ReactNode,
): void {
  function Chosen() {
    const [layer] = useEditing().layers;
    return <Part layer={layer} />;
  }
  render(
    <BenchAround bench={bench} selection={[layerId]}>
      <Chosen />
    </BenchAround>,
  );
}

/** Notes where layers stand, as the picture does once it is painted. */
export function noteBoxes(bench: BenchForTest, boxes: Readonly<Record<string, Rect>>): void {
  bench.boxes.write(
    new Map(
      Object.entries(boxes).map(([id, box]) => [
        id,
        { ...box, firstBaseline: box.height, lastBaseline: box.height },
      ]),
    ),
  );
}
