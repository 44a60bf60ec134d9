import type { CreditRow } from '../model/credits';
import type { CreditsLayer, LongStep } from '../model/template';
import { mirrorAlign } from '../mirror/mirrorAlign';
import { ALIGN_SHARES } from '../text/alignShares';
import type { FitFact } from '../text/fitFacts';
import type { FontLibrary } from '../text/fontLibrary';
import type { TextLayout } from '../text/layoutText';
import { fitOnce } from './fitOnce';
import type { PictureSide } from './pictureRow';
import { pictureRow } from './pictureRow';

/** Words of a block where they stand in it, from its top left corner. */
interface SetWords {
  readonly layout: TextLayout;
  readonly x: number;
  readonly y: number;
  readonly style: keyof CreditsLayer['styles'];
}

/** A part of credits that is never divided: a row, or names side by side. */
export interface CreditBlock {
  readonly kind: Exclude<CreditRow['kind'], 'beside'>;
  readonly rowIds: readonly string[];
  /** Between the one before and this one. */
  readonly gapU: number;
  readonly widthU: number;
  readonly heightU: number;
  readonly words: readonly SetWords[];
  readonly pictures: readonly { readonly asset: string; readonly rect: PictureSide }[];
  /** How far its widest words reach, from the left end of the window. */
  readonly leftU: number;
  readonly rightU: number;
  /** What it reads, to be timed. */
  readonly reads: string;
  /** Whether it must not be the last of a card: what it stands over comes after it. */
  readonly leads: boolean;
  /** Whether it goes on with the role before it. */
  readonly goesOn: boolean;
}

/** A picture beside credits, and the block that it comes with. */
interface BesideUse {
  readonly row: Extract<CreditRow, { kind: 'beside' }>;
  readonly block: number;
}

/** Credits laid out as one long column. */
export interface SetCredits {
  readonly blocks: readonly CreditBlock[];
  readonly beside: readonly BesideUse[];
  readonly fitted: readonly FitFact[];
  readonly overflows: boolean;
  readonly missing: readonly string[];
  readonly standIns: readonly string[];
  /** The height of the smallest capitals; Infinity without words. */
  readonly capU: number;
}

/** What laying credits out asks for. */
export interface CreditContext {
  readonly fonts: FontLibrary;
  readonly widthU: number;
  readonly language: string;
  pictureSize(asset: string): { readonly widthPx: number; readonly heightPx: number } | undefined;
}

// Names are kept on a line where that is possible, other words wrap.
const NAME_STEPS = (sizeU: number): readonly LongStep[] => [
  { kind: 'squeeze', minPercent: 84 },
  { kind: 'wrap', maxLines: 2 },
  { kind: 'shrink', minSizeU: sizeU * 0.7 },
  { kind: 'cut' },
];
const ROLE_STEPS = (sizeU: number): readonly LongStep[] => [
  { kind: 'wrap', maxLines: 3 },
  { kind: 'shrink', minSizeU: sizeU * 0.7 },
  { kind: 'cut' },
];
const WORDS_STEPS: readonly LongStep[] = [{ kind: 'wrap', maxLines: 60 }, { kind: 'cut' }];

const CLOSER = 0.2;

/**
 * Lays credits out, one block under another; `size` is a share of the designed size, of everything but the window.
 * Rows without anything to show are left out.
 */
export function setCredits(layer: CreditsLayer, context: CreditContext, size = 1): SetCredits {
  return new CreditSetter(layer, context, size).set();
}

class CreditSetter {
  private readonly blocks: CreditBlock[] = [];
  private readonly beside: BesideUse[] = [];
  private readonly fitted: FitFact[] = [];
  private readonly missing = new Set<string>();
  private readonly standIns = new Set<string>();
  private overflows = false;
  private capU = Infinity;
  private emptyLines = 0;

  constructor(
    private readonly layer: CreditsLayer,
    private readonly context: CreditContext,
    private readonly size: number,
  ) {}

  set(): SetCredits {
    const { rows } = this.layer;
    for (let i = 0; i < rows.length; i++) {
      const row = rows[i];
      if (row.kind !== 'name') {
        this.setRow(row, rows[i - 1]);
        continue;
      }
      let end = i;
      while (rows[end + 1]?.kind === 'name') end++;
      this.setNames(rows.slice(i, end + 1));
      i = end;
    }
    const { blocks, beside, fitted, overflows, missing, standIns, capU } = this;
    return { blocks, beside, fitted, overflows, missing: [...missing], standIns: [...standIns], capU };
  }

  private setRow(row: CreditRow, before: CreditRow | undefined): void {
    switch (row.kind) {
      case 'heading':
        return this.setLine(row.id, 'heading', row.name, row.kind);
      case 'paragraph':
        return this.setLine(row.id, 'paragraph', row.name, row.kind);
      case 'role':
        return this.setRole(row, before?.kind === 'role');
      case 'pictures':
        return this.setPictures(row.id, row.assets);
      case 'gap':
        this.emptyLines += row.lines;
        return;
      case 'beside':
        if (row.asset !== '') this.beside.push({ row, block: this.blocks.length });
        return;
      case 'name':
        return this.setNames([row]);
    }
  }

  /** A heading or a paragraph, across the whole width. */
  private setLine(id: string, style: 'heading' | 'paragraph', text: string, kind: CreditBlock['kind']): void {
    if (text.trim() === '') return;
    const words = this.fit(text, style, this.context.widthU, WORDS_STEPS, this.layer.align);
    const x = (this.context.widthU - words.width) * ALIGN_SHARES[this.layer.align];
    this.add({
      kind,
      rowIds: [id],
      words: [{ layout: words, x, y: 0, style }],
      reads: text,
      leads: kind === 'heading',
    });
  }

  private setRole(row: Extract<CreditRow, { kind: 'role' }>, goesOn: boolean): void {
    if (row.role.trim() === '' && row.name.trim() === '') return;
    const { pairs } = this.layer;
    const words = pairs === 'gutter' ? this.acrossGutter(row) : this.stacked(row);
    this.add({
      kind: 'role',
      rowIds: [row.id],
      words,
      reads: `${row.role}\n${row.name}`.trim(),
      goesOn: goesOn && row.role.trim() === '',
    });
  }

  /** The role right up to the gutter, the name from it, on one baseline. */
  private acrossGutter({ role, name }: Extract<CreditRow, { kind: 'role' }>): SetWords[] {
    const { widthU } = this.context;
    const half = (this.layer.gutterU * this.size) / 2;
    const at = widthU * this.layer.gutterAt;
    const one = (text: string, style: 'role' | 'name', room: number): TextLayout | null =>
      text.trim() === ''
        ? null
        : this.fit(
            text,
            style,
            room,
            (style === 'role' ? ROLE_STEPS : NAME_STEPS)(this.sizeOf(style)),
            style === 'role' ? 'right' : 'left',
          );
    const left = one(role, 'role', Math.max(1, at - half));
    const right = one(name, 'name', Math.max(1, widthU - at - half));
    const baseline = Math.max(...[left, right].flatMap((set) => set?.lines[0].baseline ?? []));
    const put = (set: TextLayout | null, style: 'role' | 'name', x: number): SetWords[] =>
      set === null ? [] : [{ layout: set, style, x, y: baseline - set.lines[0].baseline }];
    return [...put(left, 'role', at - half - (left?.width ?? 0)), ...put(right, 'name', at + half)];
  }

  private stacked({ role, name }: Extract<CreditRow, { kind: 'role' }>): SetWords[] {
    const { widthU } = this.context;
    const { align } = this.layer;
    let y = 0;
    return (['role', 'name'] as const).flatMap((style): SetWords[] => {
      const text = style === 'role' ? role : name;
      if (text.trim() === '') return [];
      const layout = this.fit(text, style, widthU, WORDS_STEPS, align);
      const top = y;
      y += layout.height;
      return [{ layout, style, x: (widthU - layout.width) * ALIGN_SHARES[align], y: top }];
    });
  }

  /** Names in columns, read across: a block for each line of them. */
  private setNames(rows: readonly CreditRow[]): void {
    const named = rows.flatMap((row) => (row.kind === 'name' && row.name.trim() !== '' ? [row] : []));
    const columns = Math.min(this.layer.nameColumns, Math.max(1, named.length));
    const gap = this.layer.gutterU * this.size;
    const most = Math.max(1, (this.context.widthU - gap * (columns - 1)) / columns);
    const align = columns === 1 ? this.layer.align : 'centre';
    const set = named.map(({ id, name }) => ({
      id,
      name,
      layout: this.fit(name, 'name', most, NAME_STEPS(this.sizeOf('name')), align),
    }));
    // Columns are as wide as their widest name, and stand together as the rest does.
    const room = columns === 1 ? most : Math.max(0, ...set.map(({ layout }) => layout.width));
    const share = ALIGN_SHARES[this.layer.align];
    for (let i = 0; i < set.length; i += columns) {
      const line = set.slice(i, i + columns);
      // A last line that is not full stands as the credits do, under those that are.
      const width = line.length * room + (line.length - 1) * gap;
      const before = (this.context.widthU - width) * share;
      const baseline = Math.max(...line.map(({ layout }) => layout.lines[0].baseline));
      const words = line.map(({ layout }, k): SetWords => ({
        layout,
        style: 'name',
        x: before + k * (room + gap) + (room - layout.width) * ALIGN_SHARES[align],
        y: baseline - layout.lines[0].baseline,
      }));
      this.add({
        kind: 'name',
        rowIds: line.map(({ id }) => id),
        words,
        reads: line.map(({ name }) => name).join('\n'),
      });
    }
  }

  private setPictures(id: string, assets: readonly string[]): void {
    const sides = pictureRow(
      assets.map((asset) => ({ asset, size: this.context.pictureSize(asset) })),
      {
        heightU: this.layer.pictureHeightU * this.size,
        widthU: this.context.widthU,
        gapU: this.layer.gutterU * this.size,
        align: this.layer.align,
      },
    );
    if (sides.length > 0) this.add({ kind: 'pictures', rowIds: [id], words: [], reads: '', pictures: sides });
  }

  private add(drawn: Pick<CreditBlock, 'kind' | 'rowIds' | 'words' | 'reads'> & Partial<CreditBlock>): void {
    const { blocks, layer, size } = this;
    const part = layer.mirrored?.rows === true ? this.mirrored(drawn) : drawn;
    const rects = [
      ...part.words.map(({ layout, x, y }) => ({ x, y, width: layout.width, height: layout.height })),
      ...(part.pictures ?? []).map(({ rect }) => rect),
    ];
    const leftU = Math.min(...rects.map(({ x }) => x));
    const rightU = Math.max(...rects.map(({ x, width }) => x + width));
    const apart = part.kind === 'heading' || part.kind === 'paragraph' || part.kind === 'pictures';
    const before = blocks.at(-1)?.kind;
    const after = before === 'paragraph' || before === 'pictures';
    // Stacked, names of one role stand closer than roles do.
    const close = part.goesOn === true && layer.pairs === 'stacked' ? CLOSER : 1;
    const gap = apart || after ? layer.sectionGapU : layer.rowGapU * close;
    const lines = this.emptyLines * layer.styles.name.sizeU * layer.styles.name.leading;
    this.emptyLines = 0;
    blocks.push({
      gapU: blocks.length === 0 ? 0 : (gap + lines) * size,
      widthU: rightU - leftU,
      heightU: Math.max(...rects.map(({ y, height }) => y + height)),
      pictures: [],
      leftU,
      rightU,
      leads: false,
      goesOn: false,
      ...part,
    });
  }

  /** A part with its words and pictures from the other end of the window. */
  private mirrored<Part extends Pick<CreditBlock, 'words'> & Partial<CreditBlock>>(part: Part): Part {
    const across = (x: number, width: number): number => this.context.widthU - x - width;
    return {
      ...part,
      words: part.words.map((one) => ({ ...one, x: across(one.x, one.layout.width) })),
      ...(part.pictures !== undefined && {
        pictures: part.pictures.map(({ rect, ...one }) => ({
          ...one,
          rect: { ...rect, x: across(rect.x, rect.width) },
        })),
      }),
    };
  }

  private sizeOf(style: keyof CreditsLayer['styles']): number {
    return this.layer.styles[style].sizeU * this.size;
  }

  private fit(
    text: string,
    style: keyof CreditsLayer['styles'],
    room: number,
    steps: readonly LongStep[],
    align: 'left' | 'centre' | 'right',
  ): TextLayout {
    const { fonts, language } = this.context;
    const side = this.layer.mirrored?.rows === true ? mirrorAlign(align) : align;
    const asked = { designed: this.layer.styles[style], size: this.size, room, align: side, language };
    const { fitted, capU } = fitOnce(text, asked, steps, fonts);
    // That words go on in a second line is how they are set; only what changes their look is told.
    this.fitted.push(...fitted.done.filter(({ kind }) => kind !== 'wrapped'));
    for (const character of fitted.layout.missing) this.missing.add(character);
    for (const face of fitted.layout.standIns) this.standIns.add(face);
    this.overflows ||= fitted.overflows;
    this.capU = Math.min(this.capU, capU);
    return fitted.layout;
  }
}
