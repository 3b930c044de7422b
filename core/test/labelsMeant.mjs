import { readFileSync } from 'node:fs';

/** Labels of `labels/labels-meant.txt` with what each says; every second one is the unseen half. */
export function readLabelsMeant() {
  const blocks = readFileSync(new URL('labels/labels-meant.txt', import.meta.url), 'utf8')
    .split(/^== /m)
    .slice(1);
  return blocks.map((block, i) => {
    const [name = '', ...rest] = block.split('\n');
    const at = rest.findLastIndex((line) => line.startsWith('>'));
    return { name, text: rest.slice(0, at).join('\n'), ...expectedOf(rest[at].slice(1)), unseen: i % 2 === 1 };
  });
}

function expectedOf(said) {
  const expected = { per: undefined, nutrients: {}, convention: undefined, contains: [], may: [], weights: {} };
  for (const piece of said.split(';').map((one) => one.trim())) {
    const [key = '', ...words] = piece.split(' ');
    const value = words.join(' ');
    if (key === 'total' || key === 'available') expected.convention = key;
    else if (key === 'contains') expected.contains = value.split(', ');
    else if (key === 'may') expected.may = value.split(', ');
    else if (key === 'net' || key === 'drained' || key === 'serving') expected.weights[key] = value;
    else if (key === 'per') expected.per = markOf(value);
    else if (key !== '') expected.nutrients[key] = markOf(value);
  }
  return expected;
}

/** "12!" must be marked; "?" must be marked or left out. */
function markOf(value) {
  return value === '?' ? { open: true } : { value: value.replace(/!$/, ''), marked: value.endsWith('!') };
}

/**
 * How a label fares: faults that make it wrong, and those of them that nothing says.
 *
 * @param read what was made of its text
 */
export function labelFares(expected, read) {
  const doubted = new Set(read.doubts.flatMap(({ of }) => of));
  const faults = [];
  const silent = [];
  const fault = (what, field) => {
    faults.push(what);
    if (!doubted.has(field)) silent.push(what);
  };
  const per = read.per ? `${read.per.amount} ${read.per.unit}` : undefined;
  if (expected.per) judge('per', expected.per, per);
  for (const field of new Set([...Object.keys(expected.nutrients), ...Object.keys(read.nutrients)])) {
    const meant = expected.nutrients[field];
    const value = read.nutrients[field];
    if (!meant) fault(`${field} ${value} is not there`, field);
    else judge(field, meant, value === undefined ? undefined : String(value));
  }
  function judge(field, meant, value) {
    if (meant.open) {
      if (value !== undefined && !doubted.has(field)) fault(`${field} ${value} is not sure`, field);
    } else if (value === undefined) faults.push(`${field} is left out`);
    else if (value !== meant.value) fault(`${field} ${value} for ${meant.value}`, field);
    else if (meant.marked && !doubted.has(field)) fault(`${field} ${value} is to be doubted`, field);
  }
  if (expected.convention && expected.convention !== read.carbohydrateIs) fault(`carbohydrate is ${read.carbohydrateIs}`, '');
  for (const [weight, meant] of Object.entries(expected.weights)) {
    const said = read[weight] ? `${read[weight].amount} ${read[weight].unit}` : 'nothing';
    if (said !== meant) (said === 'nothing' ? (what) => faults.push(what) : fault)(`${weight} ${said} for ${meant}`, '');
  }
  for (const [list, meant] of [
    ['contains', expected.contains],
    ['mayContain', expected.may],
  ]) {
    const said = [...(read.allergens?.[list] ?? [])].sort().join(', ');
    if (said !== [...meant].sort().join(', ')) fault(`${list} “${said}” for “${[...meant].sort().join(', ')}”`, '');
  }
  const doubtedRight = [...doubted].filter(
    (field) => expected.nutrients[field] && !expected.nutrients[field].marked && !expected.nutrients[field].open,
  );
  return { faults, silent, right: faults.length === 0, wrongUnmarked: silent.length > 0, doubtedRight: doubtedRight.length };
}
