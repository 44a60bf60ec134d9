import { SHORT_SIDE_U } from '../frame/formats';
import { PATTERNS } from '../patterns';
import { PLAIN_LOOK } from './look';
import { motionOf, newMoveUse } from './newMove';
import type {
  BackdropLayer,
  BoxLayer,
  CopyLayer,
  CreditsLayer,
  GroupLayer,
  Layer,
  LightLayer,
  ParticlesLayer,
  ProgrammeLayer,
  PictureLayer,
  Place,
  RowsLayer,
  StackLayer,
  TextLayer,
  TextStyle,
} from './template';

/** How a new layer comes in: it fades, and goes the same way. */
const FIRST_MOVE = newMoveUse('fade');

/** A place with everything at rest: unturned, unscaled, unpinned. */
export function placeAt(part: Pick<Place, 'point' | 'target' | 'targetPoint'> & Partial<Place>): Place {
  return {
    dxU: 0,
    dyU: 0,
    rotateDegrees: 0,
    scaleX: 1,
    scaleY: 1,
    keepInside: null,
    pin: null,
    ...part,
  };
}

const CENTRED = placeAt({ point: 'centre', target: { kind: 'frame' }, targetPoint: 'centre' });

/** The style that new texts begin with. */
export const FIRST_STYLE: TextStyle = {
  face: 'barlow-condensed',
  weight: 600,
  width: 100,
  sizeU: SHORT_SIDE_U / 13.5,
  tracking: 0,
  leading: 1.1,
  letterCase: 'typed',
  fill: '#ffffff',
  shift: 0,
  figures: 'font',
  ligatures: true,
  fractions: false,
};

/** What layers of every kind begin with. */
function base(
  id: string,
  name: string,
): Pick<Layer, 'id' | 'name' | 'visible' | 'opacity' | 'place' | 'look' | 'finish' | 'motion' | 'matte'> {
  return {
    id,
    name,
    visible: true,
    opacity: 1,
    place: CENTRED,
    look: PLAIN_LOOK,
    finish: null,
    motion: motionOf(FIRST_MOVE, 'mirror'),
    matte: null,
  };
}

/** A text layer as it is first put down: lower left on the title-safe line. */
export function newTextLayer(id: string, name: string): TextLayer {
  return {
    ...base(id, name),
    kind: 'text',
    place: placeAt({ point: 'bottomLeft', target: { kind: 'titleSafe' }, targetPoint: 'bottomLeft' }),
    runs: [{ text: 'Text' }],
    style: FIRST_STYLE,
    align: 'left',
    columnU: null,
    balanced: false,
    highlight: null,
    maxWidthShare: 0.7,
    whenLong: [
      { kind: 'squeeze', minPercent: 82 },
      { kind: 'shrink', minSizeU: 34 },
    ],
  };
}

/** A box as it is first put down: round the given layers, or of a size of its own. */
export function newBoxLayer(id: string, name: string, encloses: readonly string[]): BoxLayer {
  const fits = encloses.length > 0;
  return {
    ...base(id, name),
    kind: 'box',
    shape: { kind: 'rectangle', radiiU: [0, 0, 0, 0], corner: 'round' },
    fill: '#10303c',
    fillOpacity: 0.92,
    width: fits ? { kind: 'encloses' } : { kind: 'fixed', u: 480 },
    height: fits ? { kind: 'encloses' } : { kind: 'fixed', u: 160 },
    limits: { minWidthU: null, maxWidthU: null, minHeightU: null, maxHeightU: null },
    encloses: [...encloses],
    padding: { leftU: 28, topU: 14, rightU: 28, bottomU: 14 },
  };
}

/** A picture layer as it is first put down, showing an asset. */
export function newPictureLayer(id: string, name: string, asset: string | null): PictureLayer {
  return {
    ...base(id, name),
    kind: 'picture',
    asset,
    sizing: 'auto',
    widthU: 320,
    heightU: 180,
    fit: 'contain',
  };
}

/** A background as it is first put down. */
export function newBackdropLayer(id: string, name: string): BackdropLayer {
  const pattern = PATTERNS.get('drift');
  return {
    ...base(id, name),
    kind: 'backdrop',
    pattern: pattern.id,
    colours: pattern.colours,
    seed: 1,
    speed: 1,
    grain: 1,
  };
}

/** Particles as they are first put down: a slow drift over the frame. */
export function newParticlesLayer(id: string, name: string): ParticlesLayer {
  return {
    ...base(id, name),
    kind: 'particles',
    style: 'drift',
    count: 60,
    colour: '#f4d48a',
    sizeU: 7,
    speed: 1,
    seed: 1,
    widthU: 1600,
    heightU: 900,
  };
}

/** The programme picture as it is first put down: half as large, squeezed there from the whole frame. */
export function newProgrammeLayer(id: string, name: string, widthU: number): ProgrammeLayer {
  const arrive = newMoveUse('squeeze', { lengthSeconds: 1, ease: 'glide' });
  return { ...base(id, name), kind: 'programme', widthU, motion: motionOf(arrive, 'mirror') };
}

/** A light as it is first put down: large, warm, wandering. */
export function newLightLayer(id: string, name: string): LightLayer {
  return {
    ...base(id, name),
    kind: 'light',
    colour: '#fff4d2',
    widthU: 520,
    heightU: 260,
    travelU: 700,
    opacity: 0.6,
  };
}

/** A group of layers. */
export function newGroupLayer(id: string, name: string, members: readonly string[]): GroupLayer {
  return { ...base(id, name), kind: 'group', members: [...members], motion: motionOf(null, null) };
}

/** A stack of layers, one below the other. */
export function newStackLayer(id: string, name: string, members: readonly string[]): StackLayer {
  return {
    ...base(id, name),
    kind: 'stack',
    members: [...members],
    direction: 'down',
    gapU: 12,
    align: 'start',
    motion: motionOf(null, null),
  };
}

/** A linked copy, laid beside its original's own place. */
export function newCopyLayer(id: string, name: string, of: string): CopyLayer {
  return {
    ...base(id, name),
    kind: 'copy',
    of,
    delaySeconds: 0,
    place: placeAt({
      point: 'topLeft',
      target: { kind: 'layer', layerId: of },
      targetPoint: 'topLeft',
      dxU: 40,
      dyU: 40,
    }),
    motion: motionOf(null, null),
  };
}

/** A list of rows as it is first put down: three rows of a number, a name and a time. */
export function newRowsLayer(id: string, name: string): RowsLayer {
  const style = { ...FIRST_STYLE, weight: 500, sizeU: 44, figures: 'tabular' } as const;
  return {
    ...base(id, name),
    kind: 'rows',
    rows: '1\tIlse Marrow\t4:12.6\n2\tTeo Vance\t4:13.1\n3\tNoor Halloran\t4:15.8',
    columns: [
      { style: { ...style, fill: '#e3b94f' }, align: 'right', share: 1 },
      { style, align: 'left', share: 6 },
      { style: { ...style, weight: 400 }, align: 'right', share: 2 },
    ],
    widthShare: 0.5,
    rowHeightU: 72,
    gapU: 8,
    padU: 20,
    plate: '#10303c',
    plateOpacity: 0.92,
    plateRadiusU: 4,
    maxRows: 8,
    motion: motionOf({ ...FIRST_MOVE, unit: 'row', overlap: 0.7 }, 'mirror'),
  };
}

/** Credits as they are first put down: a roll over the middle of the picture, with a few rows of each kind. */
export function newCreditsLayer(id: string, name: string): CreditsLayer {
  const style = { ...FIRST_STYLE, weight: 500, sizeU: 40, leading: 1.2 } as const;
  return {
    ...base(id, name),
    kind: 'credits',
    rows: [
      { id: 's1', kind: 'heading', name: 'Lantern Festival' },
      { id: 's2', kind: 'role', role: 'Producer', name: 'Ilse Marrow' },
      { id: 's3', kind: 'role', role: 'Camera', name: 'Teo Vance' },
      { id: 's4', kind: 'role', role: '', name: 'Noor Halloran' },
      { id: 's5', kind: 'heading', name: 'With thanks to' },
      { id: 's6', kind: 'name', name: 'The Ferry Wardens' },
      { id: 's7', kind: 'name', name: 'Osier Harbour' },
    ],
    styles: {
      heading: { ...style, weight: 700, sizeU: 46, fill: '#e3b94f' },
      role: { ...style, weight: 400 },
      name: { ...style, weight: 600 },
      paragraph: { ...style, weight: 400, sizeU: 34, leading: 1.3 },
    },
    pairs: 'gutter',
    align: 'centre',
    nameColumns: 2,
    widthShare: 0.8,
    heightShare: 1,
    gutterAt: 0.5,
    gutterU: 36,
    rowGapU: 14,
    sectionGapU: 88,
    pictureHeightU: 110,
    show: 'roll',
    roll: {
      way: 'up',
      ends: 'off',
      staysSeconds: 3,
      slowsSeconds: 1,
      wholeLines: true,
      leastSpacing: 0.7,
      mostSpacing: 1.5,
      leastSize: 0.9,
      mostSize: 1.1,
      softShare: 0,
    },
    cards: { rhythm: 'reading', overlap: 0, repeatsHeading: true },
    besideMove: 'fade',
    motion: motionOf(null, null),
  };
}
