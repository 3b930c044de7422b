import { DataSource, type DataSourceOptions } from 'typeorm';
import { PublishedCardEntity } from '../cards/publishedCard.entity.js';
import { FoodRevisionEntity } from '../foods/foodRevision.entity.js';
import { FoodEntity } from '../foods/food.entity.js';
import { KitchenEntity } from '../kitchens/kitchen.entity.js';
import { PackEntity } from '../packs/pack.entity.js';
import { RecipeBaseEntity } from '../recipes/recipeBase.entity.js';
import { RecipeEntity } from '../recipes/recipe.entity.js';
import { RecipeFoodEntity } from '../recipes/recipeFood.entity.js';
import { RecipeRevisionEntity } from '../recipes/recipeRevision.entity.js';
import { TableImportEntity } from '../tables/tableImport.entity.js';
import { TableMappingEntity } from '../tables/tableMapping.entity.js';
import { ReceiptNameEntity } from '../receipts/receiptName.entity.js';
import { RefreshEntity } from '../refreshes/refresh.entity.js';
import { RefreshItemEntity } from '../refreshes/refreshItem.entity.js';
import { FoodTables1764300000003 } from './migrations/foodTables.migration.js';
import { CardSteps1764800000008 } from './migrations/cardSteps.migration.js';
import { Kitchens1764000000001 } from './migrations/kitchens.migration.js';
import { Pantry1764200000002 } from './migrations/pantry.migration.js';
import { PublishedCards1764600000006 } from './migrations/publishedCards.migration.js';
import { RecipeBases1764700000007 } from './migrations/recipeBases.migration.js';
import { Receipts1764400000004 } from './migrations/receipts.migration.js';
import { Refreshes1764500000005 } from './migrations/refreshes.migration.js';

/** The database of an address; the schema changes by migration only. */
export function dataSourceOptions(url: string | undefined): DataSourceOptions {
  return {
    type: 'postgres',
    ...(url === undefined ? {} : { url }),
    entities: [
      KitchenEntity,
      FoodEntity,
      FoodRevisionEntity,
      PackEntity,
      RecipeEntity,
      RecipeRevisionEntity,
      RecipeFoodEntity,
      RecipeBaseEntity,
      TableImportEntity,
      TableMappingEntity,
      ReceiptNameEntity,
      RefreshEntity,
      RefreshItemEntity,
      PublishedCardEntity,
    ],
    migrations: [
      Kitchens1764000000001,
      Pantry1764200000002,
      FoodTables1764300000003,
      Receipts1764400000004,
      Refreshes1764500000005,
      PublishedCards1764600000006,
      RecipeBases1764700000007,
      CardSteps1764800000008,
    ],
    migrationsRun: true,
    migrationsTransactionMode: 'all',
    synchronize: false,
    installExtensions: false,
    uuidExtension: 'pgcrypto',
  };
}

export default new DataSource(dataSourceOptions(process.env.DATABASE_URL));
