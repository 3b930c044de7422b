/** A food table of a made-up island as a file: Windows letters, semicolons, decimal commas, three heading lines. */
export function islandTable(rows: number): { readonly name: string; readonly mimeType: string; readonly buffer: Buffer } {
  const comma = (amount: number) => String(amount).replace('.', ',');
  const lines = [
    'Food composition of Saltmarsh Island;;;;;;;;;',
    'Code;Food;Water;Energy;Energy;Protein;Fat;Carbohydrate;Fibre;Sodium',
    ';;g;kJ;kcal;g;g;g;g;g',
    'S1;Crème of sea beet;70;;56;3,5;2;5;2;0,02',
    'S2;=1+1;70;;56;3,5;2;5;2;0,02',
  ];
  for (let i = 3; i < rows; i++) {
    const [protein, fat, carbohydrate] = [i % 20, (i % 10) / 2, i % 40];
    lines.push(`S${i};Dune pea no. ${i};60;;${4 * protein + 9 * fat + 4 * carbohydrate};${protein};${comma(fat)};${carbohydrate};tr;N`);
  }
  return { name: 'island.csv', mimeType: 'text/csv', buffer: Buffer.from(lines.join('\r\n'), 'latin1') };
}
