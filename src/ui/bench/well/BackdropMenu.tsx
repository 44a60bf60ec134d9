'use client';
import { memo, useEffect, useRef, useState } from 'react';
import type { AssetFacts } from '@/contract/assets';
import { SCENES } from '@/core/scenes';
import { FilePicker } from '../../shared/FilePicker';
import { bringInPicture, listAssets, PICTURE_TYPES, sayRefused } from '../../shared/assets';
import { useApply, useTemplate } from '../state/benchStore';

const UPLOAD = 'upload';

interface Props {
  /** Whether the picture stands still while the title plays. */
  readonly frozen: boolean;
  readonly onFrozen: (frozen: boolean) => void;
}

const PLAIN_COLOURS = [
  { value: '#808080', label: 'Plain mid grey' },
  { value: '#101010', label: 'Plain near black' },
  { value: '#f0f0f0', label: 'Plain near white' },
  { value: '#2f6b3a', label: 'Plain green' },
] as const;

/** Which picture lies under the design, a stand-in clip, a still or a plain colour; and whether it plays. */
export const BackdropMenu = memo(function BackdropMenu({ frozen, onFrozen }: Props) {
  const template = useTemplate();
  const apply = useApply();
  const file = useRef<HTMLInputElement>(null);
  const [stills, setStills] = useState<readonly AssetFacts[] | null>(null);
  useEffect(() => {
    listAssets().then(setStills, () => undefined);
  }, []);
  const { backdrop: current } = template;
  const missing =
    stills !== null &&
    current.startsWith('asset:') &&
    stills.every((still) => `asset:${still.id}` !== current);
  const choose = (backdrop: string): void => apply((now) => ({ ...now, backdrop }));
  const bringIn = async (picked: File): Promise<void> => {
    try {
      const answer = await bringInPicture(picked);
      setStills((now) => [...(now ?? []).filter((still) => still.id !== answer.id), answer]);
      choose(`asset:${answer.id}`);
    } catch (error) {
      sayRefused(error);
    }
  };
  return (
    <span className="flex items-center gap-3">
      <label
        className="flex items-center gap-1.5"
        title="Whether the picture below moves while the title plays"
      >
        <input
          type="checkbox"
          className="accent-leaf-light"
          checked={!frozen}
          onChange={(event) => onFrozen(!event.target.checked)}
        />
        Play background
      </label>
      <label className="flex items-center gap-2">
        {missing ? <span role="alert">This still is no longer here; choose another</span> : 'Backdrop'}
        <select
          value={template.backdrop}
          onChange={(event) =>
            event.target.value === UPLOAD ? file.current?.click() : choose(event.target.value)
          }
          className="rounded-md bg-[#3a3d3b] px-1.5 py-0.5 text-[#efece4]"
        >
          {SCENES.list.map((scene) => (
            <option key={scene.id} value={scene.id}>
              {scene.label}
            </option>
          ))}
          {PLAIN_COLOURS.map((plain) => (
            <option key={plain.value} value={plain.value}>
              {plain.label}
            </option>
          ))}
          {stills?.map((still) => (
            <option key={still.id} value={`asset:${still.id}`}>
              {still.name}
            </option>
          ))}
          {missing && <option value={current}>A missing still</option>}
          <option value={UPLOAD}>Import a still…</option>
        </select>
        <FilePicker
          input={file}
          accept={PICTURE_TYPES}
          label="Still to import"
          onPick={(picked) => void bringIn(picked)}
        />
      </label>
    </span>
  );
});
