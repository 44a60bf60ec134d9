'use client';
import { useEffect, useRef } from 'react';
import type { Layer } from '@/core/model/template';
import { layerWords } from '@/core/model/template';
import { programmeStandIn } from '@/core/display/programme';
import { Painter } from '@/paint/painter';
import { browserSurfaces } from '../../picture/browserSurfaces';
import { useFonts } from '../../picture/useFonts';
import { classes } from '../../shared/classes';
import type { Previewed } from './movePreview';
import { makePreview, previewSeconds } from './movePreview';

// In place of the programme, which is not there in a tile.
const STAND_IN = '#8a8f8c';
const WIDTH_CSS = 112;
const HEIGHT_CSS = 56;

interface Props {
  readonly label: string;
  /** Said under it; empty for nothing. */
  readonly note: string;
  readonly layer: Layer;
  readonly previewed: Previewed;
  readonly chosen: boolean;
  readonly playing: boolean;
  readonly onPlay: (playing: boolean) => void;
  readonly onPick: () => void;
}

/** A move to choose: it plays on the layer itself when it is pointed at or focused, and costs nothing before. */
export function MoveTile({ label, note, layer, previewed, chosen, playing, onPlay, onPick }: Props) {
  return (
    <button
      type="button"
      aria-pressed={chosen}
      onPointerEnter={() => onPlay(true)}
      onPointerLeave={() => onPlay(false)}
      onFocus={() => onPlay(true)}
      onBlur={() => onPlay(false)}
      onClick={onPick}
      className={classes(
        'flex flex-col rounded-lg p-1 text-left text-[12px] leading-tight',
        chosen ? 'bg-leaf-wash font-semibold' : 'hover:bg-paper',
      )}
    >
      <span
        className="mb-1 grid w-full place-items-center overflow-hidden rounded-md bg-[#5d6462] font-semibold whitespace-nowrap text-white"
        style={{ height: HEIGHT_CSS }}
        aria-hidden="true"
      >
        {playing ? <Playing layer={layer} previewed={previewed} /> : restingWords(layer)}
      </span>
      {label}
      {note !== '' && <span className="text-[11px] font-normal text-soft">{note}</span>}
    </button>
  );
}

/** What stands in a tile that does not play: the first word of a text, else a sign. */
function restingWords(layer: Layer): string {
  const [first = ''] = layerWords(layer).trim().split(/\s/);
  return first === '' ? '▸' : first.slice(0, 14);
}

function Playing({ layer, previewed }: { readonly layer: Layer; readonly previewed: Previewed }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const fonts = useFonts();
  useEffect(() => {
    const context = canvas.current?.getContext('2d', { willReadFrequently: true });
    if (!context || fonts === null) return;
    const tile = { widthPx: context.canvas.width, heightPx: context.canvas.height };
    const preview = makePreview(layer, previewed, tile, fonts);
    if (preview === null) return;
    const { title, timing, cropX, cropY } = preview;
    const painter = new Painter(browserSurfaces);
    const frame = browserSurfaces.surface(title.format.widthPx, title.format.heightPx);
    let started = 0;
    let request = requestAnimationFrame(function step(now) {
      if (started === 0) started = now;
      const seconds = previewSeconds(previewed.kind, (now - started) / 1000);
      frame.context.clearRect(0, 0, title.format.widthPx, title.format.heightPx);
      const list = title.frame(seconds, timing);
      painter.paint(frame.context, { ...list, items: programmeStandIn(list.items, STAND_IN) });
      context.clearRect(0, 0, tile.widthPx, tile.heightPx);
      context.drawImage(frame.image as OffscreenCanvas, -cropX, -cropY);
      context.canvas.dataset.painted = 'yes';
      request = requestAnimationFrame(step);
    });
    return () => cancelAnimationFrame(request);
  }, [layer, previewed, fonts]);
  return (
    <canvas
      ref={canvas}
      width={WIDTH_CSS * 2}
      height={HEIGHT_CSS * 2}
      style={{ width: WIDTH_CSS, height: HEIGHT_CSS }}
    />
  );
}
