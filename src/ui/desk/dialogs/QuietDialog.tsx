'use client';
import { useEffect, useMemo, useState } from 'react';
import type { Title } from '@/core/model/project';
import { FORMATS, pictureSize } from '@/core/frame/formats';
import { safeArea } from '@/core/frame/safeAreas';
import type { Rect } from '@/core/kit/rect';
import { unionRects } from '@/core/kit/rect';
import { withDeliveryChange, withSharedValues, withShift } from '@/core/project/deliver';
import type { QuietMap } from '@/core/quiet/quietMap';
import type { QuietPlace } from '@/core/quiet/quietPlaces';
import { ownPositions, quietPlaces } from '@/core/quiet/quietPlaces';
import { compile } from '@/core/timeline/compile';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { useFonts } from '../../picture/useFonts';
import { Button } from '../../shared/Button';
import { classes } from '../../shared/classes';
import { Modal } from '../../shared/Modal';
import { useOnlyHere } from '../card/onlyHere';
import {
  useApplyTitles,
  useDelivery,
  useDeliveryValues,
  useDesk,
  useDeskUi,
  useTitles,
} from '../deskContext';
import { useProofDesk } from '../proof/proofView';
import { TitleShot } from './TitleShot';

/** Clear areas: where the pictures under the chosen title are even and still, and the places that follow from it. */
export function QuietDialog({ onClose }: { readonly onClose: () => void }) {
  const titles = useTitles();
  const apply = useApplyTitles();
  const delivery = useDelivery();
  const { onlyHere } = useOnlyHere();
  const titleId = useDeskUi((ui) => ui.selection[0] ?? null);
  const title = titles.find(({ id }) => id === titleId);
  const map = useQuietMap(title, delivery.format);
  const places = usePlaces(title, map);
  const [chosen, setChosen] = useState(0);
  if (title === undefined) return null;
  const place: QuietPlace | undefined = places[chosen];
  const moved = place === undefined ? title : placed(title, place, delivery.id, onlyHere);
  return (
    <Modal
      title="Clear areas"
      open
      onClose={onClose}
      width="wide"
      foot={
        <>
          <span className="flex-1 text-soft">{onlyHere ? `Counts only in ${delivery.name}.` : ''}</span>
          <Button onClick={onClose}>Cancel</Button>
          <Button
            look="gold"
            disabled={place === undefined}
            onClick={() => {
              apply((now) => now.map((one) => (one.id === title.id ? moved : one)));
              onClose();
            }}
          >
            Put it there
          </Button>
        </>
      }
    >
      {map === 'looking' && <p role="status">Looking at the pictures…</p>}
      {map === null && <p>There is no picture under this title to look at.</p>}
      {map !== 'looking' && map !== null && (
        <div className="grid grid-cols-[1fr_250px] gap-4">
          <div className="relative">
            <TitleShot
              title={moved}
              label="Red where the picture is busy over the title’s time"
              width={440}
            />
            <Restless map={map} format={delivery.format} place={place} />
          </div>
          <ul className="grid content-start gap-1.5" aria-label="Places">
            {places.map((one, i) => (
              <li key={one.label}>
                <button
                  type="button"
                  aria-pressed={i === chosen}
                  onClick={() => setChosen(i)}
                  className={classes(
                    'flex w-full justify-between rounded-lg border px-3 py-1.5 text-left',
                    i === chosen ? 'border-leaf bg-leaf-wash' : 'border-line bg-field',
                  )}
                >
                  <span>{one.label}</span>
                  <span className="font-mono text-[12px] text-soft">
                    {Math.round(one.restlessness * 1000)}
                  </span>
                </button>
              </li>
            ))}
            <li className="pt-1 text-[12px] text-soft">
              The figure says how busy the picture is there; lower is clearer.
            </li>
          </ul>
        </div>
      )}
    </Modal>
  );
}

/** A title at a place: in the shown delivery alone, or in all, this one's own place given up. */
function placed(title: Title, { shift, values }: QuietPlace, deliveryId: string, onlyHere: boolean): Title {
  const moved = withShift(title, deliveryId, shift, onlyHere);
  if (!onlyHere) return withSharedValues(moved, deliveryId, values);
  return withDeliveryChange(moved, deliveryId, {
    values: { ...title.perDelivery[deliveryId]?.values, ...values },
  });
}

function useQuietMap(title: Title | undefined, format: string): QuietMap | 'looking' | null {
  const proof = useProofDesk();
  const [map, setMap] = useState<QuietMap | 'looking' | null>('looking');
  const from = title?.startFrame ?? 0;
  const to = from + (title?.lengthFrames ?? 0);
  useEffect(() => {
    let current = true;
    void proof.askQuiet({ fromFrame: from, toFrame: to, format }).then((found) => current && setMap(found));
    return () => {
      current = false;
    };
  }, [proof, from, to, format]);
  return map;
}

/** The places that are proposed, the quietest of the template's own first. */
function usePlaces(title: Title | undefined, map: QuietMap | 'looking' | null): readonly QuietPlace[] {
  const { editions } = useDesk();
  const fonts = useFonts();
  const delivery = useDelivery();
  const valuesOf = useDeliveryValues();
  return useMemo(() => {
    const template = title && editions.get(title.editionId)?.document;
    if (title === undefined || template === undefined || fonts === null || map === null || map === 'looking')
      return [];
    const format = FORMATS.get(delivery.format);
    const values = valuesOf(title);
    const coverOf = (one: Title['values']): Rect | null => coverFor(template, one, format, fonts);
    const cover = coverOf(values);
    if (cover === null) return [];
    const own = ownPositions(template).flatMap((position) => {
      const there = coverOf({ ...values, ...position.values });
      return there === null ? [] : [{ ...position, cover: there }];
    });
    const asDesigned = { label: 'As the template has it', values: {}, cover };
    return quietPlaces(map, pictureSize(format), safeArea(format, 'titleSafe'), cover, [asDesigned, ...own]);
  }, [title, editions, fonts, delivery, map, valuesOf]);
}

/** What a title's layers cover at rest, save those that cover the whole picture. */
function coverFor(
  template: Parameters<typeof compile>[0],
  values: Title['values'],
  format: Parameters<typeof compile>[2],
  fonts: FontLibrary,
): Rect | null {
  const { widthU, heightU } = pictureSize(format);
  const boxes = [...compile(template, values, format, fonts).boxes.values()];
  return unionRects(boxes.filter((box) => box.width < widthU * 0.95 || box.height < heightU * 0.95));
}

interface RestlessProps {
  readonly map: QuietMap;
  readonly format: string;
  readonly place: QuietPlace | undefined;
}

/** The map over the picture: the more restless, the redder. */
function Restless({ map, format, place }: RestlessProps) {
  const { widthU, heightU } = pictureSize(FORMATS.get(format));
  const { columns, rows, detail, movement } = map;
  const most = Math.max(0.02, ...detail.map((value, i) => value + 2 * movement[i]));
  const [w, h] = [widthU / columns, heightU / rows];
  return (
    <div className="pointer-events-none absolute inset-0 bottom-5 grid place-items-center p-1.5">
      <svg
        viewBox={`0 0 ${widthU} ${heightU}`}
        className="max-h-full max-w-full"
        aria-hidden="true"
        style={{ width: '100%', height: '100%' }}
      >
        {Array.from(detail, (value, i) => {
          const share = (value + 2 * movement[i]) / most;
          return share < 0.06 ? null : (
            <rect
              key={i}
              x={(i % columns) * w}
              y={Math.floor(i / columns) * h}
              width={w}
              height={h}
              fill="#b3392f"
              opacity={share * 0.65}
            />
          );
        })}
        {place !== undefined && (
          <rect {...place.cover} fill="none" stroke="#d9b45a" strokeWidth={widthU / 220} />
        )}
      </svg>
    </div>
  );
}
