'use client';
import {
  ChatBubbleBottomCenterTextIcon,
  PauseIcon,
  PlayIcon,
  SpeakerWaveIcon,
  SpeakerXMarkIcon,
} from '@heroicons/react/24/outline';
import { useMemo, useState } from 'react';
import type { ReactNode } from 'react';
import type { FrameFormat } from '@/core/frame/formats';
import { pictureSize } from '@/core/frame/formats';
import { previewFormat } from '@/core/frame/previewFormat';
import { safeArea } from '@/core/frame/safeAreas';
import { titleFrame, titleIn } from '@/core/project/deliver';
import { endOf, spanAt } from '@/core/project/lanes';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { frameToSeconds } from '@/core/time/rates';
import { PictureCanvas } from '../picture/PictureCanvas';
import { useClipBackdrop } from '../picture/useClipBackdrop';
import type { Player } from '../picture/usePlayer';
import { useClips, useClock, useDelivery, useDesk, useDeskUi, useTitles } from './deskContext';
import { useTracks } from './captions/captionContext';
import { useShownCaptions } from './captions/useShownCaptions';
import { MoveInPicture } from './MoveInPicture';
import { TimecodeBox } from '../shared/TimecodeBox';
import { soundOfClip } from './clipSound';
import { useClipSound } from './useClipSound';
import { useTitleCompiler } from './useTitleCompiler';

interface Props {
  readonly player: Player;
  readonly format: FrameFormat;
  readonly fonts: FontLibrary | null;
  readonly end: number;
  /** How wide the column is that it stands in. */
  readonly widthPx?: number;
  /** What lies over the picture, in design units. */
  readonly children?: ReactNode;
}

// What stands beside and round the picture in its column.
const MARGIN_PX = 26;
const TALLEST_SHARE = 0.6;

/** The pictures with all titles of the shown delivery over them at the playhead. */
export function DeskPicture({ player, format, fonts, end, widthPx = 440, children }: Props) {
  const { editions, rate } = useDesk();
  const clips = useClips();
  const titles = useTitles();
  const delivery = useDelivery();
  const clock = useClock();
  const guides = useDeskUi((ui) => ui.guides);
  const { widthU, heightU } = pictureSize(format);
  const columnPx = widthPx - MARGIN_PX;
  const width = Math.min(columnPx, (columnPx * TALLEST_SHARE * widthU) / heightU);
  const shown = useMemo(() => previewFormat(format, width * 1.5), [format, width]);
  const frame = Math.min(player.frame, end);
  const seen = useMemo(
    () =>
      titles
        .filter((title) => title.startFrame <= frame && frame < endOf(title))
        .flatMap((title) => titleIn(title, delivery.id) ?? [])
        .toSorted((a, b) => a.lane - b.lane),
    [titles, frame, delivery],
  );
  const captions = useShownCaptions(frame);
  const looked = useMemo(() => [...seen, ...captions.seen], [seen, captions]);
  const compiler = useTitleCompiler(shown, fonts, looked);
  const clip = spanAt(clips, frame);
  const seconds =
    clip === undefined ? 0 : frameToSeconds(frame - clip.startFrame + clip.sourceStartFrame, rate);
  const backdrop = useClipBackdrop(clip?.picture, seconds);
  const laid = useMemo(
    () =>
      seen.flatMap((title) => {
        const compiled = compiler(title);
        return compiled === null ? [] : [{ title, compiled }];
      }),
    [seen, compiler],
  );
  const said = useMemo(() => {
    const placed = captions.placed(compiler);
    return placed.flatMap((title) => {
      const compiled = compiler(title);
      return compiled === null ? [] : [{ title, compiled }];
    });
  }, [captions, compiler]);
  const [lists, captionLists] = useMemo(
    () =>
      [laid, said].map((all) =>
        all.flatMap(({ title, compiled }) => {
          const template = editions.get(title.editionId)?.document;
          if (template === undefined) return [];
          return titleFrame(compiled, title, template, rate, frame - title.startFrame);
        }),
      ),
    [laid, said, frame, editions, rate],
  );
  const safe = safeArea(format, 'titleSafe');
  return (
    <section aria-label="Picture" className="shrink-0 bg-well p-3 pb-1.5">
      <div className="relative mx-auto" style={{ width }}>
        <PictureCanvas
          format={shown}
          backdrop={backdrop}
          backdropSeconds={seconds}
          lists={lists}
          captions={captionLists}
          limited={delivery.limited === true}
          label={`The pictures with their titles, ${delivery.name}`}
          widthCss={width}
          className="block"
        />
        <svg
          viewBox={`0 0 ${widthU} ${heightU}`}
          className="pointer-events-none absolute inset-0 h-full w-full"
          aria-hidden={children === undefined}
        >
          {guides && (
            <rect
              {...safe}
              fill="none"
              stroke="#fff"
              opacity="0.6"
              strokeWidth={widthU / width}
              strokeDasharray={`${(4 * widthU) / width} ${(3 * widthU) / width}`}
            />
          )}
          {children ?? <MoveInPicture shown={laid} format={format} pxPerU={width / widthU} />}
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
        <TimecodeBox clock={clock} frame={frame} end={end} onGo={player.seek} />
        <SoundSwitch player={player} />
        <CaptionSwitch />
        <span className="truncate text-[12px] text-[#c9c4b8]" data-testid="under-playhead">
          {clip?.label ?? 'no picture here'}
        </span>
      </div>
    </section>
  );
}

/** Shows captions in the picture or not, where the project has some. */
function CaptionSwitch() {
  const { ui } = useDesk();
  const on = useDeskUi((state) => state.captionsShown);
  if (useTracks().length === 0) return null;
  return (
    <button
      type="button"
      aria-label="Captions"
      title={on ? 'Hide captions' : 'Show captions'}
      aria-pressed={on}
      onClick={() => ui.setState({ captionsShown: !on })}
      className={`grid h-7 w-7 place-items-center rounded-md hover:bg-white/10 ${on ? '' : 'opacity-50'}`}
    >
      <ChatBubbleBottomCenterTextIcon className="h-4.5 w-4.5" />
    </button>
  );
}

const SOUND_KEY = 'gilder.sound';

/** Switches the sound of the clips on and off; how it was left is remembered in this browser. */
function SoundSwitch({ player }: { readonly player: Player }) {
  const { rate } = useDesk();
  const clips = useClips();
  const [on, setOn] = useState(
    () => typeof window !== 'undefined' && localStorage.getItem(SOUND_KEY) !== 'off',
  );
  const speaks = useDeskUi((ui) => ui.sheet === 'captions');
  useClipSound(player, clips, rate, { on, speaks });
  if (!clips.some(({ picture }) => soundOfClip(picture, speaks) !== null)) return null;
  const Icon = on ? SpeakerWaveIcon : SpeakerXMarkIcon;
  return (
    <button
      type="button"
      aria-label="Sound"
      aria-pressed={on}
      title={speaks ? 'Sound; stand-in pictures are spoken over here, not in files' : 'Sound'}
      onClick={() => {
        localStorage.setItem(SOUND_KEY, on ? 'off' : 'on');
        setOn(!on);
      }}
      className="grid h-7 w-7 place-items-center rounded-md hover:bg-white/10"
    >
      <Icon className="h-4.5 w-4.5" />
    </button>
  );
}
