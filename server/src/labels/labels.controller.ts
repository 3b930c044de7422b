import { Body, Controller, Get, Header, HttpCode, Param, ParseIntPipe, Post, Put, Query, Req, StreamableFile } from '@nestjs/common';
import { ApiBody, ApiConsumes, ApiNoContentResponse, ApiOkResponse, ApiOperation, ApiProduces, ApiQuery, ApiTags } from '@nestjs/swagger';
import { readLabelBytes } from '@portiona/core';
import type { Request } from 'express';
import { DeviceError, ValidationError } from '../http/problems.js';
import { readBody } from '../http/readBody.js';
import { InScope } from '../scope/inScope.js';
import type { Scope } from '../scope/scope.js';
import { Threads } from '../threads/threads.js';
import { LabelPrinterDto, PrinterTroubleDto } from './label.dto.js';
import { SimulatedLabelPrinter } from './simulatedLabelPrinter.js';
import { Needs } from '../scope/needs.js';
import { ChangesNothing } from '../audit/deed.interceptor.js';

/** Millimetres a side of a single label. */
const SMALLEST = 15;
const LARGEST = 300;
/** Of a label for the printer: its largest size. */
const MOST_BYTES = 2_100_000;

@ApiTags('labels')
@Controller()
export class LabelsController {
  constructor(
    private readonly threads: Threads,
    private readonly printer: SimulatedLabelPrinter,
  ) {}

  @Get('batches/:id/labels.pdf')
  @Needs('read')
  @Header('Cache-Control', 'no-store')
  @ApiOperation({ operationId: 'getLabelsPdf', summary: 'Labels of a batch, one for each box, on a sheet or each by itself' })
  @ApiProduces('application/pdf')
  @ApiQuery({ name: 'sheet', required: false, description: 'Name of a sheet' })
  @ApiQuery({ name: 'width', required: false, type: Number, description: 'Of a single label, mm' })
  @ApiQuery({ name: 'height', required: false, type: Number, description: 'Of a single label, mm' })
  @ApiQuery({ name: 'start', required: false, type: Number, description: 'First cell, from 1' })
  @ApiQuery({ name: 'outlines', required: false, description: 'Any value: the cells’ edges too' })
  @ApiQuery({ name: 'only', required: false, description: 'Numbers of labels, with commas' })
  @ApiOkResponse({ schema: { type: 'string', format: 'binary' } })
  async pdf(
    @InScope() scope: Scope,
    @Param('id') id: string,
    @Req() request: Request,
    @Query('sheet') sheet?: string,
    @Query('width', new ParseIntPipe({ optional: true })) width?: number,
    @Query('height', new ParseIntPipe({ optional: true })) height?: number,
    @Query('start', new ParseIntPipe({ optional: true })) start = 1,
    @Query('outlines') outlines?: string,
    @Query('only') only?: string,
  ): Promise<StreamableFile> {
    const order = {
      sheet: sheet ?? sizeOf(width, height),
      start: from(start, 1, 5000, 'start'),
      outlines: outlines !== undefined,
      only: only === undefined || only === '' ? undefined : only.split(',').map((number) => from(Number(number), 1, 100_000, 'only')),
    };
    const address = `${request.protocol}://${request.headers.host ?? ''}`;
    const pdf = await this.threads.bytes('labelsPdf', scope, id, order, address);
    return new StreamableFile(pdf, { type: 'application/pdf', disposition: `inline; filename="labels.pdf"` });
  }

  @Get('label-printer')
  @Needs('read')
  @Header('Cache-Control', 'no-store')
  @ApiOperation({ operationId: 'getLabelPrinter', summary: 'The label printer, and what came out of it' })
  @ApiOkResponse({ type: LabelPrinterDto })
  state(): LabelPrinterDto {
    const { name, dotsPerInch, widest, trouble, out } = this.printer;
    return {
      ...{ name, dotsPerInch, widest },
      ...(trouble === undefined ? {} : { trouble }),
      out: out.map((one) => ({
        ...{ number: one.number, at: one.at.toISOString(), width: one.width, height: one.height, dotsPerInch: one.dotsPerInch },
        rows: Buffer.from(one.rows).toString('base64'),
      })),
    };
  }

  @Post('label-printer/labels')
  @ChangesNothing()
  @Needs('cook')
  @HttpCode(204)
  @ApiOperation({ operationId: 'printLabel', summary: 'Prints a label: black and white dots, as docs/devices.md describes them' })
  @ApiConsumes('application/octet-stream')
  @ApiBody({ schema: { type: 'string', format: 'binary' } })
  @ApiNoContentResponse()
  async print(@Req() request: Request): Promise<void> {
    const read = readLabelBytes(await bytesOf(request));
    if (!read.ok) throw new ValidationError([{ path: '', message: read.because }]);
    const printed = await this.printer.print(read.label);
    if (!printed.ok) throw new DeviceError(`The label was not printed: ${printed.because}.`);
  }

  @Put('label-printer')
  @ChangesNothing()
  @Needs('cook')
  @HttpCode(204)
  @ApiOperation({ operationId: 'setPrinterTrouble', summary: 'Lets the simulated printer run out of labels, or print again' })
  @ApiBody({ type: PrinterTroubleDto })
  @ApiNoContentResponse()
  setTrouble(@Body() body: object): void {
    this.printer.trouble = readBody(PrinterTroubleDto, body, '').trouble;
  }
}

/** The body as it was sent. @throws ValidationError for one larger than any label */
async function bytesOf(request: Request): Promise<Uint8Array> {
  const pieces: Buffer[] = [];
  let size = 0;
  for await (const piece of request as AsyncIterable<Buffer>) {
    size += piece.length;
    if (size > MOST_BYTES) throw new ValidationError([{ path: '', message: `a label has at most ${MOST_BYTES} bytes` }]);
    pieces.push(piece);
  }
  return Buffer.concat(pieces);
}

/** @throws ValidationError */
function sizeOf(width: number | undefined, height: number | undefined): { readonly width: number; readonly height: number } {
  if (width === undefined || height === undefined)
    throw new ValidationError([{ path: 'sheet', message: 'name a sheet, or give the width and height of a single label' }]);
  return { width: from(width, SMALLEST, LARGEST, 'width'), height: from(height, SMALLEST, LARGEST, 'height') };
}

/** @throws ValidationError */
function from(found: number, least: number, most: number, path: string): number {
  if (!Number.isInteger(found) || found < least || found > most)
    throw new ValidationError([{ path, message: `must be a whole number from ${least} to ${most}` }]);
  return found;
}
