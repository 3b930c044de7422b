import { LINE_ID } from './constraints.js';

/** Characters a step has at most, and steps a method. */
const LONGEST_STEP = 2000;
const MOST_STEPS = 200;

export const STEPS_MESSAGE = `must be a list of texts, or of {"text": "Stew {compote/1 plums}", "part": "compote"}, each at most ${LONGEST_STEP} characters, ${MOST_STEPS} at most`;

/** Whether something is a method: texts, or texts with the id of the part each makes. */
export function areSteps(found: unknown): boolean {
  return Array.isArray(found) && found.length <= MOST_STEPS && found.every(isStep);
}

function isStep(found: unknown): boolean {
  if (typeof found === 'string') return found.length <= LONGEST_STEP;
  if (typeof found !== 'object' || found === null || Array.isArray(found)) return false;
  const { id, text, part, ...rest } = found as { readonly [key: string]: unknown };
  if (Object.keys(rest).length > 0 || typeof text !== 'string' || text.length > LONGEST_STEP) return false;
  if (id !== undefined && (typeof id !== 'string' || id.length > 120 || !LINE_ID.test(id))) return false;
  return part === undefined || (typeof part === 'string' && /^[a-z0-9-]{1,120}$/.test(part));
}

const text = { type: 'string', maxLength: LONGEST_STEP };

/** JSON Schema of a method. */
export const STEPS_SCHEMA = {
  type: 'array',
  maxItems: MOST_STEPS,
  items: {
    oneOf: [
      text,
      {
        type: 'object',
        properties: {
          id: { type: 'string', maxLength: 120, pattern: LINE_ID.source },
          text,
          part: { type: 'string', maxLength: 120, pattern: '^[a-z0-9-]+$' },
        },
        required: ['text'],
        additionalProperties: false,
      },
    ],
  },
};
