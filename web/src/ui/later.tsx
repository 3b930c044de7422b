import { use, type ComponentType } from 'react';

/** A view whose code comes when it is shown, or when there is time for it. */
export interface Later<Props> {
  readonly load: () => Promise<{ readonly default: ComponentType<Props> }>;
  readonly View: ComponentType<Props>;
}

/** Milliseconds that a failure stands before it may be tried again. */
const AFTER_FAILURE = 200;

/** A view of a file of its own, to stand in an `Arriving`. What could not be had is asked for anew when it is wanted again. */
export function later<Props extends object>(load: Later<Props>['load']): Later<Props> {
  let coming: ReturnType<typeof load> | undefined;
  let come: ComponentType<Props> | undefined;
  const once = () => {
    coming ??= load().then(
      (made) => {
        come = made.default;
        return made;
      },
      (error: unknown) => {
        // Asked for anew only once this failure has been shown: whoever waits for it looks at it more than once.
        setTimeout(() => (coming = undefined), AFTER_FAILURE);
        throw error;
      },
    );
    return coming;
  };
  function View(props: Props) {
    const Come = come ?? use(once()).default;
    return <Come {...props} />;
  }
  return { load: once, View };
}
