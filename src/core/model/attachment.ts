import type { SafeAreaId } from '../frame/safeAreas';
import { SAFE_AREA_IDS } from '../frame/safeAreas';
import type { PointName } from '../frame/points';
import { mirrorPoint, POINT_NAMES } from '../frame/points';
import type { FieldValue, Place, PlaceTarget, Track } from './template';

/** The path of all that a layer is attached by, which has one key for all. */
export const ATTACHMENT_PATH = 'place.attachment';
/** The path of the layers that a panel encloses. */
export const ENCLOSES_PATH = 'encloses';

/** What a layer is attached to, by which points, and how far off. */
export type Attachment = Pick<Place, 'point' | 'target' | 'targetPoint' | 'dxU' | 'dyU'>;

/** An attachment as the words that a keyframe has. */
export function writeAttachment({ point, target, targetPoint, dxU, dyU }: Attachment): string {
  const to = target.kind === 'layer' ? { layer: target.layerId } : target.kind;
  return JSON.stringify([point, to, targetPoint, dxU, dyU]);
}

/** An attachment from the words of a keyframe; null for what is none. */
export function readAttachment(value: FieldValue): Attachment | null {
  const list = parsed(value);
  if (!Array.isArray(list) || list.length !== 5) return null;
  const [own, to, its, dxU, dyU] = list as unknown[];
  const [point, targetPoint] = [pointOf(own), pointOf(its)];
  const target = targetOf(to);
  if (point === undefined || targetPoint === undefined || target === null) return null;
  if (typeof dxU !== 'number' || typeof dyU !== 'number') return null;
  return { point, target, targetPoint, dxU, dyU };
}

/** The ids of layers as the words that a keyframe has. */
export const writeIds = (ids: readonly string[]): string => JSON.stringify(ids);

/** The ids of layers from the words of a keyframe; null for what is none. */
export function readIds(value: FieldValue): readonly string[] | null {
  const list = parsed(value);
  return Array.isArray(list) && list.every((one) => typeof one === 'string') ? list : null;
}

/** The ids of the layers that a track's keys refer to. */
export function trackReferences({ path, keys }: Track): string[] {
  return keys.flatMap(({ value }) => {
    if (path === ENCLOSES_PATH) return readIds(value) ?? [];
    const target = path === ATTACHMENT_PATH ? readAttachment(value)?.target : undefined;
    return target?.kind === 'layer' ? [target.layerId] : [];
  });
}

/** A track with the ids that its keys refer to put through `to`; a key whose layer is gone (null) goes too. */
export function renameInTrack(track: Track, to: (layerId: string) => string | null): Track {
  if (track.path === ENCLOSES_PATH) {
    return withValues(track, (value) => {
      const ids = readIds(value);
      return ids === null ? value : writeIds(ids.flatMap((id) => to(id) ?? []));
    });
  }
  if (track.path !== ATTACHMENT_PATH) return track;
  return withValues(track, (value) => {
    const attachment = readAttachment(value);
    if (attachment?.target.kind !== 'layer') return value;
    const layerId = to(attachment.target.layerId);
    return layerId === null ? null : writeAttachment({ ...attachment, target: { kind: 'layer', layerId } });
  });
}

/** A track of attachments as the mirror shows them. */
export function mirrorAttachments(track: Track): Track {
  return withValues(track, (value) => {
    const attachment = readAttachment(value);
    if (attachment === null) return value;
    const { point, target, targetPoint, dxU, dyU } = attachment;
    return writeAttachment({
      point: mirrorPoint(point),
      target,
      targetPoint: mirrorPoint(targetPoint),
      dxU: dxU === 0 ? 0 : -dxU,
      dyU,
    });
  });
}

function withValues(track: Track, change: (value: FieldValue) => FieldValue | null): Track {
  const values = track.keys.map(({ value }) => change(value));
  if (values.every((value, i) => value === track.keys[i].value)) return track;
  return {
    ...track,
    keys: track.keys.flatMap((key, i) => {
      const value = values[i];
      return value === null ? [] : [{ ...key, value }];
    }),
  };
}

function parsed(value: FieldValue): unknown {
  try {
    return JSON.parse(String(value));
  } catch {
    return null;
  }
}

const pointOf = (value: unknown): PointName | undefined => POINT_NAMES.find((name) => name === value);

function targetOf(value: unknown): PlaceTarget | null {
  const area: SafeAreaId | undefined = SAFE_AREA_IDS.find((id) => id === value);
  if (area !== undefined) return { kind: area };
  if (typeof value !== 'object' || value === null || !('layer' in value)) return null;
  return typeof value.layer === 'string' ? { kind: 'layer', layerId: value.layer } : null;
}
