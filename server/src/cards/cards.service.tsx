import { Injectable } from '@nestjs/common';
import { renderToBuffer } from '@react-pdf/renderer';
import { cardContent, cardMarkdown, schemaOrgRecipe, type CardContent, type Recipe } from '@portiona/core';
import { renderToStaticMarkup } from 'react-dom/server';
import { Database } from '../database/database.js';
import { Once, type OnceKey } from '../database/once.js';
import { NotFoundError } from '../http/problems.js';
import { KitchensService } from '../kitchens/kitchens.service.js';
import { RecipesService } from '../recipes/recipes.service.js';
import { registerCardFonts } from './cardFonts.js';
import { CardPage } from './CardPage.js';
import { scriptSafe } from './scriptSafe.js';
import { CardPdf } from './CardPdf.js';
import type { PublishedCardDto } from './card.dto.js';
import type { Paper } from './cardStyle.js';
import { PublishedCardEntity } from './publishedCard.entity.js';

@Injectable()
export class CardsService {
  constructor(
    private readonly database: Database,
    private readonly once: Once,
    private readonly kitchens: KitchensService,
    private readonly recipes: RecipesService,
  ) {}

  /** What a recipe's card says now. @throws NotFoundError */
  content(id: string): Promise<CardContent> {
    return this.database.read(async () => {
      const { document, bases } = await this.recipes.open(id);
      const recipe = document as Recipe;
      return cardContent(recipe, await this.recipes.kitchenWith([recipe, ...(bases as Recipe[])]));
    });
  }

  /** The card as a self-contained page: as it stands, or as it was published. @throws NotFoundError */
  async page(id: string, paper: Paper, issue?: number): Promise<string> {
    return `<!doctype html>${renderToStaticMarkup(<CardPage card={await this.#card(id, issue)} paper={paper} />)}`;
  }

  /** The card as Markdown, as it stands. @throws NotFoundError */
  async markdown(id: string): Promise<string> {
    return cardMarkdown(await this.content(id));
  }

  /** The card as schema.org/Recipe, as it stands; what it holds cannot end the script element that a page puts it in. @throws NotFoundError */
  async schemaOrg(id: string): Promise<string> {
    return scriptSafe(schemaOrgRecipe(await this.content(id)), 2);
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
  async publish(id: string, once?: OnceKey): Promise<PublishedCardDto> {
    const kitchenId = await this.kitchens.id();
    return this.once.write(kitchenId, once, async () => {
      const [{ revision }, content] = [await this.recipes.get(id), await this.content(id)];
      const [{ issue, published_at }] = await this.database.manager.query<[{ issue: number; published_at: Date }]>(
        `INSERT INTO published_cards (kitchen_id, recipe_id, issue, recipe_revision, food_revisions, content)
         SELECT $1, $2, 1 + coalesce((SELECT max(issue) FROM published_cards WHERE kitchen_id = $1 AND recipe_id = $2), 0), $3,
           coalesce((SELECT jsonb_object_agg(food.id, food.revision) FROM recipe_foods used
             JOIN foods food ON food.kitchen_id = used.kitchen_id AND food.id = used.food_id
             WHERE used.kitchen_id = $1 AND used.recipe_id = $2), '{}'), $4
         RETURNING issue, published_at`,
        [kitchenId, id, revision, JSON.stringify(content)],
      );
      return { recipe: id, issue, publishedAt: published_at.toISOString(), drift: [], uncomputed: null };
    });
  }

  async #card(id: string, issue: number | undefined): Promise<CardContent> {
    if (issue === undefined) return this.content(id);
    const row = await this.database.manager.findOneBy(PublishedCardEntity, { kitchenId: await this.kitchens.id(), recipeId: id, issue });
    if (!row) throw new NotFoundError('published card', `${id}, issue ${issue}`);
    return row.content;
  }
}
