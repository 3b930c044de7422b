import { writeFileSync } from 'node:fs';
import { NestFactory } from '@nestjs/core';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { AppModule } from './app.module.js';
import { openApiOf } from './http/makeApp.js';

// The web application's client is generated from this file; no database is needed to make it.
const app = await NestFactory.create<NestExpressApplication>(AppModule, { preview: true, logger: ['error'], abortOnError: false });
app.setGlobalPrefix('api');
writeFileSync(new URL('../../openapi.json', import.meta.url), `${JSON.stringify(openApiOf(app), null, 1)}\n`);
process.exit(0);
