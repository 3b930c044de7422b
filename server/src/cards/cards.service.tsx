import { Injectable } from '@nestjs/common';
import {
  asRead,
  boundBooklet,
  boundCard,
  CARD_CONTENT_VERSION,
  cardContent,
  cardDrift,
  cardMarkdown,
  checkedRecipe,
  correctionText,
  dayText,
  dishSheet,
  foodsOf,
  kitchenFileText,
  laidCard,
  readerCard,
  readerOfOneSize,
  schemaOrgRecipe,
  type BookletFormat,
  type BookletTitle,
  type BoundCard,
  type CardContent,
  type CardPublication,
  type CardSheet,
  type Dish,
  type Edition,
  type Format,
  type Kitchen,
  type PictureSize,
  type Recipe,
} from '@portiona/core';
import { renderToStaticMarkup } from 'react-dom/server';
import { Database } from '../database/database.js';
import { Once, type OnceKey } from '../database/once.js';
import { NotFoundError, OpenFindingsError } from '../http/problems.js';
import { dishOf, toDrift } from '../recipes/cardStanding.js';
import { toFinding } from '../recipes/finding.mapper.js';
import { KitchensService } from '../kitchens/kitchens.service.js';
import type { OpenRecipeDto } from '../recipes/recipe.dto.js';
import { RecipesService } from '../recipes/recipes.service.js';
import { publicationAt, type ReadersPlace } from './readersPlace.js';
import { EmbedPiece } from './EmbedPiece.js';
import { ReaderPage } from './ReaderPage.js';
import { scriptSafe } from './scriptSafe.js';
import type { CardIssueDto, PublishedCardDto } from './card.dto.js';
import { cardTypesetter } from '../sheets/cardTypesetter.js';
import { drawnSvg, type Photos } from '../sheets/drawnSvg.js';
import { sheetPage } from '../sheets/sheetPage.js';
import { PhotosService } from '../photos/photos.service.js';
import { PublishedCardEntity } from './publishedCard.entity.js';
import type { Scope } from '../scope/scope.js';

@Injectable()
export class CardsService {
  constructor(
    private readonly database: Database,
    private readonly once: Once,
    private readonly kitchens: KitchensService,
    private readonly recipes: RecipesService,
    private readonly photos: PhotosService,
  ) {}

  /** What a recipe's card says now. @throws NotFoundError */
  async content(scope: Scope, id: string): Promise<CardContent> {
    const { recipe, kitchen } = await this.#opened(scope, id);
    return cardContent(recipe, kitchen);
  }

  /** What a published card was computed from, as a kitchen file. @throws NotFoundError, also for a card from before that was kept */
  async inputs(scope: Scope, id: string, issue: number): Promise<string> {
    const { inputs } = await this.#published(scope, id, issue);
    if (inputs === null) throw new NotFoundError('record of what it was computed from for', `${id}, issue ${issue}`);
    return JSON.stringify(inputs, null, 2);
  }

  /**
   * The card as a reader's page, everything inside: as it stands, or as it was published.
   *
   * @param place where it is read by anybody; left out: it is a page of its own
   * @throws NotFoundError
   */
  async page(scope: Scope, id: string, issue?: number, place?: ReadersPlace): Promise<string> {
    const { card, edition, dates } = await this.#card(scope, id, issue);
    const made = issue === undefined ? await this.#opened(scope, id) : await this.#asPublished(scope, id, issue);
    const { sheet, photos, photo } = await this.#laidAs(scope, card, edition, 'a5');
    const page = (
      <ReaderPage
        id={`${id}${issue === undefined ? '' : `, issue ${issue}`}`}
        reader={made ? readerCard(made.recipe, made.kitchen, card) : readerOfOneSize(card)}
        dish={dishSheet(card, photo, cardTypesetter)}
        printed={sheet}
        photos={photos}
        made={card}
        publication={{ ...dates, ...(place ? publicationAt(place, id) : await this.#imageOf(card, photos, photo)) }}
        {...(place ? { at: { place, id } } : {})}
        issue={edition ? `Issue ${edition.issue} of ${edition.on}` : 'Not published'}
      />
    );
    return `<!doctype html>${renderToStaticMarkup(page)}`;
  }

  /** The card in short, as a piece of HTML to put into a page of the kitchen's own, or as a small page to frame there. @throws NotFoundError */
  async embed(scope: Scope, id: string, asPage: boolean, issue?: number): Promise<string> {
    const { card } = await this.#card(scope, id, issue);
    const piece = renderToStaticMarkup(<EmbedPiece card={asRead(card)} />);
    const title = renderToStaticMarkup(<title>{card.title}</title>);
    return asPage ? `<!doctype html><html lang="en"><head><meta charset="utf-8">${title}</head><body>${piece}</body></html>` : piece;
  }

  /** The card laid out, as a page that shows and prints it. @throws NotFoundError */
  async sheetPage(scope: Scope, id: string, format: Format, issue?: number): Promise<string> {
    const { sheet, photos } = await this.#laid(scope, id, format, issue);
    return sheetPage(sheet, photos, format);
  }

  /** The card as Markdown: as it stands, or as it was published. @throws NotFoundError */
  async markdown(scope: Scope, id: string, issue?: number): Promise<string> {
    return cardMarkdown((await this.#card(scope, id, issue)).card);
  }

  /** How many pages the card takes in a format. @throws NotFoundError */
  async pageCount(scope: Scope, id: string, format: Format, issue?: number): Promise<number> {
    return (await this.#laid(scope, id, format, issue)).sheet.pages.length;
  }

  /** The card laid out for a booklet, and what an index has it under. @throws NotFoundError */
  async bound(scope: Scope, id: string, format: BookletFormat, issue?: number): Promise<BoundCard> {
    const { card, edition } = await this.#card(scope, id, issue);
    const { photo } = await this.#photoOf(scope, card);
    const { recipe } = await this.#document(scope, id);
    const under = recipe.indexedUnder;
    return boundCard(
      { card, ...(edition ? { edition } : {}), ...(photo ? { photo } : {}), ...(under ? { indexedUnder: under } : {}) },
      format,
      cardTypesetter,
    );
  }

  /** Cards that are laid out, bound to one PDF. */
  async booklet(scope: Scope, title: BookletTitle, cards: readonly BoundCard[], format: BookletFormat): Promise<Buffer> {
    const booklet = boundBooklet(title, cards, format, cardTypesetter);
    const photos = new Map<string, Buffer>();
    for (const { card } of cards) {
      const kept = card.photo ? await this.photos.picture(scope, card.photo.id) : undefined;
      if (card.photo && kept) photos.set(card.photo.id, kept.jpeg);
    }
    const { drawnPdf } = await import('../sheets/drawnPdf.js');
    return drawnPdf({ ...booklet, unit: 'pt' }, photos);
  }

  /**
   * The card as schema.org/Recipe: as it stands, or as it was published; what it holds cannot end the script element that a page puts
   * it in. @throws NotFoundError
   */
  async schemaOrg(scope: Scope, id: string, issue?: number, place?: ReadersPlace): Promise<string> {
    const { card, dates } = await this.#card(scope, id, issue);
    const { photo, photos } = await this.#photoOf(scope, card);
    const where = place ? publicationAt(place, id) : await this.#imageOf(card, photos, photo);
    return scriptSafe(schemaOrgRecipe(card, { ...dates, ...where }), 2);
  }

  /** The dish of a card alone, its photo as it is cut or a box of it, as a JPEG. @throws NotFoundError */
  async dish(scope: Scope, id: string, issue?: number): Promise<Buffer> {
    const { card } = await this.#card(scope, id, issue);
    const { photo, photos } = await this.#photoOf(scope, card);
    const { drawnJpeg } = await import('../sheets/drawnPng.js');
    return drawnJpeg(dishSheet(card, photo, cardTypesetter), 0, photos);
  }

  /** The card as a PDF: as it stands, or as it was published. @throws NotFoundError */
  async pdf(scope: Scope, id: string, format: Format, issue?: number): Promise<Buffer> {
    const { sheet, photos } = await this.#laid(scope, id, format, issue);
    // A large library, and few that start the server want a PDF of it at once.
    const { drawnPdf } = await import('../sheets/drawnPdf.js');
    return drawnPdf(sheet, photos);
  }

  /** A page of the card as a PNG. @throws NotFoundError, also for a page it has not */
  async png(scope: Scope, id: string, format: Format, page: number, issue?: number): Promise<Buffer> {
    const { sheet, photos } = await this.#laid(scope, id, format, issue);
    const { drawnPng } = await import('../sheets/drawnPng.js');
    return drawnPng(sheet, pageOf(sheet, id, page), photos);
  }

  /** A page of the card as an SVG. @throws NotFoundError, also for a page it has not */
  async svg(scope: Scope, id: string, format: Format, page: number, issue?: number): Promise<string> {
    const { sheet, photos } = await this.#laid(scope, id, format, issue);
    return drawnSvg(sheet, pageOf(sheet, id, page), photos);
  }

  /**
   * Publishes a recipe's card as it stands: kept whole, with the revisions of recipe and foods it was made from, and with a copy of
   * all of that.
   *
   * @throws NotFoundError, OpenFindingsError where Check finds something wrong that nobody left with a reason
   */
  async publish(scope: Scope, id: string, correction?: string, once?: OnceKey): Promise<PublishedCardDto> {
    const { kitchenId } = scope;
    return this.once.write(kitchenId, once, async () => {
      const { revision, recipe, subRecipes } = await this.#document(scope, id);
      const kitchen = await this.recipes.kitchenToCheck(scope, [recipe]);
      holdWrong(recipe, kitchen);
      // What is kept beside the card is what it was made from, and not the whole pantry.
      const own = new Set([recipe, ...subRecipes].flatMap(foodsOf));
      const foods = kitchen.content.foods.filter((food) => own.has(food.id));
      const packs = kitchen.content.packs.filter(({ food }) => own.has(food));
      const settings = { ...(await this.kitchens.stated(scope)), date: kitchen.settings.date };
      // What is reckoned from it needs no picture; the one it shows is kept under its own name.
      const recipes = [recipe, ...subRecipes].map(({ photo: _, ...rest }) => rest);
      const taught = await this.recipes.taughtBy(scope, recipes, foods);
      const inputs = kitchenFileText({ settings, foods: [...foods, ...taught.foods], packs: [...packs], recipes, batches: taught.batches });
      const said = correction?.trim() ?? '';
      const before = said === '' ? undefined : (await this.#issues(scope, id)).at(-1)?.issue;
      const content: CardContent = {
        ...cardContent(recipe, kitchen),
        ...(before === undefined ? {} : { correction: { issue: before, text: said } }),
      };
      const [{ issue, published_at }] = await this.database.manager.query<[{ issue: number; published_at: Date }]>(
        `INSERT INTO published_cards (kitchen_id, recipe_id, issue, recipe_revision, food_revisions, content, content_version, inputs)
         SELECT $1, $2, 1 + coalesce((SELECT max(issue) FROM published_cards WHERE kitchen_id = $1 AND recipe_id = $2), 0), $3,
           coalesce((SELECT jsonb_object_agg(food.id, food.revision) FROM recipe_foods used
             JOIN foods food ON food.kitchen_id = used.kitchen_id AND food.id = used.food_id
             WHERE used.kitchen_id = $1 AND used.recipe_id = $2), '{}'), $4, $5, $6
         RETURNING issue, published_at`,
        [kitchenId, id, revision, JSON.stringify(content), CARD_CONTENT_VERSION, inputs],
      );
      return {
        recipe: id,
        title: content.title,
        series: content.series,
        printed: printedOf(content),
        issue,
        publishedAt: published_at.toISOString(),
        drift: [],
        within: [],
        causes: [],
        broke: [],
        since: null,
        uncomputed: null,
        takenBack: null,
      };
    });
  }

  /** Every issue of a recipe's card, the newest first, each with what it changed. @throws NotFoundError */
  async issues(scope: Scope, id: string): Promise<CardIssueDto[]> {
    await this.recipes.get(scope, id);
    const issues = await this.#issues(scope, id);
    return issues
      .map(({ issue, publishedAt, content, takenBackBecause }, i) => {
        const before = issues[i - 1];
        return {
          issue,
          publishedAt: publishedAt.toISOString(),
          printed: printedOf(content),
          changed: before ? cardDrift(before.content, content).map(toDrift) : [],
          correction: content.correction ? correctionText(content.correction) : '',
          takenBack: takenBackBecause,
        };
      })
      .reverse();
  }

  /**
   * Takes an issue back, or puts it out again: it stays as it was, and says that it is not to be followed.
   *
   * @param because null: it holds again
   * @throws NotFoundError
   */
  async takeBack(scope: Scope, id: string, issue: number, because: string | null): Promise<CardIssueDto[]> {
    return this.database.writeAlone(scope.kitchenId, async () => {
      await this.#published(scope, id, issue);
      const where = { kitchenId: scope.kitchenId, recipeId: id, issue };
      await this.database.manager.update(PublishedCardEntity, where, {
        takenBackAt: because === null ? null : new Date(),
        takenBackBecause: because,
      });
      return this.issues(scope, id);
    });
  }

  #issues({ kitchenId }: Scope, recipeId: string): Promise<PublishedCardEntity[]> {
    return this.database.manager.find(PublishedCardEntity, {
      select: { issue: true, publishedAt: true, content: true, takenBackBecause: true },
      where: { kitchenId, recipeId },
      order: { issue: 'ASC' },
    });
  }

  #opened(scope: Scope, id: string) {
    return this.database.read(async () => {
      const { recipe, subRecipes, ...rest } = await this.#document(scope, id);
      return { ...rest, recipe, subRecipes, kitchen: await this.recipes.kitchenWith(scope, [recipe, ...subRecipes]) };
    });
  }

  async #document(scope: Scope, id: string) {
    const { revision, document, subRecipes } = (await this.recipes.open(scope, id)) as OpenRecipeDto & {
      document: Recipe;
      subRecipes: Recipe[];
    };
    return { revision, recipe: document, subRecipes };
  }

  /** What a card says, as it stands or as it was published, and which issue that is. */
  async #card(
    scope: Scope,
    id: string,
    issue: number | undefined,
  ): Promise<{ readonly card: CardContent; readonly edition?: Edition; readonly dates?: Pick<CardPublication, 'published' | 'modified'> }> {
    if (issue === undefined) return { card: await this.content(scope, id) };
    const { content, publishedAt } = await this.#published(scope, id, issue);
    const modified = publishedAt.toISOString().slice(0, 10);
    const { kitchenId } = scope;
    const [{ first }] = await this.database.manager.query<[{ first: Date }]>(
      'SELECT min(published_at) AS first FROM published_cards WHERE kitchen_id = $1 AND recipe_id = $2',
      [kitchenId, id],
    );
    const dates = { published: first.toISOString().slice(0, 10), modified };
    return { card: content, edition: { issue, on: dayText(modified, true) }, dates };
  }

  /** The photo of a card, inside: programs of readers show it, and a page that is saved asks nobody for it. Of a dish without one, none. */
  async #imageOf(card: CardContent, photos: Photos, photo: PictureSize | undefined): Promise<Pick<CardPublication, 'images'>> {
    if (!photo) return {};
    const { drawnJpeg } = await import('../sheets/drawnPng.js');
    const jpeg = await drawnJpeg(dishSheet(card, photo, cardTypesetter), 0, photos);
    return { images: [`data:image/jpeg;base64,${jpeg.toString('base64')}`] };
  }

  async #laid(scope: Scope, id: string, format: Format, issue: number | undefined) {
    const { card, edition } = await this.#card(scope, id, issue);
    return this.#laidAs(scope, card, edition, format);
  }

  async #laidAs(scope: Scope, card: CardContent, edition: Edition | undefined, format: Format) {
    const { photo, photos } = await this.#photoOf(scope, card);
    const sheet = laidCard({ card, format, set: cardTypesetter, ...(edition ? { edition } : {}), ...(photo ? { photo } : {}) });
    return { sheet, photos, photo };
  }

  async #photoOf(scope: Scope, card: CardContent): Promise<{ readonly photo: PictureSize | undefined; readonly photos: Photos }> {
    const kept = card.photo ? await this.photos.picture(scope, card.photo.id) : undefined;
    const photos: Photos = new Map(card.photo && kept ? [[card.photo.id, kept.jpeg]] : []);
    return { photo: kept && { width: kept.width, height: kept.height }, photos };
  }

  /** The recipe and the kitchen that a published card was computed from; undefined where that was not kept, or cannot be read any more. */
  async #asPublished(scope: Scope, id: string, issue: number): Promise<Dish | undefined> {
    const { inputs } = await this.#published(scope, id, issue);
    return inputs === null ? undefined : dishOf(id, inputs);
  }

  async #published(scope: Scope, recipeId: string, issue: number): Promise<PublishedCardEntity> {
    const row = await this.database.manager.findOneBy(PublishedCardEntity, { kitchenId: scope.kitchenId, recipeId, issue });
    if (!row) throw new NotFoundError('published card', `${recipeId}, issue ${issue}`);
    return row;
  }
}

/** @throws NotFoundError for a page it has not */
function pageOf({ pages }: CardSheet, id: string, page: number): number {
  if (pages[page - 1] === undefined) throw new NotFoundError(`page ${page} of the card`, id);
  return page - 1;
}

/** @throws OpenFindingsError where Check finds something wrong that nobody left with a reason */
function holdWrong(recipe: Recipe, kitchen: Kitchen): void {
  const wrong = checkedRecipe(recipe, kitchen).open.filter(({ severity }) => severity === 'wrong');
  if (wrong.length > 0) throw new OpenFindingsError(wrong.map(toFinding));
}

/** Energy, protein and cost of a serving as a card prints them, those that it has. */
function printedOf({ energy, macros, used }: CardContent): PublishedCardDto['printed'] {
  return [energy, macros[0], used].flatMap((figure) => (figure ? [{ name: figure.name, text: figure.text, unit: figure.unit }] : []));
}
