'use client';
import { XMarkIcon } from '@heroicons/react/24/outline';
import type { Field, FieldChoice, FieldLimits, PropertySetting } from '@/core/model/template';
import { bindLayer, findProperty } from '@/core/layers';
import { SelectBox } from '../../shared/SelectBox';
import { useTemplate } from '../state/benchStore';
import { PropertyControl } from './PropertyControl';

interface Props {
  readonly field: Field;
  readonly onChange: (limits: FieldLimits) => void;
}

const MOST_VARIANTS = 12;

/** The variants of a choice: the name of each, and what it sets. */
export function VariantRows({ field, onChange }: Props) {
  const choices = field.limits.choices ?? [];
  const set = (next: readonly FieldChoice[]): void => onChange({ choices: next });
  return (
    <div className="pt-1">
      {choices.map((choice, i) => (
        <VariantRow
          key={choice.value}
          choice={choice}
          onChange={(next) => set(choices.with(i, next))}
          onRemove={choices.length > 2 ? () => set(choices.toSpliced(i, 1)) : null}
        />
      ))}
      <button
        type="button"
        disabled={choices.length >= MOST_VARIANTS}
        className="font-semibold text-leaf-ink"
        onClick={() => {
          const taken = new Set(choices.map((choice) => choice.value));
          let number = choices.length + 1;
          while (taken.has(`v${number}`)) number++;
          set([...choices, { value: `v${number}`, label: `Variant ${number}`, sets: [] }]);
        }}
      >
        + Variant
      </button>
    </div>
  );
}

interface VariantProps {
  readonly choice: FieldChoice;
  readonly onChange: (choice: FieldChoice) => void;
  readonly onRemove: (() => void) | null;
}

function VariantRow({ choice, onChange, onRemove }: VariantProps) {
  const template = useTemplate();
  const sets = choice.sets ?? [];
  const free = template.layers.flatMap((layer) =>
    bindLayer(layer)
      .properties.filter(({ control }) => control.kind !== 'state')
      .map((property) => ({
        value: `${layer.id} ${property.path}`,
        label: `${layer.name}: ${property.label.toLowerCase()}`,
      })),
  );
  const add = (value: string): void => {
    const space = value.indexOf(' ');
    const [layerId, path] = [value.slice(0, space), value.slice(space + 1)];
    const layer = template.layers.find((one) => one.id === layerId);
    const property = layer && findProperty(layer, path);
    if (property !== undefined)
      onChange({ ...choice, sets: [...sets, { layerId, path, value: property.value }] });
  };
  return (
    <fieldset className="mb-2 rounded-lg border border-line p-2">
      <legend className="sr-only">{choice.label}</legend>
      <span className="flex items-center gap-1">
        <input
          aria-label={`Name of the variant ${choice.label}`}
          value={choice.label}
          maxLength={60}
          onChange={(event) => onChange({ ...choice, label: event.target.value })}
          className="h-7 min-w-0 flex-1 rounded-md border border-line-strong bg-card px-2"
        />
        {onRemove !== null && (
          <button
            type="button"
            aria-label={`Take out the variant ${choice.label}`}
            onClick={onRemove}
            className="text-soft"
          >
            <XMarkIcon className="h-4 w-4" />
          </button>
        )}
      </span>
      {sets.map((one, i) => (
        <SettingRow
          key={`${one.layerId} ${one.path}`}
          setting={one}
          onChange={(value) => onChange({ ...choice, sets: sets.with(i, { ...one, value }) })}
          onRemove={() => onChange({ ...choice, sets: sets.toSpliced(i, 1) })}
        />
      ))}
      <SelectBox
        label={`${choice.label} sets`}
        className="mt-1"
        value=""
        choices={[{ value: '', label: 'Sets also…' }, ...free]}
        onChange={(value) => value !== '' && add(value)}
      />
    </fieldset>
  );
}

interface SettingProps {
  readonly setting: PropertySetting;
  readonly onChange: (value: PropertySetting['value']) => void;
  readonly onRemove: () => void;
}

function SettingRow({ setting, onChange, onRemove }: SettingProps) {
  const template = useTemplate();
  const layer = template.layers.find((one) => one.id === setting.layerId);
  const property = layer && findProperty(layer, setting.path);
  if (layer === undefined || property === undefined) return null;
  const label = `${layer.name}: ${property.label.toLowerCase()}`;
  return (
    <div className="pt-1">
      <span className="flex items-center justify-between text-[12px] text-soft">
        {label}
        <button type="button" aria-label={`No longer set ${label}`} onClick={onRemove}>
          <XMarkIcon className="h-3.5 w-3.5" />
        </button>
      </span>
      <PropertyControl label={label} property={{ ...property, value: setting.value }} onChange={onChange} />
    </div>
  );
}
