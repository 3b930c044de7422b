/** Recipes and the foods and packs they are made of, as a kitchen file: each of fourteen lines, some with a brief, a series, a base. */
export function manyRecipes(count, from = 0) {
  const foods = Array.from({ length: 60 }, (_, i) => ({
    id: `bench-food-${i}`,
    name: `Bench food ${i}`,
    nutrients: { energyKcal: 100 + i, protein: i, fat: 1, carbohydrate: 20, fibre: 2, sodium: 10 },
  }));
  const packs = foods.map(({ id }, i) => ({
    food: id,
    net: 500,
    unit: 'g',
    price: `${1 + (i % 7)}.${10 + i}`,
    currency: 'EUR',
    shop: 'Bench',
    seen: '2026-11-01',
  }));
  const recipes = Array.from({ length: count }, (_, i) => {
    const r = from + i;
    return {
      id: `bench-${r}`,
      title: `Bench dish ${r}`,
      servings: 4,
      ...(r % 3 === 0 ? { series: `Series ${r % 40}`, number: r } : {}),
      ...(r % 5 === 0 ? { brief: { targets: [{ figure: 'energyKcal', is: 'at most', amount: 600 }] } } : {}),
      parts: [
        {
          id: 'main',
          name: 'Main',
          lines: Array.from({ length: 14 }, (_, l) => ({ food: foods[(r + l * 7) % foods.length].id, amount: 100 + l, unit: 'g' })),
        },
      ],
      steps: Array.from({ length: 8 }, (_, s) => `Cook it for ${s + 5} minutes, until done.`),
    };
  });
  return { format: 'portiona/1', foods, packs, recipes };
}
