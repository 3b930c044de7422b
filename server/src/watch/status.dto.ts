import { ApiProperty } from '@nestjs/swagger';

class LatenciesDto {
  @ApiProperty() requests: number;
  @ApiProperty({ description: 'Answers with which the server itself failed' }) failed: number;
  @ApiProperty({ description: 'Requests that were told to come again' }) refused: number;
  @ApiProperty({ description: 'Milliseconds' }) p50: number;
  @ApiProperty({ description: 'Milliseconds' }) p95: number;
  @ApiProperty({ description: 'Milliseconds' }) p99: number;
}

export class SlowStatementDto {
  @ApiProperty() at: string;
  @ApiProperty() milliseconds: number;
  @ApiProperty({ description: 'The statement, without what it was given' }) text: string;
}

export class ServerDto {
  @ApiProperty() id: string;
  @ApiProperty({ enum: ['both', 'serve', 'work'] }) role: string;
  @ApiProperty() host: string;
  @ApiProperty() version: string;
  @ApiProperty() startedAt: string;
  @ApiProperty() seenAt: string;
  @ApiProperty({ description: 'The one that answers' }) here: boolean;
  @ApiProperty({ description: 'Whether it gave a sign of life lately' }) alive: boolean;
  @ApiProperty({ description: 'Megabytes' }) memory: number;
  @ApiProperty({ description: 'Milliseconds that 99 in a hundred waited at most for its attention' }) delay: number;
  @ApiProperty({ type: LatenciesDto, nullable: true, description: 'Of the last minutes' }) lately: LatenciesDto | null;
  @ApiProperty({ type: [SlowStatementDto] }) slow: SlowStatementDto[];
}

export class QueueDto {
  @ApiProperty() queue: string;
  @ApiProperty() waiting: number;
  @ApiProperty() active: number;
}

export class StoredTableDto {
  @ApiProperty() name: string;
  @ApiProperty() bytes: number;
  @ApiProperty({ description: 'About' }) rows: number;
}

export class KeptFilesDto {
  @ApiProperty() folder: string;
  @ApiProperty() files: number;
  @ApiProperty() bytes: number;
}

export class RoomDto {
  @ApiProperty({ description: 'Bytes' }) free: number;
  @ApiProperty({ description: 'Bytes' }) whole: number;
}

export class BackupDto {
  @ApiProperty() madeAt: string;
  @ApiProperty() name: string;
  @ApiProperty({ type: Number, nullable: true }) bytes: number | null;
  @ApiProperty({ type: Number, nullable: true, description: 'Milliseconds' }) took: number | null;
  @ApiProperty({ type: String, nullable: true, description: 'Why there is none' }) trouble: string | null;
}

/** Something that needs somebody. */
export class ConcernDto {
  @ApiProperty({ description: 'Whether something is lost or stands still if nobody does' }) bad: boolean;
  @ApiProperty() words: string;
  @ApiProperty({ description: 'What to do about it' }) mend: string;
}

/** How the installation stands, for who looks after it. */
export class StatusDto {
  @ApiProperty({ type: [ConcernDto], description: 'What needs somebody, worst first' }) concerns: ConcernDto[];
  @ApiProperty() version: string;
  @ApiProperty({ description: 'A digest of the engine that computes' }) engine: string;
  @ApiProperty() node: string;
  @ApiProperty() postgres: string;
  @ApiProperty({ description: 'The last change to the shape of the data' }) schema: string;
  @ApiProperty() kitchens: number;
  @ApiProperty() accounts: number;
  @ApiProperty({ type: [ServerDto] }) servers: ServerDto[];
  @ApiProperty({ type: [QueueDto] }) jobs: QueueDto[];
  @ApiProperty({ description: 'Bytes' }) database: number;
  @ApiProperty({ type: [StoredTableDto], description: 'The largest' }) tables: StoredTableDto[];
  @ApiProperty({ description: 'Where files are kept, in words' }) fileStore: string;
  @ApiProperty({ type: [KeptFilesDto] }) files: KeptFilesDto[];
  @ApiProperty({ type: RoomDto, nullable: true, description: 'On the disk of the data folder' }) room: RoomDto | null;
  @ApiProperty({ description: 'Whether one is made each day by itself' }) backsUp: boolean;
  @ApiProperty({ type: [BackupDto], description: 'Newest first' }) backups: BackupDto[];
  @ApiProperty({ description: 'Whether letters leave by a mail server' }) lettersLeave: boolean;
}
