/** Up and down go from a field to the things that can be chosen below it, through them, and back: a picker is chosen from by keys. */
export function stepByArrows(event: React.KeyboardEvent<HTMLElement>): void {
  if ((event.key !== 'ArrowDown' && event.key !== 'ArrowUp') || event.altKey || event.ctrlKey || event.metaKey) return;
  const places = [...event.currentTarget.querySelectorAll<HTMLElement>('input, .menu-item')];
  const at = places.findIndex((place) => place === document.activeElement);
  const next = places[at + (event.key === 'ArrowDown' ? 1 : -1)];
  if (at < 0 || !next) return;
  event.preventDefault();
  event.stopPropagation();
  next.focus();
}
