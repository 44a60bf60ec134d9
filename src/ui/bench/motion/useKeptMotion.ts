'use client';
import { useCallback } from 'react';
import { fitMotion } from '@/core/edit/editTemplate';
import type { Motion } from '@/core/model/template';
import { useEditing } from '../state/useEditing';

/** How to have the chosen layers move as motion of the House does, fitted into the in and the out that there are. */
export function useKeptMotion(): (motion: Motion) => void {
  const { change, template } = useEditing();
  const { timing } = template;
  return useCallback(
    (motion) => change((layer) => ({ ...layer, motion: fitMotion(motion, timing) })),
    [change, timing],
  );
}
