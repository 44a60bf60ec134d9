'use client';
import { PauseIcon, PlayIcon } from '@heroicons/react/24/outline';
import { useMemo } from 'react';
import type { Clip } from '@/core/document/project';
import type { FrameFormat } from '@/core/layout/formats';
import { pictureSize } from '@/core/layout/formats';
import { previewFormat } from '@/core/layout/previewFormat';
import { safeArea } from '@/core/layout/safeAreas';
import { stretchTiming } from '@/core/timeline/stretch';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { frameToSeconds } from '@/core/units/rates';
import { frameToTimecode } from '@/core/units/timecode';
import type { Backdrop } from '../picture/paintBackdrop';
import { PictureCanvas } from '../picture/PictureCanvas';
import type { Player } from '../picture/usePlayer';
import { useDesk, useTitles } from './deskContext';
import { useTitleCompiler } from './useTitleCompiler';

interface Props {
  readonly player: Player;
  readonly format: FrameFormat;
  readonly fonts: FontLibrary | null;
  readonly end: number;
}

const WIDTH_PX = 414;
const TALLEST_PX = 250;

/** The clip on the boundary belongs to the later one: clips are half-open. */
function clipAt(clips: readonly Clip[], frame: number): Clip | undefined {
  return clips.findLast((clip) => clip.startFrame <= frame && frame < clip.startFrame + clip.lengthFrames);
}

/** The pictures with all titles over them at the playhead. */
export function DeskPicture({ player, format, fonts, end }: Props) {
  const { clips, editions, rate } = useDesk();
  const titles = useTitles();
  const { widthU, heightU } = pictureSize(format);
  const width = Math.min(WIDTH_PX, (TALLEST_PX * widthU) / heightU);
  const shown = useMemo(() => previewFormat(format, width * 1.5), [format, width]);
  const compiler = useTitleCompiler(shown, fonts, editions);
  const frame = Math.min(player.frame, end);
  const clip = clipAt(clips, frame);
  const backdrop = useMemo<Backdrop>(
    () => (clip === undefined ? { kind: 'still', image: null } : { kind: 'scene', scene: clip.scene }),
    [clip],
  );
  const clipSeconds =
    clip === undefined ? 0 : frameToSeconds(frame - clip.startFrame + clip.sourceStartFrame, rate);
  const lists = useMemo(
    () =>
      titles
        .filter((title) => title.startFrame <= frame && frame < title.startFrame + title.lengthFrames)
        .toSorted((a, b) => a.lane - b.lane)
        .flatMap((title) => {
          const timing = editions.get(title.editionId)?.document.timing;
          const compiled = compiler(title);
          if (timing === undefined || compiled === null) return [];
          return compiled.frame(
            frameToSeconds(frame - title.startFrame, rate),
            stretchTiming(timing, title.lengthFrames, rate),
          );
        }),
    [titles, frame, compiler, editions, rate],
  );
  const safe = safeArea(format, 'titleSafe');
  return (
    <section aria-label="Picture" className="shrink-0 bg-well p-3 pb-1.5">
      <div className="relative mx-auto" style={{ width }}>
        <PictureCanvas
          format={shown}
          backdrop={backdrop}
          backdropSeconds={clipSeconds}
          lists={lists}
          label="The pictures with their titles"
          widthCss={width}
          className="block"
        />
        <svg
          viewBox={`0 0 ${widthU} ${heightU}`}
          className="pointer-events-none absolute inset-0 h-full w-full"
          aria-hidden="true"
        >
          <rect
            {...safe}
            fill="none"
            stroke="#fff"
            opacity="0.6"
            strokeWidth={widthU / width}
            strokeDasharray={`${(4 * widthU) / width} ${(3 * widthU) / width}`}
          />
        </svg>
      </div>
      <div className="flex h-9 items-center gap-3 text-[#efece4]">
        <button
          type="button"
          aria-label={player.playing ? 'Stop' : 'Play'}
          title="Space"
          onClick={() => player.toggle()}
          className="grid h-7 w-7 place-items-center rounded-md hover:bg-white/10"
        >
          {player.playing ? <PauseIcon className="h-4.5 w-4.5" /> : <PlayIcon className="h-4.5 w-4.5" />}
        </button>
        <span className="font-mono" data-testid="timecode">
          {frameToTimecode(frame, rate)}
        </span>
        <span className="truncate text-[12px] text-[#c9c4b8]">{clip?.label ?? 'no picture here'}</span>
      </div>
    </section>
  );
}
