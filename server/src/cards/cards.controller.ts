import {
  Body,
  Controller,
  Delete,
  Get,
  Header,
  HttpCode,
  Param,
  ParseEnumPipe,
  ParseIntPipe,
  Post,
  Query,
  Res,
  StreamableFile,
} from '@nestjs/common';
import { ApiCreatedResponse, ApiHeader, ApiOkResponse, ApiOperation, ApiProduces, ApiQuery, ApiTags } from '@nestjs/swagger';
import type { Response } from 'express';
import { FORMAT_NAMES, type Format } from '@portiona/core';
import { CardIssueDto, PublishedCardDto, PublishingDto, TakingBackDto } from './card.dto.js';
import type { OnceKey } from '../database/once.js';
import { ONCE_HEADER, OnceKeyOf } from '../http/onceKeyOf.js';
import { SettledLists } from '../threads/settledLists.js';
import { Threads } from '../threads/threads.js';
import { READER_POLICY } from './readerPolicy.js';
import type { Scope } from '../scope/scope.js';
import { InScope } from '../scope/inScope.js';
import { Needs } from '../scope/needs.js';

const FORMAT = Object.fromEntries(FORMAT_NAMES.map((name) => [name, name])) as { readonly [name in Format]: name };

/** A card page holds no script that runs, and may be framed by the application only. */
const CARD_POLICY =
  "default-src 'none'; style-src 'unsafe-inline'; font-src data:; img-src data:; frame-ancestors 'self'; base-uri 'none'; form-action 'none'";

/** The card in short may be framed by anybody, and does nothing. */
const EMBED_POLICY = "default-src 'none'; style-src 'unsafe-inline'; base-uri 'none'; form-action 'none'; frame-ancestors *";

@ApiTags('cards')
@Controller()
export class CardsController {
  constructor(
    private readonly threads: Threads,
    private readonly lists: SettledLists,
  ) {}

  @Get('published-cards')
  @Needs('read')
  @ApiOperation({ operationId: 'listPublishedCards', summary: 'The newest published card of each recipe, and whether it holds' })
  @ApiOkResponse({ type: [PublishedCardDto] })
  newest(@InScope() scope: Scope) {
    return this.lists.cards(scope);
  }

  @Post('recipes/:id/published-cards')
  @Needs('publish')
  @ApiOperation({ operationId: 'publishCard', summary: 'Publishes the card as it stands: nothing edited later changes it' })
  @ApiCreatedResponse({ type: PublishedCardDto })
  @ApiHeader(ONCE_HEADER)
  publish(@InScope() scope: Scope, @Param('id') id: string, @Body() said?: PublishingDto, @OnceKeyOf() once?: OnceKey) {
    return this.threads.json('publishCard', scope, id, said?.correction, once);
  }

  @Get('recipes/:id/published-cards')
  @Needs('read')
  @ApiOperation({ operationId: 'listCardIssues', summary: 'Every issue of a recipe’s card, the newest first, each with what it changed' })
  @ApiOkResponse({ type: [CardIssueDto] })
  issues(@InScope() scope: Scope, @Param('id') id: string) {
    return this.threads.json('cardIssues', scope, id);
  }

  @Post('recipes/:id/published-cards/:issue/taken-back')
  @Needs('publish')
  @HttpCode(200)
  @ApiOperation({ operationId: 'takeCardBack', summary: 'Takes an issue back, with a reason: it stays as it was' })
  @ApiOkResponse({ type: [CardIssueDto] })
  takeBack(
    @InScope() scope: Scope,
    @Param('id') id: string,
    @Param('issue', ParseIntPipe) issue: number,
    @Body() { because }: TakingBackDto,
  ) {
    return this.threads.json('takeCardBack', scope, id, issue, because);
  }

  @Delete('recipes/:id/published-cards/:issue/taken-back')
  @Needs('publish')
  @ApiOperation({ operationId: 'putCardOutAgain', summary: 'Puts an issue out again that was taken back' })
  @ApiOkResponse({ type: [CardIssueDto] })
  putOutAgain(@InScope() scope: Scope, @Param('id') id: string, @Param('issue', ParseIntPipe) issue: number) {
    return this.threads.json('takeCardBack', scope, id, issue, null);
  }

  @Get('recipes/:id/published-cards/:issue/kitchen-file')
  @Needs('read', 'costs')
  @ApiOperation({ operationId: 'publishedCardInputs', summary: 'What a published card was computed from, as a kitchen file' })
  @ApiProduces('application/json')
  @ApiOkResponse({ schema: { type: 'string' } })
  @Header('Content-Type', 'application/json; charset=utf-8')
  @Header('Cache-Control', 'no-store')
  async inputs(
    @InScope() scope: Scope,
    @Param('id') id: string,
    @Param('issue', ParseIntPipe) issue: number,
    @Res({ passthrough: true }) response: Response,
  ): Promise<string> {
    const file = await this.threads.text('cardInputs', scope, id, issue);
    response.attachment(`${id}-issue-${issue}.json`);
    return file;
  }

  @Get('recipes/:id/card.html')
  @Needs('read')
  @Header('Content-Type', 'text/html; charset=utf-8')
  @Header('Content-Security-Policy', `${READER_POLICY}; frame-ancestors 'self'`)
  @Header('X-Frame-Options', 'SAMEORIGIN')
  @Header('Cache-Control', 'no-store')
  @ApiOperation({ operationId: 'getCardPage', summary: 'The card as a self-contained page with schema.org data' })
  @ApiProduces('text/html')
  @ApiQuery({ name: 'issue', required: false, type: Number, description: 'As it was published' })
  @ApiQuery({ name: 'download', required: false, description: 'Any value: as a file' })
  @ApiOkResponse({ schema: { type: 'string' } })
  async page(
    @InScope() scope: Scope,
    @Param('id') id: string,
    @Res({ passthrough: true }) response: Response,
    @Query('download') download?: string,
    @Query('issue', new ParseIntPipe({ optional: true })) issue?: number,
  ): Promise<string> {
    const page = await this.threads.text('cardPage', scope, id, issue);
    if (download !== undefined) response.attachment(`${id}.html`);
    return page;
  }

  @Get('recipes/:id/card-embed.html')
  @Needs('read')
  @Header('Content-Type', 'text/html; charset=utf-8')
  @Header('Content-Security-Policy', EMBED_POLICY)
  @Header('Cache-Control', 'no-store')
  @ApiOperation({ operationId: 'getCardEmbed', summary: 'The card in short: a small page to frame, or a piece of plain HTML' })
  @ApiProduces('text/html')
  @ApiQuery({ name: 'piece', required: false, description: 'Any value: the piece alone, as a file to put into a page' })
  @ApiQuery({ name: 'issue', required: false, type: Number, description: 'As it was published' })
  @ApiOkResponse({ schema: { type: 'string' } })
  async embed(
    @InScope() scope: Scope,
    @Param('id') id: string,
    @Res({ passthrough: true }) response: Response,
    @Query('piece') piece?: string,
    @Query('issue', new ParseIntPipe({ optional: true })) issue?: number,
  ): Promise<string> {
    const html = await this.threads.text('cardEmbed', scope, id, piece === undefined, issue);
    // A kitchen's own site frames it: it holds nothing that can be pressed but the way there.
    response.removeHeader('X-Frame-Options');
    if (piece !== undefined) response.attachment(`${id}-piece.html`);
    return html;
  }

  @Get('recipes/:id/card-sheet.html')
  @Needs('read')
  @Header('Content-Type', 'text/html; charset=utf-8')
  @Header('Content-Security-Policy', CARD_POLICY)
  @Header('X-Frame-Options', 'SAMEORIGIN')
  @Header('Cache-Control', 'no-store')
  @ApiOperation({ operationId: 'getCardSheet', summary: 'The card laid out in a format, as a page that shows and prints it' })
  @ApiProduces('text/html')
  @ApiQuery({ name: 'format', enum: FORMAT, required: false })
  @ApiQuery({ name: 'issue', required: false, type: Number, description: 'As it was published' })
  @ApiOkResponse({ schema: { type: 'string' } })
  sheet(
    @InScope() scope: Scope,
    @Param('id') id: string,
    @Query('format', new ParseEnumPipe(FORMAT, { optional: true })) format: Format = 'a5',
    @Query('issue', new ParseIntPipe({ optional: true })) issue?: number,
  ): Promise<string> {
    return this.threads.text('cardSheet', scope, id, format, issue);
  }

  @Get('recipes/:id/card.png')
  @Needs('read')
  @Header('Cache-Control', 'no-store')
  @ApiOperation({ operationId: 'getCardPng', summary: 'A page of the card as a PNG' })
  @ApiProduces('image/png')
  @ApiQuery({ name: 'format', enum: FORMAT, required: false })
  @ApiQuery({ name: 'page', required: false, type: Number, description: '1 for the first' })
  @ApiQuery({ name: 'issue', required: false, type: Number, description: 'As it was published' })
  @ApiOkResponse({ schema: { type: 'string', format: 'binary' } })
  async png(
    @InScope() scope: Scope,
    @Param('id') id: string,
    @Query('format', new ParseEnumPipe(FORMAT, { optional: true })) format: Format = 'portrait',
    @Query('page', new ParseIntPipe({ optional: true })) page = 1,
    @Query('issue', new ParseIntPipe({ optional: true })) issue?: number,
  ): Promise<StreamableFile> {
    const png = await this.threads.bytes('cardPng', scope, id, format, page, issue);
    return new StreamableFile(png, { type: 'image/png', disposition: `attachment; filename="${id}-${format}-${page}.png"` });
  }

  @Get('recipes/:id/card.svg')
  @Needs('read')
  @Header('Content-Type', 'image/svg+xml; charset=utf-8')
  @Header('Content-Security-Policy', CARD_POLICY)
  @Header('Cache-Control', 'no-store')
  @ApiOperation({ operationId: 'getCardSvg', summary: 'A page of the card as an SVG' })
  @ApiProduces('image/svg+xml')
  @ApiQuery({ name: 'format', enum: FORMAT, required: false })
  @ApiQuery({ name: 'page', required: false, type: Number, description: '1 for the first' })
  @ApiQuery({ name: 'issue', required: false, type: Number, description: 'As it was published' })
  @ApiOkResponse({ schema: { type: 'string' } })
  async svg(
    @InScope() scope: Scope,
    @Param('id') id: string,
    @Res({ passthrough: true }) response: Response,
    @Query('format', new ParseEnumPipe(FORMAT, { optional: true })) format: Format = 'portrait',
    @Query('page', new ParseIntPipe({ optional: true })) page = 1,
    @Query('issue', new ParseIntPipe({ optional: true })) issue?: number,
  ): Promise<string> {
    const svg = await this.threads.text('cardSvg', scope, id, format, page, issue);
    response.attachment(`${id}-${format}-${page}.svg`).type('image/svg+xml');
    return svg;
  }

  @Get('recipes/:id/card.md')
  @Needs('read')
  @Header('Content-Type', 'text/markdown; charset=utf-8')
  @Header('Cache-Control', 'no-store')
  @ApiOperation({ operationId: 'getCardMarkdown', summary: 'The card as Markdown' })
  @ApiProduces('text/markdown')
  @ApiOkResponse({ schema: { type: 'string' } })
  async markdown(@InScope() scope: Scope, @Param('id') id: string, @Res({ passthrough: true }) response: Response): Promise<string> {
    const text = await this.threads.text('cardMarkdown', scope, id);
    response.attachment(`${id}.md`);
    return text;
  }

  @Get('recipes/:id/recipe.jsonld')
  @Needs('read')
  @Header('Cache-Control', 'no-store')
  @ApiOperation({ operationId: 'getSchemaOrgRecipe', summary: 'The card as schema.org/Recipe, JSON-LD' })
  @ApiProduces('application/ld+json')
  @ApiOkResponse({ schema: { type: 'string' } })
  async schemaOrg(@InScope() scope: Scope, @Param('id') id: string, @Res({ passthrough: true }) response: Response): Promise<string> {
    const text = await this.threads.text('cardSchemaOrg', scope, id);
    response.attachment(`${id}.jsonld`).type('application/ld+json');
    return text;
  }

  @Get('recipes/:id/card.pdf')
  @Needs('read')
  @Header('Cache-Control', 'no-store')
  @ApiOperation({ operationId: 'getCardPdf', summary: 'The card as a PDF' })
  @ApiProduces('application/pdf')
  @ApiQuery({ name: 'format', enum: FORMAT, required: false })
  @ApiQuery({ name: 'issue', required: false, type: Number, description: 'As it was published' })
  @ApiOkResponse({ schema: { type: 'string', format: 'binary' } })
  async pdf(
    @InScope() scope: Scope,
    @Param('id') id: string,
    @Query('format', new ParseEnumPipe(FORMAT, { optional: true })) format: Format = 'a5',
    @Query('issue', new ParseIntPipe({ optional: true })) issue?: number,
  ): Promise<StreamableFile> {
    const pdf = await this.threads.bytes('cardPdf', scope, id, format, issue);
    return new StreamableFile(pdf, { type: 'application/pdf', disposition: `attachment; filename="${id}.pdf"` });
  }
}
