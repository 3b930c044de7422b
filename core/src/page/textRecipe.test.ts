import { growth, IN_PROPORTION } from '../../test/growth.js';
import { readRecipes } from './readRecipes.js';

test('an introduction says whom it feeds where nothing else does', () => {
  const [dal] = readRecipes(
    'Red lentil dal\n\nMy favourite. It takes 30 minutes and feeds 4 hungry people.\n\nYou’ll need:\n200g red lentils\n1 onion\n\nHere’s how:\nFry the onion.\nSimmer.',
  );
  expect(dal).toMatchObject({
    title: 'Red lentil dal',
    servings: 4,
    totalMinutes: 30,
    steps: [{ text: 'Fry the onion.' }, { text: 'Simmer.' }],
  });
});

test('headings that say more than one word: whom it serves, how long it takes', () => {
  const [dish] = readRecipes('Ingredients (serves 4)\n• 500g chicken\n• 1 pepper\nInstructions (30 min)\n• Slice everything\n• Fry it');
  expect(dish).toMatchObject({ title: '', servings: 4, totalMinutes: 30, steps: [{ text: 'Slice everything' }, { text: 'Fry it' }] });
  const [german] = readRecipes('Zutaten für 4 Personen:\n500 g Kartoffeln\n2 EL Öl\nSo geht’s:\nKartoffeln schälen. Braten.');
  expect(german).toMatchObject({ servings: 4, steps: [{ text: 'Kartoffeln schälen. Braten.' }] });
});

test('a first line that holds title, yield and times', () => {
  const [dish] = readRecipes(
    'CHICKEN TRAYBAKE   Serves 4   Prep 10 mins   Cook 40 mins\n8 chicken thighs\n500g potatoes\n1. Roast for 40 mins.',
  );
  expect(dish).toMatchObject({ title: 'CHICKEN TRAYBAKE', servings: 4, servingName: undefined, activeMinutes: 10, totalMinutes: 50 });
});

test('short lines that stand over the list and over the method are names of parts', () => {
  const [cake] = readRecipes(
    'Ingredients\nBase\n200 g biscuits\nFilling\n500 g quark\nMethod\nBase\nCrush the biscuits.\nFilling\nBake for 50 minutes.',
  );
  expect(cake?.sections.map(({ name }) => name)).toEqual(['Base', 'Filling']);
  expect(cake?.steps).toEqual([
    { text: 'Crush the biscuits.', section: 'Base' },
    { text: 'Bake for 50 minutes.', section: 'Filling' },
  ]);
});

test('what is passed over is told', () => {
  const [dish] = readRecipes('Aubergine\nEquipment\n1 grill\nIngredients\n2 aubergines\nMethod\nGrill them.\nNotes\nKeeps 3 days.');
  expect(dish?.left).toEqual(['Equipment', '1 grill', 'Keeps 3 days.']);
  const long = `Soup\nIngredients\n1 leek\nMethod\n${'Stir.\n'.repeat(6000)}`;
  expect(readRecipes(long)[0]?.left[0]).toMatch(/^\d+ further lines: a recipe is read up to its 5000th$/);
});

test('what stands around a recipe on its page is no part of it', () => {
  const page = `<body><header><h1>Stew</h1></header><div class="recipe"><ul><li>1 kg beef</li><li>2 carrots</li></ul></div>
    <div id="comments"><p>I used 3 onions.</p></div><aside>2 more recipes</aside></body>`;
  expect(readRecipes(page)[0]).toMatchObject({ title: 'Stew', sections: [{ name: '', lines: ['1 kg beef', '2 carrots'] }], steps: [] });
});

test('deep markup and marks within marks end', () => {
  const deep = `${'<div itemscope itemtype="http://schema.org/Recipe" itemprop="x">'.repeat(3000)}<p itemprop="name">Soup</p><p itemprop="recipeIngredient">1 leek</p>`;
  expect(() => readRecipes(deep)).not.toThrow();
});

test('a long list of what is needed to cook takes no time to speak of', () => {
  const text = (letters: number) => `Equipment\n${'1 bowl\n'.repeat(letters / 7)}`;
  expect(growth(2000, text, readRecipes)).toBeLessThan(IN_PROPORTION);
});
