'use client';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { toast } from 'sonner';
import type { SendPreset } from '@/core/model/sendPreset';
import { MOST_PRESETS } from '@/core/model/sendPreset';
import { wordsOf } from '../../shared/api';
import { Button } from '../../shared/Button';
import { KeepForm } from '../../shared/KeepForm';
import { SelectBox } from '../../shared/SelectBox';
import { changeHouse, useHouse } from '../../shared/useHouse';

/** What a preset sets. */
export type PresetChoices = Omit<SendPreset, 'id' | 'name'>;

interface Props {
  /** What is chosen now; whatever else it has is not kept. */
  readonly choices: PresetChoices;
  readonly onChoose: (choices: PresetChoices) => void;
}

/** Only what a preset has; one that says nothing of a folder has files stay on the press. */
const presetOf = ({ outputs, names, folder, premultiplied, fine }: PresetChoices): PresetChoices => ({
  outputs,
  names,
  folder,
  premultiplied,
  fine,
});

/** The presets of the House: one of them in place of what is chosen, or what is chosen kept as one. */
export function Presets({ choices, onChoose }: Props) {
  const { presets = [] } = useHouse();
  const [keeping, setKeeping] = useState(false);
  const current = presets.find((preset) => isChosen(preset, choices));
  const keep = async (name: string): Promise<void> => {
    setKeeping(false);
    const own = { ...presetOf(choices), id: nanoid(8), name };
    try {
      // Under a name that is there already it takes that one's place.
      await changeHouse((house) => ({
        ...house,
        presets: [...(house.presets ?? []).filter((one) => one.name !== name), own],
      }));
      toast.success(`Kept in the House as “${name}”.`);
    } catch (error) {
      toast.error(wordsOf(error));
    }
  };
  return (
    <div className="mt-2 grid grid-cols-[132px_1fr_150px] items-center gap-x-2">
      <span className="text-soft">Preset</span>
      {keeping ? (
        // As high as what it stands in place of, so that nothing below moves.
        <div className="-my-1">
          <KeepForm label="Name of the preset" placeholder="Name it" onKeep={(name) => void keep(name)} />
        </div>
      ) : (
        <SelectBox
          label="Preset of the House"
          value={current?.id ?? ''}
          choices={[
            { value: '', label: presets.length === 0 ? 'None in the House yet' : 'As chosen below' },
            ...presets.map(({ id, name }) => ({ value: id, label: name })),
          ]}
          onChange={(id) => {
            const preset = presets.find((one) => one.id === id);
            if (preset !== undefined) onChoose(presetOf(preset));
          }}
        />
      )}
      <Button
        disabled={choices.outputs.length === 0 || presets.length >= MOST_PRESETS}
        onClick={() => setKeeping(!keeping)}
      >
        {keeping ? 'Cancel' : 'Keep as preset'}
      </Button>
    </div>
  );
}

function isChosen(
  preset: SendPreset,
  { outputs, names, folder, premultiplied, fine }: PresetChoices,
): boolean {
  return (
    preset.names === names &&
    preset.folder === folder &&
    preset.premultiplied === premultiplied &&
    preset.fine === fine &&
    preset.outputs.length === outputs.length &&
    preset.outputs.every((id) => outputs.includes(id))
  );
}
