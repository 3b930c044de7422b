import { fitVessel, partVolume, type RecipeFigures } from '@portiona/core';
import { numberText, percentText } from '../../ui/numberText';
import { Remark } from '../../ui/Remark';

/** Whether each part fits what it is cooked in, at the size asked for. */
export function VesselsAt({ figures }: { readonly figures: RecipeFigures }) {
  return (
    <>
      {figures.parts.map((part) => {
        const { vessel, id, name } = part.part;
        if (!vessel) return null;
        const { says, fill } = fitVessel(partVolume(part), vessel);
        return (
          <Remark key={id} tone={says === '' ? undefined : 'warn'} className="text-compact mt-1">
            <span aria-hidden>{says === '' ? '✓' : '▲'}</span> {name}, about {numberText(partVolume(part), 0)} ml:{' '}
            {says === '' ? `fills the ${vessel.name} to ${percentText(fill)}.` : `${says} The card says so.`}
          </Remark>
        );
      })}
    </>
  );
}
