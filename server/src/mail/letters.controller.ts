import { Controller, Get } from '@nestjs/common';
import { ApiOkResponse, ApiOperation, ApiProperty, ApiTags } from '@nestjs/swagger';
import { Database } from '../database/database.js';
import { Keeper } from '../scope/needs.js';
import { Mailer } from './mailer.js';

class LetterDto {
  @ApiProperty() id: string;
  @ApiProperty() to: string;
  @ApiProperty() subject: string;
  @ApiProperty() text: string;
  @ApiProperty() sentAt: string;
}

class LettersDto {
  @ApiProperty({ description: 'Whether letters leave by a mail server; those that do are not kept' }) leave: boolean;
  @ApiProperty({ type: [LetterDto] }) letters: LetterDto[];
}

@ApiTags('installation')
@Controller('letters')
export class LettersController {
  constructor(
    private readonly database: Database,
    private readonly mailer: Mailer,
  ) {}

  @Get()
  @Keeper()
  @ApiOperation({ operationId: 'listLetters', summary: 'Letters that were kept instead of sent, newest first' })
  @ApiOkResponse({ type: LettersDto })
  async list(): Promise<LettersDto> {
    const rows = await this.database.manager.query<{ id: string; sent_to: string; subject: string; text: string; sent_at: Date }[]>(
      'SELECT * FROM letters ORDER BY sent_at DESC',
    );
    return {
      leave: this.mailer.leaves,
      letters: rows.map(({ id, sent_to: to, subject, text, sent_at: at }) => ({ id, to, subject, text, sentAt: at.toISOString() })),
    };
  }
}
