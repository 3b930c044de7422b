import { useDeferredValue, useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { useMembership } from '../features/account/useMe';
import { Command, defaultFilter } from 'cmdk';
import { useNavigate, useParams } from 'react-router';
import { useListFoodsQuery, usePageRecipesQuery } from '../api/api.gen';
import { recentPlaces } from '../features/recent/recentPlaces';
import { APP_ACTIONS, dishActions, type AppAction } from './actions';
import { pageControls } from './pageControls';
import { Input } from '../ui/Input';
import '../ui/menu.css';

/** A shorter word is in too many others by its letters. */
const LEAST_LETTERS = 5;

/** Of 1: letters that stand far apart are another word. */
const LEAST_ALIKE = 0.25;

/** Until a list that has just come is in its order, milliseconds. */
const ORDERED_MS = 30;

/** Recipes shown: those saved last, or the first of those that are called so. */
const MOST_RECIPES = 30;

interface FinderProps {
  readonly words: string;
  /** Enter was pressed before this was there. */
  readonly entered: boolean;
  readonly onWords: (words: string) => void;
  readonly onClose: () => void;
  readonly onCall: (call: NonNullable<AppAction['call']>) => void;
  /** What is to be pressed on the page once the dialog is gone. */
  readonly onPress: (press: () => void) => void;
}

/** What is found while it is typed: things to do, what the page holds, recipes and foods. */
export function Finder({ words, entered: enteredBefore, onWords, onClose, onCall, onPress }: FinderProps) {
  const navigate = useNavigate();
  const { recipeId } = useParams();
  const asked = useDeferredValue(words.trim());
  const found = usePageRecipesQuery({ words: asked, order: asked === '' ? 'savedAt' : 'series', count: MOST_RECIPES });
  const recipes = found.data?.recipes ?? [];
  const waiting = found.isFetching || asked !== words.trim();
  const foods = useListFoodsQuery().data ?? [];
  const list = useRef<HTMLDivElement>(null);
  const entered = useRef(enteredBefore);
  const gone = useRef(false);
  // The page stands still under the dialog: what it shows is looked at once.
  const [controls] = useState(() => pageControls(document.getElementById('content') ?? document));
  const rights = useMembership()?.rights;
  const actions = useMemo(
    () => [
      ...(recipeId === undefined ? [] : dishActions(recipeId)),
      ...APP_ACTIONS.filter(({ needs }) => needs === undefined || (rights?.includes(needs) ?? true)),
    ],
    [recipeId, rights],
  );
  const named = useMemo(() => new Set(actions.map(({ name }) => name)), [actions]);
  // Enter pressed before what was typed is found means what will be found, not what happens to stand there.
  useEffect(() => {
    if (!entered.current || waiting) return;
    entered.current = false;
    // Once the list has been put in order: what stands first, unless something else was gone to.
    const chosen = gone.current ? '[cmdk-item][data-selected=true]' : '[cmdk-item]';
    const soon = setTimeout(() => list.current?.querySelector<HTMLElement>(chosen)?.click(), ORDERED_MS);
    return () => clearTimeout(soon);
  }, [waiting]);
  const go = (to: string) => () => {
    onClose();
    void navigate(to);
  };
  const act = (action: AppAction) => () => {
    onClose();
    if (action.call) onCall(action.call);
    else void navigate(action.to);
  };
  return (
    <Command
      label="Find or do anything"
      loop
      ref={list}
      filter={sureness}
      onKeyDownCapture={(event) => {
        gone.current = event.key.startsWith('Arrow') || (gone.current && event.key === 'Enter');
        entered.current = event.key === 'Enter' && waiting;
        if (!entered.current) return;
        event.preventDefault();
        event.stopPropagation();
      }}
    >
      <Command.Input asChild value={words} onValueChange={onWords}>
        <Input className="w-full mb-2" placeholder="A recipe, a food, something to do" autoFocus />
      </Command.Input>
      <Command.List className="max-h-[46vh] overflow-auto">
        <Command.Empty className="muted p-2">Nothing by that name.</Command.Empty>
        {words === '' && (
          <Found heading="Looked at last">
            {recentPlaces().map(({ to, name }) => (
              <Command.Item key={to} className="menu-item" value={`last ${name} ${to}`} onSelect={go(to)}>
                <span className="font-serif">{name}</span>
              </Command.Item>
            ))}
          </Found>
        )}
        <Found heading="Do">
          {actions.map((action) => (
            <Command.Item
              key={action.name}
              className="menu-item"
              value={`do ${action.name}`}
              keywords={[action.name, ...action.also]}
              onSelect={act(action)}
            >
              {action.name} {action.key !== undefined && <kbd>{action.key}</kbd>}
            </Command.Item>
          ))}
        </Found>
        <Found heading="On this page">
          {controls
            .filter(({ name }) => !named.has(name))
            .map(({ name, hint, go: press }) => (
              <Command.Item
                key={name}
                className="menu-item"
                value={`here ${name}`}
                keywords={[name, hint]}
                onSelect={() => {
                  onPress(press);
                  onClose();
                }}
              >
                {name}
              </Command.Item>
            ))}
        </Found>
        <Found heading="Recipes">
          {recipes.map(({ id, title, series }) => (
            <Command.Item key={id} className="menu-item" value={`${title} ${id}`} onSelect={go(`/recipes/${id}/build`)}>
              <span className="font-serif">{title}</span> <span className="faint text-small">{series}</span>
            </Command.Item>
          ))}
        </Found>
        <Found heading="Foods">
          {foods.map((row) => {
            const { id, name, names = [] } = row.document;
            return (
              <Command.Item key={id} className="menu-item" value={`${name} ${id}`} keywords={[...names]} onSelect={go(`/pantry/${id}`)}>
                {name}
              </Command.Item>
            );
          })}
        </Found>
      </Command.List>
    </Command>
  );
}

function Found({ heading, children }: { readonly heading: string; readonly children: ReactNode }) {
  return <Command.Group heading={<span className="faint text-small px-2">{heading}</span>}>{children}</Command.Group>;
}

/**
 * What begins with the words typed, in any order. Of recipes and foods, which are often misspelt, also what only has their letters,
 * behind it; things to do have too many other words for that.
 */
function sureness(value: string, search: string, keywords: readonly string[] = []): number {
  const typed = search.toLowerCase().split(/\s+/).filter(Boolean);
  const there = [value, ...keywords]
    .join(' ')
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u);
  if (typed.every((word) => there.some((one) => one.startsWith(word)))) return 1;
  if (/^(?:do|here|last) /.test(value)) return 0;
  if (search.trim().length < LEAST_LETTERS) return 0;
  const alike = defaultFilter?.(value, search, [...keywords]) ?? 0;
  return alike < LEAST_ALIKE ? 0 : 0.4 * alike;
}
