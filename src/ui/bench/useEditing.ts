'use client';
import { useMemo } from 'react';
import { applyOverrides } from '@/core/document/applyOverrides';
import type { EditPlace } from '@/core/document/editInFormat';
import { setPropertyIn } from '@/core/document/editInFormat';
import { updateLayer } from '@/core/document/editTemplate';
import type { FieldValue, Layer, Template } from '@/core/document/template';
import type { FrameFormat } from '@/core/layout/formats';
import { FORMATS } from '@/core/layout/formats';
import { useApply, useBench, useTemplate } from './benchStore';

export interface Editing {
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

/** What is chosen on the bench, and how to change it where changes are made. */
export function useEditing(): Editing {
  const template = useTemplate();
  const apply = useApply();
  const { formatId, scope, selection } = useBench();
  const format = FORMATS.get(template.formats.includes(formatId) ? formatId : template.formats[0]);
  const shown = useMemo(() => applyOverrides(template, format), [template, format]);
  const place = useMemo(() => ({ format, scope }), [format, scope]);
  const layers = selection.flatMap((id) => shown.layers.find((layer) => layer.id === id) ?? []);
  const ids = layers.map((layer) => layer.id);
  return {
    format,
    place,
    shown,
    layers,
    set: (path, value) =>
      apply((now) => ids.reduce((done, id) => setPropertyIn(done, place, id, path, value), now)),
    change: (edit) => apply((now) => ids.reduce((done, id) => updateLayer(done, id, edit), now)),
  };
}
