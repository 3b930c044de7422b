import { Controller, Get, Header, Param, ParseEnumPipe, Query, Res, StreamableFile } from '@nestjs/common';
import { ApiOkResponse, ApiOperation, ApiProduces, ApiQuery, ApiTags } from '@nestjs/swagger';
import type { Response } from 'express';
import { CardsService } from './cards.service.js';
import type { Paper } from './cardStyle.js';

const PAPER = { a5: 'a5', a4: 'a4' } as const;

/** A card page holds no script that runs, and may be framed by the application only. */
const CARD_POLICY =
  "default-src 'none'; style-src 'unsafe-inline'; font-src data:; img-src data:; frame-ancestors 'self'; base-uri 'none'; form-action 'none'";

@ApiTags('cards')
@Controller('recipes/:id')
export class CardsController {
  constructor(private readonly cards: CardsService) {}

  @Get('card.html')
  @Header('Content-Type', 'text/html; charset=utf-8')
  @Header('Content-Security-Policy', CARD_POLICY)
  @Header('X-Frame-Options', 'SAMEORIGIN')
  @Header('Cache-Control', 'no-store')
  @ApiOperation({ operationId: 'getCardPage', summary: 'The card as a self-contained page with schema.org data' })
  @ApiProduces('text/html')
  @ApiQuery({ name: 'paper', enum: PAPER, required: false })
  @ApiQuery({ name: 'download', required: false, description: 'Any value: as a file' })
  @ApiOkResponse({ schema: { type: 'string' } })
  async page(
    @Param('id') id: string,
    @Res({ passthrough: true }) response: Response,
    @Query('paper', new ParseEnumPipe(PAPER, { optional: true })) paper: Paper = 'a5',
    @Query('download') download?: string,
  ): Promise<string> {
    const page = await this.cards.page(id, paper);
    if (download !== undefined) response.attachment(`${id}.html`);
    return page;
  }

  @Get('card.pdf')
  @Header('Cache-Control', 'no-store')
  @ApiOperation({ operationId: 'getCardPdf', summary: 'The card as a PDF' })
  @ApiProduces('application/pdf')
  @ApiQuery({ name: 'paper', enum: PAPER, required: false })
  @ApiOkResponse({ schema: { type: 'string', format: 'binary' } })
  async pdf(
    @Param('id') id: string,
    @Query('paper', new ParseEnumPipe(PAPER, { optional: true })) paper: Paper = 'a5',
  ): Promise<StreamableFile> {
    const pdf = await this.cards.pdf(id, paper);
    return new StreamableFile(pdf, { type: 'application/pdf', disposition: `attachment; filename="${id}.pdf"` });
  }
}
