import { Global, Module } from '@nestjs/common';
import { Database } from './database.js';
import { Once } from './once.js';

@Global()
@Module({ providers: [Database, Once], exports: [Database, Once] })
export class DatabaseModule {}
