import type { DisplayItem, GradientStop, HexColour, Paint } from '../display/list';
import type { Outline } from '../display/outline';
import { OutlineBuilder, polygonOutline } from '../display/outline';
import { roundedRectOutline } from '../display/shapes';
import type { Matrix } from '../kit/matrix';
import { IDENTITY, multiply } from '../kit/matrix';
import type { FrameFormat } from '../frame/formats';
import { pictureSize, unitsToPixels } from '../frame/formats';

/** A stand-in picture that is drawn by code on a sheet of 1920 × 1080 and cut to whatever shape is asked for. */
export interface Scene {
  readonly id: string;
  readonly label: string;
  /** Its two leading colours, for clips on the strip. */
  readonly swatch: readonly [HexColour, HexColour];
  draw(seconds: number, sheet: SceneSheet): void;
}

/** Declares a scene. */
export function defineScene(scene: Scene): Scene {
  return scene;
}

const SHEET_WIDTH = 1920;
const SHEET_HEIGHT = 1080;

/** Collects the shapes of a scene, furthest back first. */
export class SceneSheet {
  readonly items: DisplayItem[] = [];

  constructor(private readonly toPixels: Matrix) {}

  rect(x: number, y: number, width: number, height: number, paint: Paint, opacity = 1): void {
    this.add(roundedRectOutline({ x, y, width, height }, 0), paint, opacity, IDENTITY);
  }

  bar(
    x: number,
    y: number,
    width: number,
    height: number,
    radius: number,
    colour: HexColour,
    opacity = 1,
  ): void {
    this.add(roundedRectOutline({ x, y, width, height }, radius), plain(colour), opacity, IDENTITY);
  }

  disc(x: number, y: number, radius: number, paint: Paint, opacity = 1): void {
    const box = { x: x - radius, y: y - radius, width: radius * 2, height: radius * 2 };
    this.add(roundedRectOutline(box, radius), paint, opacity, IDENTITY);
  }

  polygon(points: readonly number[], colour: HexColour, opacity = 1, matrix: Matrix = IDENTITY): void {
    this.add(polygonOutline(points), plain(colour), opacity, matrix);
  }

  /** A surface with a wavy upper edge that reaches down to the sheet's foot. */
  water(top: number, swell: number, length: number, phase: number, colour: HexColour, opacity: number): void {
    const b = new OutlineBuilder().moveTo(0, SHEET_HEIGHT);
    for (let x = 0; x <= SHEET_WIDTH; x += 40) {
      b.lineTo(
        x,
        top +
          Math.sin(x / length + phase) * swell +
          Math.sin(x / (length * 0.37) - phase * 1.3) * swell * 0.4,
      );
    }
    this.add(b.lineTo(SHEET_WIDTH, SHEET_HEIGHT).close().build(), plain(colour), opacity, IDENTITY);
  }

  private add(outline: Outline, paint: Paint, opacity: number, matrix: Matrix): void {
    this.items.push({ kind: 'fill', outline, paint, opacity, matrix: multiply(this.toPixels, matrix) });
  }
}

/** A plain colour as a paint. */
export function plain(colour: HexColour): Paint {
  return { kind: 'solid', colour };
}

/** Colours spread evenly from `top` to `bottom`. */
export function downward(top: number, bottom: number, ...colours: readonly HexColour[]): Paint {
  const stops: GradientStop[] = colours.map((colour, i) => ({
    at: i / (colours.length - 1),
    colour,
    opacity: 1,
  }));
  return { kind: 'linear', from: { x: 0, y: top }, to: { x: 0, y: bottom }, stops };
}

/** A colour that is strongest in the middle and fades to nothing. */
export function glow(x: number, y: number, radius: number, colour: HexColour, opacity: number): Paint {
  const stops = [
    { at: 0, colour, opacity },
    { at: 1, colour, opacity: 0 },
  ];
  return { kind: 'radial', centre: { x, y }, radius, stops };
}

/** A fixed number in [0, 1) for a whole number: the same scatter of reeds or lights every time. */
export function scatter(index: number): number {
  const x = Math.sin(index * 127.1 + 311.7) * 43758.5453;
  return x - Math.floor(x);
}

// Stand-in pictures move as often as most recorded ones.
const PER_SECOND = 25;

/** The time (s) of the picture that a scene shows at a time: it has so many a second, whatever is laid over it. */
export function sceneFrame(seconds: number): number {
  return Math.floor(seconds * PER_SECOND + 1e-6) / PER_SECOND;
}

/** The shapes of a scene at a time, filling the whole picture of a format. */
export function sceneItems(scene: Scene, seconds: number, format: FrameFormat): DisplayItem[] {
  const { widthU, heightU } = pictureSize(format);
  const scale = Math.max(widthU / SHEET_WIDTH, heightU / SHEET_HEIGHT);
  const cover: Matrix = [
    scale,
    0,
    0,
    scale,
    (widthU - SHEET_WIDTH * scale) / 2,
    (heightU - SHEET_HEIGHT * scale) / 2,
  ];
  const sheet = new SceneSheet(multiply(unitsToPixels(format), cover));
  scene.draw(seconds, sheet);
  return sheet.items;
}
