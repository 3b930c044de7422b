import { Module } from '@nestjs/common';
import { PRICE_SOURCE } from './priceSource.js';
import { SimulatedShops } from './simulatedShops.js';

/** Where prices come from: simulated until a real service takes its place behind the same interface. */
@Module({
  providers: [
    {
      provide: PRICE_SOURCE,
      useFactory: () =>
        new SimulatedShops({
          seed: 7,
          delay: Number(process.env.PORTIONA_SHOP_DELAY ?? 120),
          failing: 0.1,
          closed: (process.env.PORTIONA_SHOP_CLOSED ?? '').split(',').filter(Boolean),
        }),
    },
  ],
  exports: [PRICE_SOURCE],
})
export class ShopsModule {}
