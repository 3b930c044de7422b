import { dayText, type AcceptedFinding, type CheckedRecipe, type Recipe, type RecipeFigures } from '@portiona/core';
import { placeName } from '../../features/check/findingPlaces';
import { Button } from '../../ui/Button';

interface LeftRowsProps extends Pick<CheckedRecipe, 'left' | 'outdated'> {
  readonly recipe: Recipe;
  readonly figures: RecipeFigures;
  readonly onOpen: (accepted: AcceptedFinding) => void;
}

/** What was left as it is, with its reason; and reasons of which what they were about has changed. */
export function LeftRows({ left, outdated, recipe, figures, onOpen }: LeftRowsProps) {
  if (left.length === 0 && outdated.length === 0) return null;
  return (
    <section className="left-rows" aria-label="Left with a reason">
      {left.map(({ finding, accepted }, i) => (
        <div key={i} className="left-row">
          <span className="left-at">{i === 0 ? `Left, ${left.length}` : ''}</span>
          <span>
            {placeName(finding.at, recipe, figures)}. {finding.message} <q>{accepted.because}</q>
            {accepted.on !== undefined && <span className="left-day"> {dayText(accepted.on, true)}.</span>} Comes back if it changes.
          </span>
          <Button kind="quiet" onClick={() => onOpen(accepted)}>
            open again
          </Button>
        </div>
      ))}
      {outdated.map((accepted, i) => (
        <div key={`outdated ${i}`} className="left-row">
          <span className="left-at">{i === 0 ? 'No longer' : ''}</span>
          <span className="muted">
            <q>{accepted.because}</q> was said of something that has changed or is gone, and holds nothing back any more.
          </span>
          <Button kind="quiet" onClick={() => onOpen(accepted)}>
            let go of it
          </Button>
        </div>
      ))}
    </section>
  );
}
