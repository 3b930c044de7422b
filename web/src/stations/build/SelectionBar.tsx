import { ArrowDown, ArrowUp, X } from 'lucide-react';
import type { LineSelection } from './useLineSelection';
import { useStation } from '../station';

/** What can be done with the lines selected. */
export function SelectionBar({ selected }: { readonly selected: LineSelection }) {
  const { recipe } = useStation();
  const { lines } = selected;
  if (lines.length === 0) return null;
  const parts = recipe.parts.length;
  return (
    <div className="selection-bar" role="toolbar" aria-label="Lines selected">
      <b role="status">{lines.length === 1 ? '1 line' : `${lines.length} lines`}</b>
      <button className="btn" onClick={() => selected.shift(-1)} title="Up (Alt ↑)" aria-label="Move up">
        <ArrowUp size={14} />
      </button>
      <button className="btn" onClick={() => selected.shift(1)} title="Down (Alt ↓)" aria-label="Move down">
        <ArrowDown size={14} />
      </button>
      {parts > 1 && (
        <select
          className="field"
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
        </select>
      )}
      <button className="btn" onClick={selected.makeOptional} title="Alt O">
        Optional
      </button>
      <button className="btn" onClick={selected.copy} title="Ctrl C">
        Copy
      </button>
      <button className="btn" onClick={selected.double} title="Ctrl D">
        Double
      </button>
      <button className="btn" onClick={selected.takeOut} title="Delete">
        Take out
      </button>
      <button className="icon" onClick={selected.clear} aria-label="Let go of them" title="Escape">
        <X size={15} />
      </button>
    </div>
  );
}
