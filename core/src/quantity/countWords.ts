/** Words that count things. A food may say what one weighs; without that the line has no weight, and is no mistake. */
export const COUNT_WORDS = [
  'piece', 'slice', 'clove', 'can', 'jar', 'bottle', 'carton', 'tub', 'bag', 'sachet', 'packet', 'box', 'bunch', 'sprig', 'leaf',
  'stalk', 'stick', 'head', 'bulb', 'ear', 'rib', 'floret', 'fillet', 'breast', 'thigh', 'leg', 'drumstick', 'rasher', 'strip',
  'sheet', 'cube', 'wedge', 'ring', 'segment', 'ball', 'loaf', 'block', 'pod', 'root', 'spear', 'tablet', 'scoop', 'serving', 'nest', 'steak', 'patty', 'joint', 'square', 'bundle', 'tube', 'glass', 'pot', 'squeeze',
] as const;

const WORDS: ReadonlySet<string> = new Set(COUNT_WORDS);

/** Whether a word counts things: "clove", "slice". */
export function isCountWord(word: string): boolean {
  return WORDS.has(word);
}
