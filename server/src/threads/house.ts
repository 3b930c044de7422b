import { Injectable } from '@nestjs/common';
import { BatchesService } from '../batches/batches.service.js';
import { CardsService } from '../cards/cards.service.js';
import { ExportsService } from '../exports/exports.service.js';
import { FoodsService } from '../foods/foods.service.js';
import { ImportsService } from '../imports/imports.service.js';
import { LabelsService } from '../labels/labels.service.js';
import { MergesService } from '../merges/merges.service.js';
import { PacksService } from '../packs/packs.service.js';
import { PhotosService } from '../photos/photos.service.js';
import { ReadingService } from '../reading/reading.service.js';
import { ReceiptsService } from '../receipts/receipts.service.js';
import { SubRecipesService } from '../recipes/subRecipes.service.js';
import { UpstreamChangesService } from '../recipes/upstreamChanges.service.js';
import { RecipeFiguresService } from '../recipes/recipeFigures.service.js';
import { RecipeListsService } from '../recipes/recipeLists.service.js';
import { RecipesService } from '../recipes/recipes.service.js';
import { RecipeSummariesService } from '../recipes/recipeSummaries.service.js';
import { SessionsService } from '../sessions/sessions.service.js';
import { ShoppingService } from '../shopping/shopping.service.js';
import { WeeksService } from '../weeks/weeks.service.js';

/** The services that work may be given to, in the server or in one of its threads. */
@Injectable()
export class House {
  constructor(
    readonly recipes: RecipesService,
    readonly figures: RecipeFiguresService,
    readonly summaries: RecipeSummariesService,
    readonly lists: RecipeListsService,
    readonly subRecipes: SubRecipesService,
    readonly upstream: UpstreamChangesService,
    readonly foods: FoodsService,
    readonly packs: PacksService,
    readonly receipts: ReceiptsService,
    readonly merges: MergesService,
    readonly cards: CardsService,
    readonly imports: ImportsService,
    readonly exports: ExportsService,
    readonly batches: BatchesService,
    readonly labels: LabelsService,
    readonly photos: PhotosService,
    readonly reading: ReadingService,
    readonly sessions: SessionsService,
    readonly shopping: ShoppingService,
    readonly weeks: WeeksService,
  ) {}
}
