import { type Bead } from '../../../shared/drawing/bead-list';
import type { OtherKind } from '../../../shared/drawing/silhouette';

export type BoardMode = 'cars' | 'crew' | 'guests';

/** A drive on the board, in seconds of the day. */
export interface DriveBlock {
  readonly kind: 'drive';
  readonly id: string;
  readonly startS: number;
  readonly releaseS: number;
  readonly trackEndS: number;
  readonly endS: number;
  /** `gone`: planned, but the guest takes no more part. */
  readonly status: 'done' | 'now' | 'planned' | 'late' | 'gone';
  readonly beads: readonly Bead[];
  /** The name on the block, and what stands for it where there is less and less room. */
  readonly label: string;
  readonly shorter: readonly string[];
  readonly second: string;
  /** The whole block in words. */
  readonly words: string;
}

/** Anything else that holds a car, a person or a room. */
export interface OtherBlock {
  readonly kind: 'other';
  readonly what: OtherKind;
  readonly id: string;
  /** Where there is no room for the label. */
  readonly short: string;
  readonly startS: number;
  readonly endS: number;
  readonly label: string;
  readonly words: string;
  readonly past: boolean;
  /** The group that is moved with it, where it may be. */
  readonly moves?: string;
}

interface HeldBlock {
  readonly kind: 'held';
  readonly id: string;
  readonly startS: number;
  readonly endS: number;
  readonly label: string;
}

export type Block = DriveBlock | OtherBlock | HeldBlock;

export interface BoardRow {
  readonly id: string;
  readonly name: string;
  /** What stands below the name, where nothing else is known of the row. */
  readonly note?: string;
  /** Whether a drive can be put into it. */
  readonly takesDrives: boolean;
  readonly blocks: readonly Block[];
}

/** A drive at a place where it might be, and the row in which it would stand. */
export interface Ghost {
  readonly row: string;
  readonly block: DriveBlock | OtherBlock;
  /**
   * `trial`: being moved by hand; `refused`: the same, at a place that breaks a rule; `proposal`: what the planner
   * proposes; `expected`: where it will be as things stand; `accepted`: where it was before its time slid.
   */
  readonly tone: 'trial' | 'refused' | 'proposal' | 'expected' | 'accepted';
}
