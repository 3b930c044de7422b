import { createPortal } from 'react-dom';
import type { ChoiceMenu } from './ingredientMention';
import { Menu, MenuItem } from '../../../ui/Menu';

/** Ingredients to mention, under the caret. The editor keeps the focus and the keys. */
export function ChoiceList({ menu: { choices, chosen, at, choose } }: { readonly menu: ChoiceMenu }) {
  return createPortal(
    <Menu className="choices" role="listbox" aria-label="Ingredients to mention" style={{ left: at.left, top: at.bottom + 4 }}>
      {choices.map((choice, i) => (
        <MenuItem
          key={choice.at}
          role="option"
          aria-selected={i === chosen}

          tabIndex={-1}
          onMouseDown={(event) => {
            event.preventDefault();
            choose(choice);
          }}
        >
          <span>{choice.reads}</span>
          <span className="faint">{choice.part}</span>
        </MenuItem>
      ))}
      {choices.length === 0 && <p className="muted px-2 py-1">No ingredient begins like that.</p>}
    </Menu>,
    document.body,
  );
}
