import type { Session } from '@portiona/core';
import { startFor, withAdjusted, withDone, withEquipment, withKeys, withoutDish, withPin } from './sessionEdits';
import { minuteNow } from './useNow';

const session: Session = { id: 's', date: '2026-11-29', start: '10:00', dishes: [{ recipe: 'a' }, { recipe: 'b' }, { recipe: 'c' }] };

test('a dish taken out takes what was said of it along, and those after it move up', () => {
  const noted: Session = {
    ...session,
    done: [1, 2, 3].map((dish) => ({ dish, step: 1, start: dish })),
    pinned: [{ dish: 3, step: 2, start: 40 }],
    adjusted: [{ dish: 2, step: 1, minutes: 9 }],
  };
  expect(withoutDish(noted, 2)).toEqual({
    ...{ id: 's', date: '2026-11-29', start: '10:00', dishes: [{ recipe: 'a' }, { recipe: 'c' }] },
    done: [
      { dish: 1, step: 1, start: 1 },
      { dish: 2, step: 1, start: 3 },
    ],
    pinned: [{ dish: 2, step: 2, start: 40 }],
  });
});

test('what is put somewhere, done or changed is there once, and gone when it is let go', () => {
  const place = { dish: 1, step: 2 };
  const pinned = withPin(withPin(session, place, 20), place, 30);
  expect(pinned.pinned).toEqual([{ ...place, start: 30 }]);
  expect(withPin(pinned, place, undefined)).toEqual(session);
  expect(withDone(withDone(session, place, { ...place, start: 5 }), place, undefined)).toEqual(session);
  expect(withAdjusted(session, place, { minutes: 9, hands: undefined }).adjusted).toEqual([{ ...place, minutes: 9 }]);
  expect(withAdjusted(session, place, { minutes: undefined })).toEqual(session);
  expect(withKeys({ ...session, name: 'Prep' }, { name: undefined, dishes: [] })).toEqual({
    id: 's',
    date: '2026-11-29',
    start: '10:00',
    dishes: [],
  });
});

test('one unit of one place is what holds where nothing is said, and is not written', () => {
  const two = withEquipment(session, { name: 'oven', count: 2 });
  expect(two.equipment).toEqual([{ name: 'oven', count: 2 }]);
  expect(withEquipment(two, { name: 'oven', count: 1, shelves: 1 })).toEqual(session);
  expect(withEquipment(session, { name: 'oven', count: 0 }).equipment).toEqual([{ name: 'oven', count: 0 }]);
});

test('over by a time: the start before it, or none on that day', () => {
  expect([startFor('13:00', 224), startFor('00:30', 30), startFor('03:00', 224)]).toEqual(['09:16', '00:00', undefined]);
});

test('the minute it is now: on its day, an hour before it, past midnight, and on no other day', () => {
  const at = (day: number, hours: number, minutes: number) => minuteNow(session, new Date(2026, 10, day, hours, minutes));
  expect([at(29, 10, 5), at(29, 9, 0), at(30, 1, 0)]).toEqual([5, -60, 900]);
  expect([at(29, 8, 59), at(30, 10, 1), at(28, 10, 5)]).toEqual([undefined, undefined, undefined]);
});
