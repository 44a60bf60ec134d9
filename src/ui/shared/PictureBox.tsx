'use client';
import { FilmIcon, MagnifyingGlassIcon, PhotoIcon } from '@heroicons/react/24/outline';
import { useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';
import { videoId } from '@/core/display/moving';
import type { AssetFacts } from '@/contract/assets';
import type { NamedPicture } from '@/core/project/pictureNames';
import { FilePicker } from './FilePicker';
import { wordsOf } from './api';
import { bringInPicture, listAssets, PICTURE_TYPES } from './assets';
import type { PictureChoice } from './PictureFinder';
import { PictureFinder } from './PictureFinder';

/** Where videos come from, for a box that takes them too. */
export interface VideoSource {
  /** What a file picker offers beside pictures. */
  readonly types: string;
  list(): Promise<readonly NamedPicture[]>;
  /** Brings a picture or a video in. */
  bringIn(file: File): Promise<NamedPicture>;
}

interface Props {
  readonly label: string;
  /** Asset id, or a video by what documents call it; empty for none. */
  readonly value: string;
  readonly onChange: (value: string) => void;
  /** Left out for pictures alone. */
  readonly videos?: VideoSource;
}

const choiceOf = ({ id, name, ownWidth, ownHeight }: AssetFacts): PictureChoice => ({
  value: id,
  label: name,
  size: `${Math.round(ownWidth)} × ${Math.round(ownHeight)} px`,
});

const pictures = async (): Promise<PictureChoice[]> => (await listAssets()).map(choiceOf);

const picture = async (file: File): Promise<PictureChoice> => choiceOf(await bringInPicture(file));

const isVideo = ({ value }: NamedPicture): boolean => videoId(value) !== null;

/** A picture, or a video where these are taken: chosen among those that are here, or brought in from a file. */
export function PictureBox({ label, value, onChange, videos }: Props) {
  const file = useRef<HTMLInputElement>(null);
  const [here, setHere] = useState<readonly PictureChoice[]>([]);
  const [finding, setFinding] = useState(false);
  useEffect(() => {
    const lists: Promise<readonly PictureChoice[]>[] = [
      pictures(),
      ...(videos === undefined ? [] : [videos.list()]),
    ];
    Promise.all(lists).then(
      (all) => setHere(all.flat()),
      () => undefined,
    );
  }, [videos]);
  const bringIn = async (picked: File): Promise<void> => {
    try {
      const made = await (videos?.bringIn ?? picture)(picked);
      setHere((now) => [...now.filter((one) => one.value !== made.value), made]);
      onChange(made.value);
    } catch (error) {
      toast.error(wordsOf(error));
    }
  };
  const options = (of: readonly NamedPicture[]) =>
    of.map((one) => (
      <option key={one.value} value={one.value}>
        {one.label}
      </option>
    ));
  const moving = here.filter(isVideo);
  const still = here.filter((one) => !isVideo(one));
  return (
    <span className="flex items-center gap-1.5">
      <button
        type="button"
        aria-label={`${label}: find`}
        title="Find by how it looks"
        onClick={() => setFinding(true)}
        className="grid h-8 w-8 shrink-0 place-items-center rounded-lg border border-line-strong bg-field"
      >
        <Small value={value} />
      </button>
      {finding && (
        <PictureFinder
          label={label}
          value={value}
          choices={here}
          onChoose={onChange}
          onClose={() => setFinding(false)}
        />
      )}
      <select
        aria-label={label}
        value={value}
        onChange={(event) => onChange(event.target.value)}
        className="h-8 min-w-0 flex-1 rounded-lg border border-line-strong bg-field px-2"
      >
        <option value="">None</option>
        {value !== '' && !here.some((one) => one.value === value) && (
          <option value={value}>{videoId(value) === null ? 'A picture' : 'A video'}</option>
        )}
        {moving.length === 0 ? options(still) : <optgroup label="Pictures">{options(still)}</optgroup>}
        {moving.length > 0 && <optgroup label="Videos">{options(moving)}</optgroup>}
      </select>
      <button
        type="button"
        aria-label={`${label}: import a ${videos === undefined ? 'picture' : 'picture or a video'}`}
        title={`Import a PNG, JPEG, WebP or SVG${videos === undefined ? '' : ', or a video'}`}
        onClick={() => file.current?.click()}
        className="grid h-8 w-8 shrink-0 place-items-center rounded-lg border border-line-strong bg-field"
      >
        <PhotoIcon className="h-4 w-4" />
      </button>
      <FilePicker
        input={file}
        accept={videos === undefined ? PICTURE_TYPES : `${PICTURE_TYPES},${videos.types}`}
        label={`${label}: file`}
        onPick={(picked) => void bringIn(picked)}
      />
    </span>
  );
}

function Small({ value }: { readonly value: string }) {
  if (value === '') return <MagnifyingGlassIcon className="h-4 w-4" />;
  if (videoId(value) !== null) return <FilmIcon className="h-4 w-4" />;
  return (
    // eslint-disable-next-line @next/next/no-img-element -- an asset of the user's own, from this server
    <img src={`/api/assets/${encodeURIComponent(value)}`} alt="" className="h-7 w-7 object-contain" />
  );
}
