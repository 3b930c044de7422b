import fc from 'fast-check';
import { demoKitchen } from '../../test/demoKitchen.js';
import { anyDish, dishOf, kitchenOf, recipeOf } from '../../test/kitchens.js';
import { BRIEF_FIGURES, recipeFigures, TARGET_KINDS, type Brief, type Line, type Recipe, type Target } from '../recipe/index.js';
import { groundKept, groundToKeep } from './briefGround.js';
import { briefJudgements, judgementsOn, briefVerdict, type TargetJudgement, type Verdict } from './briefJudgement.js';

const kitchen = kitchenOf({
  foods: [
    {
      id: 'oats',
      name: 'Oats',
      source: 'label',
      nutrients: { energyKcal: 400, protein: 10, salt: 0.1 },
      allergens: ['oats'],
      aisle: 'grains-pasta-bread',
    },
    { id: 'mystery', name: 'Mystery', nutrients: { energyKcal: 100 } },
    { id: 'nut', name: 'Almonds', nutrients: { energyKcal: 600, protein: 20 }, allergens: ['almonds'], aisle: 'nuts-seeds' },
  ],
  packs: [{ food: 'oats', net: 1, unit: 'kg', price: '2.00', currency: 'EUR', shop: 'S', seen: '2031-03-01' }],
});
const OATS: Line = { food: 'oats', amount: 100, unit: 'g', method: 'scale' };

function judged(brief: Brief, lines: readonly Line[] = [OATS], over: Partial<Recipe> = {}) {
  return briefJudgements(recipeFigures(recipeOf(lines, { servings: 1, ...over }), kitchen), brief, kitchen);
}

function target(over: Partial<Target>, lines?: readonly Line[]): TargetJudgement {
  return judged({ targets: [{ figure: 'energyKcal', is: 'at most', amount: 500, ...over }] }, lines)[0] as TargetJudgement;
}

/** 100 g of oats by scale, label: 400 kcal, 8.06 % either way at one standard uncertainty, so 336.8 to 463.2. */
test.each<[string, Partial<Target>, Verdict]>([
  ['at most 500: the whole band keeps to it', { amount: 500 }, 'holds'],
  ['at most 450: the band reaches over it', { amount: 450 }, 'unsure'],
  ['at most 399: over it', { amount: 399 }, 'missed'],
  ['at least 300', { is: 'at least', amount: 300 }, 'holds'],
  ['at least 350: the band reaches below', { is: 'at least', amount: 350 }, 'unsure'],
  ['at least 401', { is: 'at least', amount: 401 }, 'missed'],
  ['about 400, a fifth either way', { is: 'about', amount: 400, within: 0.2 }, 'holds'],
  ['about 400', { is: 'about', amount: 400 }, 'unsure'],
  ['about 440', { is: 'about', amount: 440 }, 'missed'],
  ['salt at most 0.2 g', { figure: 'salt', amount: 0.2 }, 'holds'],
  ['weight at most 100 g', { figure: 'weight', amount: 100 }, 'holds'],
  ['weight at most 99 g', { figure: 'weight', amount: 99 }, 'missed'],
  ['cost at most 0.20', { figure: 'usedCost', amount: 0.2 }, 'holds'],
  ['cost at most 0.19', { figure: 'usedCost', amount: 0.19 }, 'missed'],
  ['iron, which nobody knows', { figure: 'iron', amount: 1 }, 'unknown'],
])('%s: %j is %s', (_, over, verdict) => {
  expect(target(over).verdict).toBe(verdict);
});

test('the margin is the room that is left, and the band stands beside it', () => {
  const { margin, band, amount } = target({ amount: 500 });
  expect([amount, margin]).toEqual([400, 100]);
  expect(band?.[1]).toBeCloseTo(463.2, 1);
  expect(target({ is: 'at least', amount: 420 }).margin).toBe(-20);
  expect(target({ is: 'about', amount: 410 }).margin).toBeCloseTo(10.5, 9);
});

test('what is lacking can only add: no upper limit is believed, a lower one may yet hold', () => {
  const lacking: Line[] = [OATS, { food: 'mystery', amount: 10, unit: 'g', method: 'scale' }];
  const of = (over: Partial<Target>) => target({ figure: 'protein', ...over }, lacking);
  expect(of({ amount: 30 })).toMatchObject({ verdict: 'unsure', atLeast: true });
  expect(of({ amount: 9 }).verdict).toBe('missed');
  expect(of({ is: 'at least', amount: 8 }).verdict).toBe('holds');
  expect(of({ is: 'at least', amount: 12 }).verdict).toBe('unsure');
  expect(of({ is: 'about', amount: 12 }).verdict).toBe('unsure');
  expect(of({ is: 'about', amount: 6 }).verdict).toBe('missed');
});

test('box, times, keeping, freezing', () => {
  const brief: Brief = { boxVolume: 120, activeMinutes: 20, totalMinutes: 60, fridgeDays: 4, freezes: true };
  const verdicts = (over: Partial<Recipe>) =>
    Object.fromEntries(judged(brief, [OATS], over).flatMap((one) => (one.kind === 'bound' ? [[one.of, one.verdict]] : [])));
  expect(verdicts({ activeMinutes: 25, totalMinutes: 60, storage: { fridgeDays: 3, freezes: false } })).toEqual({
    'box volume': 'holds',
    'active time': 'missed',
    'total time': 'holds',
    fridge: 'missed',
    freezer: 'missed',
  });
  expect(verdicts({})).toEqual({
    'box volume': 'holds',
    'active time': 'unknown',
    'total time': 'unknown',
    fridge: 'unknown',
    freezer: 'unknown',
  });
});

test('who avoids a group avoids all of it; an unmatched line leaves it open', () => {
  const avoid = (brief: Brief, lines: readonly Line[]) => judged(brief, lines)[0];
  const nut: Line = { food: 'nut', amount: 10, unit: 'g' };
  expect(avoid({ avoidAllergens: ['nuts'] }, [nut])).toMatchObject({ verdict: 'missed', is: 'almonds (nuts)' });
  expect(avoid({ avoidAllergens: ['almonds'] }, [nut])?.verdict).toBe('missed');
  expect(avoid({ avoidAllergens: ['hazelnuts'] }, [nut])?.verdict).toBe('holds');
  expect(avoid({ avoidAllergens: ['milk'] }, [OATS, { text: 'something' }])?.verdict).toBe('unsure');
  expect(avoid({ avoidGroups: ['nuts-seeds'] }, [OATS, nut])).toMatchObject({ verdict: 'missed', is: 'Almonds' });
  expect(avoid({ avoidGroups: ['nuts-seeds'] }, [OATS])?.verdict).toBe('holds');
});

test('a brief is met when all but wishes hold', () => {
  const verdict = (...targets: Partial<Target>[]) =>
    briefVerdict(judged({ targets: targets.map((one) => ({ figure: 'energyKcal', is: 'at most', amount: 500, ...one })) }));
  expect(verdict({})).toBe('meets');
  expect(verdict({}, { amount: 100, wish: true })).toBe('meets');
  expect(verdict({}, { amount: 450 })).toBe('perhaps');
  expect(verdict({ amount: 450 }, { amount: 100 })).toBe('misses');
  expect(briefVerdict(judged({}))).toBe('meets');
});

test('a limit that holds goes on holding when it is loosened, whatever the dish', () => {
  fc.assert(
    fc.property(
      anyDish,
      fc.double({ min: 0, max: 5000, noNaN: true }),
      fc.double({ min: 0, max: 500, noNaN: true }),
      (dish, amount, more) => {
        const { kitchen: any, recipe } = dishOf(dish);
        const figures = recipeFigures(recipe, any);
        const rank = (is: Target['is'], at: number) => {
          const [one] = briefJudgements(figures, { targets: [{ figure: 'energyKcal', is, amount: Math.max(0, at) }] }, any);
          return ['unknown', 'missed', 'unsure', 'holds'].indexOf(one?.verdict ?? 'unknown');
        };
        expect(rank('at most', amount + more)).toBeGreaterThanOrEqual(rank('at most', amount));
        expect(rank('at least', amount - more)).toBeGreaterThanOrEqual(rank('at least', amount));
      },
    ),
  );
});

test('every dish of the demo is held against a brief without a question left open', () => {
  for (const recipe of demoKitchen.content.recipes) {
    const brief: Brief = {
      targets: [
        { figure: 'energyKcal', is: 'at most', amount: 700 },
        { figure: 'usedCost', is: 'at most', amount: 5 },
      ],
    };
    const judgements = briefJudgements(recipeFigures(recipe, demoKitchen), brief, demoKitchen);
    expect(judgements.map(({ verdict }) => verdict)).not.toContain('unknown');
  }
});

test('a brief is judged on what was kept of a dish as on the dish itself', () => {
  const asked = fc.array(
    fc.record({
      figure: fc.constantFrom(...BRIEF_FIGURES),
      is: fc.constantFrom(...TARGET_KINDS),
      amount: fc.double({ min: 0, max: 900, noNaN: true }),
    }),
    { maxLength: 8 },
  );
  fc.assert(
    fc.property(anyDish, asked, (dish, targets) => {
      const { recipe, kitchen: own } = dishOf(dish);
      const figures = recipeFigures(recipe, own);
      const brief: Brief = { targets, boxVolume: 300, fridgeDays: 2, freezes: true, avoidAllergens: ['milk'], avoidGroups: ['dairy-eggs'] };
      const kept = groundKept(JSON.parse(JSON.stringify(groundToKeep(figures, own))) as ReturnType<typeof groundToKeep>);
      expect(judgementsOn(kept, brief)).toEqual(briefJudgements(figures, brief, own));
    }),
  );
});
