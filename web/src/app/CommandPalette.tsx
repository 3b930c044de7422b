import { useDeferredValue, useState } from 'react';
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
  const navigate = useNavigate();
  const { recipeId } = useParams();
  const { toggle } = useTheme();
  const [starting, setStarting] = useState(false);
  const [words, setWords] = useState('');
  const asked = useDeferredValue(words.trim());
  const recipes =
    usePageRecipesQuery({ words: asked, order: asked === '' ? 'savedAt' : 'series', count: MOST_RECIPES }, { skip: !open }).data?.recipes ??
    [];
  const foods = useListFoodsQuery(undefined, { skip: !open }).data ?? [];
  const go = (to: string) => () => {
    onClose();
    void navigate(to);
  };
  return (
    <>
      <Modal open={open} onClose={onClose} title="Find or do anything">
        <Command label="Find or do anything" loop>
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
                  setStarting(true);
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
      </Modal>
      <NewRecipe open={starting} onClose={() => setStarting(false)} />
    </>
  );
}
