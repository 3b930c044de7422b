import { dishFindings } from '../../../test/dishFindings.js';

const chicken = { food: 'chicken-thigh', amount: 800, unit: 'g' };
const yoghurt = { food: 'yoghurt-whole', amount: 200, unit: 'g' };
const MARINATED = 'Stir the yoghurt into a marinade and leave the chicken thighs in it overnight.';
const found = (last: string, lines = [chicken, yoghurt]) => dishFindings('marinade-reused', lines, [MARINATED, last]).map(({ at }) => at);

test.each([
  'Grill the chicken for 12 minutes, then spoon the marinade over it.',
  'Grill the chicken and serve it with the rest of the marinade.',
  'Grill the chicken for 12 minutes, brushing it with the marinade.',
])('used again as it is: %s', (last) => {
  expect(found(last)).toEqual(['step/2']);
});

test.each([
  'Pour the marinade away. Grill the chicken for 12 minutes.',
  'Lift the chicken out, toss the marinade in the bin, and grill for 12 minutes.',
  'Grill the chicken for 12 minutes. Boil the marinade for 5 minutes and spoon it over.',
  'Grill the chicken for 12 minutes. Stir nothing into it and discard the marinade.',
  'Put the chicken with the marinade into a dish and roast for 30 minutes.',
])('thrown away, boiled, or cooked with the meat: %s', (last) => {
  expect(found(last)).toEqual([]);
});

test('what no raw meat lay in may be poured over', () => {
  const tofu = { food: 'tofu-firm', amount: 400, unit: 'g' };
  const steps = ['Stir the yoghurt into a marinade and leave the tofu in it.', 'Grill the tofu and spoon the marinade over it.'];
  expect(dishFindings('marinade-reused', [tofu, yoghurt], steps)).toEqual([]);
});
