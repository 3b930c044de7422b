import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import type { INestApplicationContext } from '@nestjs/common';
import { NestFactory } from '@nestjs/core';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { DocumentBuilder, SwaggerModule, type OpenAPIObject } from '@nestjs/swagger';
import compression from 'compression';
import type { NextFunction, Request, Response as ExpressResponse } from 'express';
import helmet from 'helmet';
import { AppModule } from '../app.module.js';
import { migrate } from '../database/migrate.js';
import { wall } from '../database/wall.js';
import { configuredNames, guard } from './guard.js';
import { listening } from './listening.js';
import { AdmissionService } from '../accounts/admission.service.js';
import { jsonBody } from './jsonBody.js';
import { moderate } from './moderate.js';
import { timely } from './timely.js';
import { JsonTextInterceptor } from './jsonText.interceptor.js';
import { FrameworkLog, makeLog } from './log.js';
import { requestIdOf, requestLog } from './requestLog.js';
import { withKitchenFileSchemas } from './kitchenFileSchemas.js';
import { withRules } from './withRules.js';
import { plainAddress } from './plainAddress.js';
import { ProblemFilter } from './problem.filter.js';
import { NoKitchenError, SignedOutError } from './problems.js';
import { problemOf } from './problemOf.js';
import { sendProblem } from './sendProblem.js';
import { CostlessInterceptor } from '../scope/costless.interceptor.js';
import { DatabaseListener } from '../database/databaseListener.js';
import { FreshPages } from '../reading/freshPages.js';
import { statedOrigin } from '../reading/readersOrigin.js';
import { BodyPipe, QueryPipe } from './validation.js';
import { keepLinesShort } from './keepLinesShort.js';
import { serveWebApp } from './webApp.js';
import { watchRequests } from '../watch/watchRequests.js';

const WEB_APP = fileURLToPath(new URL('../../../web/dist', import.meta.url));

/** The server, ready to listen: guard, headers, log, limits, validation, problem details, interface and web application. */
export async function makeApp(): Promise<NestExpressApplication> {
  const log = makeLog();
  const { proxies, tls } = listening();
  await migrate(process.env.DATABASE_URL);
  const app = await NestFactory.create<NestExpressApplication>(AppModule, {
    ...(tls ? { httpsOptions: { cert: readFileSync(tls.certificate), key: readFileSync(tls.key) } } : {}),
    logger: new FrameworkLog(log),
    bodyParser: false,
    abortOnError: false,
  });
  app.set('query parser', 'simple');
  if (proxies !== undefined) app.set('trust proxy', proxies);
  app.use(requestLog(log));
  app.use(watchRequests);
  const pages = new FreshPages();
  const listener = app.get(DatabaseListener, { strict: false });
  listener.on('portiona_deeds', ({ does }) => pages.hear(does));
  listener.onMissed(() => pages.forget());
  app.use(pages.step);
  app.use(
    helmet({
      contentSecurityPolicy: { directives: { 'default-src': ["'none'"], 'frame-ancestors': ["'none'"] }, useDefaults: false },
      strictTransportSecurity: false,
    }),
  );
  const admission = app.get(AdmissionService, { strict: false });
  const expectLetIn = async (request: Request) => {
    const [, key = ''] = /^\/api\/kitchens\/([^/]+)\//.exec(request.path) ?? [];
    const admitted = await wall.run({ kitchenId: undefined }, () => admission.admit(request, key));
    if (!admitted) throw new SignedOutError();
    if (!admitted.kitchen) throw new NoKitchenError(key);
  };
  for (const step of [
    guard(configuredNames([process.env.PORTIONA_HOSTS, statedOrigin(process.env.PORTIONA_READERS)?.host].join(','))),
    moderate(),
    timely(),
    plainAddress,
    compression(),
    jsonBody(expectLetIn),
  ])
    app.use((request: Request, response: ExpressResponse, next: NextFunction) => {
      const refused = (error: unknown) => (error === undefined ? next() : sendProblem(response, problemOf(error)));
      try {
        step(request, response, refused);
      } catch (error) {
        refused(error);
      }
    });
  // Each request is in no kitchen until it is let into one.
  app.use((request: Request, _: ExpressResponse, next: NextFunction) =>
    wall.run({ kitchenId: undefined, request: requestIdOf(request) }, next),
  );
  app.setGlobalPrefix('api', { exclude: ['robots.txt', 'read/*path'] });
  app.useGlobalPipes(new BodyPipe(), new QueryPipe());
  app.useGlobalInterceptors(new JsonTextInterceptor(), new CostlessInterceptor());
  app.useGlobalFilters(new ProblemFilter());
  serveWebApp(app.getHttpAdapter().getInstance(), process.env.PORTIONA_WEB ?? WEB_APP);
  keepLinesShort(app.getHttpServer());
  return app;
}

/** A process that does jobs, and answers nobody. */
export async function makeWorker(): Promise<INestApplicationContext> {
  await migrate(process.env.DATABASE_URL);
  const context = await NestFactory.createApplicationContext(AppModule, { logger: new FrameworkLog(makeLog()), abortOnError: false });
  return context;
}

/** The OpenAPI document of the interface. @throws Error where a route says nobody who may ask it */
export function openApiOf(app: NestExpressApplication): OpenAPIObject {
  const document = SwaggerModule.createDocument(app, new DocumentBuilder().setTitle('Portiona').setVersion('0.1.0').build());
  return withKitchenFileSchemas(withRules(document));
}
