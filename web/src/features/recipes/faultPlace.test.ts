import { faultPlace } from './faultPlace';

test.each([
  ['document.parts[0].lines[2].text', 'build', 'lines', '[data-row="0/2/line"]'],
  ['document.parts[1].name', 'build', 'lines', '[data-part="1"]'],
  ['document.steps[3]', 'build', 'method', '.steps-field [data-node-view-wrapper]:nth-child(4), .steps-field'],
  ['document.title', 'build', 'lines', '.title-field'],
  ['document.storage.reheat', 'build', 'method', '[data-field="storage"]'],
  ['document.brief.audience', 'brief', 'lines', '.bench input, .bench select'],
])('%s is mended at %s, %s', (path, station, side, field) => {
  expect(faultPlace(path)).toEqual({ station, side, field });
});

test('what no field stands for leads nowhere', () => {
  expect(faultPlace('document.id')).toBeUndefined();
  expect(faultPlace('')).toBeUndefined();
});
