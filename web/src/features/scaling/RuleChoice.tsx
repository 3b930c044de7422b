import { idsByReference, placedLines, placesByReference, type Line, type Recipe, type RecipeFigures, type Scaling } from '@portiona/core';
import { NumberField } from '../../ui/NumberField';
import { lineName } from '../fit/fitWords';
import { Select } from '../../ui/Select';

interface RuleChoiceProps {
  readonly name: string;
  readonly line: Line;
  readonly at: string;
  readonly recipe: Recipe;
  readonly figures: RecipeFigures;
  readonly onChange: (scaling: Scaling | undefined) => void;
}

const KINDS = [
  ['proportional', 'in proportion'],
  ['fixed', 'stays as it is'],
  ['whole', 'whole ones only'],
  ['damped', 'damped'],
  ['ratioTo', 'a share of another'],
  ['evaporation', 'less what boils off'],
] as const;
type Kind = (typeof KINDS)[number][0];

/** What doubling with this exponent gives is a little less than double: spice, salt of a large pot. */
const USUAL_DAMPING = 0.8;
const USUAL_EVAPORATION = 150;

/** The rule by which a line follows the number of servings. */
export function RuleChoice({ name, line: { scaling = 'proportional' }, at, recipe, figures, onChange }: RuleChoiceProps) {
  const kind = kindOf(scaling);
  const ids = idsByReference(recipe);
  const places = placesByReference(recipe);
  const all = placedLines(recipe).map(({ p, l, at: stands }) => ({
    stands,
    place: ids.get(stands) ?? stands,
    figures: figures.parts[p]?.lines[l],
  }));
  const others = all.filter(({ stands }) => stands !== at);
  const shareOf = (target: string) => {
    const [own, other] = [at, places.get(target)].map((place) => all.find(({ stands }) => stands === place)?.figures?.weights?.edible ?? 0);
    return other ? Number(((own ?? 0) / other).toPrecision(4)) : 0;
  };
  const start = (next: Kind): Scaling | undefined => {
    if (next === 'damped') return { damped: USUAL_DAMPING };
    if (next === 'evaporation') return { evaporation: { perBatch: USUAL_EVAPORATION } };
    if (next !== 'ratioTo') return next;
    const [first] = others;
    return first && { ratioTo: first.place, share: shareOf(first.place) };
  };
  return (
    <div className="rule-choice">
      <Select
        className="text-small"
        aria-label={`How ${name} scales`}
        value={kind}
        onChange={({ target }) => onChange(start(target.value as Kind))}
      >
        {KINDS.filter(([one]) => one !== 'ratioTo' || others.length > 0).map(([one, words]) => (
          <option key={one} value={one}>
            {words}
          </option>
        ))}
      </Select>
      {typeof scaling === 'object' && 'damped' in scaling && (
        <NumberField label="Exponent" amount={scaling.damped} onChange={(damped) => damped && onChange({ damped })} />
      )}
      {typeof scaling === 'object' && 'evaporation' in scaling && (
        <NumberField
          label="Grams boiled off a batch"
          amount={scaling.evaporation.perBatch}
          onChange={(perBatch) => perBatch && onChange({ evaporation: { perBatch } })}
        />
      )}
      {typeof scaling === 'object' && 'ratioTo' in scaling && (
        <>
          <Select
            className="text-small"
            aria-label={`What ${name} is a share of`}
            value={scaling.ratioTo}
            onChange={({ target }) => onChange({ ratioTo: target.value, share: shareOf(target.value) || scaling.share })}
          >
            {others.map(({ place, figures: of }) => (
              <option key={place} value={place}>
                {lineName(of)}
              </option>
            ))}
            {recipe.parts.map(({ id, name: part }) => (
              <option key={id} value={id}>
                all of {part}
              </option>
            ))}
          </Select>
          <NumberField label="Share of it" amount={scaling.share} onChange={(share) => share && onChange({ ...scaling, share })} />
        </>
      )}
    </div>
  );
}

function kindOf(scaling: Scaling): Kind {
  if (typeof scaling === 'string') return scaling;
  return 'damped' in scaling ? 'damped' : 'ratioTo' in scaling ? 'ratioTo' : 'evaporation';
}
