import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import type { ServerResponse } from 'node:http';
import { join } from 'node:path';
import express, { type Express, type NextFunction, type Request, type Response } from 'express';
import { isForReaders } from './forReaders.js';
import compressed from 'express-static-gzip';

/** Longest a hashed asset may be kept: its name changes with its content. */
const A_YEAR = '365d';
const ASSETS = { immutable: true, maxAge: A_YEAR, fallthrough: false } as const;

/**
 * Serves the built web application: hashed assets for a year, its page never from a cache, and the page for every address
 * that is no file and no interface of the server's.
 *
 * The page may run the application's own scripts only; style elements that its parts add carry a nonce made per answer.
 *
 * @param folder the built application; without it, only the interface is served
 */
export function serveWebApp(app: Express, folder: string): void {
  const index = join(folder, 'index.html');
  if (!existsSync(index)) return;
  const page = readFileSync(index, 'utf8');
  // Each asset was compressed when it was built: nothing is pressed anew for every visit.
  app.use(
    '/assets',
    compressed(join(folder, 'assets'), {
      enableBrotli: true,
      orderPreference: ['br', 'gz'],
      index: false,
      serveStatic: { ...ASSETS, setHeaders: letWorkersLoad },
    }),
  );
  const files = express.static(folder, { index: false, maxAge: '1h', setHeaders: letTheCookWorkerAsk });
  // Nothing of the interface is a file: nobody looks for one on the disk.
  const isInterface = ({ path }: Request) => path.startsWith('/api') || isForReaders(path);
  app.use((request: Request, response: Response, next: NextFunction) =>
    isInterface(request) ? next() : void files(request, response, next),
  );
  app.use((request: Request, response: Response, next: NextFunction) => {
    if (request.method !== 'GET' || isInterface(request)) return next();
    const nonce = randomBytes(16).toString('base64');
    response
      .set('Content-Security-Policy', pagePolicy(nonce))
      .set('Cache-Control', 'no-store')
      .type('html')
      .send(page.replaceAll('%NONCE%', nonce));
  });
}

/** A worker goes by the policy its own file comes with: it may load its parts and the solver, and nothing from anywhere else. */
function letWorkersLoad(response: ServerResponse, path: string): void {
  if (/\.worker-[^/\\]*\.js(\.br|\.gz)?$/.test(path))
    response.setHeader('Content-Security-Policy', "default-src 'none'; script-src 'self' 'wasm-unsafe-eval'; connect-src 'self'");
}

/** The service worker of the stove asks for what it keeps, of this server alone; a newer one is taken at once. */
function letTheCookWorkerAsk(response: ServerResponse, path: string): void {
  if (!path.endsWith('cookWorker.js')) return;
  response.setHeader('Content-Security-Policy', "default-src 'none'; connect-src 'self'");
  response.setHeader('Cache-Control', 'no-cache');
}

/** What the application's page may load: itself, and nothing from anywhere else. */
function pagePolicy(nonce: string): string {
  return [
    "default-src 'self'",
    "script-src 'self'",
    `style-src 'self' 'nonce-${nonce}'`,
    "img-src 'self' data:",
    "font-src 'self'",
    "connect-src 'self'",
    "frame-src 'self'",
    "frame-ancestors 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "object-src 'none'",
  ].join('; ');
}
