import { useCallback, useState } from 'react';
import {
  histogramOf,
  keptFigure,
  quantileOf,
  servedOf,
  shareWithin,
  shownDistribution,
  type CarbohydrateConvention,
  type Distribution,
  type LabelNutrient,
  type RecipeFigures,
} from '@portiona/core';
import { Chart, type Colours } from '../ui/Chart';
import { docketText, numberText, percentText } from '../ui/numberText';
import { DRAWS, useSpread } from './useSpread';
import { Button } from '../ui/Button';
import { Remark } from '../ui/Remark';
import { Input } from '../ui/Input';
import './working.css';

interface SpreadProps {
  readonly figures: RecipeFigures;
  readonly figure: LabelNutrient;
  readonly unit: string;
  readonly convention: CarbohydrateConvention;
}

/** How far a serving's figure spreads when every amount, label and range is what it could be; and whether a promise holds. */
export function Spread({ figures, figure, unit, convention }: SpreadProps) {
  const { key, shown } = keptFigure(figure, convention);
  const [choices, setChoices] = useState(false);
  const { spread, start, cancel } = useSpread(figures, key, choices);
  const serving = figures.recipe.servingName ?? 'serving';
  const hasChoices = figures.parts.some(({ part, lines }) => servedOf(part) === 'optional' || lines.some(({ counted }) => !counted));
  return (
    <section className="spread" aria-label="Spread">
      <div className="flex items-baseline gap-3 flex-wrap">
        <h3>How it spreads</h3>
        {hasChoices && (
          <label className="flex gap-1.5 items-center">
            <input type="checkbox" checked={choices} onChange={({ target }) => setChoices(target.checked)} /> readers take or leave what is
            optional
          </label>
        )}
        {spread.state === 'running' ? (
          <span className="ml-auto flex gap-2 items-center">
            <progress max={DRAWS} value={spread.made} aria-label="Drawn" />
            <Button kind="quiet" onClick={cancel}>
              Stop
            </Button>
          </span>
        ) : (
          spread.state !== 'done' && (
            <Button className="ml-auto" onClick={start}>
              {spread.state === 'failed' ? 'Try again' : `Cook it ${numberText(DRAWS, 0)} times on paper`}
            </Button>
          )
        )}
      </div>
      {spread.state === 'failed' && (
        <Remark tone="bad" role="alert">
          It broke off{spread.because === '' ? '' : `: ${spread.because}`}. Nothing is lost; try again.
        </Remark>
      )}
      {spread.state === 'done' && <Drawn distribution={shownDistribution(spread.distribution, shown)} unit={unit} serving={serving} />}
    </section>
  );
}

function Drawn({ distribution, unit, serving }: { readonly distribution: Distribution; readonly unit: string; readonly serving: string }) {
  const [limit, setLimit] = useState('');
  const atMost = Number(limit.replace(',', '.'));
  const promise = limit.trim() !== '' && Number.isFinite(atMost) ? atMost : undefined;
  const draw = useCallback((colours: Colours) => histogramOption(distribution, promise, unit, colours), [distribution, promise, unit]);
  const [low, median, high] = [0.025, 0.5, 0.975].map((share) => quantileOf(distribution, share)) as [number, number, number];
  return (
    <>
      <Chart
        height={132}
        label={`95 % of ${DRAWS} draws lie between ${docketText(low)} and ${docketText(high)} ${unit}, half of them above ${docketText(median)}`}
        draw={draw}
      />
      <p className="flex gap-2 items-baseline flex-wrap">
        <span>
          95 % of them between <b>{docketText(low)}</b> and <b>{docketText(high)}</b> {unit}, half above {docketText(median)}.
        </span>
        <label className="ml-auto flex gap-1.5 items-baseline">
          at most
          <Input
            className="w-[64px] num"
            inputMode="decimal"
            value={limit}
            onChange={({ target }) => setLimit(target.value)}
            aria-label={`At most, ${unit}`}
          />
          {unit}
        </label>
        {promise !== undefined && (
          <span className={shareWithin(distribution, { atMost: promise }) >= 0.975 ? 'ok' : 'warn'} role="status">
            {shareWithin(distribution, { atMost: promise }) >= 0.975 ? '✓' : '▲'} holds for{' '}
            {percentText(shareWithin(distribution, { atMost: promise }), 1)} of {serving === 'box' ? 'boxes' : `${serving}s`}
          </span>
        )}
      </p>
    </>
  );
}

function histogramOption(distribution: Distribution, promise: number | undefined, unit: string, colours: Colours) {
  const bars = histogramOf(distribution, 44);
  const low = quantileOf(distribution, 0.025);
  const high = quantileOf(distribution, 0.975);
  const first = bars[0]?.from ?? 0;
  const last = bars.at(-1)?.to ?? 1;
  const line = (at: number, text: string, color: string, distance: number) => ({
    xAxis: at,
    label: { formatter: text, color, distance },
    lineStyle: { color, width: 1.5 },
  });
  return {
    grid: { left: 6, right: 10, top: 34, bottom: 20 },
    xAxis: {
      type: 'value',
      min: first,
      max: last,
      axisLabel: { color: colours['ink-3'], formatter: docketText, hideOverlap: true, showMinLabel: false, showMaxLabel: false },
      splitLine: { show: false },
      axisLine: { lineStyle: { color: colours['rule-strong'] } },
    },
    yAxis: { type: 'value', show: false },
    series: [
      {
        type: 'bar',
        barWidth: '90%',
        data: bars.map(({ from, to, share }) => ({
          value: [(from + to) / 2, share],
          itemStyle: { color: (from + to) / 2 < low || (from + to) / 2 > high ? colours['rule-strong'] : colours.damson },
        })),
        markLine: {
          symbol: 'none',
          silent: true,
          data: [
            line(low, docketText(low), colours['ink-2'], 4),
            line(high, docketText(high), colours['ink-2'], 4),
            ...(promise !== undefined && promise > first && promise < last
              ? [line(promise, `${docketText(promise)} ${unit}`, colours.saffron, 18)]
              : []),
          ],
        },
      },
    ],
  };
}
