import { Injectable } from '@nestjs/common';
import { renderToBuffer } from '@react-pdf/renderer';
import { cardContent, type CardContent, type Recipe } from '@portiona/core';
import { renderToStaticMarkup } from 'react-dom/server';
import { RecipesService } from '../recipes/recipes.service.js';
import { registerCardFonts } from './cardFonts.js';
import { CardPage } from './CardPage.js';
import { CardPdf } from './CardPdf.js';
import type { Paper } from './cardStyle.js';

@Injectable()
export class CardsService {
  constructor(private readonly recipes: RecipesService) {}

  /** What a recipe's card says now. @throws NotFoundError */
  async content(id: string): Promise<CardContent> {
    const { document, bases } = await this.recipes.open(id);
    const recipe = document as Recipe;
    const kitchen = await this.recipes.kitchenWith([recipe, ...(bases as Recipe[])]);
    return cardContent(recipe, kitchen);
  }

  /** The card as a self-contained page. @throws NotFoundError */
  async page(id: string, paper: Paper): Promise<string> {
    return `<!doctype html>${renderToStaticMarkup(<CardPage card={await this.content(id)} paper={paper} />)}`;
  }

  /** The card as a PDF. @throws NotFoundError */
  async pdf(id: string, paper: Paper): Promise<Buffer> {
    registerCardFonts();
    return renderToBuffer(<CardPdf card={await this.content(id)} paper={paper} />);
  }
}
