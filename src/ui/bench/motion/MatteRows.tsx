'use client';
import type { Layer, Matte } from '@/core/model/template';
import { Segmented } from '../../shared/Segmented';
import { SelectBox } from '../../shared/SelectBox';
import { Row } from '../settings/PropertyRow';
import { useEditing } from '../state/useEditing';

/** Another layer that decides where this one is seen: words filled with a moving picture, words in a window. */
export function MatteRows({ layer }: { readonly layer: Layer }) {
  const { template, change } = useEditing();
  const set = (matte: Matte | null): void =>
    change((one) => (one.id === matte?.layerId ? one : { ...one, matte }));
  const { matte } = layer;
  const others = template.layers.filter((one) => one.id !== layer.id);
  return (
    <>
      <Row label="Seen where">
        <SelectBox
          label="Matte"
          value={matte?.layerId ?? ''}
          choices={[
            { value: '', label: 'Everywhere' },
            ...others.map((one) => ({ value: one.id, label: one.name })),
          ]}
          onChange={(layerId) =>
            set(layerId === '' ? null : { by: 'alpha', inverted: false, ...matte, layerId })
          }
        />
      </Row>
      {matte !== null && (
        <>
          <Row label="Counts">
            <Segmented
              label="What of the matte counts"
              value={matte.by}
              choices={[
                { value: 'alpha', label: 'Alpha' },
                { value: 'brightness', label: 'Brightness' },
              ]}
              onChange={(by) => set({ ...matte, by })}
            />
          </Row>
          <label className="flex items-center gap-2 py-1">
            <input
              type="checkbox"
              className="accent-leaf"
              checked={matte.inverted}
              onChange={(event) => set({ ...matte, inverted: event.target.checked })}
            />
            Inverted: seen where the matte is not
          </label>
          <p className="text-[12px] text-soft">The matte itself is no longer seen.</p>
        </>
      )}
    </>
  );
}
