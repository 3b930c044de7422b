import { useEffect, useMemo, useRef, useState } from 'react';
import { useSearchParams } from 'react-router';
import {
  ABOUT,
  FINDING_AREAS,
  groundOf,
  isMadeTogether,
  mended,
  mendedTogether,
  type Finding,
  type FindingArea,
  type Recipe,
} from '@portiona/core';
import { placeOfFinding, placesOf } from '../../features/check/findingPlaces';
import { useAppDispatch } from '../../features/recipes/useRecipeState';
import { recipeActions } from '../../features/recipes/recipeSlice';
import { Button } from '../../ui/Button';
import { Remark } from '../../ui/Remark';
import { Segmented } from '../../ui/Segmented';
import { useToast } from '../../ui/Toasts';
import { useStation } from '../station';
import { FindingRow } from './FindingRow';
import { LeftRows } from './LeftRows';
import { Spine } from './Spine';
import './check.css';

const NONE: readonly Finding[] = [];
type Shown = 'all' | FindingArea;

/** Everything that Check finds in the dish, by how much hangs on it, each with its mend and the way to leave it with a reason. */
export function CheckStation() {
  const { recipe, here, computed, check } = useStation();
  const dispatch = useAppDispatch();
  const say = useToast();
  const [search] = useSearchParams();
  const [shown, setShown] = useState<Shown>('all');
  const open = check.checked?.open ?? NONE;
  const list = useRef<HTMLDivElement>(null);
  const wanted = search.get('at');
  useEffect(() => {
    if (wanted === null || open.length === 0) return;
    list.current?.querySelector(`[data-at="${CSS.escape(wanted)}"]`)?.scrollIntoView({ block: 'center' });
  }, [wanted, open.length]);
  const places = useMemo(() => placesOf(recipe, open), [recipe, open]);
  const write = (next: Recipe) => dispatch(recipeActions.edited({ recipe: next }));
  if (!computed.ok) return <p className="page muted">Without figures nothing can be checked.</p>;
  const mendable = open.filter(isMadeTogether);
  const seen = shown === 'all' ? open : open.filter(({ code }) => ABOUT[code].area === shown);
  const wrong = seen.filter(({ severity }) => severity === 'wrong');
  const look = seen.filter(({ severity }) => severity === 'look');
  const leave = (finding: Finding, because: string) =>
    write({
      ...recipe,
      accepted: [
        ...(recipe.accepted ?? []),
        { code: finding.code, at: finding.at, because, about: groundOf(finding, recipe, here.kitchen), on: here.kitchen.settings.date },
      ],
    });
  const mendAll = () => {
    const { recipe: next, made } = mendedTogether(recipe, here.kitchen);
    write(next);
    say(`${made === 1 ? 'One thing' : `${made} things`} mended. Ctrl Z takes it back.`);
  };
  return (
    <div className="check">
      <Spine places={places} left={check.checked?.left.length ?? 0} onChoose={(id) => scrollTo(list.current, id)} />
      <div className="check-finds" ref={list}>
        <div className="check-sum">
          <h2>{sumText(open, check.checked !== undefined)}</h2>
          {open.length > 0 && <Segmented label="What it is about" value={shown} onChange={setShown} options={areaOptions(open)} />}
          <span className="sr" role="status">
            {check.isBehind ? '' : sumText(open, check.checked !== undefined)}
          </span>
          {mendable.length > 1 && (
            <Button
              kind="main"
              className="ml-auto"
              onClick={mendAll}
              hint="What everybody would do; questions that only you can answer stay"
            >
              Mend {mendable.length}
            </Button>
          )}
        </div>
        {check.failed !== undefined && (
          <Remark tone="bad" className="mb-2">
            ✕ It could not be checked: {check.failed}. <Button onClick={check.again}>Try again</Button>
          </Remark>
        )}
        {wrong.length > 0 && (
          <Group tone="bad" name="✕ Wrong" says="a figure, a promise or somebody’s safety; publishing asks about each">
            {wrong.map(row)}
          </Group>
        )}
        {look.length > 0 && (
          <Group tone="warn" name="▲ To look at" says="a reader may stumble, or a figure is less sure than it could be">
            {look.map(row)}
          </Group>
        )}
        {check.checked && open.length === 0 && (
          <p className="check-none">
            <span className="good" aria-hidden>
              ✓
            </span>{' '}
            Every rule was tried on every place of the dish, and none has anything to say.
          </p>
        )}
        {check.checked && (
          <LeftRows
            left={check.checked.left}
            outdated={check.checked.outdated}
            recipe={recipe}
            figures={computed.figures}
            onOpen={(accepted) =>
              write({ ...recipe, accepted: (recipe.accepted ?? []).filter((one) => one !== accepted && !isSame(one, accepted)) })
            }
          />
        )}
      </div>
    </div>
  );

  function row(finding: Finding) {
    if (!computed.ok) return null;
    return (
      <FindingRow
        key={`${finding.code} ${finding.at} ${finding.message}`}
        finding={finding}
        recipe={recipe}
        figures={computed.figures}
        kitchen={here.kitchen}
        wanted={wanted === finding.at}
        onMend={(mend) => write(mended(recipe, mend))}
        onLeave={(because) => leave(finding, because)}
      />
    );
  }

  function scrollTo(within: HTMLElement | null, place: string) {
    const first = open.find((finding) => placeOfFinding(finding) === place);
    if (!first) return;
    const found = within?.querySelector<HTMLElement>(`[data-at="${CSS.escape(first.at)}"]`);
    found?.scrollIntoView({ block: 'center' });
    found?.querySelector<HTMLElement>('button, a')?.focus();
  }
}

/** What came back from the worker is a copy: the same reason by what it says. */
function isSame(a: NonNullable<Recipe['accepted']>[number], b: NonNullable<Recipe['accepted']>[number]): boolean {
  return a.code === b.code && a.at === b.at && a.because === b.because && a.about === b.about;
}

function sumText(open: readonly Finding[], known: boolean): string {
  if (!known) return 'Being checked …';
  const wrong = open.filter(({ severity }) => severity === 'wrong').length;
  const look = open.length - wrong;
  if (open.length === 0) return 'Nothing to look at';
  if (wrong === 0) return `${look} to look at`;
  return look === 0 ? `${wrong} wrong` : `${wrong} wrong, ${look} to look at`;
}

function areaOptions(open: readonly Finding[]): readonly (readonly [Shown, string])[] {
  const of = (area: FindingArea) => open.filter(({ code }) => ABOUT[code].area === area).length;
  return [
    ['all', `all ${open.length}`],
    ...FINDING_AREAS.filter((area) => of(area) > 0).map((area) => [area, `${area} ${of(area)}`] as const),
  ];
}

function Group({
  tone,
  name,
  says,
  children,
}: {
  readonly tone: 'bad' | 'warn';
  readonly name: string;
  readonly says: string;
  readonly children: React.ReactNode;
}) {
  return (
    <section aria-label={name.slice(2)}>
      <h3 className={`check-group ${tone}`}>
        {name} <span>{says}</span>
      </h3>
      {children}
    </section>
  );
}
