/** What a receipt looks like as text, where one is asked for. */
export const RECEIPT_TEXT = 'Oats 1 kg  1.89\nYoghurt 500 g  2.35 …';
