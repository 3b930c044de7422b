import { Tooltip as Hint } from 'radix-ui';
import type { HintPlace } from './Hints';
import './tooltip.css';

/** A few words over what is pointed at; never the only place where something is said. */
export function Tooltip({ text, of }: HintPlace) {
  const { left, top, width, height } = of.getBoundingClientRect();
  return (
    <Hint.Provider>
      <Hint.Root open>
        <Hint.Trigger asChild>
          <span aria-hidden className="tooltip-place" style={{ left, top, width, height }} />
        </Hint.Trigger>
        <Hint.Portal>
          <Hint.Content className="tooltip" sideOffset={5} collisionPadding={8}>
            {text}
          </Hint.Content>
        </Hint.Portal>
      </Hint.Root>
    </Hint.Provider>
  );
}
