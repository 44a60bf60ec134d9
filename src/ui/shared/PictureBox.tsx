'use client';
import { PhotoIcon } from '@heroicons/react/24/outline';
import { useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';
import type { AssetFacts } from '@/contract/assets';
import { FilePicker } from './FilePicker';
import { wordsOf } from './api';
import { bringInPicture, listAssets, PICTURE_TYPES } from './assets';

interface Props {
  readonly label: string;
  /** Asset id; empty for none. */
  readonly value: string;
  readonly onChange: (value: string) => void;
}

/** A picture: chosen among those that are here, or brought in from a file. */
export function PictureBox({ label, value, onChange }: Props) {
  const file = useRef<HTMLInputElement>(null);
  const [assets, setAssets] = useState<readonly AssetFacts[]>([]);
  useEffect(() => {
    listAssets().then(setAssets, () => undefined);
  }, []);
  const bringIn = async (picked: File): Promise<void> => {
    try {
      const asset = await bringInPicture(picked);
      setAssets((now) => [...now.filter((one) => one.id !== asset.id), asset]);
      onChange(asset.id);
    } catch (error) {
      toast.error(wordsOf(error));
    }
  };
  const here = assets.some((asset) => asset.id === value);
  return (
    <span className="flex items-center gap-1.5">
      {value !== '' && (
        // eslint-disable-next-line @next/next/no-img-element -- an asset of the user's own, from this server
        <img
          src={`/api/assets/${encodeURIComponent(value)}`}
          alt=""
          className="h-8 w-8 shrink-0 rounded-md border border-line bg-paper object-contain"
        />
      )}
      <select
        aria-label={label}
        value={value}
        onChange={(event) => onChange(event.target.value)}
        className="h-8 min-w-0 flex-1 rounded-lg border border-line-strong bg-field px-2"
      >
        <option value="">None</option>
        {!here && value !== '' && <option value={value}>A picture</option>}
        {assets.map((asset) => (
          <option key={asset.id} value={asset.id}>
            {asset.name}
          </option>
        ))}
      </select>
      <button
        type="button"
        aria-label={`${label}: import a picture`}
        title="Import a PNG, JPEG, WebP or SVG"
        onClick={() => file.current?.click()}
        className="grid h-8 w-8 shrink-0 place-items-center rounded-lg border border-line-strong bg-field"
      >
        <PhotoIcon className="h-4 w-4" />
      </button>
      <FilePicker
        input={file}
        accept={PICTURE_TYPES}
        label={`${label}: file`}
        onPick={(picked) => void bringIn(picked)}
      />
    </span>
  );
}
