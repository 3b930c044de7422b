interface FoodNameProps {
  readonly name: string;
  readonly onChange: (name: string) => void;
  /** What Enter does; Ctrl Enter is left to the sheet the name stands on. */
  readonly onEnter?: () => void;
  readonly autoFocus?: boolean;
}

/** What a food is called, at the head of its sheet. */
export function FoodName({ name, onChange, onEnter, autoFocus = false }: FoodNameProps) {
  return (
    <input
      className="name-field"
      aria-label="Name of the food"
      value={name}
      maxLength={200}
      placeholder="Name, as you would find it"
      onChange={({ target }) => onChange(target.value)}
      onKeyDown={(event) => {
        if (event.key !== 'Enter' || event.ctrlKey || event.metaKey || !onEnter) return;
        event.preventDefault();
        onEnter();
      }}
      autoFocus={autoFocus}
    />
  );
}
