'use client';
import { createStore } from 'zustand';
import type { StoreApi } from 'zustand';
import { MASTER_ID } from '@/core/model/plan';
import type { Span } from '@/core/project/lanes';
import type { DeskSheet } from './deskAddress';

/** A screen that lies over the desk. */
type DeskDialog =
  | 'fill'
  | 'find'
  | 'swap'
  | 'editions'
  | 'edition'
  | 'deliveries'
  | 'cuts'
  | 'relink'
  | 'project'
  | 'quiet'
  | 'track'
  | 'readCaptions'
  | 'writeCaptions'
  | 'transcript'
  | 'cueTimes'
  | 'creditList'
  | null;

/** A place, or a stretch, among the words of a cue as they are written. */
export interface CueCaret {
  readonly cueId: string;
  readonly from: number;
  readonly to: number;
  readonly wanted?: boolean;
}

/** What is chosen and shown on the desk; nothing of it is saved. */
export interface DeskUi {
  /** The chosen titles; the first of them is the one whose card is filled. */
  readonly selection: readonly string[];
  readonly clipId: string | null;
  /** Which sheet lies open. */
  readonly sheet: DeskSheet;
  /** The caption track that is worked on and seen; null for the first. */
  readonly trackId: string | null;
  /** The chosen cues; the first of them is the one that is typed into. */
  readonly cueIds: readonly string[];
  /** Where the caret was last among the words of a cue; `wanted` when the sheet should go there. */
  readonly caret: CueCaret | null;
  /** The title whose credits lie open where none of the chosen has some. */
  readonly creditTitleId: string | null;
  /** The chosen rows of credits. */
  readonly creditIds: readonly string[];
  /** A cell of the credits that the keys should go to, with its words selected. */
  readonly creditGoTo: { readonly id: string; readonly cell: 'role' | 'name' } | null;
  /** Whether captions are seen in the picture. */
  readonly captionsShown: boolean;
  /** A marked stretch of time. */
  readonly range: Span | null;
  readonly deliveryId: string;
  /** Whether changes on the card count in the shown delivery alone. */
  readonly onlyHere: boolean;
  readonly snaps: boolean;
  /** Whether the title-safe line is drawn. */
  readonly guides: boolean;
  readonly dialog: DeskDialog;
  /** The template that the swap screen proposes. */
  readonly swapTo: string | null;
  readonly shelfOpen: boolean;
  /** The part of the right side that is shown. */
  readonly panel: 'card' | 'proof';
  /** A cell that the sheet should go to, with its words selected. */
  readonly goTo: { readonly titleId: string; readonly column: string } | null;
}

export type DeskUiStore = StoreApi<DeskUi>;

/** What is chosen and shown when a desk is opened. */
export function createDeskUi(first: Partial<DeskUi> = {}): DeskUiStore {
  return createStore<DeskUi>(() => ({
    selection: [],
    clipId: null,
    sheet: 'titles',
    trackId: null,
    cueIds: [],
    caret: null,
    creditTitleId: null,
    creditIds: [],
    creditGoTo: null,
    captionsShown: true,
    range: null,
    deliveryId: MASTER_ID,
    onlyHere: false,
    snaps: true,
    guides: true,
    dialog: null,
    swapTo: null,
    shelfOpen: false,
    panel: 'card',
    goTo: null,
    ...first,
  }));
}
