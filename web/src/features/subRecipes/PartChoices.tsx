import type { ReusablePart } from '@portiona/core';
import type { LoadedKitchen } from '../kitchen/useKitchen';
import { per100Text } from './partWords';
import type { PartsToTake } from './useReusableParts';
import { Chip } from '../../ui/Chip';
import { MenuItem } from '../../ui/Menu';

interface PartChoicesProps {
  readonly parts: PartsToTake;
  /** What is looked for; nothing shows all, up to `most`. */
  readonly sought: string;
  readonly most: number;
  readonly here: LoadedKitchen;
  /** Told from foods, where they stand among them. */
  readonly among?: boolean;
  readonly onPick: (part: ReusablePart) => void;
}

/** Parts of other recipes to choose from, with what 100 g of each come to. */
export function PartChoices({ parts, sought, most, here, among = false, onPick }: PartChoicesProps) {
  return partsFor(parts, sought, most).map((part) => (
    <MenuItem key={part.id} onClick={() => onPick(part)}>
      <span>
        <span className="font-serif text-line">{part.called}</span>
        {part.called !== part.title && <span className="block text-small">from {part.title}</span>}
        <span className="block text-small muted">{per100Text(part, here.kitchen)}</span>
      </span>
      {among && <Chip>recipe</Chip>}
    </MenuItem>
  ));
}

/** Parts that words could mean, nearest first; for no words, all by name. */
export function partsFor({ all, index }: PartsToTake, sought: string, most: number): ReusablePart[] {
  if (sought.trim() !== '') return index.find(sought, most).map(({ food }) => food);
  return [...all].sort((a, b) => (a.name < b.name ? -1 : 1)).slice(0, most);
}
