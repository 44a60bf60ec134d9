import type { Layer, PropertySetting, Template } from '../model/template';
import type { Lookup } from '../kit/overlay';
import { Overlay } from '../kit/overlay';
import { sameValue } from '../kit/sameValue';
import { findProperty } from '../layers';
import type { PropertyStage } from '../layers/layerKind';
import { unitsToPixels } from '../frame/formats';
import type { LayoutChange, LayoutContext, LayoutPlan, PlacedLayer } from '../layout/resolveLayout';
import { affectedBy, layOut, planLayout } from '../layout/resolveLayout';
import type { Resolved } from '../resolve/resolve';
import type { CompiledLayer, LayerContext } from './compileLayer';
import { compileLayer, NO_OFFSET, recompileLayer } from './compileLayer';
import { compileGrowth, PRESENT_PATH } from './growth';
import type { OwnSettings } from './presence';
import { compilePresence, PRESENCE_PATH } from './presence';
import type { KeyedPath, Placed } from './keyedPaths';
import { keyedPaths } from './keyedPaths';
import type { RestSnap } from './restSnap';
import { blendSnaps, createRestSnap, restNudge } from './restSnap';
import type { TitleTiming } from '../titleTime/stretch';
import type { KeyedSetting } from '../titleTime/tracks';

/** A title laid out in one state. */
export interface LaidOut {
  readonly placed: Placed;
  readonly layers: Lookup<CompiledLayer>;
}

/** A title that is laid out once, and asked for the state it has at any time. */
export interface Stages {
  /** As it is where no keyframe holds. */
  readonly still: LaidOut;
  at(seconds: number, timing: TitleTiming): LaidOut;
}

/** Lays a title out. Throws InputError when layers wait for one another in a circle. */
export function createStages(resolved: Resolved, context: LayoutContext): Stages {
  const { template } = resolved;
  const plan = planLayout(template.layers);
  const placed = layOut(plan, byId(template.layers), context);
  const layerContext: LayerContext = {
    format: context.format,
    pictures: context.pictures,
    timing: template.timing,
    marks: template.marks,
  };
  const layers = new Map(
    template.layers.flatMap(({ id }): [string, CompiledLayer][] => {
      const one = placed.get(id);
      return one === undefined ? [] : [[id, compileLayer(one, layerContext)]];
    }),
  );
  const still = { placed, layers };
  const own = ownSettings(template);
  if (!resolved.isKeyed && own.length === 0) return { still, at: () => still };
  const keyed = new KeyedLayout(resolved, plan, context, layerContext, still, own);
  return { still, at: (seconds, timing) => keyed.at(seconds, timing) };
}

/** What the timeline sets beside keyframes: how high lists are that grow, and for which layers there is room. */
function ownSettings({ layers, timing, marks }: Template): readonly OwnSettings[] {
  return [compileGrowth(layers, { timing, marks }), compilePresence(layers, timing)].filter(
    (one) => one !== null,
  );
}

// A shutter and groups ask for the same few moments again and again.
const MOMENTS_KEPT = 32;
// A title, and the own times of a few layers in it.
const TIMINGS_KEPT = 6;
// A layer whose keyed size stays the same for a while is not set again.
const LAYOUTS_KEPT = 48;

/** What is known of a title that is divided in one way. */
interface TimingState {
  readonly timing: TitleTiming;
  readonly snap: RestSnap | null;
  readonly moments: Map<number, LaidOut>;
}

/**
 * A title some of whose properties follow keyframes. What keys only paint or move is laid out once: its transforms and
 * paints are worked out for each moment. Where keys change a layout, that layer is laid out again and what hangs on
 * it is placed again.
 */
class KeyedLayout {
  private readonly design: ReadonlyMap<string, Layer>;
  private readonly paths: readonly KeyedPath[];
  private readonly change: Pick<LayoutChange, 'measure' | 'place'> | 'all';
  private readonly relaid = new Map<string, CompiledLayer>();
  private readonly timings: TimingState[] = [];

  constructor(
    private readonly resolved: Resolved,
    private readonly plan: LayoutPlan,
    private readonly context: LayoutContext,
    private readonly layerContext: LayerContext,
    private readonly still: LaidOut,
    private readonly own: readonly OwnSettings[],
  ) {
    const { layers } = resolved.template;
    this.design = byId(layers);
    this.paths = [
      ...keyedPaths(resolved.template),
      ...own.flatMap(({ layerIds, path }) =>
        layerIds.map((layerId) => ({ layerId, path, stage: 'layout' as const })),
      ),
    ];
    this.change = changeOf(this.paths, layers, plan);
  }

  at(seconds: number, timing: TitleTiming): LaidOut {
    const state = this.stateFor(timing);
    const known = state.moments.get(seconds);
    if (known !== undefined) return known;
    const made = this.layOut(seconds, state);
    const [oldest] = state.moments.keys();
    if (state.moments.size >= MOMENTS_KEPT && oldest !== undefined) state.moments.delete(oldest);
    state.moments.set(seconds, made);
    return made;
  }

  private stateFor(timing: TitleTiming): TimingState {
    const known =
      this.timings.find((one) => one.timing === timing) ??
      this.timings.find((one) => sameValue(one.timing, timing));
    if (known !== undefined) return known;
    const snap = createRestSnap(
      this.resolved.template,
      this.paths,
      timing,
      (time) => this.place(this.settingsAt(time, timing)),
      this.own.flatMap(({ times }) => times(timing)),
    );
    const made = { timing, snap, moments: new Map<number, LaidOut>() };
    if (this.timings.length >= TIMINGS_KEPT) this.timings.shift();
    this.timings.push(made);
    return made;
  }

  private settingsAt(seconds: number, timing: TitleTiming): readonly KeyedSetting[] {
    const keys = this.resolved.keysAt(seconds, timing);
    return this.own.length === 0 ? keys : [...keys, ...this.own.flatMap(({ at }) => at(seconds, timing))];
  }

  private layOut(seconds: number, { timing, snap }: TimingState): LaidOut {
    const settings = this.settingsAt(seconds, timing);
    const placed = this.place(settings);
    const touched = new Set(settings.map(({ layerId }) => layerId));
    for (const id of this.change === 'all' ? this.design.keys() : this.change.place) touched.add(id);
    const layers = new Overlay(this.still.layers);
    for (const id of touched) {
      const compiled = this.compile(id, placed.get(id), settings, { seconds, snap });
      if (compiled === null) layers.delete(id);
      else layers.set(id, compiled);
    }
    return { placed, layers };
  }

  /** Where all layers lie with settings; between two layouts where one of them is on its way to another. */
  private place(settings: readonly KeyedSetting[]): Placed {
    const between = twoLayouts(settings);
    if (between === null) return this.placeWhole(settings);
    const [from, to] = [this.place(between.from), this.place(between.to)];
    return placedBetween(from, to, between.share, [...this.design.keys()]);
  }

  private placeWhole(settings: readonly KeyedSetting[]): Placed {
    const layers = withSettings(this.design, settings);
    const { change, context, still } = this;
    if (change === 'all') {
      const all = this.resolved.template.layers.map((layer) => layers.get(layer.id) ?? layer);
      return layOut(planLayout(all), layers, context);
    }
    const before = still.placed;
    // What only paints is not placed again.
    const changed = new Overlay(
      change.place.size === 0 ? before : layOut(this.plan, layers, context, { before, ...change }),
    );
    for (const { layerId } of settings) {
      const one = changed.get(layerId);
      const layer = layers.get(layerId);
      if (one !== undefined && layer !== undefined && one.layer !== layer)
        changed.set(layerId, { ...one, layer });
    }
    return changed;
  }

  private compile(
    id: string,
    placed: PlacedLayer | undefined,
    settings: readonly KeyedSetting[],
    { seconds, snap: rests }: { readonly seconds: number; readonly snap: RestSnap | null },
  ): CompiledLayer | null {
    if (placed === undefined) return null;
    const still = this.still.layers.get(id);
    const { format } = this.context;
    if (still !== undefined && laidAlike(still, placed, this.isLayoutKeyed(id))) {
      const nudge = rests === null ? NO_OFFSET : restNudge(rests, still, placed, seconds, format);
      return { ...recompileLayer(still, placed, this.layerContext), nudge };
    }
    const snap = rests === null ? undefined : blendSnaps(rests, placed, seconds, unitsToPixels(format));
    const key = JSON.stringify([id, settings, placed.box, snap]);
    const known = this.relaid.get(key);
    if (known !== undefined) return known;
    const made = compileLayer(placed, this.layerContext, snap, still?.box);
    const [oldest] = this.relaid.keys();
    if (this.relaid.size >= LAYOUTS_KEPT && oldest !== undefined) this.relaid.delete(oldest);
    this.relaid.set(key, made);
    return made;
  }

  private isLayoutKeyed(id: string): boolean {
    return this.paths.some(({ layerId, stage }) => layerId === id && stage === 'layout');
  }
}

/** Whether a layer that may have been measured again came out as it lay before, perhaps elsewhere. */
function laidAlike({ measured, box }: CompiledLayer, placed: PlacedLayer, keyed: boolean): boolean {
  if (placed.measured === measured) return true;
  // Of two that are measured alike only the size is known to decide what is drawn, unless its own layout is keyed.
  const isPlain = !keyed && (placed.layer.kind === 'box' || placed.layer.kind === 'copy');
  return isPlain && placed.box.width === box.width && placed.box.height === box.height;
}

// What changes which layers are there, or what waits for what.
const CHANGES_ALL = new Set(['visible', 'place.target', PRESENCE_PATH]);

function changeOf(
  paths: readonly KeyedPath[],
  layers: readonly Layer[],
  plan: LayoutPlan,
): Pick<LayoutChange, 'measure' | 'place'> | 'all' {
  if (paths.some(({ path }) => CHANGES_ALL.has(path))) return 'all';
  const of = (stage: PropertyStage): Set<string> =>
    new Set(paths.filter((one) => one.stage === stage).map(({ layerId }) => layerId));
  return affectedBy(layers, plan, of('layout'), of('place'));
}

interface TwoLayouts {
  readonly from: readonly KeyedSetting[];
  readonly to: readonly KeyedSetting[];
  readonly share: number;
}

/**
 * The settings of two layouts that a title lies between; null where it lies in one. What goes on its way together has
 * its way together; a layer that there is not yet all the room for lies as it does with all of it.
 */
function twoLayouts(settings: readonly KeyedSetting[]): TwoLayouts | null {
  const half = settings.find(
    ({ path, value }) => path === PRESENCE_PATH && Number(value) > 0 && Number(value) < 1,
  );
  if (half !== undefined) {
    const [from, to] = [0, 1].map((value) => settings.map((one) => (one === half ? { ...one, value } : one)));
    return { from, to, share: Number(half.value) };
  }
  const share = settings.find(({ toward }) => toward !== undefined)?.toward?.share;
  if (share === undefined) return null;
  const at = (end: 'from' | 'to'): KeyedSetting[] =>
    settings.map((one) => {
      if (one.toward?.share !== share) return one;
      const { toward, ...rest } = one;
      return end === 'from' ? rest : { ...rest, value: toward.value };
    });
  return { from: at('from'), to: at('to'), share };
}

function withSettings(design: Lookup<Layer>, settings: readonly PropertySetting[]): Lookup<Layer> {
  const layers = new Overlay(design);
  for (const { layerId, path, value } of settings) {
    const layer = layers.get(layerId);
    if (layer?.kind === 'rows' && path === PRESENT_PATH)
      layers.set(layerId, { ...layer, presentRows: Number(value) });
    else if (layer !== undefined && path === PRESENCE_PATH && value === 0)
      layers.set(layerId, { ...layer, visible: false });
    const property = layer && findProperty(layer, path);
    if (property !== undefined) layers.set(layerId, property.with(value));
  }
  return layers;
}

/** Layers between where they lie without one of them and with it; that one lies as it does with it. */
function placedBetween(without: Placed, within: Placed, share: number, ids: readonly string[]): Placed {
  const mix = (a: number, b: number): number => a + (b - a) * share;
  return new Map(
    ids.flatMap((id): [string, PlacedLayer][] => {
      const [a, b] = [without.get(id), within.get(id)];
      if (a === undefined || b === undefined) return b === undefined ? (a ? [[id, a]] : []) : [[id, b]];
      const box = {
        x: mix(a.box.x, b.box.x),
        y: mix(a.box.y, b.box.y),
        width: mix(a.box.width, b.box.width),
        height: mix(a.box.height, b.box.height),
        firstBaseline: mix(a.box.firstBaseline, b.box.firstBaseline),
        lastBaseline: mix(a.box.lastBaseline, b.box.lastBaseline),
      };
      return [[id, { ...b, box }]];
    }),
  );
}

function byId(layers: readonly Layer[]): ReadonlyMap<string, Layer> {
  return new Map(layers.map((layer) => [layer.id, layer]));
}
