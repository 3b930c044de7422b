import { Global, Module } from '@nestjs/common';
import { AuditLogService } from './auditLog.service.js';

/** The log itself, which whoever changes something writes to. */
@Global()
@Module({ providers: [AuditLogService], exports: [AuditLogService] })
export class AuditLogModule {}
