import { readFileSync } from 'node:fs';

/** Pages of `pages/pages-meant.txt` with what each holds; every second one is the unseen half. */
export function readPagesMeant() {
  const blocks = readFileSync(new URL('pages/pages-meant.txt', import.meta.url), 'utf8')
    .split(/^== /m)
    .slice(1);
  return blocks.map((block, i) => {
    const [heading = '', ...rest] = block.split('\n');
    const [name = '', ...settings] = heading.split(' @');
    const at = rest.findIndex((line) => line.startsWith('> ') && /^> (?:recipe|none)/.test(line));
    const header = settings.find((one) => one.startsWith('header '))?.slice('header '.length) ?? '';
    const encoding = settings.find((one) => !one.startsWith('header ')) ?? 'utf-8';
    return {
      name,
      bytes: bytesOf(rest.slice(0, at).join('\n').replaceAll('\\r\n', '\r\n').replace(/\\r$/, '\r'), encoding),
      header,
      recipes: expectedOf(rest.slice(at)),
      unseen: i % 2 === 1,
    };
  });
}

/** What Windows' western letters have beyond Latin-1. */
const WESTERN = new Map([...'€\u0081‚ƒ„…†‡ˆ‰Š‹Œ\u008dŽ\u008f\u0090‘’“”•–—˜™š›œ\u009džŸ'].map((letter, i) => [letter, 0x80 + i]));

function bytesOf(text, encoding) {
  if (encoding === 'windows-1252') return Uint8Array.from([...text], (letter) => WESTERN.get(letter) ?? letter.charCodeAt(0));
  if (encoding === 'utf-16le') return new Uint8Array(Buffer.from(text, 'utf16le'));
  return new Uint8Array(Buffer.from((encoding === 'utf-8-bom' ? '\ufeff' : '') + text, 'utf8'));
}

function expectedOf(lines) {
  const recipes = [];
  for (const line of lines.filter((one) => one.startsWith('>'))) {
    const [, key = '', value = ''] = /^> (\w+) ?(.*)$/.exec(line) ?? [];
    const recipe = recipes.at(-1);
    if (key === 'recipe') recipes.push({ title: value, servings: '', sections: [], steps: 0, active: '', total: '', says: '' });
    else if (key === 'part') recipe.sections.push({ name: value.replace(/ ?@table$/, ''), atTable: value.endsWith('@table'), lines: [] });
    else if (key === 'line') {
      if (recipe.sections.length === 0) recipe.sections.push({ name: '', atTable: false, lines: [] });
      recipe.sections.at(-1).lines.push(value);
    } else if (key === 'steps') recipe.steps = Number(value);
    else if (key !== 'none') recipe[key] = value.replace(/^\?$/, '');
  }
  return recipes;
}

/** What differs between what a page holds and what was read of it; nothing where it is right. */
export function pageFaults(expected, read) {
  if (read.length !== expected.length) return [`${read.length} recipes for ${expected.length}`];
  return expected.flatMap((meant, i) => {
    const is = read[i];
    const said = {
      title: is.title,
      servings: is.servings === undefined ? '' : [is.servings, is.servingName].filter((one) => one !== undefined).join(' '),
      sections: JSON.stringify(is.sections.map(({ name, lines, atTable }) => [name, atTable === true, lines])),
      steps: is.steps.length,
      active: is.activeMinutes === undefined ? '' : String(is.activeMinutes),
      total: is.totalMinutes === undefined ? '' : String(is.totalMinutes),
      says: saysOf(is.stated),
    };
    const should = { ...meant, sections: JSON.stringify(meant.sections.map(({ name, lines, atTable }) => [name, atTable, lines])) };
    return Object.keys(said).flatMap((key) =>
      sorted(said[key]) === sorted(should[key]) ? [] : [`${key}: ${said[key]} for ${should[key]}`],
    );
  });
}

/** Figures may stand in any order. */
const sorted = (text) => (/^(?:whole )?k(?:cal|j) /.test(text) ? text.split(', ').sort().join(', ') : String(text));

const SHORT = { energyKcal: 'kcal', energyKj: 'kj' };
function saysOf(stated) {
  if (!stated) return '';
  const figures = Object.entries(stated.nutrients).map(([nutrient, amount]) => `${SHORT[nutrient] ?? nutrient} ${amount}`);
  return (stated.of === 'whole' ? 'whole ' : '') + figures.join(', ');
}
