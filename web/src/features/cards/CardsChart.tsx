import { useCallback } from 'react';
import { useNavigate } from 'react-router';
import type { PublishedCardDto } from '../../api/api.gen';
import { Chart, type Colours } from '../../ui/Chart';

/** Pixels of the smallest and the largest point. */
const SMALLEST = 12;
const LARGEST = 42;

/** A card as a point: what it costs and delivers, as published. */
export interface CardPoint {
  readonly recipe: string;
  readonly title: string;
  readonly cost: number;
  readonly protein: number;
  readonly energy: number;
  readonly unit: string;
  /** It no longer says what would be printed, or was taken back. */
  readonly drifted: boolean;
}

/** Cards that can be drawn: those that print energy, protein and cost. */
export function pointsOf(cards: readonly PublishedCardDto[]): readonly CardPoint[] {
  return cards.flatMap(({ recipe, title, printed, drift, takenBack }) => {
    const [energy, protein] = ['Energy', 'Protein'].map((name) => numberOf(printed.find((one) => one.name === name)?.text));
    const used = printed.find(({ name }) => name !== 'Energy' && name !== 'Protein');
    const cost = numberOf(used?.text);
    if (energy === undefined || protein === undefined || cost === undefined || !used) return [];
    return [{ recipe, title, cost, protein, energy, unit: used.unit, drifted: drift.length > 0 || takenBack !== null }];
  });
}

/** Protein of every card against what it costs, as large as its energy: a point opens its card. What is drawn stands in the list too. */
export function CardsChart({ points }: { readonly points: readonly CardPoint[] }) {
  const go = useNavigate();
  const draw = useCallback((colours: Colours) => optionOf(points, colours), [points]);
  const open = useCallback((place: number) => void go(`/recipes/${points[place]?.recipe ?? ''}/card`), [go, points]);
  const [cheapest] = points.toSorted((a, b) => a.cost / a.protein - b.cost / b.protein);
  const label = `Protein against cost of ${points.length} cards, each as large as its energy. Most protein for its money: ${cheapest?.title ?? ''}`;
  return <Chart height={230} label={label} draw={draw} onPress={open} />;
}

function optionOf(points: readonly CardPoint[], colours: Colours) {
  const energies = points.map(({ energy }) => energy);
  const [least, most] = [Math.min(...energies), Math.max(...energies)];
  const [cheap, dear] = [Math.min(...points.map(({ cost }) => cost)), Math.max(...points.map(({ cost }) => cost))];
  const beside = Math.max(0.05, dear - cheap);
  const isNarrow = window.innerWidth < 600;
  const sizeOf = (energy: number) => SMALLEST + (most > least ? (energy - least) / (most - least) : 0.5) * (LARGEST - SMALLEST);
  const axis = {
    axisLine: { lineStyle: { color: colours['rule-strong'] } },
    axisLabel: { color: colours['ink-2'] },
    splitLine: { lineStyle: { color: colours.rule } },
    nameTextStyle: { color: colours['ink-2'] },
    scale: true,
  };
  return {
    grid: { left: 52, right: 30, top: 30, bottom: 46 },
    xAxis: {
      type: 'value',
      name: `${points[0]?.unit ?? ''} a box, used`,
      nameLocation: 'middle',
      nameGap: 26,
      // Room for the name of the dearest one.
      min: roundedTo(Math.max(0, cheap - 0.12 * beside)),
      max: roundedTo(dear + 0.3 * beside),
      ...axis,
    },
    yAxis: {
      type: 'value',
      name: 'g protein',
      min: (range: { readonly min: number; readonly max: number }) => Math.max(0, 2 * Math.floor((range.min - 1) / 2)),
      max: (range: { readonly min: number; readonly max: number }) => 2 * Math.ceil((range.max + 1) / 2),
      ...axis,
    },
    series: [
      {
        type: 'scatter',
        symbolSize: (value: readonly number[]) => sizeOf(value[2] ?? least),
        data: points.map(({ cost, protein, energy, title, drifted }) => ({
          value: [cost, protein, energy],
          name: `${drifted ? '▲ ' : ''}${title}`,
          itemStyle: { color: drifted ? colours.saffron : colours.damson, opacity: 0.82, borderColor: colours.surface, borderWidth: 1.5 },
        })),
        label: {
          show: true,
          formatter: '{b}',
          position: 'right',
          color: colours.ink,
          fontSize: 11.5,
          width: isNarrow ? 96 : 190,
          overflow: 'truncate',
        },
        labelLayout: { hideOverlap: true, moveOverlap: 'shiftY' },
      },
    ],
  };
}

function roundedTo(money: number): number {
  return Math.round(money * 20) / 20;
}

/** The number that a card prints, "at least" and "about" left aside. */
function numberOf(text = ''): number | undefined {
  const last = text.split(' ').at(-1) ?? '';
  return last === '' || Number.isNaN(Number(last)) ? undefined : Number(last);
}
