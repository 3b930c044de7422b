import { randomUUID } from 'node:crypto';
import { createReadStream, createWriteStream, type ReadStream } from 'node:fs';
import { mkdir, readdir, rename, rm, stat } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { Injectable, Logger, type OnApplicationBootstrap, type OnModuleDestroy } from '@nestjs/common';
import { cardSeries, dayText, FORMAT_TABLE, type BookletTitle, type CardContent } from '@portiona/core';
import yazl from 'yazl';
import { TAKEN_ALONG } from '../cards/readersPlace.js';
import { Database } from '../database/database.js';
import { hyphened } from '../http/hyphened.js';
import { isUuid } from '../http/isUuid.js';
import { BusyError, NotFoundError, Problem, ToldError, ValidationError } from '../http/problems.js';
import { JobsService } from '../jobs/jobs.service.js';
import { KitchensService } from '../kitchens/kitchens.service.js';
import type { Scope } from '../scope/scope.js';
import { Threads } from '../threads/threads.js';
import type { BundleDto, BundleOrderDto } from './bundle.dto.js';
import { BundleEntity, type LeftOut } from './bundle.entity.js';

const QUEUE = 'bind-cards';
/** Bundles of a kitchen under way at once, and kept at all. */
const MOST_RUNNING = 3;
const MOST_KEPT = 12;
/** Dishes in one: a thread holds all of them while it binds. */
const MOST_CARDS = 200;
const COMING = '.part';

interface BundleJob {
  readonly scope: Scope;
  readonly bundleId: string;
}

/** A card that goes into it: its newest issue, or as the dish stands. */
interface Member {
  readonly recipe: string;
  readonly title: string;
  readonly issue: number | null;
}

/** Binds cards as a job beside other work: each card is laid out by itself, so that it can be told how far it is, and ended. */
@Injectable()
export class BundlesService implements OnApplicationBootstrap, OnModuleDestroy {
  readonly #log = new Logger('bundles');
  /** Set when the server is to end: what is under way is begun anew when it is back. */
  #ending = false;

  constructor(
    private readonly database: Database,
    private readonly jobs: JobsService,
    private readonly kitchens: KitchensService,
    private readonly threads: Threads,
  ) {}

  async onApplicationBootstrap(): Promise<void> {
    await this.jobs.work<BundleJob>(QUEUE, ({ scope, bundleId }) => this.#run(scope, bundleId));
    await this.#forgetLost();
    for (const scope of await this.kitchens.scopes())
      await this.database.within(scope.kitchenId, async () => {
        const begun = await this.database.manager.findBy(BundleEntity, { kitchenId: scope.kitchenId, state: 'running' });
        for (const { id } of begun) await this.#send(scope, id);
      });
  }

  onModuleDestroy(): void {
    this.#ending = true;
  }

  /** Begins to bind. @throws ValidationError where there is nothing to bind, BusyError */
  async start(scope: Scope, { kind, series, format = 'a5', of = 'published' }: BundleOrderDto): Promise<BundleDto> {
    const { kitchenId } = scope;
    const bundle = await this.database.writeAlone(kitchenId, async () => {
      const { manager } = this.database;
      if ((await manager.countBy(BundleEntity, { kitchenId, state: 'running' })) >= MOST_RUNNING)
        throw new BusyError('cards are being bound');
      const { members, leftOut } = await this.#members(scope, series ?? null, of);
      if (members.length === 0) throw new ValidationError([{ path: 'series', message: nothingIn(leftOut) }]);
      if (members.length > MOST_CARDS)
        throw new ValidationError([
          { path: 'series', message: `has ${members.length} cards, and ${MOST_CARDS} are the most that are bound; bind one series` },
        ]);
      const id = randomUUID();
      await manager.insert(BundleEntity, {
        id,
        kitchenId,
        kind,
        series: series ?? null,
        format,
        of,
        state: 'running',
        total: members.length + 1,
        leftOut,
      });
      return this.get(scope, id);
    });
    await this.#send(scope, bundle.id);
    await this.#letGo(kitchenId);
    return bundle;
  }

  /** Those that are kept, the newest first. */
  async list({ kitchenId }: Scope): Promise<BundleDto[]> {
    const rows = await this.database.manager.find(BundleEntity, { where: { kitchenId }, order: { madeAt: 'DESC' }, take: MOST_KEPT });
    return rows.map(toDto);
  }

  /** @throws NotFoundError */
  async get(scope: Scope, id: string): Promise<BundleDto> {
    return toDto(await this.#row(scope, id));
  }

  /** Binds no further; one that is made is taken away. @throws NotFoundError */
  async cancel(scope: Scope, id: string): Promise<void> {
    await this.#row(scope, id);
    await this.database.writeAlone(scope.kitchenId, async () => {
      const { affected } = await this.database.manager.update(BundleEntity, { id, state: 'running' }, { state: 'cancelled' });
      if (affected === 0) await this.database.manager.delete(BundleEntity, { id });
    });
    await rm(pathOf(id), { force: true });
  }

  /** The file, once it is made. @throws NotFoundError */
  async file(
    scope: Scope,
    id: string,
  ): Promise<{ readonly stream: ReadStream; readonly name: string; readonly type: string; readonly bytes: number }> {
    const { kind, series, state, format, madeAt } = await this.#row(scope, id);
    const found = state === 'done' ? await stat(pathOf(id)).catch(() => undefined) : undefined;
    if (!found) throw new NotFoundError('file of the bundle', id);
    const called = fileName(series ?? 'cards');
    const on = madeAt.toISOString().slice(0, 10);
    return kind === 'booklet'
      ? { stream: createReadStream(pathOf(id)), name: `${called}-${format}-${on}.pdf`, type: 'application/pdf', bytes: found.size }
      : { stream: createReadStream(pathOf(id)), name: `${called}-${on}.zip`, type: 'application/zip', bytes: found.size };
  }

  /** It is begun, whatever becomes of this: what is left running is begun anew when the server starts. */
  async #send(scope: Scope, bundleId: string): Promise<void> {
    await this.jobs.send(QUEUE, { scope, bundleId } satisfies BundleJob).catch((error: unknown) => this.#log.warn(error));
  }

  /** Binds from the beginning, whatever was done of it before: the file takes its place once it is whole. */
  async #run(scope: Scope, id: string): Promise<void> {
    const bundle = await this.database.manager.findOneBy(BundleEntity, { id, kitchenId: scope.kitchenId, state: 'running' });
    if (!bundle || this.#ending) return;
    const coming = `${pathOf(id)}${COMING}`;
    try {
      await mkdir(folder(), { recursive: true });
      // What is in it is what is published by now.
      const { members, leftOut } = await this.#members(scope, bundle.series, bundle.of);
      if (!(await this.#tell(id, { done: 0, total: members.length + 1, leftOut }))) return;
      const whole = await (bundle.kind === 'booklet'
        ? this.#booklet(scope, bundle, members, coming)
        : this.#archive(scope, bundle, members, coming));
      if (!whole) return;
      const { size } = await stat(coming);
      await rename(coming, pathOf(id));
      if (!(await this.#tell(id, { done: members.length + 1, state: 'done', bytes: String(size) }))) await rm(pathOf(id), { force: true });
    } catch (error) {
      if (this.#ending) return;
      this.#log.error(error);
      const message =
        error instanceof ToldError || error instanceof BusyError ? error.message : 'it cannot be bound; the log of the server says why';
      await this.#tell(id, { state: 'failed', message });
    } finally {
      await rm(coming, { force: true });
    }
  }

  /** @returns false where it was cancelled, or the server is to end */
  async #booklet(scope: Scope, { id, series, format }: BundleEntity, members: readonly Member[], path: string): Promise<boolean> {
    const bound: string[] = [];
    for (const { recipe, title, issue } of members) {
      bound.push(await ofDish(title, this.threads.text('boundCard', scope, recipe, issue, format)));
      if (!(await this.#tell(id, { done: bound.length }))) return false;
    }
    const pdf = await this.threads.bytes('boundBooklet', scope, await this.#title(scope, series), bound, format);
    await pipeline([pdf], createWriteStream(path));
    return true;
  }

  /** @returns false where it was cancelled, or the server is to end */
  async #archive(scope: Scope, { id, series }: BundleEntity, members: readonly Member[], path: string): Promise<boolean> {
    const zip = new yazl.ZipFile();
    const written = pipeline(zip.outputStream, createWriteStream(path));
    // What goes wrong with it is told where it is waited for.
    written.catch(() => undefined);
    const contents: object[] = [];
    // Papers and pictures are packed already.
    const add = (bytes: Uint8Array, name: string, packed: boolean) => zip.addBuffer(Buffer.from(bytes), name, { compress: !packed });
    for (const [i, { recipe, title, issue }] of members.entries()) {
      const place = `${String(i + 1).padStart(2, '0')}-${fileName(title)}`;
      const files: string[] = [];
      for (const [format, kind] of TAKEN_ALONG) {
        const pages = kind === 'pdf' ? 1 : await ofDish(title, this.threads.made('bundledPages', scope, recipe, issue, format));
        for (let page = 1; page <= pages; page++) {
          const name = `${FORMAT_TABLE[format].design}-${format}${page === 1 ? '' : `-${page}`}.${kind}`;
          add(await ofDish(title, this.threads.bytes('bundledCard', scope, recipe, issue, format, page)), `${place}/${name}`, true);
          files.push(name);
        }
      }
      for (const [kind, name] of [
        ['html', 'page.html'],
        ['md', 'card.md'],
        ['jsonld', 'recipe.jsonld'],
        ['piece', 'piece.html'],
      ] as const) {
        add(
          new TextEncoder().encode(await ofDish(title, this.threads.text('bundledText', scope, recipe, issue, kind))),
          `${place}/${name}`,
          false,
        );
        files.push(name);
      }
      contents.push({ folder: place, recipe, title, issue, files });
      if (!(await this.#tell(id, { done: i + 1 }))) {
        zip.end();
        await written.catch(() => undefined);
        return false;
      }
    }
    add(new TextEncoder().encode(`${JSON.stringify({ series, cards: contents }, null, 2)}\n`), 'contents.json', false);
    zip.end();
    await written;
    return true;
  }

  /** Says how far it is. @returns false where it is no longer wanted */
  async #tell(
    id: string,
    change: Partial<Pick<BundleEntity, 'done' | 'total' | 'leftOut' | 'state' | 'bytes' | 'message'>>,
  ): Promise<boolean> {
    if (this.#ending) return false;
    const { affected } = await this.database.manager.update(BundleEntity, { id, state: 'running' }, change);
    return affected === 1;
  }

  /** Cards of a series by their numbers, or of the kitchen by series; and those that are not in it. */
  async #members(
    { kitchenId }: Scope,
    series: string | null,
    of: BundleEntity['of'],
  ): Promise<{ readonly members: Member[]; readonly leftOut: LeftOut[] }> {
    const rows = await this.database.manager.query<
      {
        id: string;
        title: string;
        series: string | null;
        number: number | null;
        issue: number | null;
        content: Pick<CardContent, 'title' | 'series'> | null;
        back: string | null;
        uncomputed: string | null;
      }[]
    >(
      `SELECT head.id, head.title, own.document ->> 'series' AS series, (own.document ->> 'number')::double precision AS number, card.issue,
         jsonb_build_object('title', card.content -> 'title', 'series', card.content -> 'series') AS content, card.taken_back_because AS back,
         kept.listed ->> 'uncomputed' AS uncomputed
       FROM recipes head
       JOIN recipe_revisions own ON own.kitchen_id = head.kitchen_id AND own.recipe_id = head.id AND own.revision = head.revision
       LEFT JOIN recipe_summaries kept ON kept.kitchen_id = head.kitchen_id AND kept.recipe_id = head.id
       LEFT JOIN LATERAL (SELECT issue, content, taken_back_because FROM published_cards published
         WHERE published.kitchen_id = head.kitchen_id AND published.recipe_id = head.id ORDER BY issue DESC LIMIT 1) card ON true
       WHERE head.kitchen_id = $1 AND head.archived_at IS NULL`,
      [kitchenId],
    );
    const placed = rows.map((row) => {
      // A published card stands where its issue says it does, whatever the dish says today.
      const out = of === 'published' && row.issue !== null && row.content ? row.content : undefined;
      const at = out ? cardSeries(out.series) : { name: row.series ?? '', number: row.number ?? undefined };
      return { ...row, title: out?.title ?? row.title, at };
    });
    const own = placed.filter(({ at }) => series === null || at.name === series);
    own.sort(
      (a, b) =>
        (a.at.name === '' ? 1 : 0) - (b.at.name === '' ? 1 : 0) ||
        a.at.name.localeCompare(b.at.name, 'en') ||
        (a.at.number ?? Infinity) - (b.at.number ?? Infinity) ||
        a.title.localeCompare(b.title, 'en'),
    );
    const why = ({ issue, back, uncomputed }: (typeof own)[number]): string | undefined => {
      if (of === 'drafts') return uncomputed === null ? undefined : `it has no figures: ${uncomputed}`;
      if (issue === null) return 'it is not published';
      return back === null ? undefined : `its issue ${issue} was taken back: ${back}`;
    };
    return {
      members: own
        .filter((row) => why(row) === undefined)
        .map(({ id, title, issue }) => ({ recipe: id, title, issue: of === 'published' ? issue : null })),
      leftOut: own.flatMap((row) => {
        const because = why(row);
        return because === undefined ? [] : [{ recipe: row.id, title: row.title, because }];
      }),
    };
  }

  async #title(scope: Scope, series: string | null): Promise<BookletTitle> {
    const { name, card = {}, date } = await this.kitchens.describe(scope);
    const { publication = name, address, mark } = card;
    const said = card.series?.find((one) => one.name === series);
    return {
      ...said,
      name: series ?? publication,
      publication,
      ...(address === undefined ? {} : { address }),
      ...(mark === undefined ? {} : { mark }),
      on: dayText(date, true),
    };
  }

  /** Those beyond what is kept go, with their files. */
  async #letGo(kitchenId: string): Promise<void> {
    const rows = (await this.database.manager.query<{ id: string }[]>(
      `DELETE FROM bundles WHERE id IN (
         SELECT id FROM bundles WHERE kitchen_id = $1 AND state <> 'running' ORDER BY made_at DESC OFFSET ${MOST_KEPT}) RETURNING id`,
      [kitchenId],
    )) as unknown as [{ id: string }[], number];
    for (const { id } of rows[0]) await rm(pathOf(id), { force: true });
  }

  /** Files that belong to no bundle: what was cut off while it was written. */
  async #forgetLost(): Promise<void> {
    const done = await this.kitchens.ofEach(({ kitchenId }) =>
      this.database.manager.find(BundleEntity, { select: { id: true }, where: { kitchenId, state: 'done' } }),
    );
    const known = new Set(done.map(({ id }) => id));
    for (const name of await readdir(folder()).catch(() => [])) if (!known.has(name)) await rm(join(folder(), name), { force: true });
  }

  async #row({ kitchenId }: Scope, id: string): Promise<BundleEntity> {
    const row = isUuid(id) ? await this.database.manager.findOneBy(BundleEntity, { id, kitchenId }) : null;
    if (!row) throw new NotFoundError('bundle', id);
    return row;
  }
}

/** What goes wrong with a card is told with its dish. */
async function ofDish<Made>(title: string, work: Promise<Made>): Promise<Made> {
  try {
    return await work;
  } catch (error) {
    if (error instanceof Problem) throw new ToldError({ ...error.details, detail: `${title}: ${error.message}` });
    throw error;
  }
}

function folder(): string {
  return join(process.env.PORTIONA_HOME ?? join(tmpdir(), 'portiona'), 'bundles');
}

function pathOf(id: string): string {
  return join(folder(), id);
}

/** A name as a file has it. @example fileName('Night Watch!') // 'night-watch' */
function fileName(words: string): string {
  return hyphened(words, { otherwise: 'card' });
}

function nothingIn(leftOut: readonly LeftOut[]): string {
  const [first] = leftOut;
  if (!first) return 'holds no dish';
  return `holds no card to bind: of “${first.title}”, ${first.because}${leftOut.length > 1 ? `; and ${leftOut.length - 1} more` : ''}`;
}

function toDto({ kitchenId: _, bytes, madeAt, ...row }: BundleEntity): BundleDto {
  return { ...row, bytes: bytes === null ? null : Number(bytes), madeAt: madeAt.toISOString() };
}
