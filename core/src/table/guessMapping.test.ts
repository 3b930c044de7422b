import { delimiterOf } from './delimiterOf.js';
import { columnsOf, guessMapping } from './guessMapping.js';

function guessed(text: string) {
  const rows = rowsOf(text);
  const mapping = guessMapping(rows);
  return {
    ...mapping,
    columns: Object.fromEntries(mapping.columns.map(({ heading, target, unit }) => [heading, unit ? `${target} ${unit}` : target])),
  };
}

function rowsOf(text: string): string[][] {
  const delimiter = delimiterOf(text);
  return text
    .trim()
    .split('\n')
    .map((line) => line.split(delimiter));
}

test('a table of three heading lines: names, tags, units', () => {
  const { columns, headingLines, decimal } = guessed(`
Composition of foods of a made-up island\t\t\t\t\t\t\t\t\t
Food code\tFood name\tGroup\tProtein\tFat\tCarbohydrate\tEnergy\tEnergy\tAOAC fibre\tSodium
\t\t\tPROT\tFAT\tCHO\tKCALS\tKJ\tAOACFIB\tNA
\t\t\t(g)\t(g)\t(g)\t(kcal)\t(kJ)\t(g)\t(mg)
11-001\tLeek, raw\tDG\t1.6\t0.5\t2.9\t22\t93\tN\t2
11-002\tSorrel, raw\tDG\t2.0\tTr\t(3.2)\t22\t92\t2.9\t4
`);
  expect(headingLines).toBe(4);
  expect(decimal).toBe('.');
  expect(columns).toEqual({
    'Food code': 'code',
    'Food name': 'name',
    Group: 'group',
    'Protein PROT (g)': 'protein g',
    'Fat FAT (g)': 'fat g',
    'Carbohydrate CHO (g)': 'carbohydrateAvailable g',
    'Energy KCALS (kcal)': 'energy kcal',
    'AOAC fibre AOACFIB (g)': 'fibre g',
    'Sodium NA (mg)': 'sodium mg',
  });
});

test('a table with decimal commas and headings in French', () => {
  const { columns, decimal } = guessed(`
alim_grp_code;alim_grp_nom_fr;alim_code;alim_nom_fr;Energie, règlement (kJ/100 g);Energie, règlement (kcal/100 g);Eau (g/100 g);Protéines, N x 6.25 (g/100 g);Glucides (g/100 g);Lipides (g/100 g);Sucres (g/100 g);Amidon (g/100 g);Fibres alimentaires (g/100 g);Polyols totaux (g/100 g);Alcool (g/100 g);AG saturés (g/100 g);Cholestérol (mg/100 g);Sel chlorure de sodium (g/100 g);Calcium (mg/100 g);Fer (mg/100 g);Potassium (mg/100 g);Sodium (mg/100 g);Vitamine D (µg/100 g)
02;légumes;20039;Poireau, cru;114;27,1;90,2;1,36;3,1;0,3;2,9;-;2,4;0;0;0,04;traces;0,035;36;0,7;228;14;< 0,5
`);
  expect(decimal).toBe(',');
  expect(columns).toMatchObject({
    alim_code: 'code',
    alim_nom_fr: 'name',
    'Energie, règlement (kcal/100 g)': 'energy kcal',
    'Protéines, N x 6.25 (g/100 g)': 'protein g',
    'Glucides (g/100 g)': 'carbohydrateAvailable g',
    'Lipides (g/100 g)': 'fat g',
    'Sucres (g/100 g)': 'sugars g',
    'Fibres alimentaires (g/100 g)': 'fibre g',
    'Polyols totaux (g/100 g)': 'polyols g',
    'Alcool (g/100 g)': 'alcohol g',
    'AG saturés (g/100 g)': 'saturates g',
    'Cholestérol (mg/100 g)': 'cholesterol mg',
    'Sel chlorure de sodium (g/100 g)': 'salt g',
    'Calcium (mg/100 g)': 'calcium mg',
    'Fer (mg/100 g)': 'iron mg',
    'Potassium (mg/100 g)': 'potassium mg',
    'Sodium (mg/100 g)': 'sodium mg',
    'Vitamine D (µg/100 g)': 'vitaminD ug',
  });
});

test('an American table: total carbohydrate, underscores, international units', () => {
  const { columns } = guessed(`
NDB_No,Shrt_Desc,Water_(g),Energ_Kcal,Protein_(g),Lipid_Tot_(g),Ash_(g),Carbohydrt_(g),Fiber_TD_(g),Sugar_Tot_(g),Calcium_(mg),Iron_(mg),Potassium_(mg),Sodium_(mg),Vit_D_IU,FA_Sat_(g),FA_Mono_(g),FA_Poly_(g),Cholestrl_(mg),Refuse_Pct
11246,"LEEKS RAW",83,61,1.5,0.3,1.05,14.15,1.8,3.9,59,2.1,180,20,0,0.04,0.004,0.166,0,56
`);
  expect(columns).toEqual({
    NDB_No: 'code',
    Shrt_Desc: 'name',
    Energ_Kcal: 'energy kcal',
    'Protein_(g)': 'protein g',
    'Lipid_Tot_(g)': 'fat g',
    'Carbohydrt_(g)': 'carbohydrateTotal g',
    'Fiber_TD_(g)': 'fibre g',
    'Sugar_Tot_(g)': 'sugars g',
    'Calcium_(mg)': 'calcium mg',
    'Iron_(mg)': 'iron mg',
    'Potassium_(mg)': 'potassium mg',
    'Sodium_(mg)': 'sodium mg',
    Vit_D_IU: 'vitaminD IU',
    'FA_Sat_(g)': 'saturates g',
    'Cholestrl_(mg)': 'cholesterol mg',
    Refuse_Pct: 'refuse %',
  });
});

test('tables in German, Dutch, Danish, Spanish and Italian, and one of tag names alone', () => {
  const german = guessed(`
Code;Lebensmittel;Energie (kcal);Energie (kJ);Eiweiß (g);Fett, gesamt (g);gesättigte Fettsäuren (g);Kohlenhydrate, verwertbar (g);Zucker (g);Ballaststoffe (g);Natrium (mg);Kalium (mg);Vitamin D (µg)
G12;Lauch roh;29;121;2,1;0,3;0,1;3,3;2,2;2,3;5;235;0
`).columns;
  expect(german).toMatchObject({
    Lebensmittel: 'name',
    'Eiweiß (g)': 'protein g',
    'Fett, gesamt (g)': 'fat g',
    'gesättigte Fettsäuren (g)': 'saturates g',
    'Kohlenhydrate, verwertbar (g)': 'carbohydrateAvailable g',
    'Ballaststoffe (g)': 'fibre g',
    'Kalium (mg)': 'potassium mg',
  });
  const dutch = guessed(`
Nummer|Voedingsmiddelgroep|Voedingsmiddelnaam|Energie (kcal)|Eiwit (g)|Vet (g)|Verzadigd vet (g)|Koolhydraten (g)|Suiker (g)|Vezels (g)|Natrium (mg)
12|Groente|Prei rauw|28|1,4|0,2|0|4,1|3,0|2,2|8
`).columns;
  expect(dutch).toMatchObject({
    Nummer: 'code',
    Voedingsmiddelnaam: 'name',
    'Eiwit (g)': 'protein g',
    'Vet (g)': 'fat g',
    'Verzadigd vet (g)': 'saturates g',
    'Koolhydraten (g)': 'carbohydrateAvailable g',
    'Vezels (g)': 'fibre g',
  });
  const danish = guessed(`
FødevareNavn;FoodID;Energi (kJ);Energi (kcal);Protein (g);Fedt (g);Kulhydrat, tilgængelig (g);Kostfiber (g);Natrium (mg)
Porre, rå;186;134;32;1,8;0,3;4,9;2,9;6
`).columns;
  expect(danish).toMatchObject({
    FødevareNavn: 'name',
    FoodID: 'code',
    'Energi (kcal)': 'energy kcal',
    'Fedt (g)': 'fat g',
    'Kulhydrat, tilgængelig (g)': 'carbohydrateAvailable g',
    'Kostfiber (g)': 'fibre g',
  });
  const spanish = guessed(`
Código;Alimento;Porción comestible;Energía (kcal);Proteínas (g);Grasa total (g);Carbohidratos (g);Fibra alimentaria (g);Sodio (mg);Hierro (mg)
77;Puerro, crudo;0,58;48;2;0,4;7,5;3;26;1
`).columns;
  expect(spanish).toMatchObject({
    Alimento: 'name',
    'Porción comestible': 'edible 1',
    'Proteínas (g)': 'protein g',
    'Grasa total (g)': 'fat g',
    'Fibra alimentaria (g)': 'fibre g',
    'Sodio (mg)': 'sodium mg',
    'Hierro (mg)': 'iron mg',
  });
  const tags = guessed(`
Code,Food name,EDIBLE,ENERC(kcal),WATER(g),PROTCNT(g),FATCE(g),CHOAVLDF(g),FIBTG(g),NA(mg),FE(mg),VITD(mcg)
01_001,Leek raw,0.6,29,91,1.8,0.3,3.9,2.5,12,1.0,0
`).columns;
  expect(tags).toMatchObject({
    EDIBLE: 'edible 1',
    'ENERC(kcal)': 'energy kcal',
    'FATCE(g)': 'fat g',
    'CHOAVLDF(g)': 'carbohydrateAvailable g',
    'FIBTG(g)': 'fibre g',
    'NA(mg)': 'sodium mg',
    'VITD(mcg)': 'vitaminD ug',
  });
});

test('of two columns for one thing the one that is meant for the food is taken', () => {
  const { columns } = guessed(`
Food key;Classification;Food Name;Energy with dietary fibre, equated (kJ);Energy, without dietary fibre, equated (kJ);Protein (g);Fat, total (g);Available carbohydrate, with sugar alcohols (g);Available carbohydrate, without sugar alcohols (g);NSP (g);AOAC fibre (g);Satd FA /100g FA (g);Satd FA /100g fd (g);Sugar alcohols (g)
F1;12;Leek, raw;120;100;1.6;0.4;3.0;2.9;1;2.2;20;0.1;0
`);
  expect(columns).toMatchObject({
    'Energy with dietary fibre, equated (kJ)': 'energy kJ',
    'Available carbohydrate, with sugar alcohols (g)': 'carbohydrateAvailable g',
    'AOAC fibre (g)': 'fibre g',
    'Satd FA /100g fd (g)': 'saturates g',
    'Sugar alcohols (g)': 'polyols g',
  });
  expect(Object.keys(columns)).not.toContain('Satd FA /100g FA (g)');
});

test('running numbers over the columns are headings; two columns of one heading are told apart', () => {
  const rows = rowsOf('Code;Name;Energy kcal;Energy kcal\n1;2;3;4\nA1;Leek;22;23\n');
  expect(guessMapping(rows).headingLines).toBe(2);
  expect(columnsOf(rows, 2).map(({ heading }) => heading)).toEqual(['Code', 'Name', 'Energy kcal', 'Energy kcal (2)']);
});

describe('codes under any name, and what figures are for', () => {
  const table = (headings: string[], first: (i: number) => string[]) => [
    headings,
    ...Array.from({ length: 8 }, (_, i) => [...first(i), `Dune pea no. ${i}`, String(300 + i), String(20 + i)]),
  ];
  const targetOf = (rows: string[][], heading: string) => guessMapping(rows, 1).columns.find((one) => one.heading === heading)?.target;

  test.each([
    ['letters and figures', (i: number) => `DP-${i + 4}`, 'code'],
    ['numbers that grow', (i: number) => String(3 * i + 7), 'code'],
    ['numbers of one length', (i: number) => String(90210 - 17 * i), 'code'],
    ['numbers that repeat', (i: number) => String(i % 3), undefined],
    ['amounts', (i: number) => (i * 0.7).toFixed(1), undefined],
  ] as const)('%s', (_, code, target) => {
    const rows = table(['Tarnsee', 'Food', 'Energy (kcal)', 'Protein (g)'], (i) => [code(i)]);
    expect(targetOf(rows, 'Tarnsee')).toBe(target);
  });

  test('a heading like a code’s whose numbers are shared names groups', () => {
    const rows = table(['No', 'Food', 'Energy (kcal)', 'Protein (g)'], (i) => [String(i % 2)]);
    expect(targetOf(rows, 'No')).toBeUndefined();
  });

  test('a basis is taken by its cells, under any heading, and never from the weight of a helping', () => {
    const rows = (heading: string, cell: string) =>
      table(['Food code', heading, 'Food', 'Energy (kcal)', 'Protein (g)'], (i) => [`A${i}`, cell]);
    expect(targetOf(rows('Column of the clerk', '100 g'), 'Column of the clerk')).toBe('basis');
    expect(targetOf(rows('Per', '100 ml'), 'Per')).toBe('basis');
    expect(targetOf(rows('Serving size', '100 g'), 'Serving size')).toBeUndefined();
    expect(targetOf(rows('Per', 'slice'), 'Per')).toBeUndefined();
  });
});
