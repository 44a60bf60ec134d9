'use client';
import { useCallback, useMemo, useState } from 'react';
import type { OverrideScope } from '@/core/edit/editOverrides';
import type { Point } from '@/core/kit/rect';
import type { Template } from '@/core/model/template';
import type { TemplateRecord } from '@/contract/templates';
import type { KeyRef } from '@/core/edit/manyKeys';
import type { BenchView, ColourPick } from './benchStore';
import {
  createBenchStore,
  createBoxesNote,
  createFramesNote,
  createMoveTimesNote,
  createPlayhead,
  createSeek,
  withKey,
} from './benchStore';

/** What one begins with: the words that editors fill in first, or else what lies on top. */
function firstToTouch({ fields, layers }: Template): readonly string[] {
  const [first] = fields.flatMap(({ targets }) => targets.slice(0, 1).map(({ layerId }) => layerId));
  return first === undefined ? layers.slice(0, 1).map(({ id }) => id) : [first];
}

/** The state that the parts of the bench share, for a template that is opened on it. */
export function useBenchView({
  id: templateId,
  document,
}: Pick<TemplateRecord, 'id' | 'document'>): BenchView {
  const [playhead] = useState(() => createPlayhead(document));
  const [store] = useState(() => createBenchStore(document, playhead));
  const [chosenKeys, setChosenKeys] = useState<readonly KeyRef[]>([]);
  const [selection, setSelection] = useState<readonly string[]>(firstToTouch(document));
  const [formatId, setFormatId] = useState(document.formats[0]);
  const [scope, setScope] = useState<OverrideScope | null>(null);
  const [boxes] = useState(createBoxesNote);
  const [moveTimes] = useState(createMoveTimesNote);
  const [frames] = useState(createFramesNote);
  const [seek] = useState(createSeek);
  const [solo, setSolo] = useState<readonly string[] | null>(null);
  const [typing, type] = useState(false);
  const [menuAt, setMenuAt] = useState<Point | null>(null);
  const [pick, setPick] = useState<{ readonly run: ColourPick } | null>(null);
  const select = useCallback((layerId: string | null, add = false) => {
    setSelection((now) => {
      if (layerId === null) return add ? now : [];
      if (!add) return [layerId];
      return now.includes(layerId) ? now.filter((id) => id !== layerId) : [layerId, ...now];
    });
  }, []);
  const chooseKey = useCallback(
    (key: KeyRef | null, add = false) => setChosenKeys((now) => withKey(now, key, add)),
    [],
  );
  const choose = useCallback((ids: readonly string[]) => setSelection(ids), []);
  const chooseFormat = useCallback((id: string) => {
    setFormatId(id);
    // Changes for one format must not go on unseen in another.
    setScope(null);
  }, []);
  return useMemo<BenchView>(
    () => ({
      templateId,
      store,
      selection,
      selected: selection[0] ?? null,
      select,
      choose,
      solo,
      setSolo,
      typing,
      type,
      menuAt,
      setMenuAt,
      formatId,
      chooseFormat,
      scope,
      setScope,
      boxes,
      moveTimes,
      frames,
      playhead,
      seek,
      chosenKey: chosenKeys[0] ?? null,
      chosenKeys,
      chooseKey,
      picking: pick?.run ?? null,
      pickColour: (run) => setPick(run === null ? null : { run }),
    }),
    [
      templateId,
      store,
      selection,
      select,
      choose,
      solo,
      typing,
      menuAt,
      formatId,
      chooseFormat,
      scope,
      boxes,
      moveTimes,
      frames,
      playhead,
      seek,
      chosenKeys,
      chooseKey,
      pick,
    ],
  );
}
