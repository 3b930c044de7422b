import { lazy, type ComponentType } from 'react';

/** A view whose code comes when it is shown, or when there is time for it. */
export interface Later<Props> {
  readonly load: () => Promise<{ readonly default: ComponentType<Props> }>;
  readonly View: ComponentType<Props>;
}

export function later<Props extends object>(load: Later<Props>['load']): Later<Props> {
  return { load, View: lazy(load) };
}
