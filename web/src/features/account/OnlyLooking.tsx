import { useEffect } from 'react';
import { useToast } from '../../ui/Toasts';
import { onChangeNotTaken } from './changesNotTaken';
import { useMay, type Right } from './useMe';

interface OnlyLookingProps {
  /** What it is: "food". */
  readonly what: string;
  /** What one has to be allowed to change it. */
  readonly needs?: Right;
  /** What one may do with it besides looking: " and cook it". */
  readonly besides?: string;
}

/** Said to whoever may look at something and not change it; pressed upon when they try. */
export function OnlyLooking({ what, needs = 'edit', besides = '' }: OnlyLookingProps) {
  const may = useMay(needs);
  const who = needs === 'cook' ? 'whoever cooks in the kitchen changes it' : 'editors and owners of the kitchen change it';
  const say = useToast();
  useEffect(() => onChangeNotTaken(() => say(`Nothing was changed: you may look at this ${what}, and ${who}.`)), [say, what, who]);
  if (may) return null;
  return (
    <p className="notice">
      You may look at this {what}
      {besides}; {who}.
    </p>
  );
}
