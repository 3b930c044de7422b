import { randomUUID } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import type { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { Inject, Injectable, Logger } from '@nestjs/common';
import { cardSeries, dayText, FORMAT_TABLE, type BookletTitle, type CardContent } from '@portiona/core';
import { In } from 'typeorm';
import yazl from 'yazl';
import { TAKEN_ALONG } from '../cards/readersPlace.js';
import { Database } from '../database/database.js';
import { FILE_STORE, type FileStore } from '../files/fileStore.js';
import { hyphened } from '../http/hyphened.js';
import { isUuid } from '../http/isUuid.js';
import { isPassing } from '../http/problemOf.js';
import { BusyError, NotFoundError, Problem, ToldError, ValidationError } from '../http/problems.js';
import { JobsService } from '../jobs/jobs.service.js';
import type { Run } from '../jobs/run.js';
import { KitchensService } from '../kitchens/kitchens.service.js';
import type { Scope } from '../scope/scope.js';
import { Threads } from '../threads/threads.js';
import type { BundleDto, BundleOrderDto } from './bundle.dto.js';
import { BundleEntity, type LeftOut } from './bundle.entity.js';

/** Bundles of a kitchen under way at once, and kept at all. */
const MOST_RUNNING = 3;
const MOST_KEPT = 12;
/** Dishes in one: a thread holds all of them while it binds. */
const MOST_CARDS = 200;

/** A card that goes into it: its newest issue, or as the dish stands. */
interface Member {
  readonly recipe: string;
  readonly title: string;
  readonly issue: number | null;
}

/** Binds cards as a job beside other work: each card is laid out by itself, so that it can be told how far it is, and ended. */
@Injectable()
export class BundlesService {
  readonly #log = new Logger('bundles');

  constructor(
    private readonly database: Database,
    private readonly jobs: JobsService,
    private readonly kitchens: KitchensService,
    private readonly threads: Threads,
    @Inject(FILE_STORE) private readonly store: FileStore,
  ) {
    jobs.define('bind-cards', {
      entity: BundleEntity,
      atOnce: 1,
      work: (run) => this.#run(run),
      givenUp: { state: 'failed', message: 'it was begun again and again, and never ended; the log of the server says why' },
    });
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
        scope,
      });
      return this.get(scope, id);
    });
    await this.jobs.send('bind-cards', scope, bundle.id);
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
    await this.store.remove('bundles', id);
  }

  /** The file, once it is made. @throws NotFoundError */
  async file(
    scope: Scope,
    id: string,
  ): Promise<{ readonly stream: Readable; readonly name: string; readonly type: string; readonly bytes: number }> {
    const { kind, series, state, format, madeAt } = await this.#row(scope, id);
    const found = state === 'done' ? await this.store.open('bundles', id) : undefined;
    if (!found) throw new NotFoundError('file of the bundle', id);
    const called = fileName(series ?? 'cards');
    const on = madeAt.toISOString().slice(0, 10);
    return kind === 'booklet'
      ? { ...found, name: `${called}-${format}-${on}.pdf`, type: 'application/pdf' }
      : { ...found, name: `${called}-${on}.zip`, type: 'application/zip' };
  }

  /** Binds from the beginning, whatever was done of it before: the file takes its place once it is whole, and only while nobody else is at it. */
  async #run(run: Run<BundleEntity>): Promise<void> {
    const { scope, id } = run;
    const bundle = await this.database.manager.findOneBy(BundleEntity, { id, kitchenId: scope.kitchenId });
    if (!bundle) return;
    const coming = join(await this.store.coming(), `${id}-${run.attempt}`);
    try {
      // What is in it is what is published by now.
      const { members, leftOut } = await this.#members(scope, bundle.series, bundle.of);
      if (!(await run.tell({ done: 0, total: members.length + 1, leftOut }))) return;
      const whole = await (bundle.kind === 'booklet'
        ? this.#booklet(run, bundle, members, coming)
        : this.#archive(run, bundle, members, coming));
      if (!whole) return;
      const { size } = await stat(coming);
      if (!(await run.tell({ done: members.length }))) return;
      await this.store.put('bundles', id, coming);
      if (!(await run.tell({ done: members.length + 1, state: 'done', bytes: String(size) }))) await this.#removeUnlessDone(scope, id);
    } catch (error) {
      if (run.signal.aborted) return;
      if (isPassing(error)) throw error;
      this.#log.error(error);
      const message =
        error instanceof ToldError || error instanceof BusyError ? error.message : 'it cannot be bound; the log of the server says why';
      await run.tell({ state: 'failed', message });
    } finally {
      await rm(coming, { force: true });
    }
  }

  /** Whoever took it up since may have put the same file there by now. */
  async #removeUnlessDone({ kitchenId }: Scope, id: string): Promise<void> {
    if (!(await this.database.manager.existsBy(BundleEntity, { id, kitchenId, state: In(['running', 'done']) })))
      await this.store.remove('bundles', id);
  }

  /** @returns false where it was cancelled, or the server is to end */
  async #booklet(run: Run<BundleEntity>, { series, format }: BundleEntity, members: readonly Member[], path: string): Promise<boolean> {
    const { scope } = run;
    const bound: string[] = [];
    for (const { recipe, title, issue } of members) {
      bound.push(await ofDish(title, this.threads.text('boundCard', scope, recipe, issue, format)));
      if (!(await run.tell({ done: bound.length }))) return false;
    }
    const pdf = await this.threads.bytes('boundBooklet', scope, await this.#title(scope, series), bound, format);
    await pipeline([pdf], createWriteStream(path));
    return true;
  }

  /** @returns false where it was cancelled, or the server is to end */
  async #archive(run: Run<BundleEntity>, { series }: BundleEntity, members: readonly Member[], path: string): Promise<boolean> {
    const { scope } = run;
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
      if (!(await run.tell({ done: i + 1 }))) {
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
    for (const { id } of rows[0]) await this.store.remove('bundles', id);
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

/** A name as a file has it. @example fileName('Night Watch!') // 'night-watch' */
function fileName(words: string): string {
  return hyphened(words, { otherwise: 'card' });
}

function nothingIn(leftOut: readonly LeftOut[]): string {
  const [first] = leftOut;
  if (!first) return 'holds no dish';
  return `holds no card to bind: of “${first.title}”, ${first.because}${leftOut.length > 1 ? `; and ${leftOut.length - 1} more` : ''}`;
}

function toDto({
  kitchenId: _,
  scope: _scope,
  attempt: _attempt,
  tries: _tries,
  heldUntil: _held,
  bytes,
  madeAt,
  ...row
}: BundleEntity): BundleDto {
  return { ...row, bytes: bytes === null ? null : Number(bytes), madeAt: madeAt.toISOString() };
}
