import { Module } from '@nestjs/common';
import { APP_INTERCEPTOR } from '@nestjs/core';
import { AuditController } from './audit.controller.js';
import { DeedInterceptor } from './deed.interceptor.js';

@Module({ controllers: [AuditController], providers: [{ provide: APP_INTERCEPTOR, useClass: DeedInterceptor }] })
export class AuditModule {}
