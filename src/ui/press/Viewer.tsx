'use client';
import { bytesToWords } from '@/core/kit/bytes';
import { useState } from 'react';
import type { FileFacts, JobSummary } from '@/contract/jobs';
import { FORMATS } from '@/core/frame/formats';
import { RATES } from '@/core/time/rates';
import { Segmented } from '../shared/Segmented';
import { comparedFacts, depthFacts, hasAlphaIn, isStillJob, frameWords, signalFacts } from './fileWords';
import { fileHref } from './JobFileList';

export interface Viewed {
  readonly job: JobSummary;
  readonly file: FileFacts;
}

const GROUNDS = {
  squares: 'repeating-conic-gradient(#8a8a86 0 25%, #a8a8a3 0 50%) 0 0 / 20px 20px',
  black: '#000000',
  white: '#ffffff',
} as const;

const CODECS: Readonly<Record<string, string>> = {
  png: 'PNG',
  prores: 'ProRes',
  vp9: 'VP9 with alpha',
  h264: 'H.264',
  hevc: 'H.265',
  av1: 'AV1',
  dnxhd: 'DNxHR HQX',
  mpeg2video: 'MPEG-2 4:2:2',
  apng: 'Animated PNG',
  webp: 'WebP, lossless',
  tiff: 'TIFF',
  tga: 'TGA',
  exr: 'OpenEXR, half floats',
};

const PLANES: Readonly<Record<NonNullable<FileFacts['plane']>, string>> = {
  straight: 'Straight alpha',
  premultiplied: 'Alpha premultiplied',
  linear: 'Linear light, premultiplied',
  fill: 'Fill: the colours, as they are',
  shapedFill: 'Fill: the colours over black',
  key: 'Key: how opaque it is, as a grey',
  opaque: 'Opaque',
};

function codingOf(file: FileFacts): string {
  const { codec } = file;
  const name = CODECS[codec] ?? codec;
  if (codec !== 'prores') return name;
  return `${name} ${hasAlphaIn(file) ? '4444' : '422 HQ'}`;
}

/** A look at a finished file: its picture over a ground, and what it is, as read back from it. */
export function Viewer({ viewed }: { readonly viewed: Viewed | null }) {
  const [ground, setGround] = useState<keyof typeof GROUNDS>('squares');
  if (viewed === null) {
    return (
      <aside aria-label="Viewer" className="w-[460px] shrink-0 border-l border-line bg-card p-4 text-soft">
        A finished file is shown here, over squares, black or white.
      </aside>
    );
  }
  const { job, file } = viewed;
  const format = FORMATS.get(job.format);
  const { across, down } = format.pixelAspect;
  const shape = (file.widthPx * across) / down / file.heightPx;
  const facts: (readonly [string, string])[] = [
    ['File', file.name],
    ['Picture', `${file.widthPx} × ${file.heightPx}, ${format.label} ${format.shapeLabel}`],
    // A picture by itself has neither.
    ...(isStillJob(job)
      ? []
      : ([
          ['Rate', `${RATES.get(job.rate).label} frames a second`],
          ['Frames', frameWords(file)],
        ] as const)),
    ['Coding', codingOf(file)],
    ['Pixels', PLANES[file.plane ?? 'straight']],
    ...depthFacts(file),
    ...signalFacts(file),
    ['Size', bytesToWords(file.bytes)],
    ...comparedFacts(file),
  ];
  return (
    <aside
      aria-label="Viewer"
      className="flex w-[460px] shrink-0 flex-col gap-3 overflow-y-auto border-l border-line bg-card p-4"
    >
      <div
        className="mx-auto shrink-0 overflow-hidden rounded-[10px] border border-line"
        // As wide as there is room, or as a tall picture may be so that what is said of it stays in sight.
        style={{ background: GROUNDS[ground], aspectRatio: shape, width: `min(100%, 56vh * ${shape})` }}
      >
        <FilePicture key={fileHref(job.id, file.name)} job={job} file={file} />
      </div>
      {/* Nothing shines through what is opaque. */}
      {hasAlphaIn(file) && (
        <Segmented
          label="Ground"
          value={ground}
          onChange={setGround}
          choices={[
            { value: 'squares', label: 'Squares' },
            { value: 'black', label: 'Black' },
            { value: 'white', label: 'White' },
          ]}
        />
      )}
      <dl className="grid grid-cols-[72px_1fr] gap-y-1">
        {facts.map(([name, value]) => (
          <div key={name} className="contents">
            <dt className="text-soft">{name}</dt>
            <dd className="min-w-0 break-words">{value}</dd>
          </div>
        ))}
      </dl>
      <a
        href={fileHref(job.id, file.name)}
        download
        className="inline-flex h-8 shrink-0 items-center justify-center rounded-lg border gold px-3 font-semibold"
      >
        Download
      </a>
    </aside>
  );
}

function FilePicture({ job, file }: Viewed) {
  const href = `${fileHref(job.id, file.name)}?inline`;
  if (/\.(webm|mp4)$/.test(file.name)) {
    return (
      <video
        src={href}
        controls
        loop
        muted={file.name.endsWith('.webm')}
        className="h-full w-full"
        aria-label={`Video ${file.name}`}
      />
    );
  }
  if (/\.(png|webp)$/.test(file.name)) {
    // eslint-disable-next-line @next/next/no-img-element -- a rendered file, shown as it is
    return <img src={href} alt={`Still ${file.name}`} className="h-full w-full" />;
  }
  return (
    // eslint-disable-next-line @next/next/no-img-element -- browsers cannot play these files; this is their painted frame
    <img src={`${fileHref(job.id, file.name)}?rest`} alt={`${file.name} at rest`} className="h-full w-full" />
  );
}
