import type { Food } from '../../food/index.js';
import { sentenceAt, type StepReading } from '../reading/stepReading.js';
import type { CheckGround } from '../checkGround.js';
import type { Finding } from '../finding.js';

/** Red, black, white kidney beans and cannellini hold a lectin that only a real boil breaks down. */
const KIDNEY = /\b(?:kidney|cannellini|rajma)\b/i;
const LEAST_MINUTES = 10;

/** Dry kidney beans that no step boils for ten minutes. */
export function beansUnboiled({ figures, mainSteps, steps }: CheckGround): Finding[] {
  if (mainSteps.length === 0 || steps.some(boils)) return [];
  return figures.lines.flatMap(({ at, of, line }): Finding[] => {
    if (of.kind !== 'food' || line.state === 'cooked' || !isDryKidneyBean(of.resolved.food)) return [];
    return [
      {
        code: 'beans-unboiled',
        at,
        severity: 'wrong',
        message: `${of.resolved.food.name} are poisonous until they have boiled for 10 minutes: simmering, or a slow cooker, is not hot enough. Say so in the step that cooks them.`,
      },
    ];
  });
}

function isDryKidneyBean({ name, state, names = [] }: Food): boolean {
  return (
    (state === 'dry' || /\b(?:dry|dried)\b/i.test(name)) &&
    KIDNEY.test([name, ...names].join(' ')) &&
    !/\bcanned|cooked|flour|pasta\b/i.test(name)
  );
}

function boils({ text, times }: StepReading): boolean {
  if (/\bpressure[ -]cook/i.test(text)) return true;
  return times.some((time) => {
    if (time.high < LEAST_MINUTES) return false;
    const sentence = sentenceAt(text, time.from);
    const before = text.slice(sentence.from, time.from);
    const behind = text.slice(time.to, sentence.to);
    // The word of heat that stands nearest before the time says what it is a time of.
    const words = [...before.matchAll(/\b(?:boil|simmer|soak|slow cooker|cook|rest|stand|bak)\p{L}*/giu)].at(-1)?.[0] ?? '';
    if (/^boil/i.test(words))
      return !/\b(?:then|and) (?:let (?:it|them) )?simmer/i.test(before.slice(before.toLowerCase().lastIndexOf('boil')));
    if (/^(?:soak|rest|stand|slow)/i.test(words)) return false;
    return (
      /\b(?:rolling|hard|fast|vigorous|full|proper|furious)\b.{0,12}\bboil|\bboil/i.test(words === '' ? behind.slice(0, 40) : '') ||
      (/^cook/i.test(words) && /\b(?:hard|rolling|fast) boil/i.test(before)) ||
      (/\bboil\b/i.test(text.slice(0, sentence.from)) && /\b(?:keep|hold|leave) (?:it|them) there\b/i.test(before))
    );
  });
}
