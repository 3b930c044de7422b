import { receiptLines, receiptTable } from '../receipt/index.js';
import { isSamePaid, paidOfReceipt } from './paidOfReceipt.js';

const given = { shop: 'Quay', seen: '2026-11-29', currency: 'EUR', today: '2026-11-29' };
const paid = (text: string, currency = 'EUR') => {
  const { rows, mapping } = receiptTable(text.split('\n').map((line) => [line]));
  return receiptLines(rows, mapping, given).lines.map((line) => {
    const { net, unit } = line;
    return net === undefined || unit === undefined ? undefined : paidOfReceipt({ ...line, net, unit }, 'chickpeas', { currency });
  });
};

test('several packs of a line are paid together, to the cent', () => {
  expect(paid('3 x Chickpeas 0.4 kg  5.00')).toEqual([{ food: 'chickpeas', net: 1.2, unit: 'kg', price: '5', shop: 'Quay' }]);
  expect(paid('Chickpeas 400 g  1.19')).toEqual([{ food: 'chickpeas', net: 400, unit: 'g', price: '1.19', shop: 'Quay' }]);
});

test('nothing is paid of a line in another currency, nor of one whose size is not known', () => {
  expect(paid('Chickpeas 400 g  1.19', 'GBP')).toEqual([undefined]);
  expect(paid('Chickpeas  1.19')).toEqual([undefined]);
});

test('what was paid is the same however its price is written', () => {
  const one = { food: 'leek', net: 500, unit: 'g', price: '1.20', shop: 'Quay' };
  expect(isSamePaid(one, { ...one, price: '1.2' })).toBe(true);
  for (const other of [{ food: 'kale' }, { net: 501 }, { unit: 'ml' }, { shop: 'Depot Nine' }, { price: '1.21' }])
    expect(isSamePaid(one, { ...one, ...other })).toBe(false);
});
