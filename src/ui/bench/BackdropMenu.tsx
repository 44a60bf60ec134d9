'use client';
import { useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';
import { SCENES } from '@/core/scenes';
import type { AssetFacts } from '@/db/assets';
import { ask, wordsOf } from '../shared/api';
import { useApply, useTemplate } from './benchStore';

const UPLOAD = 'upload';

/** Which picture lies under the design; a still can be brought in. */
export function BackdropMenu() {
  const template = useTemplate();
  const apply = useApply();
  const file = useRef<HTMLInputElement>(null);
  const [stills, setStills] = useState<readonly AssetFacts[] | null>(null);
  useEffect(() => {
    ask<AssetFacts[]>('assets').then(setStills, () => undefined);
  }, []);
  const { backdrop: current } = template;
  const missing =
    stills !== null &&
    current.startsWith('asset:') &&
    stills.every((still) => `asset:${still.id}` !== current);
  const choose = (backdrop: string): void => apply((now) => ({ ...now, backdrop }));
  const bringIn = async (picked: File): Promise<void> => {
    try {
      const response = await fetch(`/api/assets?name=${encodeURIComponent(picked.name)}`, {
        method: 'POST',
        body: picked,
      });
      const answer: AssetFacts & { message?: string } = await response.json();
      if (!response.ok) throw new Error(answer.message ?? 'The picture was not taken in.');
      setStills((now) => [...(now ?? []).filter((still) => still.id !== answer.id), answer]);
      choose(`asset:${answer.id}`);
    } catch (error) {
      toast.error(wordsOf(error));
    }
  };
  return (
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
        {stills?.map((still) => (
          <option key={still.id} value={`asset:${still.id}`}>
            {still.name}
          </option>
        ))}
        {missing && <option value={current}>A missing still</option>}
        <option value={UPLOAD}>Bring in a still…</option>
      </select>
      <input
        ref={file}
        type="file"
        accept="image/png,image/jpeg,image/webp"
        className="hidden"
        aria-label="Still to bring in"
        onChange={(event) => {
          const [picked] = event.target.files ?? [];
          if (picked !== undefined) void bringIn(picked);
          event.target.value = '';
        }}
      />
    </label>
  );
}
