import { DataSource, type DataSourceOptions } from 'typeorm';
import { slowAfter } from '../watch/slowStatements.js';
import { SlowLog } from './slowLog.js';

import { BatchEntity } from '../batches/batch.entity.js';
import { BatchRevisionEntity } from '../batches/batchRevision.entity.js';
import { BundleEntity } from '../bundles/bundle.entity.js';
import { PublishedCardEntity } from '../cards/publishedCard.entity.js';
import { FoodRevisionEntity } from '../foods/foodRevision.entity.js';
import { FoodEntity } from '../foods/food.entity.js';
import { KitchenEntity } from '../kitchens/kitchen.entity.js';
import { PackEntity } from '../packs/pack.entity.js';
import { RecipeBaseEntity } from '../recipes/recipeBase.entity.js';
import { RecipeEntity } from '../recipes/recipe.entity.js';
import { RecipeFoodEntity } from '../recipes/recipeFood.entity.js';
import { RecipeRevisionEntity } from '../recipes/recipeRevision.entity.js';
import { SessionEntity } from '../sessions/session.entity.js';
import { StockEntity } from '../shopping/stock.entity.js';
import { PersonEntity } from '../weeks/person.entity.js';
import { WeekEntity } from '../weeks/week.entity.js';
import { TableImportEntity } from '../tables/tableImport.entity.js';
import { TableMappingEntity } from '../tables/tableMapping.entity.js';
import { ReceiptNameEntity } from '../receipts/receiptName.entity.js';
import { RefreshEntity } from '../refreshes/refresh.entity.js';
import { RefreshItemEntity } from '../refreshes/refreshItem.entity.js';
import { FoodDoors1767000000031 } from './migrations/foodDoors.migration.js';
import { OwnAccountEnds1767100000032 } from './migrations/ownAccountEnds.migration.js';
import { ClockJumps1766900000030 } from './migrations/clockJumps.migration.js';
import { Runs1766800000029 } from './migrations/runs.migration.js';
import { DrawingEntity } from '../distributions/drawing.entity.js';
import { Deeds1766700000028 } from './migrations/deeds.migration.js';
import { Accounts1766600000027 } from './migrations/accounts.migration.js';
import { Batches1765700000017 } from './migrations/batches.migration.js';
import { FoodTables1764300000003 } from './migrations/foodTables.migration.js';
import { BriefGround1765500000015 } from './migrations/briefGround.migration.js';
import { CardInputs1765400000014 } from './migrations/cardInputs.migration.js';
import { Bundles1766300000023 } from './migrations/bundles.migration.js';
import { Sessions1766400000024 } from './migrations/sessions.migration.js';
import { TicksInstead1766500000026 } from './migrations/ticksInstead.migration.js';
import { Weeks1766500000025 } from './migrations/weeks.migration.js';
import { CardMoves1766200000022 } from './migrations/cardMoves.migration.js';
import { CardSteps1764800000008 } from './migrations/cardSteps.migration.js';
import { Photos1765800000018 } from './migrations/photos.migration.js';
import { CardIssues1766000000020 } from './migrations/cardIssues.migration.js';
import { ReadersAddress1766100000021 } from './migrations/readersAddress.migration.js';
import { RecipeFindings1765900000019 } from './migrations/recipeFindings.migration.js';
import { PhotoEntity } from '../photos/photo.entity.js';
import { Kitchens1764000000001 } from './migrations/kitchens.migration.js';
import { Pantry1764200000002 } from './migrations/pantry.migration.js';
import { PublishedCards1764600000006 } from './migrations/publishedCards.migration.js';
import { LineIds1765000000010 } from './migrations/lineIds.migration.js';
import { RecipeBases1764700000007 } from './migrations/recipeBases.migration.js';
import { RecipeSummaries1765100000011 } from './migrations/recipeSummaries.migration.js';
import { RequestsDone1764900000009 } from './migrations/requestsDone.migration.js';
import { Versions1765200000012 } from './migrations/versions.migration.js';
import { Begun1765600000016 } from './migrations/begun.migration.js';
import { PacksPutAway1765300000013 } from './migrations/packsPutAway.migration.js';
import { Receipts1764400000004 } from './migrations/receipts.migration.js';
import { Refreshes1764500000005 } from './migrations/refreshes.migration.js';

/** Connections of the server. */
const SERVER_CONNECTIONS = 10;

/** Milliseconds: for a connection, for one statement, for a row that another holds, for the next statement of a transaction. */
const LONGEST = { connection: 8_000, statement: 20_000, lock: 15_000, idle: 60_000 };

/**
 * The database of an address, its schema in place already: nothing waits in it for ever.
 *
 * @param tell told of statements that took long
 */
export function dataSourceOptions(
  url: string | undefined,
  connections = SERVER_CONNECTIONS,
  tell: (milliseconds: number, statement: string) => void = () => undefined,
): DataSourceOptions {
  return {
    ...schemaOptions(url),
    migrationsRun: false,
    poolSize: connections,
    connectTimeoutMS: LONGEST.connection,
    maxQueryExecutionTime: slowAfter(),
    logger: new SlowLog(tell),
    extra: {
      statement_timeout: LONGEST.statement,
      lock_timeout: LONGEST.lock,
      idle_in_transaction_session_timeout: LONGEST.idle,
      // Should the database not even say that a statement took too long.
      query_timeout: LONGEST.statement + 10_000,
      keepAlive: true,
      // One that is ended in the moment it is handed over has nobody yet who hears of it, and that would end the process.
      onConnect: heard,
    },
  };
}

/** Has the end of a connection be heard by somebody, always; whoever uses it is told by what they ask of it. */
function heard(connection: NodeJS.EventEmitter): void {
  connection.on('error', () => undefined);
}

/** The database of an address, for bringing its schema up to date: by migration only, and however long that takes. */
export function schemaOptions(url: string | undefined): Extract<DataSourceOptions, { type: 'postgres' }> {
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
      BatchEntity,
      BatchRevisionEntity,
      PhotoEntity,
      BundleEntity,
      SessionEntity,
      StockEntity,
      PersonEntity,
      WeekEntity,
      DrawingEntity,
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
      RequestsDone1764900000009,
      LineIds1765000000010,
      RecipeSummaries1765100000011,
      Versions1765200000012,
      PacksPutAway1765300000013,
      CardInputs1765400000014,
      BriefGround1765500000015,
      Begun1765600000016,
      Batches1765700000017,
      Photos1765800000018,
      RecipeFindings1765900000019,
      CardIssues1766000000020,
      ReadersAddress1766100000021,
      CardMoves1766200000022,
      Bundles1766300000023,
      Sessions1766400000024,
      Weeks1766500000025,
      TicksInstead1766500000026,
      Accounts1766600000027,
      Deeds1766700000028,
      Runs1766800000029,
      ClockJumps1766900000030,
      FoodDoors1767000000031,
      OwnAccountEnds1767100000032,
    ],
    migrationsRun: true,
    migrationsTransactionMode: 'all',
    synchronize: false,
    installExtensions: false,
    uuidExtension: 'pgcrypto',
  };
}

export default new DataSource(schemaOptions(process.env.DATABASE_URL));
