import { Global, Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { applicationRole } from './applicationRole.js';
import { tellSlowStatement } from '../watch/tellSlowStatement.js';
import { wall } from './wall.js';
import { Database } from './database.js';
import { dataSourceOptions } from './dataSource.js';
import { Doors } from './doors.js';
import { Once } from './once.js';
import { Pulse } from './pulse.js';

@Global()
@Module({
  imports: [
    TypeOrmModule.forRootAsync({
      useFactory: () => ({
        ...dataSourceOptions(applicationRole(process.env.DATABASE_URL ?? '').url, undefined, (milliseconds, statement) =>
          tellSlowStatement(milliseconds, statement, wall.getStore()?.request),
        ),
        retryAttempts: 3,
        retryDelay: 1000,
      }),
    }),
  ],
  providers: [Database, Doors, Once, Pulse],
  exports: [Database, Doors, Once, Pulse],
})
export class DatabaseModule {}
