/** Where a fault of a recipe is mended: which side of which station, and which field there. */
export interface FaultPlace {
  readonly station: 'build' | 'brief';
  readonly side: 'lines' | 'method';
  /** CSS selector of the field. */
  readonly field: string;
}

/** Fields of the recipe's head by key, where a person meets them. */
const METHOD_FIELDS: ReadonlySet<string> = new Set(['lead', 'servingName', 'series', 'storage']);

/**
 * The place of a fault's path.
 *
 * @param path as the server tells it: `document.parts[0].lines[2].text`
 * @returns undefined where no field stands for it
 */
export function faultPlace(path: string): FaultPlace | undefined {
  const at = path.replace(/^document\.?/, '');
  const line = /^parts\[(\d+)\]\.lines\[(\d+)\]/.exec(at);
  if (line) return { station: 'build', side: 'lines', field: `[data-row="${line[1]}/${line[2]}/line"]` };
  const part = /^parts\[(\d+)\]/.exec(at);
  if (part) return { station: 'build', side: 'lines', field: `[data-part="${part[1]}"]` };
  const step = /^steps(?:\[(\d+)\])?/.exec(at);
  if (step)
    return {
      station: 'build',
      side: 'method',
      field: `.steps-field [data-node-view-wrapper]:nth-child(${Number(step[1] ?? 0) + 1}), .steps-field`,
    };
  const [key = ''] = at.split(/[.[]/);
  if (key === 'title') return { station: 'build', side: 'lines', field: '.title-field' };
  if (key === 'brief') return { station: 'brief', side: 'lines', field: '.bench input, .bench select' };
  return METHOD_FIELDS.has(key) ? { station: 'build', side: 'method', field: `[data-field="${key}"]` } : undefined;
}
