'use client';
import { createContext, useContext, useMemo } from 'react';
import { useStore } from 'zustand';
import { resolve } from '@/core/resolve/resolve';
import type { EditPlace } from '@/core/edit/editInFormat';
import { setPropertyIn } from '@/core/edit/editInFormat';
import { updateLayer } from '@/core/edit/editTemplate';
import type { FieldValue, Layer, Template } from '@/core/model/template';
import type { FrameFormat } from '@/core/frame/formats';
import { FORMATS } from '@/core/frame/formats';
import { hasTracks } from '@/core/titleTime/tracks';
import { useApply, useBench, useTemplate } from './benchStore';

export interface Editing {
  /** The template without what any format has otherwise. */
  readonly template: Template;
  readonly format: FrameFormat;
  readonly place: EditPlace;
  /** The template as the format that is looked at has it. */
  readonly shown: Template;
  /** The chosen layers as they are in that format, the one whose settings are shown first. */
  readonly layers: readonly Layer[];
  /** Sets a property of all chosen layers that have it. */
  set(path: string, value: FieldValue): void;
  /** Changes all chosen layers, in all formats. */
  change(edit: (layer: Layer) => Layer): void;
}

const EditingContext = createContext<Editing | null>(null);
export const EditingContextProvider = EditingContext.Provider;

/** What is chosen on the bench, and how to change it where changes are made. */
export function useEditing(): Editing {
  const editing = useContext(EditingContext);
  if (editing === null) throw new Error('This part belongs on the bench');
  return editing;
}

/** The state behind useEditing, worked out once for all parts of the bench. */
export function useEditingState(): Editing {
  const template = useTemplate();
  const apply = useApply();
  const { formatId, scope, selection, playhead } = useBench();
  // Without keyframes nothing depends on where the playhead is.
  const at = useStore(playhead, (now) => (hasTracks(template) ? now : null));
  return useMemo(() => {
    const id = template.formats.includes(formatId) ? formatId : template.formats[0];
    const resolved = resolve(template, { format: FORMATS.get(id) });
    const { format } = resolved;
    const shown = at === null ? resolved.template : resolved.at(at.seconds, at.timing);
    const place = { format, scope };
    const layers = selection.flatMap((one) => shown.layers.find((layer) => layer.id === one) ?? []);
    const ids = layers.map((layer) => layer.id);
    return {
      template,
      format,
      place,
      shown,
      layers,
      set: (path, value) =>
        apply((now) => ids.reduce((done, one) => setPropertyIn(done, place, one, path, value), now)),
      change: (edit) => apply((now) => ids.reduce((done, one) => updateLayer(done, one, edit), now)),
    };
  }, [template, at, apply, formatId, scope, selection]);
}
