import { Controller, Get, Header, ServiceUnavailableException, type OnModuleDestroy } from '@nestjs/common';
import { ApiOkResponse, ApiOperation, ApiProperty, ApiTags } from '@nestjs/swagger';
import { Pool } from 'pg';

/** Milliseconds the database has to answer. */
const LONGEST = 2_000;

class HealthDto {
  @ApiProperty({ enum: ['ok'] }) status: 'ok';
  @ApiProperty({ enum: ['up'] }) database: 'up';
}

@ApiTags('health')
@Controller('health')
export class HealthController implements OnModuleDestroy {
  /** A connection of its own: whether the database answers is told while all others are busy, too. */
  #pool: Pool | undefined;

  @Get()
  @Header('Cache-Control', 'no-store')
  @ApiOperation({ operationId: 'getHealth', summary: 'Whether the server and its database answer' })
  @ApiOkResponse({ type: HealthDto })
  async get(): Promise<HealthDto> {
    try {
      await this.#ready().query('SELECT 1');
    } catch {
      throw new ServiceUnavailableException('the database does not answer; start it and try again');
    }
    return { status: 'ok', database: 'up' };
  }

  async onModuleDestroy(): Promise<void> {
    await this.#pool?.end();
  }

  #ready(): Pool {
    if (this.#pool) return this.#pool;
    const bounds = { max: 1, connectionTimeoutMillis: LONGEST, query_timeout: LONGEST, statement_timeout: LONGEST, idleTimeoutMillis: 0 };
    this.#pool = new Pool({ connectionString: process.env.DATABASE_URL, ...bounds });
    // A connection lost while nobody asks is made anew when somebody does.
    this.#pool.on('error', () => undefined);
    return this.#pool;
  }
}
