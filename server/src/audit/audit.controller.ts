import { Readable } from 'node:stream';
import { Controller, Get, Header, Query, StreamableFile } from '@nestjs/common';
import { ApiOkResponse, ApiOperation, ApiProduces, ApiTags } from '@nestjs/swagger';
import { InScope } from '../scope/inScope.js';
import { Needs } from '../scope/needs.js';
import type { Scope } from '../scope/scope.js';
import { AuditCheckDto, AuditPageDto, AuditQuery } from './audit.dto.js';
import { AuditLogService } from './auditLog.service.js';

@ApiTags('audit')
@Controller('audit')
export class AuditController {
  constructor(private readonly audit: AuditLogService) {}

  @Get()
  @Needs('manage')
  @ApiOperation({ operationId: 'listDeeds', summary: 'What was done in the kitchen, newest first' })
  @ApiOkResponse({ type: AuditPageDto })
  page(@InScope() scope: Scope, @Query() { before }: AuditQuery): Promise<AuditPageDto> {
    return this.audit.page(scope, before);
  }

  @Get('check')
  @Needs('manage')
  @ApiOperation({ operationId: 'checkDeeds', summary: 'Goes over the chain of hashes: whether anything was changed or taken out' })
  @ApiOkResponse({ type: AuditCheckDto })
  check(@InScope() scope: Scope): Promise<AuditCheckDto> {
    return this.audit.check(scope);
  }

  @Get('log.jsonl')
  @Needs('manage')
  @Header('Cache-Control', 'no-store')
  @ApiOperation({ operationId: 'exportDeeds', summary: 'Everything that was done, a JSON object a line, with the hash each' })
  @ApiProduces('application/jsonl')
  @ApiOkResponse({ schema: { type: 'string' } })
  export(@InScope() scope: Scope): StreamableFile {
    return new StreamableFile(Readable.from(this.audit.export(scope)), {
      type: 'application/jsonl',
      disposition: 'attachment; filename="audit-log.jsonl"',
    });
  }
}
