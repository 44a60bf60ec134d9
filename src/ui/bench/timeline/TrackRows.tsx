'use client';
import { useRef, useState } from 'react';
import type { KeyboardEvent, PointerEvent } from 'react';
import { PlusIcon } from '@heroicons/react/24/outline';
import { updateLayer } from '@/core/edit/editTemplate';
import { setKey, updateTrack } from '@/core/edit/editTracks';
import type { FieldValue, Keyframe, Layer, Timing, Track } from '@/core/model/template';
import { findProperty } from '@/core/layers';
import { designTiming, secondsToMoment } from '@/core/titleTime/moments';
import { keyNumber, keySeconds } from '@/core/titleTime/moveKeys';
import { trackValue } from '@/core/titleTime/tracks';
import type { FrameRate } from '@/core/time/rates';
import { frameToSeconds, secondsToNearestFrames } from '@/core/time/rates';
import { classes } from '../../shared/classes';
import { designSeconds, useApply, useBench } from '../state/benchStore';
import type { ScoreScale } from './scoreScale';
import { HEAD_PX, secondsToX, xToSeconds } from './scoreScale';

interface Props {
  readonly layer: Layer;
  readonly timing: Timing;
  readonly scale: ScoreScale;
  readonly rate: FrameRate;
}

/** A row in the timeline for each property of a layer that follows keyframes. */
export function TrackRows({ layer, timing, scale, rate }: Props) {
  return layer.motion.tracks.map((track) => (
    <TrackRow key={track.path} layer={layer} track={track} timing={timing} scale={scale} rate={rate} />
  ));
}

function TrackRow({ layer, track, timing, scale, rate }: Props & { readonly track: Track }) {
  const apply = useApply();
  const { playhead, chosenKey, chooseKey } = useBench();
  const label = findProperty(layer, track.path)?.label ?? track.path;
  const addKey = (): void => {
    const seconds = designSeconds(playhead, timing);
    const value = trackValue(track, seconds, timing, designTiming(timing));
    if (value === null) return;
    apply((now) =>
      updateLayer(now, layer.id, (one) => setKey(one, track.path, secondsToMoment(seconds, timing), value)),
    );
    chooseKey({ layerId: layer.id, path: track.path, index: track.keys.length });
  };
  return (
    <div role="group" aria-label={`${layer.name}, ${label}`} className="flex h-7 border-b border-line">
      <div
        className="sticky left-0 z-20 flex shrink-0 items-center gap-1.5 border-r border-line bg-card pr-1 pl-9"
        style={{ width: HEAD_PX }}
      >
        <input
          type="checkbox"
          aria-label={`${label} follows its keys`}
          title={track.on ? 'Follows its keys; off keeps them for later' : 'Off; its keys are kept'}
          className="accent-leaf"
          checked={track.on}
          onChange={(event) => {
            const on = event.target.checked;
            apply((now) => updateTrack(now, layer.id, track.path, (one) => ({ ...one, on })));
          }}
        />
        <span
          className={classes('min-w-0 flex-1 truncate text-[12px]', !track.on && 'text-soft line-through')}
        >
          {label}
        </span>
        <button
          type="button"
          aria-label={`Set a key of ${label} at the playhead`}
          title="Set a key at the playhead"
          onClick={addKey}
          className="grid h-6 w-6 place-items-center rounded text-soft hover:bg-paper"
        >
          <PlusIcon className="h-4 w-4" />
        </button>
      </div>
      <div className="relative min-w-0 flex-1">
        {track.keys.map((key, index) => (
          <Peg
            key={index}
            keyframe={key}
            label={`${label}, key ${keyNumber(track, index, timing)}`}
            says={keyWords(layer, track, key.value)}
            chosen={
              chosenKey?.layerId === layer.id && chosenKey.path === track.path && chosenKey.index === index
            }
            dim={!track.on}
            timing={timing}
            scale={scale}
            rate={rate}
            onChoose={() => chooseKey({ layerId: layer.id, path: track.path, index })}
            onMove={(moment) =>
              apply((now) =>
                updateTrack(now, layer.id, track.path, (one) => ({
                  ...one,
                  keys: one.keys.with(index, { ...one.keys[index], moment }),
                })),
              )
            }
            onRemove={() =>
              apply((now) =>
                updateTrack(now, layer.id, track.path, (one) =>
                  one.keys.length === 1 ? null : { ...one, keys: one.keys.toSpliced(index, 1) },
                ),
              )
            }
          />
        ))}
      </div>
    </div>
  );
}

interface PegProps {
  readonly keyframe: Keyframe;
  readonly label: string;
  /** What it sets, in words. */
  readonly says: string;
  readonly chosen: boolean;
  readonly dim: boolean;
  readonly timing: Timing;
  readonly scale: ScoreScale;
  readonly rate: FrameRate;
  readonly onChoose: () => void;
  readonly onMove: (moment: Keyframe['moment']) => void;
  readonly onRemove: () => void;
}

const HEADS: Readonly<Record<Keyframe['way'], string>> = {
  smooth: 'rounded-full',
  straight: 'rounded-[1px]',
  round: 'rounded-b-full',
  stepped:
    'rounded-tl-[1px] rounded-bl-[1px] [clip-path:polygon(0_0,100%_0,100%_50%,50%_50%,50%_100%,0_100%)]',
  spring: 'rounded-t-full',
};

/** A keyframe as an upright peg: dragged along, or moved by a frame with the arrow keys. */
function Peg(props: PegProps) {
  const {
    keyframe,
    label,
    says: value,
    chosen,
    dim,
    timing,
    scale,
    rate,
    onChoose,
    onMove,
    onRemove,
  } = props;
  const { store } = useBench();
  const from = useRef<{ readonly x: number; readonly at: number } | null>(null);
  const [says, setSays] = useState('');
  const seconds = keySeconds(keyframe, timing);
  const { totalSeconds } = designTiming(timing);
  const toFrame = (value: number): number =>
    Math.max(0, Math.min(totalSeconds, frameToSeconds(secondsToNearestFrames(value, rate), rate)));
  const onPointerMove = (event: PointerEvent): void => {
    if (from.current === null) return;
    const at = toFrame(xToSeconds(from.current.at + event.clientX - from.current.x, timing, scale));
    setSays(`${at.toFixed(2)} s · ${secondsToNearestFrames(at, rate)} f`);
    onMove(secondsToMoment(at, timing));
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const steps: Readonly<Record<string, number>> = { ArrowLeft: -1, ArrowRight: 1 };
    const step = steps[event.key];
    if (step !== undefined) onMove(secondsToMoment(toFrame(seconds + frameToSeconds(step, rate)), timing));
    else if (event.key === 'Delete' || event.key === 'Backspace') onRemove();
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const end = (): void => {
    if (from.current === null) return;
    from.current = null;
    store.grouping.end();
    setSays('');
  };
  return (
    <button
      type="button"
      aria-label={`${label} at ${seconds.toFixed(2)} s, ${keyframe.way}`}
      aria-pressed={chosen}
      title={`${label} at ${seconds.toFixed(2)} s: ${value}\nDrag along; arrow keys move it by a frame; Delete removes it`}
      className="absolute top-0 h-7 w-6 -translate-x-1/2 touch-none"
      style={{ left: secondsToX(seconds, timing, scale) }}
      onClick={onChoose}
      onPointerDown={(event) => {
        event.stopPropagation();
        event.currentTarget.setPointerCapture(event.pointerId);
        store.grouping.begin();
        from.current = { x: event.clientX, at: secondsToX(seconds, timing, scale) };
        onChoose();
      }}
      onPointerMove={onPointerMove}
      onPointerUp={end}
      onPointerCancel={end}
      onKeyDown={onKeyDown}
    >
      <span
        className={classes(
          'absolute top-1 bottom-1 left-1/2 w-0.5 -translate-x-1/2',
          chosen ? 'bg-leaf' : 'bg-ink',
          dim && 'opacity-40',
        )}
      />
      <span
        className={classes(
          'absolute top-1 left-1/2 h-2.5 w-2.5 -translate-x-1/2',
          HEADS[keyframe.way],
          chosen ? 'bg-leaf' : 'bg-ink',
          dim && 'opacity-40',
        )}
      />
      {says !== '' && (
        <span className="absolute -top-6 left-0 z-40 rounded-md bg-chosen px-2 py-0.5 font-mono text-[12px] whitespace-nowrap text-on-chosen">
          {says}
        </span>
      )}
    </button>
  );
}

/** What a key sets, as a tooltip says it. */
function keyWords(layer: Layer, { path }: Track, value: FieldValue): string {
  const control = findProperty(layer, path)?.control;
  if (control?.kind === 'state') return 'as it is attached there';
  const unit = control?.kind === 'number' && control.unit !== '' ? ` ${control.unit}` : '';
  const words = typeof value === 'number' ? String(Math.round(value * 100) / 100) : String(value);
  return `${words.length > 60 ? `${words.slice(0, 59)}…` : words}${unit}`;
}
