import { Column, Entity, PrimaryColumn } from 'typeorm';
import type { TableReadingDto } from './table.dto.js';

/** How a table of a name is read, kept for its next edition. */
@Entity('table_mappings')
export class TableMappingEntity {
  @PrimaryColumn({ name: 'kitchen_id', type: 'uuid' }) kitchenId: string;
  @PrimaryColumn({ type: 'text' }) name: string;
  @Column({ type: 'jsonb' }) mapping: TableReadingDto;
  @Column({ name: 'saved_at', type: 'timestamptz', default: () => 'now()' }) savedAt: Date;
}
