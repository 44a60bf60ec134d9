'use client';
import { OUTPUTS } from '@/core/outputs';
import type { SectionProps } from './HouseScreen';
import { NamedRow } from './NamedRow';

/** What titles are sent to the press as, by name. */
export function PresetsSection({ house, onChange }: SectionProps) {
  const { presets = [] } = house;
  return (
    <>
      <p className="pb-3 text-soft">
        Kept on the desk, where titles are sent to the press. Each is a choice of kinds of file with the
        pattern of their names.
      </p>
      {presets.length === 0 && <p className="text-soft">None yet.</p>}
      <ul className="grid gap-1.5">
        {presets.map((preset) => (
          <NamedRow
            key={preset.id}
            name={preset.name}
            onRename={(name) =>
              onChange({ presets: presets.map((one) => (one.id === preset.id ? { ...one, name } : one)) })
            }
            onRemove={() => onChange({ presets: presets.filter(({ id }) => id !== preset.id) })}
          >
            <code className="truncate font-mono text-[12.5px]" title={preset.names}>
              {preset.names}
            </code>
            <span className="text-soft">{partsOf(preset).join(', ')}</span>
          </NamedRow>
        ))}
      </ul>
    </>
  );
}

function partsOf({
  outputs,
  premultiplied,
  fine,
}: NonNullable<SectionProps['house']['presets']>[number]): string[] {
  const kinds = outputs.flatMap((id) => OUTPUTS.find(id)?.label ?? []);
  return [...kinds, ...(premultiplied ? ['premultiplied'] : []), ...(fine ? ['16 bits'] : [])];
}
