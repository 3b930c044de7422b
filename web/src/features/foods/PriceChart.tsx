import { priceText } from '../../ui/numberText';
import { useCallback } from 'react';
import { currencySign, type PriceSeries } from '@portiona/core';
import { Chart, type Colours } from '../../ui/Chart';

/** What a kilogram has cost, pack by pack, over time; promotions are hollow. */
export function PriceChart({
  history,
  currency,
  today,
}: {
  readonly history: readonly PriceSeries[];
  readonly currency: string;
  readonly today: string;
}) {
  const draw = useCallback((colours: Colours) => priceOption(history, currency, today, colours), [history, currency, today]);
  const words = history.map(({ shop, net, unit, prices, latest }) => {
    const first = prices[0];
    return `${net} ${unit}, ${shop}: ${prices.length} prices${first?.perKg !== undefined && latest.perKg !== undefined ? `, from ${priceText(first.perKg, currency)} to ${priceText(latest.perKg, currency)} a kg` : ''}`;
  });
  return <Chart height={120} label={`Prices a kilogram over time. ${words.join('; ')}`} draw={draw} />;
}

function priceOption(history: readonly PriceSeries[], currency: string, today: string, colours: Colours) {
  const lines = [colours.damson, colours.protein, colours.saffron, colours.sorrel, colours['ink-3']];
  return {
    grid: { left: 42, right: 8, top: 8, bottom: 18 },
    xAxis: {
      type: 'time',
      max: today,
      axisLabel: { color: colours['ink-3'], hideOverlap: true, formatter: '{MMM}' },
      axisLine: { lineStyle: { color: colours['rule-strong'] } },
      splitLine: { show: false },
    },
    yAxis: {
      type: 'value',
      scale: true,
      splitNumber: 3,
      axisLabel: {
        color: colours['ink-3'],
        // As many decimals as tell one from the next.
        formatter: (amount: number) =>
          `${currencySign(currency)} ${amount.toFixed(Number.isInteger(amount) ? 0 : Number.isInteger(amount * 10) ? 1 : 2)}`,
      },
      splitLine: { lineStyle: { color: colours.rule } },
    },
    series: history.map(({ shop, net, unit, prices }, i) => ({
      type: 'line',
      name: `${net} ${unit}, ${shop}`,
      step: 'end',
      symbolSize: 6,
      lineStyle: { width: 1.5, color: lines[i % lines.length], type: i === 0 ? 'solid' : 'dashed' },
      data: [
        ...prices.flatMap(({ pack, perKg }) =>
          perKg === undefined
            ? []
            : [
                {
                  value: [pack.seen, perKg],
                  symbol: pack.promotion ? 'emptyCircle' : 'circle',
                  itemStyle: { color: lines[i % lines.length] },
                },
              ],
        ),
      ],
    })),
  };
}
