'use client';
import { memo } from 'react';
import type { ComponentType, KeyboardEvent } from 'react';
import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/react';
import { updateLayer } from '@/core/edit/editTemplate';
import type { FieldValue, FieldValues, Layer, Template } from '@/core/model/template';
import { bindLayer } from '@/core/layers';
import { classes } from '../../shared/classes';
import { NameBox } from '../../shared/NameBox';
import { SideDrawer } from '../../shared/SideDrawer';
import { useKeys } from '../../shared/useKeys';
import { useApply } from '../state/benchStore';
import { CardPanel } from './CardPanel';
import { focusSettings } from './focusSettings';
import { MotionPanel } from '../motion/MotionPanel';
import { PlacePanel } from './PlacePanel';
import { ReadsPanel } from './ReadsPanel';
import { ScopeRow } from './ScopeRow';
import { Settled } from './Settled';
import { TypePanel } from './TypePanel';
import { useEditing } from '../state/useEditing';

interface Props {
  /** The values that the template is shown with. */
  readonly valuesOf: (template: Template) => FieldValues;
  readonly onTry: (fieldId: string, value: FieldValue) => void;
}

const TABS = ['Type', 'Place', 'Motion', 'Card'];

/** The settings of the chosen layer in three parts, and the card of the template in the fourth. */
export const Settings = memo(function Settings({ valuesOf, onTry }: Props) {
  useKeys('1, 2, 3, 4', ({ key }) => focusSettings(Number(key) - 1));
  return (
    <SideDrawer
      label="Settings"
      side="right"
      below="1000px"
      className="flex w-[296px] shrink-0 flex-col border-l border-line bg-card"
    >
      <Settled>
        <LayerName />
        <ScopeRow />
      </Settled>
      <TabGroup className="flex min-h-0 flex-1 flex-col" onKeyDown={leaveBox}>
        <TabList
          data-settings
          className="mx-3.5 flex h-8 shrink-0 overflow-hidden rounded-lg border border-line-strong bg-field"
        >
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
            <ReadsPanel />
            <LayerPart of={TypePanel} />
          </TabPanel>
          <TabPanel>
            <LayerPart of={PlacePanel} />
          </TabPanel>
          <TabPanel>
            <LayerPart of={MotionPanel} />
          </TabPanel>
          <TabPanel>
            <CardPanel valuesOf={valuesOf} onTry={onTry} />
          </TabPanel>
        </TabPanels>
      </TabGroup>
      <Settled>
        <LeafNote />
      </Settled>
    </SideDrawer>
  );
});

/** Escape leaves a box for the tabs, where keys are the screen's again. What opens over the settings is not in them. */
function leaveBox({ key, target, currentTarget }: KeyboardEvent<HTMLElement>): void {
  if (key !== 'Escape' || !(target instanceof HTMLElement) || !currentTarget.contains(target)) return;
  if (target.matches('input, select, textarea')) focusSettings();
}

/** A part of the chosen layer's settings, anew for each layer. */
function LayerPart({ of: Part }: { readonly of: ComponentType<{ readonly layer: Layer }> }) {
  return (
    <Settled>
      <ChosenLayer of={Part} />
    </Settled>
  );
}

const ChosenLayer = memo(function ChosenLayer({
  of: Part,
}: {
  readonly of: ComponentType<{ readonly layer: Layer }>;
}) {
  const [layer] = useEditing().layers;
  if (layer === undefined)
    return (
      <p className="py-2 text-soft">Pick a layer in the picture or in the timeline to see its settings.</p>
    );
  return <Part key={layer.id} layer={layer} />;
});

const LeafNote = memo(function LeafNote() {
  const { template, layers } = useEditing();
  const [layer] = layers;
  const onLayer = template.fields.filter((field) =>
    field.targets.some((target) => target.layerId === layer?.id),
  ).length;
  return (
    <p className="m-3 rounded-lg bg-leaf-wash px-3 py-2 text-[12px] text-leaf-ink">
      <strong>Gold leaves</strong> are open to editors:{' '}
      {layer === undefined ? '' : `${onLayer} on this layer, `}
      {template.fields.length} on this template.
    </p>
  );
});

const LayerName = memo(function LayerName() {
  const apply = useApply();
  const { layers } = useEditing();
  const [layer] = layers;
  const more = layers.length - 1;
  if (layer === undefined)
    return <h2 className="px-3.5 py-3 font-serif text-[16px] font-semibold">No layer chosen</h2>;
  return (
    <div className="flex items-center gap-2 px-2 py-2">
      <NameBox
        key={layer.id}
        label="Layer name"
        value={layer.name}
        maxLength={80}
        onChange={(name) => apply((now) => updateLayer(now, layer.id, (one) => ({ ...one, name })))}
        className="h-8 min-w-0 flex-1 rounded-lg border border-transparent bg-transparent px-1.5 font-serif text-[16px] font-semibold hover:border-line-strong"
      />
      <span className="shrink-0 pr-2 text-soft">
        {more > 0 ? `and ${more} more` : bindLayer(layer).kindLabel}
      </span>
    </div>
  );
});
