import { useDeferredValue, useEffect, useRef, useState } from 'react';
import { Command } from 'cmdk';
import { useNavigate, useParams } from 'react-router';
import { useListFoodsQuery, usePageRecipesQuery } from '../api/api.gen';
import { asFood } from '../api/documents';
import { NewRecipe } from '../features/recipes/NewRecipe';
import { Modal } from '../ui/Modal';
import { useTheme } from '../ui/useTheme';

/** Recipes shown: those saved last, or the first of those that are called so. */
const MOST_RECIPES = 30;

/** Finds a recipe or a food, or does something, by typing. */
export function CommandPalette({ open, onClose }: { readonly open: boolean; readonly onClose: () => void }) {
  const [starting, setStarting] = useState(false);
  return (
    <>
      <Modal open={open} onClose={onClose} title="Find or do anything">
        <Finder onClose={onClose} onStart={() => setStarting(true)} />
      </Modal>
      <NewRecipe open={starting} onClose={() => setStarting(false)} />
    </>
  );
}

function Finder({ onClose, onStart }: { readonly onClose: () => void; readonly onStart: () => void }) {
  const navigate = useNavigate();
  const { recipeId } = useParams();
  const { toggle } = useTheme();
  const [words, setWords] = useState('');
  const asked = useDeferredValue(words.trim());
  const found = usePageRecipesQuery({ words: asked, order: asked === '' ? 'savedAt' : 'series', count: MOST_RECIPES });
  const recipes = found.data?.recipes ?? [];
  const waiting = found.isFetching || asked !== words.trim();
  const foods = useListFoodsQuery().data ?? [];
  const list = useRef<HTMLDivElement>(null);
  const entered = useRef(false);
  const gone = useRef(false);
  // Enter pressed before what was typed is found means what will be found, not what happens to stand there.
  useEffect(() => {
    if (!entered.current || waiting) return;
    entered.current = false;
    // Once the list has been put in order: what stands first, unless something else was gone to.
    const chosen = gone.current ? '[cmdk-item][data-selected=true]' : '[cmdk-item]';
    const soon = setTimeout(() => list.current?.querySelector<HTMLElement>(chosen)?.click());
    return () => clearTimeout(soon);
  }, [waiting]);
  const go = (to: string) => () => {
    onClose();
    void navigate(to);
  };
  return (
    <Command
      label="Find or do anything"
      loop
      ref={list}
      onKeyDownCapture={(event) => {
        gone.current = event.key.startsWith('Arrow') || (gone.current && event.key === 'Enter');
        entered.current = event.key === 'Enter' && waiting;
        if (!entered.current) return;
        event.preventDefault();
        event.stopPropagation();
      }}
    >
      <Command.Input
        className="field w-full mb-2"
        placeholder="A recipe, a food, something to do"
        autoFocus
        value={words}
        onValueChange={setWords}
      />
      <Command.List className="max-h-[46vh] overflow-auto">
        <Command.Empty className="muted p-2">Nothing by that name.</Command.Empty>
        <Command.Group heading={<span className="faint text-[12px] px-2">Do</span>}>
          <Command.Item
            className="menu-item"
            onSelect={() => {
              onClose();
              onStart();
            }}
          >
            Start a recipe
          </Command.Item>
          {recipeId !== undefined && (
            <>
              <Command.Item className="menu-item" onSelect={go(`/recipes/${recipeId}/build`)}>
                Go to Build <kbd>Alt 2</kbd>
              </Command.Item>
              <Command.Item className="menu-item" onSelect={go(`/recipes/${recipeId}/card`)}>
                Go to Card <kbd>Alt 6</kbd>
              </Command.Item>
            </>
          )}
          <Command.Item className="menu-item" onSelect={go('/pantry')}>
            Open the pantry
          </Command.Item>
          <Command.Item className="menu-item" onSelect={go('/pantry/new')}>
            Add a food
          </Command.Item>
          <Command.Item
            className="menu-item"
            onSelect={() => {
              toggle();
              onClose();
            }}
          >
            Switch between light and dark
          </Command.Item>
        </Command.Group>
        <Command.Group heading={<span className="faint text-[12px] px-2">Recipes</span>}>
          {recipes.map(({ id, title, series }) => (
            <Command.Item key={id} className="menu-item" value={`${title} ${id}`} onSelect={go(`/recipes/${id}/build`)}>
              <span className="font-serif">{title}</span> <span className="faint text-[12px]">{series}</span>
            </Command.Item>
          ))}
        </Command.Group>
        <Command.Group heading={<span className="faint text-[12px] px-2">Foods</span>}>
          {foods.map((row) => {
            const { id, name, names = [] } = asFood(row).document;
            return (
              <Command.Item key={id} className="menu-item" value={`${name} ${id}`} keywords={[...names]} onSelect={go(`/pantry/${id}`)}>
                {name}
              </Command.Item>
            );
          })}
        </Command.Group>
      </Command.List>
    </Command>
  );
}
