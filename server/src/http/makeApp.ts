import { fileURLToPath } from 'node:url';
import { NestFactory } from '@nestjs/core';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { DocumentBuilder, SwaggerModule, type OpenAPIObject } from '@nestjs/swagger';
import compression from 'compression';
import express from 'express';
import helmet from 'helmet';
import { pinoHttp } from 'pino-http';
import { AppModule } from '../app.module.js';
import { FrameworkLog, makeLog } from './log.js';
import { ProblemFilter } from './problem.filter.js';
import { validationPipe } from './validation.js';
import { serveWebApp } from './webApp.js';

/** Most that one request may bring: a recipe is a few kilobytes, a kitchen file a few megabytes. */
const MOST_BODY = '2mb';
const MOST_IMPORT = '32mb';

const WEB_APP = fileURLToPath(new URL('../../../web/dist', import.meta.url));

/** The server, ready to listen: headers, log, limits, validation, problem details, interface and web application. */
export async function makeApp(): Promise<NestExpressApplication> {
  const log = makeLog();
  const app = await NestFactory.create<NestExpressApplication>(AppModule, {
    logger: new FrameworkLog(log),
    bodyParser: false,
    abortOnError: false,
  });
  app.set('query parser', 'simple');
  app.use(pinoHttp({ logger: log, autoLogging: { ignore: ({ url }) => !url?.startsWith('/api') || url === '/api/health' } }));
  app.use(
    helmet({
      contentSecurityPolicy: { directives: { 'default-src': ["'none'"], 'frame-ancestors': ["'none'"] }, useDefaults: false },
      strictTransportSecurity: false,
    }),
  );
  app.use(compression());
  app.use('/api/imports', express.json({ limit: MOST_IMPORT }));
  app.use(express.json({ limit: MOST_BODY }));
  app.setGlobalPrefix('api');
  app.useGlobalPipes(validationPipe());
  app.useGlobalFilters(new ProblemFilter());
  serveWebApp(app.getHttpAdapter().getInstance(), process.env.PORTIONA_WEB ?? WEB_APP);
  app.enableShutdownHooks();
  return app;
}

/** The OpenAPI document of the interface. */
export function openApiOf(app: NestExpressApplication): OpenAPIObject {
  return SwaggerModule.createDocument(app, new DocumentBuilder().setTitle('Portiona').setVersion('0.1.0').build());
}
