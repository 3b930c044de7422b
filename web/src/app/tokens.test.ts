import { readFileSync } from 'node:fs';
import { join } from 'node:path';

const css = readFileSync(join(__dirname, 'tokens.css'), 'utf8');
const tokensOf = (selector: string) =>
  new Map(
    [...(new RegExp(`${selector} \\{([^}]*)\\}`).exec(css)?.[1] ?? '').matchAll(/^ {2}--(\S{1,30}): (#[0-9a-f]{6});$/gm)].map(
      ([, name, hex]) => [name ?? '', hex ?? ''] as const,
    ),
  );
const light = tokensOf(':root');
const THEMES = {
  light,
  dark: new Map([...light, ...tokensOf("\\[data-theme='dark'\\]")]),
};

/** WCAG 2.2: relative luminance of a colour. */
function luminance(hex: string): number {
  const [r, g, b] = [1, 3, 5].map((at) => {
    const share = Number.parseInt(hex.slice(at, at + 2), 16) / 255;
    return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
  }) as [number, number, number];
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}

function contrast(a: string, b: string): number {
  const [dark, bright] = [luminance(a), luminance(b)].sort((x, y) => x - y) as [number, number];
  return (bright + 0.05) / (dark + 0.05);
}

/** What text stands on, and in which colours it does. */
const GROUNDS = ['ground', 'surface', 'sunk', 'ticket', 'damson-soft', 'sorrel-soft', 'saffron-soft', 'paprika-soft'];
const INKS = ['ink', 'ink-2', 'ink-3', 'damson'];
const SIGNS = ['sorrel', 'saffron', 'paprika'];

test.each(
  Object.entries(THEMES).flatMap(([theme, tokens]) => [
    ...INKS.flatMap((ink) => GROUNDS.map((ground) => [theme, ink, ground, tokens] as const)),
    ...SIGNS.flatMap((ink) =>
      ['ground', 'surface', 'sunk', 'ticket', `${ink}-soft`].map((ground) => [theme, ink, ground, tokens] as const),
    ),
    [theme, 'on-damson', 'damson', tokens] as const,
  ]),
)('in the %s, %s is read on %s at any size', (_, ink, ground, tokens) => {
  expect(contrast(tokens.get(ink) ?? '', tokens.get(ground) ?? '')).toBeGreaterThanOrEqual(4.5);
});
