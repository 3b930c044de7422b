import { Controller, Get, Param, Query, Req, Res, UseFilters } from '@nestjs/common';
import { ApiExcludeController } from '@nestjs/swagger';
import type { Request, Response } from 'express';
import { FACE_NAMES } from '@portiona/core';
import { LRUCache } from 'lru-cache';
import { hashOf, READER_POLICY } from '../cards/readerPolicy.js';
import { placePath, SHARED, TAKEN_ALONG, type ReadersPlace } from '../cards/readersPlace.js';
import { codeDigest } from '../recipes/engineVersion.js';
import { webFont } from '../sheets/fontChain.js';
import { Threads } from '../threads/threads.js';
import { READING_ORDERS, type ReadingOrder } from './outCards.js';
import { GoneError, ReadingFilter, UnreadableError } from './reading.filter.js';
import { ReadingService, type OpenPlace, type OutStanding } from './reading.service.js';
import { readingStyle } from './readingStyle.js';
import { originFor } from './readersOrigin.js';
import { Anyone } from '../scope/needs.js';

/** Answers that are kept: bytes of all of them together, at most. Issues are frozen, so none of them is ever stale. */
const MOST_KEPT = 96 * 1024 * 1024;
/** Seconds for which an answer need not be asked for again; after that it is asked whether it is another. */
const FRESH = 300;
const A_YEAR = 31_536_000;

const INDEX_POLICY =
  "default-src 'none'; img-src 'self'; style-src 'self'; font-src 'self'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'";
const NOTHING_POLICY = "default-src 'none'; frame-ancestors 'none'";
const EMBED_POLICY = "default-src 'none'; style-src 'unsafe-inline'; base-uri 'none'; form-action 'none'; frame-ancestors *";

/** An answer as it is sent. */
interface Answer {
  readonly type: string;
  readonly policy: string;
  /** What it is made of besides the code: the same, and it is the same answer. */
  readonly of: readonly string[];
  readonly make: () => string | Promise<string | Uint8Array>;
}

/** What anybody may read: published cards of kitchens that have switched it on. It changes nothing, knows nobody, and needs no application. */
@ApiExcludeController()
@UseFilters(ReadingFilter)
@Controller()
export class ReadingController {
  readonly #kept = new LRUCache<string, Buffer>({ maxSize: MOST_KEPT, sizeCalculation: ({ length }) => Math.max(1, length) });
  /** What is being made: who asks for the same waits for it. */
  readonly #making = new Map<string, Promise<Buffer>>();

  constructor(
    private readonly reading: ReadingService,
    private readonly threads: Threads,
  ) {}

  @Get('robots.txt')
  @Anyone()
  async robots(@Req() request: Request, @Res() response: Response): Promise<void> {
    const origin = originFor(request);
    const maps = (await this.reading.names()).map((name) => `Sitemap: ${origin}${placePath({ name }, 'sitemap.xml')}`);
    const text = ['User-agent: *', 'Allow: /read/', 'Disallow: /', ...maps, ''].join('\n');
    await this.#send(request, response, { type: 'text/plain; charset=utf-8', policy: NOTHING_POLICY, of: [text], make: () => text });
  }

  @Get(`read/${SHARED}/reading.css`)
  @Anyone()
  style(@Req() request: Request, @Res() response: Response): Promise<void> {
    return this.#send(request, response, {
      type: 'text/css; charset=utf-8',
      policy: NOTHING_POLICY,
      of: ['style'],
      make: readingStyle,
    });
  }

  @Get(`read/${SHARED}/:file`)
  @Anyone()
  font(@Param('file') file: string, @Res() response: Response): void {
    const face = FACE_NAMES.find((name) => file === `${name}.woff2`);
    if (!face) throw new UnreadableError();
    response
      .set('Cache-Control', `public, max-age=${A_YEAR}, immutable`)
      .set('Cross-Origin-Resource-Policy', 'same-site')
      .type('font/woff2');
    response.send(webFont(face));
  }

  @Get('read/:name')
  @Anyone()
  async index(@Param('name') name: string, @Req() request: Request, @Res() response: Response, @Query('by') by?: string): Promise<void> {
    const { open, place } = await this.#open(name, request);
    await this.#page(request, response, open, place, orderOf(by));
  }

  @Get('read/:name/series/:series')
  @Anyone()
  async series(
    @Param('name') name: string,
    @Param('series') series: string,
    @Req() request: Request,
    @Res() response: Response,
    @Query('by') by?: string,
  ): Promise<void> {
    const { open, place } = await this.#open(name, request);
    if (!(await this.reading.hasSeries(open.scope, series))) throw new UnreadableError();
    await this.#page(request, response, open, place, orderOf(by), series);
  }

  @Get('read/:name/feed.atom')
  @Anyone()
  async atom(@Param('name') name: string, @Req() request: Request, @Res() response: Response): Promise<void> {
    await this.#feed(name, request, response, 'atom', 'application/atom+xml; charset=utf-8');
  }

  @Get('read/:name/feed.json')
  @Anyone()
  async json(@Param('name') name: string, @Req() request: Request, @Res() response: Response): Promise<void> {
    await this.#feed(name, request, response, 'json', 'application/feed+json; charset=utf-8');
  }

  @Get('read/:name/sitemap.xml')
  @Anyone()
  async sitemap(@Param('name') name: string, @Req() request: Request, @Res() response: Response): Promise<void> {
    const { open, place } = await this.#open(name, request);
    await this.#send(request, response, {
      type: 'application/xml; charset=utf-8',
      policy: NOTHING_POLICY,
      of: ['map', open.scope.kitchenId, open.state, place.origin, place.name],
      make: () => this.threads.text('readingMap', open.scope, place),
    });
  }

  @Get('read/:name/cards/:recipe')
  @Anyone()
  async card(
    @Param('name') name: string,
    @Param('recipe') recipe: string,
    @Req() request: Request,
    @Res() response: Response,
  ): Promise<void> {
    const { open, place } = await this.#open(name, request);
    const { issue } = await this.#out(open, recipe);
    await this.#send(request, response, {
      type: 'text/html; charset=utf-8',
      policy: `${READER_POLICY}; frame-ancestors 'none'`,
      of: ['page', open.scope.kitchenId, recipe, String(issue), place.origin, place.name],
      make: () => this.threads.text('cardPage', open.scope, recipe, issue, place),
    });
  }

  @Get('read/:name/cards/:recipe/:file')
  @Anyone()
  async output(
    @Param('name') name: string,
    @Param('recipe') recipe: string,
    @Param('file') file: string,
    @Req() request: Request,
    @Res() response: Response,
  ): Promise<void> {
    const { open, place } = await this.#open(name, request);
    const out = await this.#out(open, recipe);
    const made = this.#outputOf(file, open, recipe, out, place);
    if (!made) throw new UnreadableError();
    if (file === 'embed') response.removeHeader('X-Frame-Options');
    await this.#send(request, response, { ...made, of: [file, open.scope.kitchenId, recipe, String(out.issue), place.origin, place.name] });
  }

  @Get('read/*path')
  @Anyone()
  nothing(): never {
    throw new UnreadableError();
  }

  /** What a card is asked for as, by the name of the file. */
  #outputOf(
    file: string,
    { scope }: OpenPlace,
    recipe: string,
    { issue }: OutStanding,
    place: ReadersPlace,
  ): Omit<Answer, 'of'> | undefined {
    const taken = TAKEN_ALONG.find(([format, kind]) => file === `${format}.${kind}`);
    if (taken) {
      const [format, kind] = taken;
      return kind === 'pdf'
        ? { type: 'application/pdf', policy: NOTHING_POLICY, make: () => this.threads.bytes('cardPdf', scope, recipe, format, issue) }
        : { type: 'image/png', policy: NOTHING_POLICY, make: () => this.threads.bytes('cardPng', scope, recipe, format, 1, issue) };
    }
    if (file === 'dish.jpg')
      return { type: 'image/jpeg', policy: NOTHING_POLICY, make: () => this.threads.bytes('cardDish', scope, recipe, issue) };
    if (file === 'embed')
      return {
        type: 'text/html; charset=utf-8',
        policy: EMBED_POLICY,
        make: () => this.threads.text('cardEmbed', scope, recipe, true, issue),
      };
    if (file === 'recipe.jsonld')
      return {
        type: 'application/ld+json; charset=utf-8',
        policy: NOTHING_POLICY,
        make: () => this.threads.text('cardSchemaOrg', scope, recipe, issue, place),
      };
    return undefined;
  }

  /** @throws UnreadableError where nobody may read under the name */
  async #open(name: string, request: Request): Promise<{ readonly open: OpenPlace; readonly place: ReadersPlace }> {
    const open = await this.reading.find(name);
    if (!open) throw new UnreadableError();
    return { open, place: { origin: originFor(request), name } };
  }

  /** @throws NotFoundError, GoneError for a card that was taken back */
  async #out({ scope }: OpenPlace, recipe: string): Promise<OutStanding> {
    const standing = await this.reading.standing(scope, recipe);
    if (standing.takenBack !== null) throw new GoneError(standing.title, standing.takenBack);
    return standing;
  }

  #page(request: Request, response: Response, { scope, state }: OpenPlace, place: ReadersPlace, order: ReadingOrder, series?: string) {
    return this.#send(request, response, {
      type: 'text/html; charset=utf-8',
      policy: INDEX_POLICY,
      of: ['index', scope.kitchenId, state, place.origin, place.name, order, series ?? ''],
      make: () => this.threads.text('readingIndex', scope, place, order, series),
    });
  }

  async #feed(name: string, request: Request, response: Response, kind: 'atom' | 'json', type: string): Promise<void> {
    const { open, place } = await this.#open(name, request);
    await this.#send(request, response, {
      type,
      policy: NOTHING_POLICY,
      of: [kind, open.scope.kitchenId, open.state, place.origin, place.name],
      make: () => this.threads.text('readingFeed', open.scope, place, kind),
    });
  }

  /** Sends an answer with its tag: who has it already is told so, before anything is made. */
  async #send(request: Request, response: Response, { type, policy, of, make }: Answer): Promise<void> {
    const tag = ReadingService.tag(drawnBy(), ...of);
    response
      .set('ETag', `W/"${tag}"`)
      .set('Cache-Control', `public, max-age=${FRESH}, must-revalidate`)
      .set('Content-Security-Policy', policy)
      // Another site may show a picture of it.
      .set('Cross-Origin-Resource-Policy', 'cross-origin')
      .type(type);
    if (request.fresh) return void response.status(304).end();
    response.send(await this.#made(tag, make));
  }

  async #made(tag: string, make: Answer['make']): Promise<Buffer> {
    const kept = this.#kept.get(tag);
    if (kept) return kept;
    const making =
      this.#making.get(tag) ??
      Promise.resolve(make())
        .then((made) => Buffer.from(made as Uint8Array))
        .finally(() => this.#making.delete(tag));
    this.#making.set(tag, making);
    const made = await making;
    this.#kept.set(tag, made);
    return made;
  }
}

let version: string | undefined;

/** Which code draws here: what another one drew may look otherwise. */
function drawnBy(): string {
  version ??=
    codeDigest(['../../../core/dist', '../../dist/sheets', '../../dist/cards', '../../dist/reading', '../../assets']) +
    hashOf(readingStyle());
  return version;
}

function orderOf(by: string | undefined): ReadingOrder {
  return READING_ORDERS.find((one) => one === by) ?? 'series';
}
