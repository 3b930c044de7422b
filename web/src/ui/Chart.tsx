import { useEffect, useRef, useState } from 'react';
import type { EChartsCoreOption, EChartsType } from 'echarts/core';

/** The look's colours, as the theme has them now. */
export type Colours = Readonly<Record<(typeof NAMES)[number], string>>;

const NAMES = [
  'ink',
  'ink-2',
  'ink-3',
  'rule',
  'rule-strong',
  'damson',
  'damson-soft',
  'damson-line',
  'sorrel',
  'saffron',
  'protein',
  'surface',
] as const;

export interface ChartProps {
  /** What it shows, in words: all that a screen reader gets of it. */
  readonly label: string;
  /** Pixels. */
  readonly height: number;
  /** Must stay the same as long as nothing changes. */
  readonly draw: (colours: Colours) => EChartsCoreOption;
  /** What is pressed on it, by its series and its place there; must stay the same as `draw` must. */
  readonly onPress?: (place: number) => void;
}

/** A chart in the look's colours; its library comes with the first one shown. */
export function Chart({ label, height, draw, onPress }: ChartProps) {
  const room = useRef<HTMLDivElement>(null);
  const [chart, setChart] = useState<EChartsType>();
  const colours = useColours();
  useEffect(() => {
    let here = true;
    let made: EChartsType | undefined;
    void import('./chartParts').then(({ init }) => {
      if (!here || !room.current) return;
      made = init(room.current, undefined, { renderer: 'svg' });
      setChart(made);
    });
    const onResize = () => made?.resize();
    window.addEventListener('resize', onResize);
    return () => {
      here = false;
      window.removeEventListener('resize', onResize);
      made?.dispose();
      setChart(undefined);
    };
  }, []);
  useEffect(() => {
    chart?.setOption({ animation: false, textStyle: { fontFamily: 'Hanken Grotesk Variable', fontSize: 11.5 }, ...draw(colours) }, true);
  }, [chart, draw, colours]);
  useEffect(() => {
    if (!chart || !onPress) return undefined;
    const press = ({ dataIndex }: { readonly dataIndex: number }) => onPress(dataIndex);
    chart.on('click', press as never);
    return () => void chart.off('click', press);
  }, [chart, onPress]);
  return <div ref={room} role="img" aria-label={label} style={{ height }} />;
}

function useColours(): Colours {
  const [colours, setColours] = useState(readColours);
  useEffect(() => {
    const watch = new MutationObserver(() => setColours(readColours()));
    watch.observe(document.documentElement, { attributes: true, attributeFilter: ['data-theme'] });
    return () => watch.disconnect();
  }, []);
  return colours;
}

function readColours(): Colours {
  const style = getComputedStyle(document.documentElement);
  return Object.fromEntries(NAMES.map((name) => [name, style.getPropertyValue(`--${name}`).trim()])) as Colours;
}
