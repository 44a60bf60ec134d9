/** How a thing is out of the way: set aside until it is wanted again, or deleted, which is for good after 30 days. */
export type Away = 'aside' | 'deleted';

/** What can be put out of the way and takes room. */
export type KeptKind = 'template' | 'project' | 'picture' | 'video' | 'job';

/** A thing that is kept, as lists of what takes room show it. Times are ISO 8601. */
export interface KeptThing {
  readonly kind: KeptKind;
  readonly id: string;
  readonly name: string;
  readonly bytes: number;
  readonly createdAt: string;
  readonly away: Away | null;
  /** When it was put out of the way; null while in use. */
  readonly awayAt: string | null;
}

/** What uses a thing: names, the first of them, and how many there are. */
export interface ThingUses {
  readonly names: readonly string[];
  readonly count: number;
}

/** How much there is of a kind, in use and out of the way. */
export interface KindRoom {
  readonly kind: KeptKind;
  readonly count: number;
  readonly bytes: number;
  readonly awayCount: number;
  readonly awayBytes: number;
}

/** A backup in the data folder. */
export interface BackupFacts {
  readonly name: string;
  readonly bytes: number;
  readonly madeAt: string;
  /** Whether Gilder made it by itself, as one of the last seven days'. */
  readonly automatic: boolean;
}

/** What takes room in the data folder, and what is left on its disk. */
export interface RoomFacts {
  readonly kinds: readonly KindRoom[];
  readonly databaseBytes: number;
  readonly backups: readonly BackupFacts[];
  readonly freeBytes: number;
}

/** The largest things of a kind, and how many there are in all. */
export interface RoomList {
  readonly things: readonly KeptThing[];
  readonly total: number;
}
