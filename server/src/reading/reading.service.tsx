import { createHash } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import { cardSeries, correctionText, type CardContent, type CardSettings } from '@portiona/core';
import { Feed } from 'feed';
import { renderToStaticMarkup } from 'react-dom/server';
import { EmbedPiece } from '../cards/EmbedPiece.js';
import { placeUrl, type ReadersPlace } from '../cards/readersPlace.js';
import { Database } from '../database/database.js';
import { NotFoundError } from '../http/problems.js';
import { readerScope, type Scope } from '../scope/scope.js';
import { escapedXml } from '../sheets/drawnSvg.js';
import { bySeries, inOrder, seriesSlugs, type OutCard, type ReadingOrder } from './outCards.js';
import { ReadingIndex } from './ReadingIndex.js';

/** A kitchen that readers may read, and a digest of all that they find there: another one, and something is another. */
export interface OpenPlace {
  readonly scope: Scope;
  readonly state: string;
}

/** How the newest issue of a card stands to readers. */
export interface OutStanding {
  readonly issue: number;
  readonly title: string;
  /** Why it was taken back; null: it is out. */
  readonly takenBack: string | null;
}

/** Newest issues of dishes not put away, and when each dish was first published. */
const NEWEST = `SELECT DISTINCT ON (card.recipe_id) card.recipe_id AS recipe, card.issue, card.content, card.published_at,
    card.taken_back_because, min(card.published_at) OVER (PARTITION BY card.recipe_id) AS first_at
  FROM published_cards card
  JOIN recipes head ON head.kitchen_id = card.kitchen_id AND head.id = card.recipe_id AND head.archived_at IS NULL
  WHERE card.kitchen_id = $1
  ORDER BY card.recipe_id, card.issue DESC`;

/** What anybody may read of a kitchen: what it has published, and nothing else. */
@Injectable()
export class ReadingService {
  constructor(private readonly database: Database) {}

  /** The kitchen that is read under a name, in which the rest of the request is done; undefined where there is none, or it is switched off: nobody can tell which. */
  async find(name: string): Promise<OpenPlace | undefined> {
    const [{ id }] = await this.database.manager.query<[{ id: string | null }]>('SELECT kitchen_read_under($1) AS id', [name]);
    if (id === null) return undefined;
    this.database.enter(id);
    const [found] = await this.database.manager.query<{ state: string }[]>(
      `SELECT md5(kitchens.name || coalesce(kitchens.settings ->> 'card', '') || coalesce((
             SELECT string_agg(concat_ws(' ', newest.recipe, newest.issue, newest.taken_back_because IS NULL), ',' ORDER BY newest.recipe)
             FROM (${NEWEST.replace('$1', 'kitchens.id')}) newest), '')) AS state
         FROM kitchens WHERE id = $1`,
      [id],
    );
    return found && { scope: readerScope(id), state: found.state };
  }

  /** Every name that is read under, in their order. */
  async names(): Promise<string[]> {
    const rows = await this.database.manager.query<{ name: string }[]>('SELECT name FROM names_read_under()');
    return rows.map(({ name }) => name);
  }

  /** Whether cards of a series are out, by what its address says: asked before a page is made of it. */
  async hasSeries({ kitchenId }: Scope, slug: string): Promise<boolean> {
    const rows = await this.database.manager.query<{ series: string }[]>(
      `SELECT DISTINCT content ->> 'series' AS series FROM (${NEWEST}) newest WHERE taken_back_because IS NULL`,
      [kitchenId],
    );
    return [...slugsOf(rows.map(({ series }) => series)).values()].includes(slug);
  }

  /** The newest issue of a card, for readers. @throws NotFoundError */
  async standing({ kitchenId }: Scope, recipe: string): Promise<OutStanding> {
    const [found] = await this.database.manager.query<{ issue: number; title: string; taken_back_because: string | null }[]>(
      `SELECT issue, content ->> 'title' AS title, taken_back_because FROM (${NEWEST}) newest WHERE recipe = $2`,
      [kitchenId, recipe],
    );
    if (!found) throw new NotFoundError('card', recipe);
    return { issue: found.issue, title: found.title, takenBack: found.taken_back_because };
  }

  /** All cards, or those of a series. @throws NotFoundError for a series there is none of */
  async index(scope: Scope, place: ReadersPlace, order: ReadingOrder, series?: string): Promise<string> {
    const all = await this.#out(scope);
    const slugs = slugsOf(all.map(({ content }) => content.series));
    const named = series === undefined ? undefined : [...slugs].find(([, slug]) => slug === series)?.[0];
    if (series !== undefined && named === undefined) throw new NotFoundError('series', series);
    const own = named === undefined ? all : all.filter(({ content }) => cardSeries(content.series).name === named);
    const { name, card } = await this.#kitchen(scope);
    const page = (
      <ReadingIndex
        place={place}
        kitchen={name}
        card={card}
        groups={inOrder(own, order)}
        slugs={slugs}
        order={order}
        {...(named === undefined ? {} : { series: named })}
      />
    );
    return `<!doctype html>${renderToStaticMarkup(page)}`;
  }

  /** The newest cards first, as a feed that programs of readers ask for. */
  async feed(scope: Scope, place: ReadersPlace, kind: 'atom' | 'json'): Promise<string> {
    const { name, card } = await this.#kitchen(scope);
    const cards = inOrder(await this.#out(scope), 'newest').flatMap((group) => group.cards);
    const title = card.publication ?? name;
    const home = placeUrl(place);
    // In Atom titles and summaries are HTML, in JSON they are text.
    const text = (words: string) => (kind === 'atom' ? escapedXml(words) : plain(words));
    const feed = new Feed({
      id: home,
      title: plain(title),
      link: home,
      language: 'en',
      generator: 'Portiona',
      copyright: '',
      updated: new Date(cards[0]?.published ?? 0),
      feedLinks: { atom: placeUrl(place, 'feed.atom'), json: placeUrl(place, 'feed.json') },
      author: { name: plain(title) },
    });
    for (const { recipe, issue, content, first, published } of cards) {
      const url = placeUrl(place, 'cards', recipe);
      feed.addItem({
        // Another issue is news to who has read the one before.
        id: `${url}#issue-${issue}`,
        link: url,
        title: text(content.title),
        description: text(saidOf(content)),
        content: plain(renderToStaticMarkup(<EmbedPiece card={content} />)),
        date: new Date(published),
        published: new Date(first),
        author: [{ name: plain(title) }],
      });
    }
    return kind === 'atom' ? feed.atom1() : feed.json1();
  }

  async sitemap(scope: Scope, place: ReadersPlace): Promise<string> {
    const all = await this.#out(scope);
    const slugs = slugsOf(all.map(({ content }) => content.series));
    const latest = (cards: readonly OutCard[]) =>
      cards
        .map(({ published }) => published)
        .sort()
        .at(-1)
        ?.slice(0, 10);
    const entries = [
      { url: placeUrl(place), on: latest(all) },
      ...bySeries(all).flatMap(({ series, cards }) =>
        series === '' ? [] : [{ url: placeUrl(place, 'series', slugs.get(series) ?? ''), on: latest(cards) }],
      ),
      ...all.map(({ recipe, published }) => ({ url: placeUrl(place, 'cards', recipe), on: published.slice(0, 10) })),
    ];
    const urls = entries.map(
      ({ url, on }) => `<url><loc>${escapedXml(url)}</loc>${on === undefined ? '' : `<lastmod>${escapedXml(on)}</lastmod>`}</url>`,
    );
    return `<?xml version="1.0" encoding="UTF-8"?>\n<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">${urls.join('')}</urlset>`;
  }

  /** A digest of what an answer is made of: the same one, the same answer. */
  static tag(...of: readonly string[]): string {
    return createHash('sha256').update(of.join('\n')).digest('base64url').slice(0, 27);
  }

  async #out({ kitchenId }: Scope): Promise<OutCard[]> {
    const rows = await this.database.manager.query<
      { recipe: string; issue: number; content: CardContent; published_at: Date; first_at: Date }[]
    >(`SELECT * FROM (${NEWEST}) newest WHERE taken_back_because IS NULL`, [kitchenId]);
    return rows.map(({ recipe, issue, content, published_at, first_at }) => ({
      recipe,
      issue,
      content,
      first: first_at.toISOString(),
      published: published_at.toISOString(),
    }));
  }

  async #kitchen({ kitchenId }: Scope): Promise<{ readonly name: string; readonly card: CardSettings }> {
    const [{ name, card }] = await this.database.manager.query<[{ name: string; card: CardSettings | null }]>(
      `SELECT name, settings -> 'card' AS card FROM kitchens WHERE id = $1`,
      [kitchenId],
    );
    return { name, card: card ?? {} };
  }
}

/** What the address of each series says, by its name. @param printed series as cards print them */
function slugsOf(printed: readonly string[]): ReadonlyMap<string, string> {
  const names = new Set(printed.map((series) => cardSeries(series).name).filter((name) => name !== ''));
  return seriesSlugs([...names].sort((a, b) => a.localeCompare(b, 'en')));
}

/** What a card is, in a sentence or two; what it puts right first. */
function saidOf({ lead, correction, servingsText, energy, macros, servingName }: CardContent): string {
  const figures = [energy, macros.find(({ figure }) => figure === 'protein')]
    .flatMap((figure) => (figure ? [`${figure.text} ${figure.unit}${figure.figure === 'protein' ? ' protein' : ''}`] : []))
    .join(', ');
  return [correction ? correctionText(correction) : '', lead, `${servingsText}${figures === '' ? '' : `, ${figures} a ${servingName}`}.`]
    .filter((one) => one !== '')
    .join(' ');
}

/** As XML may hold it: letters that no XML can are left out. */
function plain(text: string): string {
  return text.replace(/[^\t\n\r\u0020-\ud7ff\ue000-\ufffd\u{10000}-\u{10ffff}]/gu, '');
}
