import { ArrowDown, ArrowUp, X } from 'lucide-react';
import type { LineSelection } from './useLineSelection';
import { useStation } from '../station';
import { Button } from '../../ui/Button';
import { Select } from '../../ui/Select';

/** What can be done with the lines selected. */
export function SelectionBar({ selected }: { readonly selected: LineSelection }) {
  const { recipe } = useStation();
  const { lines } = selected;
  if (lines.length === 0) return null;
  const parts = recipe.parts.length;
  return (
    <div className="selection-bar" role="toolbar" aria-label="Lines selected">
      <b role="status">{lines.length === 1 ? '1 line' : `${lines.length} lines`}</b>
      <Button onClick={() => selected.shift(-1)} hint="Up (Alt ↑)" aria-label="Move up">
        <ArrowUp size={14} />
      </Button>
      <Button onClick={() => selected.shift(1)} hint="Down (Alt ↓)" aria-label="Move down">
        <ArrowDown size={14} />
      </Button>
      {parts > 1 && (
        <Select
          aria-label="Move to the end of"
          value=""
          onChange={({ target }) => {
            const part = Number(target.value);
            selected.drop(lines, { part, line: recipe.parts[part]?.lines.length ?? 0 });
          }}
        >
          <option value="" disabled>
            to …
          </option>
          {recipe.parts.map(({ id, name }, p) => (
            <option key={id} value={p}>
              {name}
            </option>
          ))}
        </Select>
      )}
      <Button onClick={selected.makeOptional} hint="Alt O">
        Optional
      </Button>
      <Button onClick={selected.copy} hint="Ctrl C">
        Copy
      </Button>
      <Button onClick={selected.double} hint="Ctrl D">
        Double
      </Button>
      <Button onClick={selected.takeOut} hint="Delete">
        Take out
      </Button>
      <Button kind="icon" onClick={selected.clear} aria-label="Let go of them" hint="Escape">
        <X size={15} />
      </Button>
    </div>
  );
}
