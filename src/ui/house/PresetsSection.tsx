'use client';
import { MOST_FILES_DAYS } from '@/core/model/house';
import { OUTPUTS } from '@/core/outputs';
import { Segmented } from '../shared/Segmented';
import { FigureRow } from './FigureRow';
import type { SectionProps } from './HouseScreen';
import { NamedRow } from './NamedRow';

/** What titles are sent to the press as, by name. */
export function PresetsSection({ house, onChange }: SectionProps) {
  const { presets = [] } = house;
  return (
    <>
      <FinishedFiles house={house} onChange={onChange} />
      <h3 className="caps pt-4 pb-1">Presets</h3>
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

type PartProps = Pick<SectionProps, 'house' | 'onChange'>;

const USUAL_DAYS = 60;

/** For how long the files of jobs that are over are kept. */
function FinishedFiles({ house, onChange }: PartProps) {
  const { filesDays } = house;
  return (
    <>
      <h3 className="caps pt-2 pb-1">Finished files</h3>
      <div className="grid grid-cols-[200px_1fr] items-center gap-3 py-1">
        <span>On the press they are kept</span>
        <Segmented
          label="Finished files are kept"
          value={filesDays === undefined ? 'always' : 'days'}
          onChange={(kept) => onChange({ filesDays: kept === 'days' ? USUAL_DAYS : undefined })}
          choices={[
            { value: 'always', label: 'Until somebody deletes them' },
            { value: 'days', label: 'For some days' },
          ]}
        />
      </div>
      {filesDays !== undefined && (
        <FigureRow
          label="Days"
          unit="d"
          min={1}
          max={MOST_FILES_DAYS}
          step={1}
          about="after their job was over; jobs can be made again, and what was put into a folder of delivery stays"
          value={filesDays}
          onChange={(days) => onChange({ filesDays: Math.round(days) })}
        />
      )}
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
