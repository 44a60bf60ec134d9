'use client';
import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/react';
import { updateLayer } from '@/core/document/editTemplate';
import type { FieldValue, FieldValues, Layer } from '@/core/document/template';
import { bindLayer } from '@/core/layers';
import { classes } from '../shared/classes';
import { useApply, useBench, useTemplate } from './benchStore';
import { CardPanel } from './CardPanel';
import { MotionPanel } from './MotionPanel';
import { PlacePanel } from './PlacePanel';
import { ScopeRow } from './ScopeRow';
import { TypePanel } from './TypePanel';
import { useEditing } from './useEditing';

interface Props {
  readonly values: FieldValues;
  readonly onTry: (fieldId: string, value: FieldValue) => void;
}

const TABS = ['Type', 'Place', 'Motion', 'Card'];

/** The settings of the chosen layer in three parts, and the card of the template in the fourth. */
export function Settings({ values, onTry }: Props) {
  const template = useTemplate();
  const { selected } = useBench();
  const { layers } = useEditing();
  const [layer] = layers;
  const open = template.fields.length;
  const onLayer = template.fields.filter((field) =>
    field.targets.some((target) => target.layerId === selected),
  ).length;
  return (
    <aside aria-label="Settings" className="flex w-[296px] shrink-0 flex-col border-l border-line bg-card">
      <LayerName layer={layer} more={layers.length - 1} />
      <ScopeRow />
      <TabGroup className="flex min-h-0 flex-1 flex-col">
        <TabList className="mx-3.5 flex h-8 shrink-0 overflow-hidden rounded-lg border border-line-strong bg-field">
          {TABS.map((name) => (
            <Tab
              key={name}
              className={({ selected: chosen }) =>
                classes(
                  'flex-1 border-r border-line-strong last:border-r-0 data-focus:outline-2 data-focus:-outline-offset-2 data-focus:outline-leaf',
                  chosen ? 'bg-chosen font-semibold text-on-chosen' : 'hover:bg-paper',
                )
              }
            >
              {name}
            </Tab>
          ))}
        </TabList>
        <TabPanels className="mt-2 min-h-0 flex-1 overflow-y-auto border-t border-line px-3.5 py-2">
          <TabPanel>
            {layer === undefined ? <Nothing /> : <TypePanel key={layer.id} layer={layer} />}
          </TabPanel>
          <TabPanel>
            {layer === undefined ? <Nothing /> : <PlacePanel key={layer.id} layer={layer} />}
          </TabPanel>
          <TabPanel>
            {layer === undefined ? <Nothing /> : <MotionPanel key={layer.id} layer={layer} />}
          </TabPanel>
          <TabPanel>
            <CardPanel values={values} onTry={onTry} />
          </TabPanel>
        </TabPanels>
      </TabGroup>
      <p className="m-3 rounded-lg bg-leaf-wash px-3 py-2 text-[12px] text-leaf-ink">
        <strong>Gold leaves</strong> are open to editors:{' '}
        {layer === undefined ? '' : `${onLayer} on this layer, `}
        {open} on this template.
      </p>
    </aside>
  );
}

function Nothing() {
  return <p className="py-2 text-soft">Pick a layer in the picture or in the score to see its settings.</p>;
}

interface NameProps {
  readonly layer: Layer | undefined;
  /** How many other layers are chosen and changed with it. */
  readonly more: number;
}

function LayerName({ layer, more }: NameProps) {
  const apply = useApply();
  if (layer === undefined)
    return <h2 className="px-3.5 py-3 font-serif text-[16px] font-semibold">No layer chosen</h2>;
  return (
    <div className="flex items-center gap-2 px-2 py-2">
      <input
        aria-label="Layer name"
        value={layer.name}
        maxLength={80}
        onChange={(event) => {
          const name = event.target.value;
          if (name !== '') apply((now) => updateLayer(now, layer.id, (one) => ({ ...one, name })));
        }}
        className="h-8 min-w-0 flex-1 rounded-lg border border-transparent bg-transparent px-1.5 font-serif text-[16px] font-semibold hover:border-line-strong"
      />
      <span className="shrink-0 pr-2 text-soft">
        {more > 0 ? `and ${more} more` : bindLayer(layer).kindLabel}
      </span>
    </div>
  );
}
