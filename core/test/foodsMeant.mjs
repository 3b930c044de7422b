import { readFileSync } from 'node:fs';

/** Lines of `lines/foods-meant.txt` with what each must come to. */
export function readMeant() {
  return readFileSync(new URL('lines/foods-meant.txt', import.meta.url), 'utf8')
    .split('\n')
    .filter((line) => line !== '' && !line.startsWith('#'))
    .map((line) => {
      const [text = '', expected = ''] = line.split(' => ');
      const [amount = '', unit = '', food = '', note = ''] = expected.split('|').map((one) => one.trim());
      return { text, amounts: amount.split('/'), units: unit.split('/'), foods: food.split('/'), note };
    });
}

/**
 * How a line fares.
 *
 * @param line as computed: amount, unit, food, note
 * @param unsure whether its match was said to be unsure
 */
export function faresAs({ amounts, units, foods, note }, line, unsure) {
  const amount = amountText(line.amount);
  const found = line.food ?? '-';
  const foodRight = unsure ? foods.includes(found) || foods.includes(`?${found}`) : foods.includes(found);
  return {
    amount: amounts.includes(amount),
    unit:
      amount === 'to taste' ||
      units.includes(line.unit ?? '') ||
      (line.unit === 'pack' && /^(?:bag|can|jar|carton|tub|small pack|packet|envelope)/.test(units[0])) ||
      (units[0] === 'piece' && /piece$/.test(line.unit ?? '')),
    food: foodRight,
    note: bare(line.note) === bare(note),
    /** Wrong, and nothing said of it. */
    wrongUnmarked: line.food !== undefined && !unsure && !foods.includes(found),
    matchedUnmarked: line.food !== undefined && !unsure,
    /** A person is asked about what could have been known. */
    unsureButRight: line.food !== undefined && unsure && foods.includes(found),
    found,
    said: `${amount} | ${line.unit ?? ''} | ${unsure ? '?' : ''}${found} | ${line.note ?? ''}`,
  };
}

/** The shares that count, of some lines' fares. */
export function shares(fares) {
  const share = (count, of) => (of === 0 ? 0 : Math.round((count / of) * 1000) / 10);
  const count = (pick) => fares.filter(pick).length;
  return {
    lines: fares.length,
    amount: share(
      count(({ amount }) => amount),
      fares.length,
    ),
    unit: share(
      count(({ unit }) => unit),
      fares.length,
    ),
    food: share(
      count(({ food }) => food),
      fares.length,
    ),
    note: share(
      count(({ note }) => note),
      fares.length,
    ),
    right: share(
      count(({ amount, unit, food, note }) => amount && unit && food && note),
      fares.length,
    ),
    wrongUnmarked: share(
      count(({ wrongUnmarked }) => wrongUnmarked),
      count(({ matchedUnmarked }) => matchedUnmarked),
    ),
    unsureButRight: share(
      count(({ unsureButRight }) => unsureButRight),
      fares.length,
    ),
  };
}

function amountText(amount) {
  if (amount === undefined) return 'to taste';
  const short = (one) => String(Number(one.toFixed(4)));
  return typeof amount === 'number' ? short(amount) : `${short(amount[0])}-${short(amount[1])}`;
}

const bare = (note = '') =>
  note
    .toLowerCase()
    .replace(/[^\p{L}\p{N}%]+/gu, ' ')
    .trim();
