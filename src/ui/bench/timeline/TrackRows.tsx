'use client';
import { useRef, useState } from 'react';
import type { KeyboardEvent, PointerEvent } from 'react';
import { PlusIcon } from '@heroicons/react/24/outline';
import { figureOf } from '@/core/colour/houseColour';
import { updateLayer } from '@/core/edit/editTemplate';
import { setKey, updateTrack } from '@/core/edit/editTracks';
import type { KeyRef } from '@/core/edit/manyKeys';
import { keyTimes, moveKeys, removeKeys, scaleKeys } from '@/core/edit/manyKeys';
import { sameValue } from '@/core/kit/sameValue';
import type { FieldValue, Keyframe, Layer, Template, Timing, Track } from '@/core/model/template';
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
  const { playhead, chooseKey } = useBench();
  const label = findProperty(layer, track.path)?.label ?? track.path;
  const addKey = (): void => {
    const seconds = designSeconds(playhead, timing);
    const between = findProperty(layer, track.path);
    const value = trackValue(track, seconds, timing, designTiming(timing), between);
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
            of={{ layerId: layer.id, path: track.path, index }}
            keyframe={key}
            label={`${label}, key ${keyNumber(track, index, timing)}`}
            says={keyWords(layer, track, key.value)}
            dim={!track.on}
            timing={timing}
            scale={scale}
            rate={rate}
          />
        ))}
      </div>
    </div>
  );
}

interface PegProps {
  readonly of: KeyRef;
  readonly keyframe: Keyframe;
  readonly label: string;
  /** What it sets, in words. */
  readonly says: string;
  readonly dim: boolean;
  readonly timing: Timing;
  readonly scale: ScoreScale;
  readonly rate: FrameRate;
}

const HEADS: Readonly<Record<Keyframe['way'], string>> = {
  smooth: 'rounded-full',
  straight: 'rounded-[1px]',
  round: 'rounded-b-full',
  stepped:
    'rounded-tl-[1px] rounded-bl-[1px] [clip-path:polygon(0_0,100%_0,100%_50%,50%_50%,50%_100%,0_100%)]',
  spring: 'rounded-t-full',
};

interface PegDrag {
  readonly x: number;
  /** Where the peg was, in CSS pixels and in seconds of the design. */
  readonly at: number;
  readonly seconds: number;
  readonly template: Template;
  readonly keys: readonly KeyRef[];
}

/**
 * A keyframe as an upright peg: dragged along with all that are chosen, with Alt scaled about the furthest of them, or moved
 * by a frame with the arrow keys.
 */
function Peg({ of, keyframe, label, says: value, dim, timing, scale, rate }: PegProps) {
  const { store, chosenKeys, chooseKey } = useBench();
  const apply = useApply();
  const from = useRef<PegDrag | null>(null);
  const [says, setSays] = useState('');
  const seconds = keySeconds(keyframe, timing);
  const { totalSeconds } = designTiming(timing);
  const chosen = chosenKeys.some((one) => sameValue(one, of));
  const together = chosen ? chosenKeys : [of];
  const toFrame = (time: number): number =>
    Math.max(0, Math.min(totalSeconds, frameToSeconds(secondsToNearestFrames(time, rate), rate)));
  const onPointerMove = (event: PointerEvent): void => {
    const start = from.current;
    if (start === null) return;
    const at = toFrame(xToSeconds(start.at + event.clientX - start.x, timing, scale));
    const frames = `${at.toFixed(2)} s · ${secondsToNearestFrames(at, rate)} f`;
    setSays(start.keys.length > 1 ? `${frames} · ${start.keys.length} keys` : frames);
    store
      .getState()
      .applyTo(start.template, (now) =>
        event.altKey && start.keys.length > 1
          ? scaledTo(now, start, at)
          : moveKeys(now, start.keys, at - start.seconds),
      );
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const steps: Readonly<Record<string, number>> = { ArrowLeft: -1, ArrowRight: 1 };
    const step = steps[event.key];
    if (step !== undefined) {
      const by = toFrame(seconds + frameToSeconds(step, rate)) - seconds;
      apply((now) => moveKeys(now, together, by));
    } else if (event.key === 'Delete' || event.key === 'Backspace') {
      apply((now) => removeKeys(now, together));
      chooseKey(null);
    } else if (event.key === 'Escape' && chosenKeys.length > 1) chooseKey(of);
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
      title={`${label} at ${seconds.toFixed(2)} s: ${value}\nDrag along; Shift chooses several, Alt and a drag scale them; arrow keys move by a frame; Delete removes`}
      className="absolute top-0 h-7 w-6 -translate-x-1/2 touch-none"
      style={{ left: secondsToX(seconds, timing, scale) }}
      onClick={(event) => {
        // With the keyboard; the pointer has chosen when it went down.
        if (event.detail === 0) chooseKey(of, event.shiftKey);
      }}
      onPointerDown={(event) => {
        event.stopPropagation();
        const adds = event.shiftKey || event.ctrlKey || event.metaKey;
        if (adds) return chooseKey(of, true);
        if (!chosen) chooseKey(of);
        event.currentTarget.setPointerCapture(event.pointerId);
        store.grouping.begin();
        const { template } = store.getState();
        const at = secondsToX(seconds, timing, scale);
        from.current = { x: event.clientX, at, seconds, template, keys: together };
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

/** Keys scaled so that the dragged one is at a time; the one that is furthest from it stays. */
function scaledTo(now: Template, { template, keys, seconds }: PegDrag, at: number): Template {
  const times = keyTimes(template, keys);
  const [first, last] = [times[0], times[times.length - 1]];
  const about = Math.abs(seconds - first) > Math.abs(seconds - last) ? first : last;
  return seconds === about ? now : scaleKeys(now, keys, about, (at - about) / (seconds - about));
}

/** What a key sets, as a tooltip says it. */
function keyWords(layer: Layer, { path }: Track, value: FieldValue): string {
  const control = findProperty(layer, path)?.control;
  if (control?.kind === 'state') return 'as it is attached there';
  const unit = control?.kind === 'number' && control.unit !== '' ? ` ${control.unit}` : '';
  const words = typeof value === 'number' ? String(Math.round(value * 100) / 100) : figureOf(String(value));
  return `${words.length > 60 ? `${words.slice(0, 59)}…` : words}${unit}`;
}
