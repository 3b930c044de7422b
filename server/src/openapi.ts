import { writeFileSync } from 'node:fs';
import { ModulesContainer, NestFactory, RouterModule } from '@nestjs/core';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { AppModule, KITCHEN_ROUTES } from './app.module.js';
import { openApiOf } from './http/makeApp.js';

// The web application's client is generated from this file; no database is needed to make it.
const app = await NestFactory.create<NestExpressApplication>(AppModule, { preview: true, logger: ['error'], abortOnError: false });
app.setGlobalPrefix('api');
// Where nothing is made, nobody but us says where the modules are reached.
void new RouterModule(app.get(ModulesContainer), KITCHEN_ROUTES);
writeFileSync(new URL('../../openapi.json', import.meta.url), `${JSON.stringify(openApiOf(app), null, 1)}\n`);
process.exit(0);
