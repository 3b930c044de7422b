import { Injectable } from '@nestjs/common';
import { renderToBuffer } from '@react-pdf/renderer';
import { InjectDataSource, InjectRepository } from '@nestjs/typeorm';
import { cardContent, cardDrift, cardMarkdown, schemaOrgRecipe, type CardContent, type Recipe } from '@portiona/core';
import { renderToStaticMarkup } from 'react-dom/server';
import { DataSource, Repository } from 'typeorm';
import { NotFoundError } from '../http/problems.js';
import { KitchensService } from '../kitchens/kitchens.service.js';
import { RecipesService } from '../recipes/recipes.service.js';
import { registerCardFonts } from './cardFonts.js';
import { CardPage } from './CardPage.js';
import { CardPdf } from './CardPdf.js';
import type { PublishedCardDto } from './card.dto.js';
import type { Paper } from './cardStyle.js';
import { PublishedCardEntity } from './publishedCard.entity.js';

@Injectable()
export class CardsService {
  constructor(
    @InjectDataSource() private readonly database: DataSource,
    @InjectRepository(PublishedCardEntity) private readonly published: Repository<PublishedCardEntity>,
    private readonly kitchens: KitchensService,
    private readonly recipes: RecipesService,
  ) {}

  /** What a recipe's card says now. @throws NotFoundError */
  async content(id: string): Promise<CardContent> {
    const { document, bases } = await this.recipes.open(id);
    const recipe = document as Recipe;
    const kitchen = await this.recipes.kitchenWith([recipe, ...(bases as Recipe[])]);
    return cardContent(recipe, kitchen);
  }

  /** The card as a self-contained page: as it stands, or as it was published. @throws NotFoundError */
  async page(id: string, paper: Paper, issue?: number): Promise<string> {
    return `<!doctype html>${renderToStaticMarkup(<CardPage card={await this.#card(id, issue)} paper={paper} />)}`;
  }

  /** The card as Markdown, as it stands. @throws NotFoundError */
  async markdown(id: string): Promise<string> {
    return cardMarkdown(await this.content(id));
  }

  /** The card as schema.org/Recipe, as it stands. @throws NotFoundError */
  async schemaOrg(id: string): Promise<object> {
    return schemaOrgRecipe(await this.content(id));
  }

  /** The card as a PDF: as it stands, or as it was published. @throws NotFoundError */
  async pdf(id: string, paper: Paper, issue?: number): Promise<Buffer> {
    registerCardFonts();
    return renderToBuffer(<CardPdf card={await this.#card(id, issue)} paper={paper} />);
  }

  /**
   * Publishes a recipe's card as it stands: kept whole, with the revisions of recipe and foods it was made from.
   *
   * @throws NotFoundError
   */
  async publish(id: string): Promise<PublishedCardDto> {
    const kitchenId = await this.kitchens.id();
    const [{ revision }, content] = [await this.recipes.get(id), await this.content(id)];
    await this.database.query(
      `INSERT INTO published_cards (kitchen_id, recipe_id, issue, recipe_revision, food_revisions, content)
       SELECT $1, $2, 1 + coalesce((SELECT max(issue) FROM published_cards WHERE kitchen_id = $1 AND recipe_id = $2), 0), $3,
         coalesce((SELECT jsonb_object_agg(food.id, food.revision) FROM recipe_foods used
           JOIN foods food ON food.kitchen_id = used.kitchen_id AND food.id = used.food_id
           WHERE used.kitchen_id = $1 AND used.recipe_id = $2), '{}'), $4`,
      [kitchenId, id, revision, JSON.stringify(content)],
    );
    const [card] = await this.newest(id);
    if (!card) throw new NotFoundError('published card', id);
    return card;
  }

  /** The newest published card of each recipe, or of one, each with what would read otherwise today. */
  async newest(id?: string): Promise<PublishedCardDto[]> {
    const kitchenId = await this.kitchens.id();
    const rows = await this.published
      .createQueryBuilder('card')
      .distinctOn(['card.recipeId'])
      .where('card.kitchenId = :kitchenId', { kitchenId })
      .andWhere(id === undefined ? 'true' : 'card.recipeId = :id', { id })
      .orderBy('card.recipeId')
      .addOrderBy('card.issue', 'DESC')
      .getMany();
    return Promise.all(
      rows.map(async ({ recipeId, issue, publishedAt, content }) => ({
        recipe: recipeId,
        issue,
        publishedAt: publishedAt.toISOString(),
        drift: cardDrift(content, asKept(await this.content(recipeId))),
      })),
    );
  }

  async #card(id: string, issue: number | undefined): Promise<CardContent> {
    if (issue === undefined) return this.content(id);
    const row = await this.published.findOneBy({ kitchenId: await this.kitchens.id(), recipeId: id, issue });
    if (!row) throw new NotFoundError('published card', `${id}, issue ${issue}`);
    return row.content;
  }
}

/** As it comes back from the database: what is undefined is not there. */
function asKept(content: CardContent): CardContent {
  return JSON.parse(JSON.stringify(content)) as CardContent;
}
