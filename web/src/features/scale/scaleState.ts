import type { ScaleLine } from '@portiona/core';

/** What a scale shows, as far as it has said. */
export interface ScaleState {
  readonly link: 'off' | 'coming' | 'there' | 'gone';
  readonly name: string;
  /** Grams at most. */
  readonly most: number | undefined;
  readonly weight: { readonly grams: number; readonly steady: boolean } | undefined;
  readonly overload: boolean;
  readonly batteryLow: boolean;
  readonly probe: { readonly celsius: number; readonly steady: boolean } | undefined;
}

export const NO_SCALE: ScaleState = {
  ...{ link: 'off', name: '', most: undefined, weight: undefined, overload: false, batteryLow: false, probe: undefined },
};

/** The state with one thing more said. */
export function heard(state: ScaleState, line: ScaleLine): ScaleState {
  switch (line.says) {
    case 'scale':
      return { ...state, name: line.name, most: line.most };
    case 'weight':
      return { ...state, overload: false, weight: { grams: line.grams, steady: line.steady } };
    case 'overload':
      return { ...state, overload: true, weight: undefined };
    case 'battery':
      return { ...state, batteryLow: line.low };
    case 'temperature':
      return { ...state, probe: line.celsius === null ? undefined : { celsius: line.celsius, steady: line.steady } };
  }
}

/** Grams that may be taken: steady, and something; else why not. */
export function takeable(state: ScaleState): { readonly grams: number } | { readonly because: string } {
  if (state.link !== 'there') return { because: 'the scale is not there' };
  if (state.overload) return { because: `it is overloaded${state.most === undefined ? '' : `: ${state.most} g at most`}` };
  if (!state.weight) return { because: 'it shows nothing yet' };
  if (!state.weight.steady) return { because: 'it is not steady yet' };
  if (state.weight.grams <= 0) return { because: state.weight.grams < 0 ? 'it shows less than nothing: tare it' : 'nothing lies on it' };
  return { grams: state.weight.grams };
}
