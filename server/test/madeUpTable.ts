/** A food table of a made-up island: `rows` foods whose energy and macronutrients agree, with what such tables are full of. */
export function madeUpTable(
  rows: number,
  { change = 0, delimiter = ';', comma = true }: { change?: number; delimiter?: string; comma?: boolean } = {},
): string {
  const write = (amount: number) => (comma ? String(amount).replace('.', ',') : String(amount));
  const lines = [
    ['Food composition of Saltmarsh Island', '', '', '', '', '', '', '', '', '', ''],
    ['Code', 'Food', 'Group', 'Energy', 'Energy', 'Protein', 'Fat', 'Carbohydrate, available', 'Fibre', 'Sodium', 'Vitamin D'],
    ['', '', '', 'kJ', 'kcal', 'g', 'g', 'g', 'g', 'g', 'µg'],
  ];
  for (let i = 0; i < rows; i++) {
    const protein = (i % 23) + 0.5;
    const fat = (i % 17) / 2;
    const carbohydrate = (i % 41) + 0.25;
    const fibre = (i % 9) / 2;
    const kcal = Math.round(4 * protein + 9 * fat + 4 * carbohydrate + 2 * fibre + change);
    lines.push([
      `S${String(i).padStart(5, '0')}`,
      `${KINDS[i % KINDS.length]} ${PLACES[Math.floor(i / KINDS.length) % PLACES.length]} no. ${i}${i % 3 === 0 ? ', raw' : ''}`,
      'vegetables',
      write(Math.round(kcal * 4.184)),
      write(kcal),
      i % 7 === 0 ? `(${write(protein)})` : write(protein),
      write(fat),
      write(carbohydrate),
      i % 5 === 0 ? 'N' : write(fibre),
      i % 11 === 0 ? 'tr' : write(0.02),
      i % 13 === 0 ? `<${write(0.2)}` : '-',
    ]);
  }
  return lines.map((cells) => cells.map((cell) => (cell.includes(delimiter) ? `"${cell}"` : cell)).join(delimiter)).join('\r\n');
}

const KINDS = ['Sorrel', 'Sea beet', 'Samphire', 'Cress', 'Marsh bean', 'Tidal oat', 'Reed corn', 'Dune pea', 'Salt plum', 'Brine apple'];
const PLACES = ['of the north bank', 'of the ferry steps', 'of the weir', 'of the old sluice', 'of the long mole', 'of the flats'];

/** The same table with a row for each figure of a food, all foods' energy first, then all foods' protein … */
export function madeUpFigureRows(rows: number): string {
  const [, names = [], units = [], ...foods] = madeUpTable(rows, { comma: false, delimiter: '\t' })
    .split('\r\n')
    .map((line) => line.split('\t'));
  const lines = [['Food code', 'Food name', 'Nutrient', 'Unit', 'Amount', 'Method']];
  names.forEach((name, at) => {
    if (at < 3) return;
    foods.forEach((cells) =>
      lines.push([cells[0] ?? '', cells[1] ?? '', name, units[at] ?? '', cells[at] ?? '', at % 2 === 0 ? 'analysed' : 'calculated']),
    );
  });
  return lines.map((cells) => cells.join('\t')).join('\n');
}
