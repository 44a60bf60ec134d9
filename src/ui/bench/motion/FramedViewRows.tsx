'use client';
import { useState } from 'react';
import type { FramedView } from '@/core/edit/framedViews';
import {
  addView,
  changeView,
  framedViews,
  frameViews,
  keptInside,
  moveView,
  removeView,
} from '@/core/edit/framedViews';
import type { PictureSize } from '@/core/layers/layerKind';
import type { PictureLayer, PictureView } from '@/core/model/template';
import { designTiming } from '@/core/titleTime/moments';
import { usePictures } from '../../picture/pictures';
import { Button } from '../../shared/Button';
import { NumberBox } from '../../shared/NumberBox';
import { Row } from '../settings/PropertyRow';
import { designSeconds, useApply, useBench } from '../state/benchStore';
import { useEditing } from '../state/useEditing';
import { ViewFrames } from './ViewFrames';

// What stands for a picture that is not chosen yet.
const STAND_IN: PictureSize = { widthPx: 1600, heightPx: 900 };

/** The views that a picture goes through in the title, drawn as frames on it. */
export function FramedViewRows({ layer }: { readonly layer: PictureLayer }) {
  const { timing } = useEditing().template;
  const apply = useApply();
  const { boxes, store, playhead, seek } = useBench();
  const [wanted, setWanted] = useState(1);
  const size = usePictures(layer.asset === null ? [] : [layer.asset]).size(layer.asset ?? '') ?? STAND_IN;
  const views = framedViews(layer, timing);
  const chosen = Math.min(wanted, views.length - 1);
  if (views.length === 0) {
    return (
      <Button className="my-1 w-full" onClick={() => apply((now) => frameViews(now, layer.id))}>
        Go from one view to another
      </Button>
    );
  }
  const choose = (which: number): void => {
    setWanted(which);
    seek.to(views[which].seconds);
  };
  const box = boxes.read().get(layer.id) ?? { x: 0, y: 0, width: layer.widthU, height: layer.heightU };
  const change = (which: number, view: PictureView): void =>
    apply((now) => changeView(now, layer.id, views[which].index, view));
  const add = (): void => {
    const at = designSeconds(playhead, timing);
    apply((now) => addView(now, layer.id, at, layer.view ?? views[chosen].view));
    setWanted(views.filter(({ seconds }) => seconds <= at).length);
  };
  const remove = (which: number): void => apply((now) => removeView(now, layer.id, views[which].index));
  return (
    <>
      <ViewFrames
        asset={layer.asset}
        size={size}
        box={box}
        views={views}
        chosen={chosen}
        onChoose={choose}
        onChange={change}
        onStart={() => store.grouping.begin()}
        onEnd={() => store.grouping.end()}
        onRemove={remove}
      />
      <ViewRows
        number={chosen + 1}
        of={views.length}
        one={views[chosen]}
        most={designTiming(timing).totalSeconds}
        onMove={(seconds) => apply((now) => moveView(now, layer.id, views[chosen].index, seconds))}
        onChange={(view) => change(chosen, keptInside(view, size, box))}
      />
      <div className="grid grid-cols-2 gap-1 py-1">
        <Button title="Another view where the playhead is, as it is seen there" onClick={add}>
          Add at playhead
        </Button>
        <Button onClick={() => remove(chosen)}>Remove view {chosen + 1}</Button>
      </div>
    </>
  );
}

interface RowsProps {
  readonly number: number;
  readonly of: number;
  readonly one: FramedView;
  readonly most: number;
  readonly onMove: (seconds: number) => void;
  readonly onChange: (view: PictureView) => void;
}

/** The figures of the chosen view. */
function ViewRows({ number, of, one: { view, seconds }, most, onMove, onChange }: RowsProps) {
  const figure = (label: string, part: keyof PictureView, least: number, top: number) => (
    <NumberBox
      label={`${label} of view ${number}`}
      unit="%"
      min={least}
      max={top}
      step={part === 'zoom' ? 5 : 1}
      value={view[part] * 100}
      onChange={(value) => onChange({ ...view, [part]: value / 100 })}
    />
  );
  return (
    <>
      <p className="pt-1.5 font-semibold">
        View {number} of {of}
      </p>
      <Row label="Seen at">
        <NumberBox
          label={`Time of view ${number}`}
          unit="s"
          min={0}
          max={most}
          step={0.04}
          value={Math.round(seconds * 1000) / 1000}
          onChange={onMove}
        />
      </Row>
      <Row label="Middle">
        <span className="grid grid-cols-2 gap-2">
          {figure('Middle across', 'x', 0, 100)}
          {figure('Middle down', 'y', 0, 100)}
        </span>
      </Row>
      <Row label="Size">{figure('Size', 'zoom', 100, 5000)}</Row>
    </>
  );
}
