import fc from 'fast-check';
import { readRecipes } from './readRecipes.js';

const readRecipe = (text: string) => readRecipes(text)[0];

const DATA = {
  '@context': 'https://schema.org',
  '@graph': [
    { '@type': 'WebPage', '@id': 'http://127.0.0.1/p', name: 'Page' },
    {
      '@type': ['Recipe', 'NewsArticle'],
      name: 'Leek &amp; barley stew',
      url: 'http://127.0.0.1/leek',
      recipeYield: ['4', '4 boxes'],
      prepTime: 'PT15M',
      totalTime: 'P0DT1H30M',
      recipeIngredient: [
        '300&nbsp;g pearl  barley',
        '&frac12; tsp salt',
        'For the dressing:',
        '2 tbsp <b>olive</b> oil',
        '1 lemon, juiced',
      ],
      recipeInstructions: [
        {
          '@type': 'HowToSection',
          name: 'Stew:',
          itemListElement: [
            { '@type': 'HowToStep', text: '1. Boil the barley.' },
            { '@type': 'HowToStep', text: '<p>Add salt.</p>' },
          ],
        },
        { '@type': 'HowToSection', name: 'Dressing', itemListElement: ['Whisk it all.'] },
      ],
    },
  ],
};

test('schema.org data in a graph, with sections, entities, markup and odd spaces', () => {
  expect(readRecipe(JSON.stringify(DATA))).toEqual({
    title: 'Leek & barley stew',
    servings: 4,
    servingName: 'box',
    sections: [
      { name: '', lines: ['300 g pearl barley', '½ tsp salt'] },
      { name: 'Dressing', lines: ['2 tbsp olive oil', '1 lemon, juiced'] },
    ],
    steps: [
      { text: 'Boil the barley.', section: 'Stew' },
      { text: 'Add salt.', section: 'Stew' },
      { text: 'Whisk it all.', section: 'Dressing' },
    ],
    activeMinutes: 15,
    totalMinutes: 90,
    source: 'http://127.0.0.1/leek',
    left: [],
  });
});

test('a saved page that carries the data, wherever, and a script of something else before it', () => {
  const page = `<!doctype html><html><head><script type="application/ld+json">{"@type":"WebSite","name":"x",}</script>
    <script type='application/ld+json'>/*<![CDATA[*/ [${JSON.stringify({ '@type': 'WebPage', mainEntity: DATA['@graph'][1] })}] /*]]>*/</script></head>
    <body><nav>Home</nav><script>alert('2 cups no')</script><h1>Something else</h1></body></html>`;
  expect(readRecipe(page)?.title).toBe('Leek & barley stew');
  expect(readRecipe(page)?.sections).toHaveLength(2);
});

test('data that is not quite JSON: raw line ends in its texts, a comma too many', () => {
  const text = `{"@type":"http://schema.org/Recipe","name":"Soup","ingredients":"1 leek\n200 g potatoes","recipeInstructions":"Chop.\nBoil.","recipeYield":6,"cookTime":"PT20M",}`;
  expect(readRecipe(text)).toMatchObject({ title: 'Soup', servings: 6, totalMinutes: 20 });
});

test('a page without data is read by its words', () => {
  const page =
    '<article><h1>Leek soup</h1><p>Serves 4</p><h2>Ingredients</h2><ul><li>3 leeks</li><li>1 l stock</li></ul><h2>Method</h2><ol><li>Slice the leeks.</li><li>Boil.</li></ol><footer>x</footer></article>';
  expect(readRecipe(page)).toMatchObject({
    title: 'Leek soup',
    servings: 4,
    sections: [{ name: '', lines: ['3 leeks', '1 l stock'] }],
    steps: [{ text: 'Slice the leeks.' }, { text: 'Boil.' }],
  });
});

test('plain text with headings, sections and bullets', () => {
  const text = `Prawn orzo

Makes 5 boxes

Ingredients:
- 400 g orzo
- 2 x 400 g cans tomatoes
For the dressing
• 1 lemon, juiced
• salt, to taste

Method
1. Boil the orzo for 8 minutes.
2) Stir in the tomatoes.`;
  expect(readRecipe(text)).toMatchObject({
    title: 'Prawn orzo',
    servings: 5,
    servingName: 'box',
    sections: [
      { name: '', lines: ['400 g orzo', '2 x 400 g cans tomatoes'] },
      { name: 'Dressing', lines: ['1 lemon, juiced', 'salt, to taste'] },
    ],
    steps: [{ text: 'Boil the orzo for 8 minutes.' }, { text: 'Stir in the tomatoes.' }],
  });
});

test('plain text without any heading: the list ends where sentences begin', () => {
  const text = `Quick dal
serves 2-3
200g red lentils, rinsed
1 onion
a pinch of turmeric
Fry the onion until it is golden at the edges.
Add lentils and simmer for twenty minutes.`;
  expect(readRecipe(text)).toMatchObject({
    title: 'Quick dal',
    servings: 2,
    sections: [{ name: '', lines: ['200g red lentils, rinsed', '1 onion', 'a pinch of turmeric'] }],
    steps: [{ text: 'Fry the onion until it is golden at the edges.' }, { text: 'Add lentils and simmer for twenty minutes.' }],
  });
});

test('a list alone is enough; no ingredient is no recipe', () => {
  expect(readRecipe('2 onions\n3 leeks')).toMatchObject({
    title: '',
    servings: undefined,
    sections: [{ name: '', lines: ['2 onions', '3 leeks'] }],
    steps: [],
  });
  for (const nothing of ['', 'Hello there', '{"@type":"Recipe","name":"x"}', '{', '[]', '<p>Nothing</p>', '{"a":1}'])
    expect(readRecipe(nothing)).toBeUndefined();
});

test('whatever is given, it answers, and never with markup', () => {
  fc.assert(
    fc.property(fc.string(), fc.string(), (one, other) => {
      readRecipe(one);
      const read = readRecipe(
        JSON.stringify({ '@type': 'Recipe', name: one, recipeIngredient: ['1 leek', other], recipeInstructions: [one, { text: other }] }),
      );
      expect(read?.sections[0]?.lines[0]).toBe('1 leek');
    }),
  );
  const deep = '{"a":'.repeat(5000) + '1' + '}'.repeat(5000);
  expect(readRecipe(deep)).toBeUndefined();
});
