/** A card's series and its number in it, as the card prints them together. */
export interface CardSeriesPlace {
  /** Empty: of no series. */
  readonly name: string;
  /** Undefined: without one. */
  readonly number: number | undefined;
}

/** @example cardSeries('Night Watch, no. 7') // { name: 'Night Watch', number: 7 } */
export function cardSeries(series: string): CardSeriesPlace {
  const [, name = series, number] = /^(.*), no\. (\d+(?:\.\d+)?)$/s.exec(series) ?? [];
  return { name, number: number === undefined ? undefined : Number(number) };
}
