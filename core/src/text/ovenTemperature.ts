import { roundHalfAway } from '../quantity/index.js';

/** One temperature as a cook wrote it. */
export interface SaidTemperature {
  readonly in: 'C' | 'F' | 'gas';
  readonly amount: number;
  readonly fan: boolean;
}

/** A temperature in every way that a cook sets it. */
export interface OvenTemperature {
  readonly celsius: number;
  readonly fahrenheit: number;
  /** Gas mark, where gas ovens have one. */
  readonly gas: number | undefined;
  /** °C with a fan, where it was said beside it without. */
  readonly fan: number | undefined;
  /** All of it is with a fan: no gas oven has one. */
  readonly allFan: boolean;
}

/** Words that speak of an oven: only there does a gas mark mean something. */
const OVEN = /\b(?:oven|roast|bake|baking|grill|gas)/i;

/** Whether a step's words speak of an oven. */
export function speaksOfOven(words: string): boolean {
  return OVEN.test(words);
}

/** What a gas mark is, as oven makers print it: °C. */
const GAS_MARKS: readonly (readonly [mark: number, celsius: number])[] = [
  [0.25, 110],
  [0.5, 130],
  [1, 140],
  [2, 150],
  [3, 165],
  [4, 180],
  [5, 190],
  [6, 200],
  [7, 220],
  [8, 230],
  [9, 240],
];
/** Furthest from a mark that it still stands for, and the coolest that is an oven's and not food's: °C. */
const NEAR_MARK = 10;
const OVEN_FROM = 100;

/**
 * A temperature said in one or more ways, with the others worked out: F = C x 9/5 + 32, ovens to the nearest 5 °F and 5 °C, food to
 * whole degrees. What was said stands as it was said.
 *
 * @param said at least one
 */
export function ovenTemperature(said: readonly SaidTemperature[]): OvenTemperature {
  const of = (scale: SaidTemperature['in'], fan: boolean) => said.find((one) => one.in === scale && one.fan === fan)?.amount;
  const allFan = said.every(({ fan }) => fan);
  const [statedC, statedF, gas] = [of('C', allFan), of('F', allFan), of('gas', false)];
  const celsius = statedC ?? (statedF === undefined ? undefined : celsiusOf(statedF)) ?? celsiusOfGas(gas) ?? 0;
  return {
    celsius,
    fahrenheit: statedF ?? fahrenheitOf(celsius),
    gas: gas ?? (allFan ? undefined : gasMarkOf(celsius)),
    fan: allFan ? undefined : of('C', true),
    allFan,
  };
}

/**
 * A temperature as a card prints it, both systems and the gas mark: "200 °C (390 °F, gas 6)".
 *
 * @param fahrenheitFirst for readers who cook in °F
 * @param oven whether it is an oven's: oil and food have no gas mark
 */
export function temperatureText(
  { celsius, fahrenheit, gas, fan, allFan }: OvenTemperature,
  fahrenheitFirst: boolean,
  oven: boolean,
): string {
  const [c, f] = [`${celsius} °C`, `${fahrenheit} °F`];
  const others = [
    fahrenheitFirst ? c : f,
    ...(fan === undefined ? [] : [`fan ${fan} °C`]),
    ...(oven && gas !== undefined ? [`gas ${gasText(gas)}`] : []),
  ];
  return `${fahrenheitFirst ? f : c}${allFan ? ' fan' : ''} (${others.join(', ')})`;
}

function fahrenheitOf(celsius: number): number {
  return roundHalfAway((celsius * 9) / 5 + 32, celsius >= OVEN_FROM ? 5 : 1);
}

function celsiusOf(fahrenheit: number): number {
  const celsius = ((fahrenheit - 32) * 5) / 9;
  return roundHalfAway(celsius, celsius >= OVEN_FROM ? 5 : 1);
}

function celsiusOfGas(mark: number | undefined): number | undefined {
  return GAS_MARKS.find(([one]) => one === mark)?.[1];
}

function gasMarkOf(celsius: number): number | undefined {
  const [nearest] = [...GAS_MARKS].sort((a, b) => Math.abs(a[1] - celsius) - Math.abs(b[1] - celsius));
  return nearest && Math.abs(nearest[1] - celsius) <= NEAR_MARK ? nearest[0] : undefined;
}

function gasText(mark: number): string {
  return mark === 0.25 ? '¼' : mark === 0.5 ? '½' : String(mark);
}
