'use client';
import { useState } from 'react';
import { keysFor, updateTrack } from '@/core/edit/editTracks';
import type { Layer, Template, Track } from '@/core/model/template';
import { bindLayer } from '@/core/layers';
import type { Property } from '@/core/layers/layerKind';
import { reverseKeys, shiftKeys, snapKeys, stretchKeys } from '@/core/titleTime/moveKeys';
import { RATES } from '@/core/time/rates';
import { Button } from '../../shared/Button';
import { SelectBox } from '../../shared/SelectBox';
import { designSeconds, useApply, useBench } from '../state/benchStore';
import { Row } from '../settings/PropertyRow';
import { useEditing } from '../state/useEditing';
import { useAnimate } from './AnimateButton';
import { KeyRows } from './KeyRows';

const KEYED: readonly Property['control']['kind'][] = ['number', 'colour', 'figures', 'state'];

/** The properties of a layer that can follow keyframes: figures, colours, paths, and what it is attached to. */
function animatable(layer: Layer): { value: string; label: string }[] {
  return bindLayer(layer)
    .properties.filter(({ control, path }) => KEYED.includes(control.kind) || path === 'shape.data')
    .filter(({ control, value }) => control.kind !== 'figures' || value !== '')
    .map(({ path, label }) => ({ value: path, label }));
}

// What was copied last; kept while the page is open, so that keys go from template to template.
let copied: Track | null = null;

/** The properties of a layer that follow keyframes, and the key that is chosen in the timeline. */
export function KeyframeRows({ layer }: { readonly layer: Layer }) {
  const { template } = useEditing();
  const apply = useApply();
  const { playhead, chosenKey, chosenKeys } = useBench();
  const [, redraw] = useState(0);
  const { tracks } = layer.motion;
  const free = animatable(layer).filter(({ value }) => tracks.every(({ path }) => path !== value));
  const animate = useAnimate(layer);
  const change = (path: string, next: (track: Track) => Track | null): void =>
    apply((now: Template) => updateTrack(now, layer.id, path, next));
  const chosen =
    chosenKey?.layerId === layer.id ? tracks.find(({ path }) => path === chosenKey.path) : undefined;
  const pasted = chosen === undefined || copied === null ? null : keysFor(layer, chosen.path, copied.keys);
  return (
    <>
      <Row label="Animate">
        <SelectBox
          label="Animate a property"
          value=""
          choices={[{ value: '', label: 'Choose a property…' }, ...free]}
          onChange={(path) => path !== '' && animate(path)}
        />
      </Row>
      {tracks.length === 0 && (
        <p className="text-[12px] text-soft">
          A key is set where the playhead is. From then on, changing that property sets a key at the playhead.
        </p>
      )}
      {chosen !== undefined && chosenKey !== null && (
        <KeyRows
          layer={layer}
          track={chosen}
          index={Math.min(chosenKey.index, chosen.keys.length - 1)}
          onChange={(next) => change(chosen.path, next)}
        />
      )}
      {chosenKeys.length > 1 && (
        <p className="pb-1 text-[12px] text-soft">
          {chosenKeys.length} keys are chosen: a drag in the timeline moves them together, with Alt it scales
          them, Delete removes them.
        </p>
      )}
      {chosen !== undefined && (
        <div className="grid grid-cols-3 gap-1 py-1">
          <Button
            onClick={() => {
              copied = chosen;
              redraw((now) => now + 1);
            }}
          >
            Copy keys
          </Button>
          <Button
            disabled={pasted === null}
            title={pasted === null ? 'Keys of this kind have not been copied' : undefined}
            onClick={() => pasted !== null && change(chosen.path, (track) => ({ ...track, keys: pasted }))}
          >
            Paste
          </Button>
          <Button onClick={() => change(chosen.path, (one) => reverseKeys(one, template.timing))}>
            Reverse
          </Button>
          <Button
            title="Twice as long, from the first key"
            onClick={() => change(chosen.path, (one) => stretchKeys(one, template.timing, 2))}
          >
            Stretch ×2
          </Button>
          <Button
            title="Half as long, from the first key"
            onClick={() => change(chosen.path, (one) => stretchKeys(one, template.timing, 0.5))}
          >
            Stretch ÷2
          </Button>
          <Button
            title="So that the first key is at the playhead"
            onClick={() =>
              change(chosen.path, (one) =>
                shiftKeys(one, template.timing, designSeconds(playhead, template.timing)),
              )
            }
          >
            To playhead
          </Button>
          <Button
            title="Every key to the nearest frame of the template’s rate"
            onClick={() =>
              change(chosen.path, (one) => snapKeys(one, template.timing, RATES.get(template.rate)))
            }
          >
            To frames
          </Button>
        </div>
      )}
    </>
  );
}
