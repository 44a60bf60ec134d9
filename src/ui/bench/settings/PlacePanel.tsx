'use client';
import type { BoxShape, BoxLayer, PlaceTarget, Place, Layer } from '@/core/model/template';
import type { SafeAreaId } from '@/core/frame/safeAreas';
import { SAFE_AREA_IDS, SAFE_AREA_LABELS } from '@/core/frame/safeAreas';
import { dependencies, liesWhereItsContentLies } from '@/core/layout/resolveLayout';
import { bindLayer } from '@/core/layers';
import { ATTACHMENT_PATH } from '@/core/model/attachment';
import { NumberBox } from '../../shared/NumberBox';
import { SelectBox } from '../../shared/SelectBox';
import { attachInPlace } from '@/core/edit/attachInPlace';
import { useApply, useBench } from '../state/benchStore';
import { OwnAreaRows } from '../wall/AddFormat';
import { AnimateButton } from '../motion/AnimateButton';
import { ArrangeRows } from './ArrangeRows';
import { DockRow } from './DockRow';
import { GuideRows } from './GuideRows';
import { MemberRows } from './MemberRows';
import { MirrorRows, mirrorWords } from './MirrorRows';
import { PointGrid } from './PointGrid';
import { PropertyRow, Row } from './PropertyRow';
import { ScaleRows } from './ScaleRows';
import { Section } from './Section';
import { SizeRows } from './SizeRows';
import { useEditing } from '../state/useEditing';

const AREAS = (['titleSafe', 'actionSafe', 'frame', 'centreCut'] as const).map((kind) => ({
  value: kind,
  label: SAFE_AREA_LABELS[kind],
  target: { kind },
}));

/** Where a layer is: what it is attached to, by which points, how far off, how large, turned, and kept where. */
export function PlacePanel({ layer }: { readonly layer: Layer }) {
  const { template, change } = useEditing();
  const { place } = layer;
  const set = (part: Partial<Place>): void => change((one) => ({ ...one, place: { ...one.place, ...part } }));
  const others = template.layers.filter(
    (one) => one.id !== layer.id && !waitsFor(template.layers, one, layer.id),
  );
  const stack = template.layers.find((one) => one.kind === 'stack' && one.members.includes(layer.id));
  return (
    <>
      <Section title="Arrange" open={false}>
        <ArrangeRows layer={layer} />
      </Section>
      <Section title="Attached">
        {liesWhereItsContentLies(layer) ? (
          <p className="rounded-lg bg-paper p-2.5 text-soft">{whereItLies(layer)}</p>
        ) : stack !== undefined ? (
          <p className="rounded-lg bg-paper p-2.5 text-soft">
            It has its place in “{stack.name}”. Take it out of that stack to place it by itself.
          </p>
        ) : (
          <AttachRows layer={layer} others={others} />
        )}
      </Section>
      {layer.kind === 'box' && <ShapeRow layer={layer} />}
      {layer.kind === 'box' && <SizeRows layer={layer} others={others} />}
      <OtherSizes layer={layer} />
      {(layer.kind === 'group' || layer.kind === 'stack') && <MemberRows layer={layer} others={others} />}
      <Section title="Rotation and scale" open={isTurned(place)}>
        <ScaleRows layer={layer} />
      </Section>
      <Section title="Keep inside, corner pin" open={place.keepInside !== null || place.pin !== null}>
        <Row label="Keep inside">
          <SelectBox<SafeAreaId | 'nothing'>
            label="Keep inside"
            value={place.keepInside ?? 'nothing'}
            choices={[
              { value: 'nothing', label: 'Nothing, it may leave' },
              ...SAFE_AREA_IDS.map((value) => ({ value, label: SAFE_AREA_LABELS[value] })),
            ]}
            onChange={(area) => set({ keepInside: area === 'nothing' ? null : area })}
          />
        </Row>
        <PinRows pin={place.pin} onChange={(pin) => set({ pin })} />
        {place.pin !== null && <AnimateButton layer={layer} path="place.pin" what="the pin" way="round" />}
      </Section>
      <Section title="Right to left" open={false} says={mirrorWords(template)}>
        <MirrorRows layer={layer} />
      </Section>
      <Section title="Guides and safe areas" open={false}>
        <GuideRows />
        <OwnAreaRows />
      </Section>
    </>
  );
}

const isTurned = ({ rotateDegrees, scaleX, scaleY }: Place): boolean =>
  rotateDegrees !== 0 || scaleX !== 1 || scaleY !== 1;

function whereItLies(layer: Layer): string {
  if (layer.kind === 'backdrop') return 'A background covers the whole frame.';
  const what = layer.kind === 'group' ? 'group' : 'panel';
  return `This ${what} lies where the layers lie that it ${what === 'group' ? 'holds' : 'encloses'}. Move those, or drag the ${what} to move them together.`;
}

interface AttachProps {
  readonly layer: Layer;
  readonly others: readonly Layer[];
}

function AttachRows({ layer, others }: AttachProps) {
  const { place: where, set, change } = useEditing();
  const { boxes, selection } = useBench();
  const apply = useApply();
  const { place } = layer;
  const targets: readonly { value: string; label: string; target: PlaceTarget }[] = [
    ...AREAS,
    ...others.map((one) => ({
      value: one.id,
      label: one.name,
      target: { kind: 'layer' as const, layerId: one.id },
    })),
  ];
  const offsets = bindLayer(layer).properties.filter(({ path }) => /^place\.d[xy]U$/.test(path));
  return (
    <>
      <Row label="Attached to">
        <SelectBox
          label="Attached to"
          value={place.target.kind === 'layer' ? place.target.layerId : place.target.kind}
          choices={targets}
          onChange={(value) => {
            const chosen = targets.find((one) => one.value === value);
            if (chosen === undefined) return;
            const placed = boxes.read();
            apply((now) =>
              selection.reduce((done, id) => attachInPlace(done, where, id, chosen.target, placed), now),
            );
          }}
        />
      </Row>
      {place.target.kind === 'layer' && (
        <>
          <label className="flex items-center gap-2 py-1">
            <input
              type="checkbox"
              className="accent-leaf"
              checked={layer.followsMoves === true}
              onChange={(event) => {
                const followsMoves = event.target.checked;
                change((one) => ({ ...one, followsMoves }));
              }}
            />
            Goes along with its moves
          </label>
          <DockRow />
        </>
      )}
      <div className="grid grid-cols-2 gap-3 py-2">
        <div>
          <p className="pb-1 text-soft">This layer’s</p>
          <PointGrid
            label="Anchor of this layer"
            value={place.point}
            onChange={(point) => set('place.point', point)}
          />
        </div>
        <div>
          <p className="pb-1 text-soft">on the target’s</p>
          <PointGrid
            label="Anchor of the target"
            value={place.targetPoint}
            onChange={(point) => set('place.targetPoint', point)}
          />
        </div>
      </div>
      {offsets.map((property) => (
        <PropertyRow
          key={property.path}
          layer={layer}
          property={property}
          label={property.path.endsWith('dxU') ? 'Offset across' : 'Offset down'}
        />
      ))}
      <AnimateButton layer={layer} path={ATTACHMENT_PATH} what="the attachment" />
    </>
  );
}

/** Whether a layer's place or size hangs, directly or through others, on the given one. */
function waitsFor(layers: readonly Layer[], layer: Layer, id: string, depth = 0): boolean {
  if (depth > layers.length) return true;
  return dependencies(layer).some((next) => {
    const found = layers.find((one) => one.id === next);
    return next === id || (found !== undefined && waitsFor(layers, found, id, depth + 1));
  });
}

const SHAPES: readonly { readonly value: BoxShape['kind']; readonly label: string }[] = [
  { value: 'rectangle', label: 'Rectangle' },
  { value: 'ellipse', label: 'Ellipse' },
  { value: 'line', label: 'Line' },
  { value: 'polygon', label: 'Polygon' },
  { value: 'star', label: 'Star' },
  { value: 'path', label: 'Path data' },
];

const FIRST_SHAPES: Readonly<Record<BoxShape['kind'], BoxShape>> = {
  rectangle: { kind: 'rectangle', radiiU: [0, 0, 0, 0], corner: 'round' },
  ellipse: { kind: 'ellipse' },
  line: { kind: 'line', thicknessU: 4, rises: false },
  polygon: { kind: 'polygon', sides: 6 },
  star: { kind: 'star', points: 5, innerShare: 0.45 },
  path: { kind: 'path', data: 'M0 0 L80 0 L100 50 L80 100 L0 100 Z' },
};

function ShapeRow({ layer }: { readonly layer: BoxLayer }) {
  const { change } = useEditing();
  const properties = bindLayer(layer).properties.filter(({ path }) => path.startsWith('shape.'));
  return (
    <Section title="Shape" open={false} says={layer.shape.kind}>
      <Row label="Shape">
        <SelectBox
          label="Shape"
          value={layer.shape.kind}
          choices={SHAPES}
          onChange={(kind) =>
            change((one) => (one.kind === 'box' ? { ...one, shape: FIRST_SHAPES[kind] } : one))
          }
        />
      </Row>
      {properties.map((property) => (
        <PropertyRow key={property.path} layer={layer} property={property} />
      ))}
    </Section>
  );
}

/** The sizes of layers that are no boxes, where they can be set. */
function OtherSizes({ layer }: { readonly layer: Layer }) {
  if (layer.kind === 'box') return null;
  const sizes = bindLayer(layer).properties.filter(
    ({ part, path }) => part === 'size' && path !== 'columnU' && path !== 'maxWidthShare',
  );
  if (sizes.length === 0) return null;
  return (
    <Section title="Size">
      {sizes.map((property) => (
        <PropertyRow key={property.path} layer={layer} property={property} />
      ))}
    </Section>
  );
}

const CORNERS = ['Top left', 'Top right', 'Bottom right', 'Bottom left'] as const;

interface PinProps {
  readonly pin: readonly number[] | null;
  readonly onChange: (pin: readonly number[] | null) => void;
}

/** The four corners pulled apart, so that a layer lies on a surface in the picture. */
function PinRows({ pin, onChange }: PinProps) {
  return (
    <>
      <label className="flex items-center gap-2 py-1">
        <input
          type="checkbox"
          className="accent-leaf"
          checked={pin !== null}
          onChange={(event) => onChange(event.target.checked ? new Array<number>(8).fill(0) : null)}
        />
        Pinned by its corners
      </label>
      {pin !== null &&
        CORNERS.map((corner, i) => (
          <Row key={corner} label={corner}>
            <span className="grid grid-cols-2 gap-2">
              {[0, 1].map((axis) => (
                <NumberBox
                  key={axis}
                  label={`${corner}, ${axis === 0 ? 'across' : 'down'}`}
                  unit="u"
                  min={-4000}
                  max={4000}
                  step={1}
                  value={pin[i * 2 + axis]}
                  onChange={(value) => onChange(pin.with(i * 2 + axis, value))}
                />
              ))}
            </span>
          </Row>
        ))}
    </>
  );
}
