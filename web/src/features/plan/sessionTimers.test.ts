import type { Session } from '@portiona/core';
import type { ListedStep } from './planWords';
import { sessionTimers, stepOfTimer } from './sessionTimers';

const step = (number: number, start: number, end: number) =>
  ({ dish: 1, step: number, number, title: `Step ${number}`, start, end }) as ListedStep;
const session: Session = {
  ...{ id: 's', date: '2031-03-09', start: '10:30', dishes: [{ recipe: 'r' }] },
  done: [
    { dish: 1, step: 1, start: 0, end: 12 },
    { dish: 1, step: 2, start: 15 },
    { dish: 1, step: 3, start: 15 },
  ],
};

test('what is under way has a clock from when it was begun, as long as it is planned; what is over or short has none', () => {
  const timers = sessionTimers(session, [step(1, 0, 10), step(2, 12, 52), step(3, 12, 13)]);
  expect(timers).toEqual([{ id: '1/2', name: '2 Step 2', minutes: 40, started: new Date('2031-03-09T10:45:00').toISOString() }]);
  expect(stepOfTimer('1/2')).toEqual({ dish: 1, step: 2 });
});
