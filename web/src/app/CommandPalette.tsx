import { useRef, useState } from 'react';
import { NewRecipe } from '../features/recipes/NewRecipe';
import { Modal } from '../ui/Modal';
import { useTheme } from '../ui/useTheme';
import { Input } from '../ui/Input';
import { later } from '../ui/later';
import { Arriving } from '../ui/Arriving';

const { View: Finder } = later(async () => ({ default: (await import('./Finder')).Finder }));

interface CommandPaletteProps {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly onSettings: () => void;
  readonly onKeys: () => void;
}

/** Finds a recipe or a food, or does something, by typing. */
export function CommandPalette({ open, onClose, onSettings, onKeys }: CommandPaletteProps) {
  const [starting, setStarting] = useState(false);
  const { toggle } = useTheme();
  // Held here: what is typed before the rest has come is not lost.
  const [words, setWords] = useState('');
  const [entered, setEntered] = useState(false);
  const pressed = useRef<() => void>(undefined);
  const typedAhead = (
    <Input
      className="w-full mb-2"
      aria-label="Find or do anything"
      autoFocus
      value={words}
      onChange={({ target }) => setWords(target.value)}
      onKeyDown={({ key }) => key === 'Enter' && setEntered(true)}
    />
  );
  const calls = { start: () => setStarting(true), settings: onSettings, keys: onKeys, theme: toggle };
  return (
    <>
      <Modal
        open={open}
        onClose={onClose}
        title="Find or do anything"
        meanwhile={typedAhead}
        onClosed={(event) => {
          setWords('');
          setEntered(false);
          const press = pressed.current;
          pressed.current = undefined;
          if (!press) return;
          // What was chosen on the page has the focus, not what had it before.
          event.preventDefault();
          press();
        }}
      >
        <Arriving meanwhile={typedAhead}>
          <Finder
            words={words}
            entered={entered}
            onWords={setWords}
            onClose={onClose}
            onCall={(call) => calls[call]()}
            onPress={(press) => (pressed.current = press)}
          />
        </Arriving>
      </Modal>
      <NewRecipe open={starting} onClose={() => setStarting(false)} />
    </>
  );
}
