import type { BookletFormat } from '@portiona/core';
import { Column, Entity } from 'typeorm';
import { RunEntity } from '../jobs/runEntity.js';

export const BUNDLE_KINDS = ['booklet', 'archive'] as const;
export type BundleKind = (typeof BUNDLE_KINDS)[number];
export const BUNDLED = ['published', 'drafts'] as const;
export type Bundled = (typeof BUNDLED)[number];
export const BUNDLE_STATES = ['running', 'done', 'cancelled', 'failed'] as const;
export type BundleState = (typeof BUNDLE_STATES)[number];

/** A dish that is not in it, and why. */
export interface LeftOut {
  readonly recipe: string;
  readonly title: string;
  readonly because: string;
}

/** Cards bound together, as a job. */
@Entity('bundles')
export class BundleEntity extends RunEntity {
  @Column({ type: 'text' }) kind: BundleKind;
  /** Null: the cards of every series, and of none. */
  @Column({ type: 'text', nullable: true }) series: string | null;
  @Column({ type: 'text' }) format: BookletFormat;
  /** Newest issues, or cards as they stand. */
  @Column({ type: 'text' }) of: Bundled;
  @Column({ type: 'text' }) state: BundleState;
  /** Steps of the work: one a card, and one to bind them. */
  @Column({ type: 'integer', default: 0 }) done: number;
  @Column({ type: 'integer' }) total: number;
  @Column({ name: 'left_out', type: 'jsonb', default: [] }) leftOut: LeftOut[];
  @Column({ type: 'text', nullable: true }) message: string | null;
  @Column({ type: 'bigint', nullable: true }) bytes: string | null;
}
