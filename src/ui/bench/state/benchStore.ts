'use client';
import { createContext, useContext } from 'react';
import { createStore, useStore } from 'zustand';
import type { StoreApi } from 'zustand';
import type { Added } from '@/core/edit/addLayer';
import { addedAbove } from '@/core/edit/addLayer';
import type { OverrideScope } from '@/core/edit/editOverrides';
import type { KeyRef } from '@/core/edit/manyKeys';
import type { Template, Timing } from '@/core/model/template';
import type { PlacedBox } from '@/core/frame/points';
import type { Point } from '@/core/kit/rect';
import { sameValue } from '@/core/kit/sameValue';
import { changeAtMoment } from '@/core/timeline/changeAtMoment';
import type { CompiledTitle } from '@/core/timeline/compile';
import { designTiming, toDesignSeconds } from '@/core/titleTime/moments';
import type { TitleTiming } from '@/core/titleTime/stretch';
import { hasTracks } from '@/core/titleTime/tracks';
import type { PaintedFrames } from '../../picture/titleFrames';
import type { UndoHistory } from '../../shared/undoHistory';
import { createUndoHistory } from '../../shared/undoHistory';

export type Change = (template: Template) => Template;

interface BenchState {
  readonly template: Template;
  /** Changes the template as it is at the playhead: what follows keyframes gets a key there. */
  apply(change: Change): void;
  /** The same, from another template than the present one: a drag always starts from where it began. */
  applyTo(from: Template, change: Change): void;
  /** Puts another template in its place. */
  replace(template: Template): void;
}

/** Where the playhead of the bench is. */
export interface Playhead {
  readonly seconds: number;
  readonly timing: TitleTiming;
}

export type BenchStore = StoreApi<BenchState> & UndoHistory<Template>;

/** A template on the bench, with its undo history. */
export function createBenchStore(template: Template, playhead: StoreApi<Playhead>): BenchStore {
  const put = (next: Template): void => {
    const before = store.getState().template;
    if (next === before) return;
    store.setState({ template: next });
    history.record(before, next);
  };
  const store = createStore<BenchState>()(() => ({
    template,
    apply: (change) => put(changeAt(store.getState().template, playhead.getState(), change)),
    applyTo: (from, change) => put(changeAt(from, playhead.getState(), change)),
    replace: put,
  }));
  const history = createUndoHistory<Template>(
    () => store.getState().template,
    (next) => store.setState({ template: next }),
  );
  return Object.assign(store, history);
}

/** A playhead at the first moment at which all of a template is there. */
export function createPlayhead({ timing }: Template): StoreApi<Playhead> {
  return createStore<Playhead>(() => ({ seconds: timing.inSeconds, timing: designTiming(timing) }));
}

function changeAt(template: Template, playhead: Playhead, change: Change): Template {
  return hasTracks(template) ? changeAtMoment(template, playhead, change) : change(template);
}

/** The time of the design that the playhead stands for, in seconds. */
export function designSeconds(playhead: StoreApi<Playhead>, design: Timing): number {
  const { seconds, timing } = playhead.getState();
  return toDesignSeconds(seconds, design, timing);
}

/** Waiting for a colour to be picked from the picture. */
export type ColourPick = (colour: string) => void;

type Boxes = ReadonlyMap<string, PlacedBox>;

/** A note of where layers lie as they were drawn, in design units, by id: what changes of a design go by. */
export interface BoxesNote {
  read(): Boxes;
  /** −1 for a layer that is seen mirrored, left for right, else 1. */
  across(layerId: string): 1 | -1;
  /** The same as they are seen. */
  readSeen(): Boxes;
  write(boxes: Boxes, mirrored?: ReadonlySet<string>, seen?: Boxes): void;
}

/** An empty note. */
export function createBoxesNote(): BoxesNote {
  const none: Boxes = new Map();
  let latest = { boxes: none, mirrored: new Set() as ReadonlySet<string>, seen: none };
  return {
    read: () => latest.boxes,
    readSeen: () => latest.seen,
    across: (id) => (latest.mirrored.has(id) ? -1 : 1),
    write: (boxes, mirrored = new Set(), seen = boxes) => void (latest = { boxes, mirrored, seen }),
  };
}

type TimesOfLayer = ReturnType<CompiledTitle['moveTimes']>;

/** What the moves of layers come to in the format that is looked at, by layer id. */
export type MoveTimesNote = StoreApi<ReadonlyMap<string, TimesOfLayer>>;

/** Which frames are kept as they were painted. */
export type FramesNote = StoreApi<{ readonly painted: StoreApi<PaintedFrames> } | null>;

/** A note of no frames. */
export function createFramesNote(): FramesNote {
  return createStore<{ readonly painted: StoreApi<PaintedFrames> } | null>(() => null);
}

/** An empty note. */
export function createMoveTimesNote(): MoveTimesNote {
  return createStore<ReadonlyMap<string, TimesOfLayer>>(() => new Map());
}

/** Notes what the moves of a title come to; a layer whose times are as they were keeps its entry. */
export function noteMoveTimes(note: MoveTimesNote, title: CompiledTitle): void {
  const known = note.getState();
  const next = new Map(
    [...title.boxes.keys()].map((id) => {
      const [was, now] = [known.get(id), title.moveTimes(id)];
      return [id, was !== undefined && sameValue(was, now) ? was : now];
    }),
  );
  note.setState(next, true);
}

const NO_TIMES: TimesOfLayer = { in: [], out: [] };

/** What the moves of a layer come to in the format that is looked at; empty where it is not there. */
export function useMoveTimes(layerId: string): TimesOfLayer {
  return useStore(useBench().moveTimes, (times) => times.get(layerId) ?? NO_TIMES);
}

/** Asks for another time of the design; the timeline, which has the playhead, does it. */
export interface Seek {
  to(designSeconds: number): void;
  /** Says who does it; gives how to end that. */
  onSeek(does: (designSeconds: number) => void): () => void;
}

/** A way to ask for another time, which nobody listens to yet. */
export function createSeek(): Seek {
  let current: ((designSeconds: number) => void) | null = null;
  return {
    to: (seconds) => current?.(seconds),
    onSeek(does) {
      current = does;
      return () => void (current = null);
    },
  };
}

/** What the parts of the bench share besides the template. */
export interface BenchView {
  readonly templateId: string;
  readonly store: BenchStore;
  /** The layer whose settings are shown. */
  readonly selected: string | null;
  /** All chosen layers, the one whose settings are shown first. */
  readonly selection: readonly string[];
  /** Chooses a layer; `add` adds it to those that are chosen, or takes it out of them. */
  select(layerId: string | null, add?: boolean): void;
  /** Chooses several at once. */
  choose(layerIds: readonly string[]): void;
  /** The only layers that are shown while designing; null for all. */
  readonly solo: readonly string[] | null;
  setSolo(layerIds: readonly string[] | null): void;
  /** Whether words of the chosen text are typed on the picture. */
  readonly typing: boolean;
  type(on: boolean): void;
  /** Where on the screen (CSS px) the menu of the chosen layers is asked for; null for nowhere. */
  readonly menuAt: Point | null;
  setMenuAt(at: Point | null): void;
  readonly formatId: string;
  chooseFormat(formatId: string): void;
  /** Which formats changes are made for; null for all. */
  readonly scope: OverrideScope | null;
  setScope(scope: OverrideScope | null): void;
  /** Where layers lie in the format that is looked at; written when the picture is laid out, read when something is done. */
  readonly boxes: BoxesNote;
  readonly moveTimes: MoveTimesNote;
  /** The painted frames of the title in the format that is looked at; null while there are none. */
  readonly frames: FramesNote;
  readonly playhead: StoreApi<Playhead>;
  readonly seek: Seek;
  /** The key whose settings are shown; null for none. */
  readonly chosenKey: KeyRef | null;
  /** All keys that are chosen in the timeline, that one first. */
  readonly chosenKeys: readonly KeyRef[];
  /** Chooses a key; `add` adds it to those that are chosen, or takes it out of them. */
  chooseKey(key: KeyRef | null, add?: boolean): void;
  readonly picking: ColourPick | null;
  pickColour(pick: ColourPick | null): void;
}

const BenchContext = createContext<BenchView | null>(null);
export const BenchProvider = BenchContext.Provider;

/** The shared state of the bench. */
export function useBench(): BenchView {
  const view = useContext(BenchContext);
  if (view === null) throw new Error('This part belongs on the bench');
  return view;
}

/** The template as it is now. */
export function useTemplate(): Template {
  return useStore(useBench().store, (state) => state.template);
}

/** Chosen keys after one was chosen; `add` adds it in front of them, or takes it out. */
export function withKey(chosen: readonly KeyRef[], key: KeyRef | null, add: boolean): readonly KeyRef[] {
  if (key === null) return [];
  if (!add) return [key];
  const others = chosen.filter((one) => !sameValue(one, key));
  return others.length < chosen.length ? others : [key, ...chosen];
}

/** A part of the template; what asks for it is drawn again only when that part changes. */
export function useTemplatePart<T>(part: (template: Template) => T): T {
  return useStore(useBench().store, (state) => part(state.template));
}

type Make = (template: Template) => Added;

/** Adds a layer right above the one that is chosen, and chooses it. */
export function addToBench({ store, select, selected }: BenchView, make: Make): void {
  const { template, layerId } = addedAbove(make(store.getState().template), selected);
  store.getState().replace(template);
  select(layerId);
}

/** How to add a layer. */
export function useAdd(): (make: Make) => void {
  const view = useBench();
  return (make) => addToBench(view, make);
}

/** How to change the template. */
export function useApply(): (change: Change) => void {
  return useStore(useBench().store, (state) => state.apply);
}
