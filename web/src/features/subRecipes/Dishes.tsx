import { Link } from 'react-router';
import { api, type UpstreamFiguresDto, type DishDto, type UsedInDto } from '../../api/api.gen';
import { useRecipeState } from '../recipes/useRecipeState';
import type { LoadedKitchen } from '../kitchen/useKitchen';
import { docketText, numberText, percentText, priceText } from '../../ui/numberText';
import { DropPanel } from '../../ui/DropPanel';

/** Asked for when the list is opened, not at every save. */
const asked = api.enhanceEndpoints({ endpoints: { dishesOf: { providesTags: [] } } });

interface DishesProps {
  /** Recipe and part that are taken. */
  readonly base: string;
  readonly part: string;
  /** Grams of the part, cooked. */
  readonly cooked: number;
  readonly usedIn: readonly UsedInDto[];
  readonly here: LoadedKitchen;
}

/** The dishes that take a part, and what an edit of it did to each; nothing where none does. */
export function Dishes(props: DishesProps) {
  const { revision } = useRecipeState();
  const dishes = props.usedIn.filter(({ parts }) => parts.includes(props.part)).length;
  if (dishes === 0) return null;
  return (
    <DropPanel
      trigger={<button className="part-how shrink-0">in {dishes === 1 ? '1 dish' : `${dishes} dishes`} ▾</button>}
      className="p-3 w-[380px]"
      label="Dishes that take it"
    >
      {/* A save moves what they come to. */}
      <DishList {...props} key={revision} />
    </DropPanel>
  );
}

function DishList({ base, part, cooked, here }: DishesProps) {
  const { data, isError } = asked.useDishesOfQuery({ id: base }, { refetchOnMountOrArgChange: true });
  if (isError) return <p className="bad">The dishes cannot be had from the server just now.</p>;
  if (!data) return <p className="muted">Looking…</p>;
  return (
    <ul className="grid gap-2.5">
      {data.map((dish) => (
        <li key={dish.id}>
          <Link className="hover:underline font-serif text-line" to={`/recipes/${dish.id}/build`}>
            {dish.title}
          </Link>
          <p className="text-small muted">{takenWords(dish, part, cooked)}</p>
          <p className="text-small">
            {servingWords(dish.now, here)} a {dish.servingName}
            {movedWords(dish, here) !== '' && <span className="warn"> ▲ moved: {movedWords(dish, here)}</span>}
          </p>
        </li>
      ))}
    </ul>
  );
}

function takenWords({ taken, servings, servingName }: DishDto, part: string, cooked: number): string {
  const grams = taken.find((one) => one.part === part)?.grams ?? 0;
  if (grams === 0) return 'only in a variant of it';
  const share = cooked > 0 ? `, ${percentText(grams / cooked)} of a batch` : '';
  return `takes ${numberText(grams, 0)} g${share}: ${numberText(grams / servings, 0)} g a ${servingName}`;
}

function servingWords({ energyKcal, protein, usedCost }: UpstreamFiguresDto, { kitchen }: LoadedKitchen): string {
  return [
    energyKcal === null ? 'energy unknown' : `${docketText(energyKcal)} kcal`,
    protein === null ? 'protein unknown' : `${docketText(protein)} g protein`,
    usedCost === null ? 'cost unknown' : priceText(usedCost, kitchen.settings.currency),
  ].join(', ');
}

/** What became of a serving since the part was agreed to in the dish; nothing where no figure shown moved. */
function movedWords({ before, now }: DishDto, here: LoadedKitchen): string {
  const [was, is] = [servingWords(before, here).split(', '), servingWords(now, here).split(', ')];
  return was.flatMap((text, i) => (text === is[i] ? [] : [`was ${text}`])).join(', ');
}
