'use client';
import { bindLayer } from '@/core/layers';
import { FIRST_BEND } from '@/core/model/bend';
import type { Layer, Motion } from '@/core/model/template';
import { Button } from '../../shared/Button';
import { PropertyRow } from '../settings/PropertyRow';

interface Props {
  readonly layer: Layer;
  readonly onChange: (change: Partial<Motion>) => void;
}

/** How the shapes of a layer are bent, at rest or by keys. */
export function BendRows({ layer, onChange }: Props) {
  if (layer.motion.bend == null)
    return (
      <Button look="quiet" onClick={() => onChange({ bend: FIRST_BEND })}>
        Bend it
      </Button>
    );
  const properties = bindLayer(layer).properties.filter(({ path }) => path.startsWith('motion.bend.'));
  return (
    <>
      {properties.map((property) => (
        <PropertyRow key={property.path} layer={layer} property={property} />
      ))}
      <Button look="quiet" onClick={() => onChange({ bend: null })}>
        Straight again
      </Button>
    </>
  );
}
