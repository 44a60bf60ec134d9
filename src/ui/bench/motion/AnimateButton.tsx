'use client';
import { setKey } from '@/core/edit/editTracks';
import { updateLayer } from '@/core/edit/editTemplate';
import { findProperty } from '@/core/layers';
import type { Keyframe, Layer } from '@/core/model/template';
import { trackOf } from '@/core/model/track';
import { secondsToMoment } from '@/core/titleTime/moments';
import { Button } from '../../shared/Button';
import { designSeconds, useApply, useBench, useTemplatePart } from '../state/benchStore';

/** Gives a property of a layer its first key, where the playhead is, and chooses it. */
export function useAnimate(layer: Layer): (path: string, way?: Keyframe['way']) => void {
  const timing = useTemplatePart((template) => template.timing);
  const apply = useApply();
  const { playhead, chooseKey } = useBench();
  return (path, way) => {
    const moment = secondsToMoment(designSeconds(playhead, timing), timing);
    apply((now) =>
      updateLayer(now, layer.id, (one) => {
        const value = findProperty(one, path)?.value;
        return value === undefined ? one : setKey(one, path, moment, value, way);
      }),
    );
    chooseKey({ layerId: layer.id, path, index: 0 });
  };
}

interface Props {
  readonly layer: Layer;
  readonly path: string;
  /** What is animated, in words. */
  readonly what: string;
  readonly way?: Keyframe['way'];
}

/** A button that gives a property its first key; from then on how many there are, and that a change sets one. */
export function AnimateButton({ layer, path, what, way }: Props) {
  const animate = useAnimate(layer);
  const track = trackOf(layer, path);
  if (track !== undefined) {
    const count = track.keys.length;
    return (
      <p className="py-1 text-[12px] text-soft">
        {track.on
          ? `${count} ${count === 1 ? 'key' : 'keys'}; a change sets one at the playhead.`
          : `${count} ${count === 1 ? 'key' : 'keys'}, switched off in the timeline.`}
      </p>
    );
  }
  return (
    <Button
      className="my-1 w-full"
      title={`Sets a first key at the playhead; a change elsewhere sets the next`}
      onClick={() => animate(path, way)}
    >
      Animate {what}
    </Button>
  );
}
