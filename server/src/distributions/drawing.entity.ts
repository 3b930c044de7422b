import { Column, Entity } from 'typeorm';
import { RunEntity } from '../jobs/runEntity.js';
import type { DistributionDto, DrawDto } from './distribution.dto.js';

/** A run of draws of a dish's figure. */
@Entity('drawings')
export class DrawingEntity extends RunEntity {
  @Column({ name: 'recipe_id', type: 'text' }) recipeId: string;
  @Column({ type: 'jsonb' }) wanted: DrawDto;
  @Column({ type: 'text' }) state: 'running' | 'done' | 'failed';
  @Column({ type: 'integer', default: 0 }) made: number;
  @Column({ type: 'integer' }) draws: number;
  @Column({ type: 'jsonb', nullable: true }) distribution: DistributionDto | null;
  @Column({ type: 'text', nullable: true }) message: string | null;
}
