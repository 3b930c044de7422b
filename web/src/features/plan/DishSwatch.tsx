/** Dishes of a session that have a look of their own; more begin anew. */
const LOOKS = 8;

/** The class of a dish's colour and pattern in a plan: the same wherever the dish is shown. */
export function dishLook(dish: number): string {
  return `dish-${((dish - 1) % LOOKS) + 1}`;
}

/** A dish's colour and pattern, beside its name. */
export function DishSwatch({ dish, small = false }: { readonly dish: number; readonly small?: boolean }) {
  return <i className={`dish-swatch dish-pattern ${dishLook(dish)} ${small ? 'small' : ''}`} aria-hidden />;
}
