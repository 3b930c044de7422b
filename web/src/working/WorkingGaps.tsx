import { Link } from 'react-router';
import type { Working } from '@portiona/core';
import { GAPS } from './workingTexts';
import { Button } from '../ui/Button';

/** What is missing, and the way to where it is mended. */
export function WorkingGaps({ working }: { readonly working: Working }) {
  const lines = working.parts.flatMap(({ lines: all }) => all.filter(({ gap }) => gap));
  return (
    <div className="hint">
      <span>
        “At least”: {lines.length === 1 ? 'one line says' : `${lines.length} lines say`} nothing.{' '}
        {lines.map(({ at, name, gap, figures: { of } }, i) => (
          <span key={at}>
            {i > 0 && '; '}
            {of.kind === 'food' ? (
              <Button asChild kind="quiet">
                <Link
                  to={`/pantry/${of.resolved.food.id}?show=${gap === 'no price' ? 'usedCost' : gap === 'no weight' ? 'measures' : working.figure}`}
                >
                  {name}
                </Link>
              </Button>
            ) : (
              name
            )}{' '}
            ({gap ? GAPS[gap] : ''})
          </span>
        ))}
      </span>
    </div>
  );
}
