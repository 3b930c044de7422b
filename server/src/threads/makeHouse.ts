import { BatchesService } from '../batches/batches.service.js';
import { CardsService } from '../cards/cards.service.js';
import { openDatabase } from '../database/openDatabase.js';
import { Once } from '../database/once.js';
import { ExportsService } from '../exports/exports.service.js';
import { FoodsService } from '../foods/foods.service.js';
import { TableFoodsService } from '../foods/tableFoods.service.js';
import { ImportsService } from '../imports/imports.service.js';
import { KitchensService } from '../kitchens/kitchens.service.js';
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
import { LearnedYieldsService } from '../recipes/learnedYields.service.js';
import { RecipesService } from '../recipes/recipes.service.js';
import { RecipeSummariesService } from '../recipes/recipeSummaries.service.js';
import { SessionsService } from '../sessions/sessions.service.js';
import { ShoppingService } from '../shopping/shopping.service.js';
import { StockService } from '../shopping/stock.service.js';
import { PeopleService } from '../weeks/people.service.js';
import { WeeksService } from '../weeks/weeks.service.js';
import { House } from './house.js';

/** Connections of one thread, which does one job at a time. */
const CONNECTIONS = 2;

/** The services in a thread, with connections of their own; what the server has its framework put together is put together here by hand. */
export async function makeHouse(url: string | undefined, tellSlow?: (milliseconds: number, statement: string) => void): Promise<House> {
  const database = await openDatabase(url, CONNECTIONS, tellSlow);
  const once = new Once(database);
  const kitchens = new KitchensService(database);
  const foods = new FoodsService(database, once);
  const packs = new PacksService(database, once, foods, kitchens);
  const photos = new PhotosService(database);
  const recipes = new RecipesService(database, once, kitchens, foods, packs, new LearnedYieldsService(database, foods), photos);
  const batches = new BatchesService(database, once, kitchens, foods, recipes, photos);
  const upstream = new UpstreamChangesService(database, recipes);
  const sessions = new SessionsService(database, once, recipes);
  const stock = new StockService(database, once, foods, batches);
  const shopping = new ShoppingService(database, sessions, recipes, stock, packs, foods);
  const people = new PeopleService(database, once, kitchens);
  const weeks = new WeeksService(database, once, people, batches, sessions, recipes, stock, kitchens);
  const summaries = new RecipeSummariesService(database, kitchens, recipes);
  return new House(
    recipes,
    new RecipeFiguresService(database, recipes, foods, new TableFoodsService(database), kitchens),
    summaries,
    new RecipeListsService(database, summaries),
    new SubRecipesService(database, recipes, upstream),
    upstream,
    foods,
    packs,
    new ReceiptsService(database, once, packs),
    new MergesService(database, foods, packs, stock, recipes),
    new CardsService(database, once, kitchens, recipes, photos),
    new ImportsService(database, once, foods, packs, recipes, batches, photos, sessions, stock, people, weeks),
    new ExportsService(database, kitchens, foods, packs, recipes, batches, photos, sessions, stock, shopping, people, weeks),
    batches,
    new LabelsService(batches),
    photos,
    new ReadingService(database),
    sessions,
    shopping,
    weeks,
  );
}
