'use client';
import type { Layer } from '@/core/model/template';
import { bindLayer } from '@/core/layers';
import type { Property } from '@/core/layers/layerKind';
import { useFonts } from '../../picture/useFonts';
import { LongPanel } from './LongPanel';
import { LookPanel } from './LookPanel';
import { PropertyRow } from './PropertyRow';
import { Section } from './Section';

const FINE_PATHS = /^(style\.(shift|figures|ligatures|fractions)|balanced|hyphenates)$/;
const OPTION_PATHS = /^style\.features\./;
const COLUMN_PATHS = /^(columns\.\d+\.|columnCount$)/;

/** What a layer looks like: its text and type, its colours and edges, and what to do when a text is long. */
export function TypePanel({ layer }: { readonly layer: Layer }) {
  // What a font has is known once the House's own are here.
  useFonts();
  const properties = bindLayer(layer).properties.filter(({ part }) => part === 'type');
  const fine = properties.filter(({ path }) => FINE_PATHS.test(path));
  const options = properties.filter(({ path }) => OPTION_PATHS.test(path));
  const columns = properties.filter(({ path }) => COLUMN_PATHS.test(path));
  const apart = new Set<Property>([...fine, ...options, ...columns]);
  const main = properties.filter((property) => !apart.has(property) && property.path !== 'text');
  return (
    <>
      <Section title={layer.kind === 'text' ? 'Type' : 'This layer'}>
        <Rows layer={layer} properties={main} />
      </Section>
      {fine.length > 0 && (
        <Section title="Advanced" open={false}>
          <Rows layer={layer} properties={fine} />
          {options.length > 0 && <h4 className="caps pt-2 pb-0.5">Of this font</h4>}
          {options.map((property) => (
            <PropertyRow key={property.path} layer={layer} property={property} wordy />
          ))}
        </Section>
      )}
      {columns.length > 0 && (
        <Section title="Columns" open={false} says={columnCount(layer)}>
          <Rows layer={layer} properties={columns} />
        </Section>
      )}
      <LookPanel layer={layer} />
      {layer.kind === 'text' && <LongPanel layer={layer} />}
    </>
  );
}

const columnCount = (layer: Layer): string => (layer.kind === 'rows' ? String(layer.columns.length) : '');

function Rows({ layer, properties }: { readonly layer: Layer; readonly properties: readonly Property[] }) {
  return properties.map((property) => <PropertyRow key={property.path} layer={layer} property={property} />);
}
