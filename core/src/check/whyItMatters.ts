import type { FindingCode } from '../recipe/index.js';

/** What findings are about, for looking at one kind alone. */
export const FINDING_AREAS = ['safety', 'figures', 'words'] as const;
export type FindingArea = (typeof FINDING_AREAS)[number];

interface About {
  readonly area: FindingArea;
  /** Why it matters to who cooks and eats by the card. */
  readonly why: string;
}

/** Each code with what it is about and why it matters: the summary of Check's rules. */
export const ABOUT: Readonly<Record<FindingCode, About>> = {
  'no-weight': { area: 'figures', why: 'Without a weight the line counts for nothing: every figure is “at least”.' },
  'no-composition': { area: 'figures', why: 'Without figures it counts for nothing: every figure is “at least”.' },
  'to-taste': { area: 'figures', why: 'Nobody weighed it. Only who cooks knows how much it is.' },
  'no-price': { area: 'figures', why: 'The cost is “at least” until it has one.' },
  'stale-price': { area: 'figures', why: 'The cost rests on a price that may have moved.' },
  'energy-mismatch': { area: 'figures', why: 'One of its figures was typed wrong, and every card that uses it has the slip.' },
  'portion-short': { area: 'figures', why: 'The last box runs short.' },
  'pieces-uneven': { area: 'figures', why: 'Boxes that are said to be equal are not.' },
  'amounts-disagree': { area: 'figures', why: 'Readers weigh by one of the two, and the figures count the other.' },
  'weight-outdated': { area: 'figures', why: 'Figures of a box rest on a weight of other amounts.' },
  'food-unsure': { area: 'figures', why: 'If another food is meant, every figure is of another dish.' },
  'allergen-words': { area: 'safety', why: 'Somebody may eat what they must not.' },
  'no-yield': { area: 'figures', why: 'Figures of the raw food are taken for as many grams cooked: often two or three times too much.' },
  'water-twice': { area: 'figures', why: 'The pot is taken to weigh more than it does, and a box by weight holds more than its figures.' },
  'weight-gained': { area: 'figures', why: 'A box by weight is then counted as less than it is.' },
  'promise-broken': { area: 'words', why: 'Who counts on it is wrong with every box.' },
  'promise-unsure': { area: 'words', why: 'Half the boxes may be over it.' },
  'count-differs': { area: 'words', why: 'Readers shop, divide and count by this number.' },
  'minutes-differ': { area: 'words', why: 'People plan their evening by it.' },
  'times-disagree': { area: 'words', why: 'People plan their evening by the total.' },
  'line-unused': {
    area: 'words',
    why: 'Readers buy it and stand at the end with it in their hand; left out, a box is another than its figures.',
  },
  'step-unlisted': { area: 'words', why: 'Nobody buys it, and no figure counts it.' },
  'step-amount': { area: 'words', why: 'Readers weigh by the step and count by the list.' },
  'portion-text': { area: 'words', why: 'Readers portion by the step and count by the figure; the last box runs short or over.' },
  'no-sign': { area: 'words', why: 'Stoves, pans and potatoes differ: who goes by the clock alone boxes it raw or burnt.' },
  'claim-typed': { area: 'words', why: 'Claims have conditions by law, and people eat by them.' },
  'allergen-unnamed': { area: 'safety', why: 'Every card that uses the food leaves it out of “contains”.' },
  'core-temperature': { area: 'safety', why: 'Bacteria in the middle live through it.' },
  'beans-unboiled': { area: 'safety', why: 'A handful of them makes people ill within hours.' },
  'frozen-slow': { area: 'safety', why: 'It stays lukewarm for hours.' },
  'marinade-reused': { area: 'safety', why: 'What the raw meat held comes onto what is eaten.' },
  'cooled-late': {
    area: 'safety',
    why: 'Bacteria double every twenty minutes in a warm pot; some leave toxins that reheating does not undo.',
  },
  'thawed-out': { area: 'safety', why: 'Its outside stands at room temperature for hours.' },
  'keeps-too-long': {
    area: 'safety',
    why: 'Bacteria grow in the fridge too, only slower; those of cooked rice leave a toxin that reheating does not undo.',
  },
  'freezes-not': { area: 'words', why: 'Boxes come out of the freezer that nobody wants to eat.' },
  'reheated-low': { area: 'safety', why: 'Bacteria that grew in the fridge live through it.' },
  'brief-missed': { area: 'figures', why: 'It is what the dish was to be.' },
  'box-overfull': { area: 'figures', why: 'The lid does not close.' },
  'published-differs': { area: 'words', why: 'Readers hold another card than would be printed today.' },
};
