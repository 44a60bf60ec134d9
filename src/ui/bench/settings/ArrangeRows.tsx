'use client';
import { useState } from 'react';
import type { AlignEdge, Arranged } from '@/core/edit/arrange';
import { alignLayers, repeatLayer, spaceLayers } from '@/core/edit/arrange';
import { dragRoots } from '@/core/edit/editTemplate';
import type { Layer, Template } from '@/core/model/template';
import { safeArea } from '@/core/frame/safeAreas';
import { Button } from '../../shared/Button';
import { NumberBox } from '../../shared/NumberBox';
import { Segmented } from '../../shared/Segmented';
import { togetherActions } from '../layers/layerActions';
import { useApply, useBench } from '../state/benchStore';
import { Row } from './PropertyRow';
import { useEditing } from '../state/useEditing';

const EDGES: readonly { readonly edge: AlignEdge; readonly label: string; readonly sign: string }[] = [
  { edge: 'left', label: 'Left edges', sign: '⇤' },
  { edge: 'centre', label: 'Centres across', sign: '↔' },
  { edge: 'right', label: 'Right edges', sign: '⇥' },
  { edge: 'top', label: 'Top edges', sign: '⤒' },
  { edge: 'middle', label: 'Centres down', sign: '↕' },
  { edge: 'bottom', label: 'Bottom edges', sign: '⤓' },
];

const TO = [
  { value: 'selection', label: 'Chosen' },
  { value: 'titleSafe', label: 'Title safe' },
  { value: 'frame', label: 'Frame' },
] as const;

/** Lines layers up, spaces them evenly, repeats one with a gap, and puts layers together. */
export function ArrangeRows({ layer }: { readonly layer: Layer }) {
  const apply = useApply();
  const view = useBench();
  const { store, selection, boxes } = view;
  const { format, place } = useEditing();
  const [to, setTo] = useState<(typeof TO)[number]['value']>(
    selection.length > 1 ? 'selection' : 'titleSafe',
  );
  const area = to === 'selection' ? null : safeArea(format, to);
  const arrange = (change: (now: Template, layers: readonly Arranged[]) => Template): void => {
    const placed = boxes.read();
    const layers = selection.flatMap((id) => {
      const box = placed.get(id);
      // A panel is moved by what it encloses.
      return box === undefined
        ? []
        : dragRoots(store.getState().template, id).map((root) => ({ id: root, box }));
    });
    apply((now) => change(now, layers));
  };
  const tool =
    'grid h-8 flex-1 place-items-center rounded-md border border-line bg-field text-[16px] hover:bg-leaf-wash disabled:opacity-40';
  return (
    <>
      <Row label="Line up to">
        <Segmented label="Line up to" value={to} choices={TO} onChange={setTo} />
      </Row>
      <div role="group" aria-label="Line up" className="flex gap-1 py-1">
        {EDGES.map(({ edge, label, sign }) => (
          <button
            key={edge}
            type="button"
            aria-label={label}
            title={label}
            className={tool}
            disabled={selection.length === 0 || (to === 'selection' && selection.length < 2)}
            onClick={() => arrange((now, layers) => alignLayers(now, place, layers, edge, area))}
          >
            {sign}
          </button>
        ))}
      </div>
      <div className="flex gap-2 py-1">
        {(['x', 'y'] as const).map((axis) => (
          <Button
            key={axis}
            className="flex-1"
            disabled={selection.length < (area === null ? 3 : 2)}
            title="Makes the gaps between the chosen layers equal"
            onClick={() => arrange((now, layers) => spaceLayers(now, place, layers, axis, area))}
          >
            {axis === 'x' ? 'Space across' : 'Space down'}
          </Button>
        ))}
      </div>
      <RepeatRow layer={layer} />
      <div className="grid grid-cols-2 gap-2 py-1">
        {togetherActions(view).map(({ label, keysShown, possible, run }) => (
          <Button key={label} title={keysShown} disabled={!possible} onClick={run}>
            {label}
          </Button>
        ))}
      </div>
      {selection.length < 2 && (
        <p className="text-[12px] text-soft">
          Shift-click in the picture or the timeline chooses several layers.
        </p>
      )}
    </>
  );
}

function RepeatRow({ layer }: { readonly layer: Layer }) {
  const { store } = useBench();
  const [count, setCount] = useState(2);
  const [gap, setGap] = useState(16);
  const repeat = (now: Template): Template => repeatLayer(now, layer.id, count, 'y', gap);
  return (
    <div className="grid grid-cols-[1fr_60px_72px] items-center gap-2 py-1">
      <Button onClick={() => store.getState().replace(repeat(store.getState().template))}>Repeat down</Button>
      <NumberBox
        label="How many more"
        unit="×"
        min={1}
        max={40}
        step={1}
        value={count}
        onChange={(v) => setCount(Math.round(v))}
      />
      <NumberBox
        label="Gap between them"
        unit="u"
        min={-400}
        max={1000}
        step={1}
        value={gap}
        onChange={setGap}
      />
    </div>
  );
}
