import fc from 'fast-check';
import { demoKitchen } from '../../test/demoKitchen.js';
import { recipeOf } from '../../test/kitchens.js';
import { cardContent } from './cardContent.js';
import { cardMarkdown } from './cardMarkdown.js';

const dal = demoKitchen.content.recipes.find(({ id }) => id === 'smoky-lentil-and-squash-dal');
if (!dal) throw new Error('no dal in the demo');

test('says what the card says: title, figures, ingredients by part, method', () => {
  const card = cardContent(dal, demoKitchen);
  const text = cardMarkdown(card);
  expect(text).toMatch(/^# Smoky lentil and squash dal, brown rice\n/);
  expect(text).toContain(`| Energy | ${card.energy?.text} kcal |`);
  expect(text).toContain('### Brown rice\n\n- 350 g brown rice');
  expect(text).toContain('### Yoghurt, at the table');
  expect(text).toContain('1. _Dal:_ Soften **2 onions** in **3 tbsp rapeseed oil**, medium heat, 8 min, until');
});

test('text of people never becomes markup', () => {
  const title = '# [x](javascript:alert(1)) <img src=x onerror=y> | *b*';
  const text = cardMarkdown(cardContent({ ...dal, title, steps: ['- not\n\n# a heading', '1. a list'] }, demoKitchen));
  expect(text.split('\n')[0]).toBe('# \\# \\[x\\](javascript:alert(1)) &lt;img src=x onerror=y&gt; \\| \\*b\\*');
  expect(text).toContain('1. \\- not \\# a heading');
  expect(text).toContain('2. \\1. a list');
});

test('no text opens a tag or a line of its own', () => {
  fc.assert(
    fc.property(fc.string({ minLength: 1, maxLength: 60 }), (title) => {
      const card = cardContent({ ...recipeOf([]), title }, demoKitchen);
      const [first = ''] = cardMarkdown(card).split('\n\n');
      expect(first).not.toContain('<');
      expect(first).not.toContain('\n');
    }),
  );
});
