import type { FoldEdge } from '../moves/fold';
import type { Bend } from './bend';
import type { Spring } from '../kit/springBy';
import type { Pivot } from '../moves/move';
import type { CardsSetting, CREDIT_PAIRS, CreditRow, RollSetting, RollWish } from './credits';
import type { HexColour } from '../display/list';
import type { PointName } from '../frame/points';
import type { SafeAreaId } from '../frame/safeAreas';
import type { Look } from './look';
import type { Mirroring } from './mirroring';

/** The newest template document that this program reads and writes. */
export const TEMPLATE_VERSION = 3;

export interface TextStyle {
  /** Id of a face in the font catalogue. */
  readonly face: string;
  readonly weight: number;
  /** Percent of the regular width; counts for variable faces only. */
  readonly width: number;
  readonly sizeU: number;
  /** Thousandths of an em between letters. */
  readonly tracking: number;
  /** Line height as a multiple of the size. */
  readonly leading: number;
  readonly letterCase: 'typed' | 'capitals' | 'smallCapitals';
  readonly fill: HexColour;
  /** How far the baseline is raised, in thousandths of an em; negative lowers it. */
  readonly shift: number;
  readonly figures: 'font' | 'tabular' | 'oldStyle';
  readonly ligatures: boolean;
  readonly fractions: boolean;
  /** Tags of OpenType features that are on besides; those that the face has not do nothing. */
  readonly features?: readonly string[];
  /** Places on the face's other axes, by tag, in the font's own scale; what is not said is as usual. */
  readonly axes?: Readonly<Record<string, number>>;
}

/** A stretch of text with what differs from the layer's style. */
export interface TextRun {
  readonly text: string;
  readonly style?: Partial<TextStyle>;
  /** What it is when the text reads otherwise; left out for what it plainly is (`naturalMeaning`). */
  readonly means?: PartMeaning;
}

/** What a part of a text that is styled apart stands for, so that other words can take its place. */
export type PartMeaning =
  | { readonly kind: 'whole' }
  /** A whole line, counted from 1, or from the last when negative. */
  | { readonly kind: 'line'; readonly number: number }
  | { readonly kind: 'firstWord' }
  | { readonly kind: 'lastWord' }
  /** A whole line, counted from 1, and all after it. */
  | { readonly kind: 'linesFrom'; readonly number: number }
  /** What stands between two signs, the signs themselves left out of it. */
  | { readonly kind: 'between'; readonly open: string; readonly close: string }
  /** Only these words, wherever they stand. */
  | { readonly kind: 'words' };

export type PlaceTarget =
  { readonly kind: SafeAreaId } | { readonly kind: 'layer'; readonly layerId: string };

/** The layer's own point lies on the target's point, moved by an offset in design units. */
export interface Place {
  readonly point: PointName;
  readonly target: PlaceTarget;
  readonly targetPoint: PointName;
  readonly dxU: number;
  readonly dyU: number;
  /** Turned and scaled about the layer's own point, flipped where negative; what is attached follows its unturned box. */
  readonly rotateDegrees: number;
  readonly scaleX: number;
  readonly scaleY: number;
  /** An area that the layer is pushed back into when it would leave it. */
  readonly keepInside: SafeAreaId | null;
  /**
   * Where the four corners of its box are pulled to, as x, y offsets in design units from top left, top right,
   * bottom right and bottom left; null when it is not pinned.
   */
  readonly pin: readonly number[] | null;
}

/** A move as a layer uses it, timed within its column (in or out) of the template's design time. */
export interface MoveUse {
  readonly move: string;
  readonly unit: UnitKind;
  readonly order: string;
  /** What the random order and what is by chance start from. */
  readonly seed: number;
  /** For the order `custom`: the rank of each unit, counted round when there are fewer than units. */
  readonly ranks: readonly number[];
  /** 0: one unit after the other; 1: all together. */
  readonly overlap: number;
  /** A fixed time from one unit to the next; null for what the overlap gives. */
  readonly gapSeconds: number | null;
  /** Each unit waits for the mark of its own number instead. */
  readonly waits: boolean;
  readonly spread: Spread;
  /** What units turn and grow about; null for the move's own. */
  readonly pivot: Pivot | null;
  readonly ease: string;
  readonly startSeconds: number;
  /** How long it takes in all; with `unitSeconds` the most that it may take. */
  readonly lengthSeconds: number;
  /** How long each unit takes, whatever their number; left out, or null, where they share the whole length. */
  readonly unitSeconds?: number | null;
  /** In the in: its first frame shows something already, as it is a frame later otherwise; not when left out. */
  readonly seenAtOnce?: boolean;
  readonly params: Readonly<Record<string, number | string | boolean>>;
}

/** How the starts of units lie in the time that they share. */
export const SPREADS = ['even', 'slowFast', 'fastSlow', 'uneven'] as const;
export type Spread = (typeof SPREADS)[number];

export const UNIT_KINDS = ['layer', 'member', 'paragraph', 'row', 'line', 'word', 'letter'] as const;
export type UnitKind = (typeof UNIT_KINDS)[number];

/** A movement that goes on while the title holds. */
export interface HoldUse {
  readonly move: string;
  readonly unit: UnitKind;
  readonly seed: number;
  readonly pivot: Pivot | null;
  readonly params: Readonly<Record<string, number | string | boolean>>;
}

/** A moment of a title that keeps its sense at any length. */
export interface Moment {
  readonly from: 'start' | 'inEnd' | 'hold' | 'outStart' | 'end';
  /** From there, negative before it; not used in the hold. */
  readonly offsetSeconds: number;
  /** In the hold: how much of it has passed, 0 to 1. */
  readonly share: number;
}

/** A value at a moment, and how it goes on to the next. */
export interface Keyframe {
  readonly moment: Moment;
  readonly value: FieldValue;
  /** `round` goes through figures without a corner at its key. */
  readonly way: 'smooth' | 'straight' | 'round' | 'stepped' | 'spring';
  /** The handles of a smooth way: x1, y1, x2, y2 between (0, 0) and (1, 1). */
  readonly curve: readonly [number, number, number, number];
  /** How a spring swings; left out for the usual one. */
  readonly spring?: Spring;
}

/** The keyframes of one property of a layer, by the property's path. */
export interface Track {
  readonly path: string;
  /** Off, the property has the design's own value and the keys are kept. */
  readonly on: boolean;
  readonly keys: readonly Keyframe[];
}

/** How a layer's own time runs against the title's. */
export interface Retime {
  readonly kind: 'speed' | 'loop' | 'thereAndBack' | 'still' | 'curve';
  /** Only the hold, so that in and out are the title's; left out for all of the title. */
  readonly within?: 'title' | 'hold';
  /** How fast its time runs; negative for backwards. */
  readonly speed: number;
  /** The moment that it starts from, loops to or stands still at: of the title, or of the hold. */
  readonly fromSeconds: number;
  /** How long a loop is; within the hold how long what it goes through is, `fromSeconds` and all. */
  readonly spanSeconds: number;
  /** How its time runs against the title's, as the handles of a curve; for `curve`. */
  readonly curve?: Keyframe['curve'];
}

/** A layer turned about one of its edges, away from the viewer, and as dark as that makes it. */
export interface Fold {
  readonly edge: FoldEdge;
  readonly degrees: number;
  /** How dark it is where it is seen from the side, 0 to 1. */
  readonly shade: number;
}

/** The part of a title in which a layer is there: its in starts with it, its out ends with it. */
export interface Span {
  readonly from: Moment;
  readonly to: Moment;
}

export interface Motion {
  /** Moves that act together. */
  readonly in: readonly MoveUse[];
  readonly hold: readonly HoldUse[];
  /** `mirror` plays the in backwards at the end of the out. */
  readonly out: readonly MoveUse[] | 'mirror';
  /** How long the shutter is open, in degrees of a frame's 360; 0 for no motion blur. */
  readonly shutterDegrees: number;
  /** How far away the eye is from what turns in depth. */
  readonly perspectiveU: number;
  /** Turned about its own level and upright axis, in degrees, as it stands. */
  readonly turnX: number;
  readonly turnY: number;
  /** Left out, or null, for a layer that is not folded. */
  readonly fold?: Fold | null;
  /** Left out, or null, for a layer that is straight. */
  readonly bend?: Bend | null;
  readonly tracks: readonly Track[];
  /** null for a layer that keeps the title's time. */
  readonly retime: Retime | null;
  /** Left out, or null, for a layer that is there for all of the title. */
  readonly span?: Span | null;
}

/** Another layer that decides where this one is seen. */
export interface Matte {
  readonly layerId: string;
  readonly by: 'alpha' | 'brightness';
  readonly inverted: boolean;
}

/** What of a layer is mirrored as it is drawn, beyond its properties. */
export type Mirrored = Readonly<Partial<Record<'forms' | 'rows' | 'moves', true>>>;

interface LayerBase {
  readonly id: string;
  readonly name: string;
  readonly visible: boolean;
  /** Whether it is left alone by the pointer in the picture, by arrows and by removing; left out where it is not. */
  readonly locked?: boolean;
  /** Whether it stays as it is where the rest of the template is mirrored; left out where it does not. */
  readonly keepsSide?: boolean;
  /** Whether the moves of the layer that it is attached to move it too; left out where they do not. */
  readonly followsMoves?: boolean;
  /** What resolving has found to be mirrored of it; never in a document. */
  readonly mirrored?: Mirrored;
  readonly opacity: number;
  readonly place: Place;
  readonly look: Look;
  /** The finish it was given last; null when it has none of its own. */
  readonly finish: string | null;
  readonly motion: Motion;
  readonly matte: Matte | null;
}

/** What to do, in order, when a text is wider than its limit. */
export type LongStep =
  | { readonly kind: 'wrap'; readonly maxLines: number }
  | { readonly kind: 'squeeze'; readonly minPercent: number }
  | { readonly kind: 'shrink'; readonly minSizeU: number }
  | { readonly kind: 'cut' };

/** A colour behind each line of a text. */
export interface Highlight {
  readonly colour: HexColour;
  readonly opacity: number;
  readonly padAcrossU: number;
  readonly padDownU: number;
  readonly radiusU: number;
}

export interface TextLayer extends LayerBase {
  readonly kind: 'text';
  readonly runs: readonly TextRun[];
  readonly style: TextStyle;
  /** How opaque its letters are, their edges, shadows and glow apart; left out for 1. */
  readonly fillOpacity?: number;
  readonly align: 'left' | 'centre' | 'right' | 'justify';
  /** The width of the column it is set in; null for a text that is as wide as its words. */
  readonly columnU: number | null;
  /** Whether wrapped lines are made about equally long. */
  readonly balanced: boolean;
  /** Whether long words are parted by the rules of their language; left out for never. */
  readonly hyphenates?: boolean;
  readonly highlight: Highlight | null;
  /** The widest the text may be, as a share of the title-safe width. */
  readonly maxWidthShare: number;
  readonly whenLong: readonly LongStep[];
}

/** How a box finds its width or height. */
export type Extent =
  | { readonly kind: 'fixed'; readonly u: number }
  | { readonly kind: 'encloses' }
  | { readonly kind: 'matches'; readonly layerId: string }
  /** A share of the frame's or a safe area's side. */
  | { readonly kind: 'share'; readonly share: number; readonly of: SafeAreaId }
  /** From the far edge of one layer to the near edge of another. */
  | { readonly kind: 'between'; readonly fromId: string; readonly toId: string };

interface Padding {
  readonly leftU: number;
  readonly topU: number;
  readonly rightU: number;
  readonly bottomU: number;
}

/** The smallest and largest that a size found by rule may be; null for no limit. */
export interface SizeLimits {
  readonly minWidthU: number | null;
  readonly maxWidthU: number | null;
  readonly minHeightU: number | null;
  readonly maxHeightU: number | null;
}

/** The form of a box within its width and height. */
export type BoxShape =
  | {
      readonly kind: 'rectangle';
      /** From top left clockwise. */
      readonly radiiU: readonly number[];
      readonly corner: 'round' | 'chamfer';
    }
  | { readonly kind: 'ellipse' }
  /** From one corner to the opposite one. */
  | { readonly kind: 'line'; readonly thicknessU: number; readonly rises: boolean }
  | { readonly kind: 'polygon'; readonly sides: number }
  | { readonly kind: 'star'; readonly points: number; readonly innerShare: number }
  /** SVG path data, stretched to the box. */
  | { readonly kind: 'path'; readonly data: string };

export interface BoxLayer extends LayerBase {
  readonly kind: 'box';
  readonly shape: BoxShape;
  readonly fill: HexColour;
  readonly fillOpacity: number;
  readonly width: Extent;
  readonly height: Extent;
  readonly limits: SizeLimits;
  readonly encloses: readonly string[];
  readonly padding: Padding;
}

/** The part of a picture that fills its box. */
export interface PictureView {
  /** Where its middle is, as shares of the picture's width and height. */
  readonly x: number;
  readonly y: number;
  /** How many times as large it is as where all that fits into the box is seen; 1 or more. */
  readonly zoom: number;
}

export interface PictureLayer extends LayerBase {
  readonly kind: 'picture';
  /** Asset id; null shows a stand-in frame. */
  readonly asset: string | null;
  /** `auto`: a picture of the frame's own proportions covers the frame, any other has its own size. */
  readonly sizing: 'auto' | 'fixed';
  readonly widthU: number;
  readonly heightU: number;
  readonly fit: 'cover' | 'contain' | 'stretch';
  /** Left out, or null, for the whole picture as `fit` says. */
  readonly view?: PictureView | null;
}

/** A background drawn by code that covers the frame or, attached, an area of its own. */
export interface BackdropLayer extends LayerBase {
  readonly kind: 'backdrop';
  readonly pattern: string;
  /** The pattern's colours, furthest back first. */
  readonly colours: readonly HexColour[];
  readonly seed: number;
  readonly speed: number;
  /** How large its parts are, 1 as designed. */
  readonly grain: number;
}

/** What particles can look like. */
export const PARTICLE_FORMS = ['disc', 'square', 'triangle', 'star', 'ring', 'streak'] as const;
export type ParticleForm = (typeof PARTICLE_FORMS)[number];

/** Specks that drift or burst; a function of the seed and the time. */
export interface ParticlesLayer extends LayerBase {
  readonly kind: 'particles';
  readonly style: 'drift' | 'burst';
  readonly count: number;
  readonly colour: HexColour;
  /** The colour that each has at its end; `colour` throughout when left out. */
  readonly endColour?: HexColour;
  /** What each looks like; a disc when left out. */
  readonly form?: ParticleForm;
  /** The picture (asset id) that each is instead; null or left out for none. */
  readonly picture?: string | null;
  /** How far each turns in a second at most, one way or the other. */
  readonly spinDegrees?: number;
  /** How far each strays from its way, as a share of what the layer covers. */
  readonly turbulence?: number;
  readonly sizeU: number;
  readonly speed: number;
  readonly seed: number;
  readonly widthU: number;
  readonly heightU: number;
}

/** The picture that lies under the title, whole and smaller, in the frame's proportions. */
export interface ProgrammeLayer extends LayerBase {
  readonly kind: 'programme';
  readonly widthU: number;
}

/** A soft light over what lies below it. */
export interface LightLayer extends LayerBase {
  readonly kind: 'light';
  readonly colour: HexColour;
  readonly widthU: number;
  readonly heightU: number;
  /** How far it wanders across in a title, in design units. */
  readonly travelU: number;
}

/** Layers that are shown, moved and faded together. */
export interface GroupLayer extends LayerBase {
  readonly kind: 'group';
  readonly members: readonly string[];
}

/** Layers set one after another with a gap; empty ones close up. */
export interface StackLayer extends LayerBase {
  readonly kind: 'stack';
  readonly members: readonly string[];
  readonly direction: 'down' | 'along';
  readonly gapU: number;
  readonly align: 'start' | 'centre' | 'end';
}

/** A copy that follows its original's content and style. */
export interface CopyLayer extends LayerBase {
  readonly kind: 'copy';
  readonly of: string;
  readonly delaySeconds: number;
}

/** How a figure becomes a bar. */
export interface RowsBar {
  /** Which of the cells of a row the figure is in, from 0. */
  readonly of: number;
  /** The figure at which a bar has no length. */
  readonly zero: number;
  /** The figure at which it fills its column; null for the largest of the rows. */
  readonly full: number | null;
  /** Its height as a share of the row's. */
  readonly heightShare: number;
  readonly radiusU: number;
}

export interface RowsColumn {
  readonly style: TextStyle;
  readonly align: 'left' | 'centre' | 'right';
  /** Its part of the width, against the other columns' parts. */
  readonly share: number;
  /** Whether its figures count where a move counts. */
  readonly counts?: boolean;
  /** A bar in place of words; such a column has no cells of its own. Left out, or null, for words. */
  readonly bar?: RowsBar | null;
}

/** What sets the rhythm in which lines replace one another. */
export const CHAIN_RHYTHMS = ['even', 'seconds', 'reading'] as const;

/** Rows that replace one another in one place. */
export interface Chain {
  readonly rhythm: (typeof CHAIN_RHYTHMS)[number];
  /** How long each stands, for the rhythm of seconds. */
  readonly everySeconds: number;
  /** 0: the next comes when the one before has gone; 1: as it goes. */
  readonly overlap: number;
  /** Whether the first comes again after the last, to the title's end. */
  readonly round: boolean;
  /** Whether all stand longer where there is more time than they ask for; else the last one does. */
  readonly fills?: boolean;
}

/** A list of any number of rows; each row is a unit that moves by itself. */
export interface RowsLayer extends LayerBase {
  readonly kind: 'rows';
  /** One row a line, its cells parted by tabs. */
  readonly rows: string;
  readonly columns: readonly RowsColumn[];
  readonly widthShare: number;
  readonly rowHeightU: number;
  readonly gapU: number;
  readonly padU: number;
  readonly plate: HexColour;
  readonly plateOpacity: number;
  readonly plateRadiusU: number;
  readonly maxRows: number;
  /** Whether rows beyond the most follow on further pages; else they are not shown. */
  readonly pages?: boolean;
  /** Whether it is as high as the rows that are there at the time, so that what encloses it grows with them. */
  readonly grows?: boolean;
  /** How many of its rows are there, for one that grows; the timeline sets it, never a document. */
  readonly presentRows?: number;
  /** How opaque rows are once a later one has come, so that the one that is spoken of is lit; left out for as before. */
  readonly earlierOpacity?: number;
  /** Left out, or null, for rows that stand together. */
  readonly chain?: Chain | null;
  /**
   * When each row comes, in seconds from the title's start, in place of what its moves say. A title has them, never a
   * document.
   */
  readonly moments?: readonly number[];
}

/** The type of one kind of row of credits. */
interface CreditStyles {
  readonly heading: TextStyle;
  readonly role: TextStyle;
  readonly name: TextStyle;
  readonly paragraph: TextStyle;
}

/** A list of headings, roles, names, words and pictures, seen through a window that it rolls or turns pages in. */
export interface CreditsLayer extends LayerBase {
  readonly kind: 'credits';
  readonly rows: readonly CreditRow[];
  readonly styles: CreditStyles;
  readonly pairs: (typeof CREDIT_PAIRS)[number];
  readonly align: 'left' | 'centre' | 'right';
  readonly nameColumns: number;
  /** Of the title-safe width. */
  readonly widthShare: number;
  /** Of the frame's height for a roll, of the title-safe height for cards. */
  readonly heightShare: number;
  /** Where roles end and names begin, as a share of the width. */
  readonly gutterAt: number;
  readonly gutterU: number;
  readonly rowGapU: number;
  /** Before a heading. */
  readonly sectionGapU: number;
  readonly pictureHeightU: number;
  readonly show: 'roll' | 'cards';
  readonly roll: RollSetting;
  readonly cards: CardsSetting;
  /** The move by which pictures beside the credits come and go. */
  readonly besideMove: string;
  /** How a title asked for its roll. A title has it, never a document. */
  readonly wish?: RollWish;
}

export type Layer =
  | TextLayer
  | BoxLayer
  | PictureLayer
  | BackdropLayer
  | ParticlesLayer
  | LightLayer
  | ProgrammeLayer
  | GroupLayer
  | StackLayer
  | CopyLayer
  | RowsLayer
  | CreditsLayer;

export const FIELD_KINDS = [
  'text',
  'rows',
  'colour',
  'number',
  'choice',
  'picture',
  'switch',
  'date',
] as const;
export type FieldKind = (typeof FIELD_KINDS)[number];

export interface FieldTarget {
  readonly layerId: string;
  /** A property of that layer's kind, such as `text` or `style.fill`. */
  readonly path: string;
}

/** A value for one property of one layer. */
export interface PropertySetting {
  readonly layerId: string;
  readonly path: string;
  readonly value: FieldValue;
}

/** A choice in a list; a variant sets several properties at once. */
export interface FieldChoice {
  readonly value: string;
  readonly label: string;
  readonly sets?: readonly PropertySetting[];
}

export interface FieldLimits {
  readonly maxLength?: number;
  readonly maxLines?: number;
  /** Which characters may be typed. */
  readonly allowed?: 'any' | 'letters' | 'figures' | 'capitals';
  readonly min?: number;
  readonly max?: number;
  readonly step?: number;
  readonly unit?: string;
  readonly choices?: readonly FieldChoice[];
  /** How a date or time is written, by the letters of Unicode's date patterns. */
  readonly pattern?: string;
}

/**
 * What an editor may change, named in the editor's words. The words that the design has for it are a sample: seen on the
 * bench and in previews, never sent to air.
 */
export interface Field {
  readonly id: string;
  readonly label: string;
  readonly kind: FieldKind;
  readonly help: string;
  readonly required: boolean;
  /** The heading that it stands under on the card; empty for none. */
  readonly section: string;
  /** Filled from the project or clip until an editor types something else; null when it is not. */
  readonly automatic: AutomaticSource | null;
  readonly targets: readonly FieldTarget[];
  readonly limits: FieldLimits;
  /** Words that go to air when nobody types any; left out where the field is empty then. */
  readonly defaultWords?: string;
  /** The language of its words (BCP 47); left out for that of the delivery, the project or the House. */
  readonly language?: string;
}

export const AUTOMATIC_SOURCES = ['place', 'date', 'project', 'number', 'timecode'] as const;
export type AutomaticSource = (typeof AUTOMATIC_SOURCES)[number];

/** What one format, or every format of a shape, has otherwise. */
export interface Override extends PropertySetting {
  readonly scope: { readonly kind: 'format' | 'shape'; readonly id: string };
}

/** Margins of an area of the designer's own, as shares of the picture's width and height. */
export interface OwnArea {
  readonly format: string;
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/** A line of the designer's own to lay things along, in design units from the frame's left or top. */
export interface GuideLine {
  readonly axis: 'x' | 'y';
  readonly atU: number;
}

export interface Timing {
  readonly inSeconds: number;
  readonly holdSeconds: number;
  readonly outSeconds: number;
}

export interface Template {
  readonly version: typeof TEMPLATE_VERSION;
  readonly name: string;
  readonly kind: string;
  readonly production: string;
  readonly description: string;
  /** Words that it is found and put together with others by; left out for none. */
  readonly tags?: readonly string[];
  /** What those who design it tell one another; left out for nothing. */
  readonly notes?: string;
  /** The moment (of the design, from its start) that it is shown at where it rests; left out for the end of the in. */
  readonly coverSeconds?: number;
  /** Ids of frame formats, the one it was designed in first. */
  readonly formats: readonly string[];
  readonly rate: string;
  /** The stand-in picture it is shown over on the bench. */
  readonly backdrop: string;
  readonly timing: Timing;
  /** The first is nearest the viewer. */
  readonly layers: readonly Layer[];
  /** In the order in which the card shows them. */
  readonly fields: readonly Field[];
  readonly overrides: readonly Override[];
  /** Title-safe areas of its own, where they differ from the format's. */
  readonly areas: readonly OwnArea[];
  readonly guides: readonly GuideLine[];
  /** Moments (seconds from the start, in order) that units of moves can wait for. */
  readonly marks: readonly number[];
  /** What marks are called, in their order; left out where none has a name. */
  readonly markNames?: readonly string[];
  /** Left out for one that is never mirrored. */
  readonly mirroring?: Mirroring;
  /** Left out for none. */
  readonly sound?: TemplateSound;
}

/** A sound that plays along on the bench, to set times by; no file has it. */
export interface TemplateSound {
  /** `speech` for the talking stand-in, or `media:` and the id of a file that is kept. */
  readonly source: string;
  readonly name: string;
}

export type FieldValue = string | number | boolean;

/** What an editor typed, by field id; a field that is missing takes the design's value. */
export type FieldValues = Readonly<Record<string, FieldValue>>;

/**
 * The words that a layer shows, cells and rows parted by line ends; empty for a kind that shows none, and when hidden.
 * Credits are read as they go by, not as a whole, and have none here.
 */
export function layerWords(layer: Layer): string {
  if (!layer.visible) return '';
  if (layer.kind === 'text') return plainText(layer);
  return layer.kind === 'rows' ? shownRows(layer).map(rowWords).join('\n') : '';
}

/** The rows of a list that are not empty. */
export function filledRows(rows: string): string[] {
  return rows.split('\n').filter((row) => row.trim() !== '');
}

/** The rows of a list as they are shown: those that are empty are not, nor those beyond the most without pages. */
export function shownRows(layer: RowsLayer): string[] {
  return filledRows(layer.rows).slice(0, hasPages(layer) ? undefined : layer.maxRows);
}

/** Whether a list has so many rows that they follow one another page by page. */
export function hasPages({ rows, maxRows, pages = false, chain = null }: RowsLayer): boolean {
  return pages && chain === null && filledRows(rows).length > maxRows;
}

/** The columns of a list that have cells of their own, each with its place among all columns. */
export function cellColumns({ columns }: Pick<RowsLayer, 'columns'>) {
  return columns.flatMap((column, at) => (column.bar == null ? [{ column, at }] : []));
}

/** The words of a row, each cell on a line. */
export function rowWords(row: string): string {
  return row.replaceAll('\t', '\n');
}

/** The text of a layer as one string. */
export function plainText(layer: TextLayer): string {
  return layer.runs.map((run) => run.text).join('');
}
