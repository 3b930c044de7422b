/** A food by what it is called in a shop: as far as its first comma. */
export function shortName(name: string): string {
  return name.split(',')[0] ?? name;
}

/** An aisle as it is said: "Grains, pasta, bread". */
export function aisleText(aisle: string): string {
  const words = aisle.replaceAll('-', ', ');
  return words.charAt(0).toUpperCase() + words.slice(1);
}

/** A dish in a word or two. */
export function shortDish(title: string): string {
  return (title.split(',')[0] ?? title)
    .split(' ')
    .slice(0, 3)
    .join(' ')
    .replace(/ (?:and|with|of|in|a|the)$/, '');
}
