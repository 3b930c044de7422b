import {
  KJ_PER_KCAL,
  atwaterEnergy,
  energyAgreement,
  nutrientName,
  saltOfSodium,
  unitOf,
  type EnergyAgreement,
  type CarbohydrateConvention,
  type PrintedBasis,
} from '../food/index.js';
import { basisRatio, type LabelColumn, type LabelValue, type Printed } from './labelColumn.js';

/** Figures that may have been read wrongly or printed wrongly, and why. */
export interface LabelDoubt {
  readonly of: readonly (Printed | 'per')[];
  readonly why: string;
}

type Figures = ReadonlyMap<Printed, number>;

/** Parts and what they are parts of. */
const PARTS: readonly (readonly [part: Printed, whole: Printed])[] = [
  ['saturates', 'fat'],
  ['trans', 'fat'],
  ['sugars', 'carbohydrate'],
  ['polyols', 'carbohydrate'],
  ['addedSugars', 'sugars'],
];
/** Rounded parts may come out a little above their whole. */
const SLACK = 0.15;
const IN_GRAMS: readonly Printed[] = [
  'fat',
  'saturates',
  'trans',
  'carbohydrate',
  'sugars',
  'addedSugars',
  'polyols',
  'fibre',
  'protein',
  'salt',
];
/** They add up to no more than what they are of. */
const WHOLE: readonly Printed[] = ['fat', 'carbohydrate', 'protein', 'salt'];

/** What is wrong with figures, each fault with those that may be at fault. */
function faultsOf(figures: Figures, per: PrintedBasis | undefined, convention: CarbohydrateConvention): LabelDoubt[] {
  const faults: LabelDoubt[] = [];
  const of = (printed: Printed) => figures.get(printed);
  for (const [part, whole] of PARTS) {
    const [one, all] = [of(part), of(whole)];
    if (one !== undefined && all !== undefined && one > all + SLACK)
      faults.push({
        of: [part, whole],
        why: `${nutrientName(part)} ${one} g cannot be more than the ${nutrientName(whole).toLowerCase()} ${all} g.`,
      });
  }
  const basis = per && (per.unit === 'g' || per.unit === 'ml') ? per.amount : undefined;
  if (basis !== undefined) {
    // A millilitre of syrup weighs up to 1.4 g.
    const most = (per?.unit === 'ml' ? 1.4 : 1.02) * basis + SLACK;
    for (const printed of IN_GRAMS) {
      const grams = of(printed);
      if (grams !== undefined && grams > most)
        faults.push({ of: [printed], why: `${nutrientName(printed)} ${grams} g cannot be in ${basis} ${per?.unit}.` });
    }
    const known = WHOLE.filter((printed) => of(printed) !== undefined);
    const sum = known.reduce((grams, printed) => grams + (of(printed) ?? 0), 0);
    if (sum > most && faults.length === 0)
      faults.push({
        of: known,
        why: `Fat, carbohydrate, protein and salt add up to ${Number(sum.toPrecision(4))} g in ${basis} ${per?.unit}.`,
      });
  }
  const [sodium, salt] = [of('sodium'), of('salt')];
  if (sodium !== undefined && salt !== undefined && Math.abs(saltOfSodium(sodium) - salt) > Math.max(0.06, 0.12 * salt))
    faults.push({
      of: ['sodium', 'salt'],
      why: `${sodium} mg of sodium are ${Number(saltOfSodium(sodium).toPrecision(3))} g of salt, not ${salt} g.`,
    });
  const [kcal, kj] = [of('energyKcal'), of('energyKj')];
  if (kcal !== undefined && kj !== undefined && !sameEnergy(kcal, kj))
    faults.push({ of: ['energyKcal', 'energyKj'], why: `${kj} kJ are ${Math.round(kj / KJ_PER_KCAL)} kcal, not ${kcal}.` });
  const energy = energyOf(figures, convention);
  if (energy && !energy.agrees)
    faults.push({
      of: ENERGY_AND_MACROS.filter((one) => figures.has(one)),
      why: `The label says ${Math.round(energy.declared)} kcal; fat, carbohydrate and protein make ${Math.round(energy.factored)}.`,
    });
  return faults;
}

const ENERGY_AND_MACROS: readonly Printed[] = ['energyKcal', 'energyKj', 'fat', 'carbohydrate', 'protein'];

/** Declared against factored energy; American labels may reckon fibre as carbohydrate like all other. */
function energyOf(figures: Figures, convention: CarbohydrateConvention): EnergyAgreement | undefined {
  const [kcal, kj] = [figures.get('energyKcal'), figures.get('energyKj')];
  const declared = kcal ?? (kj === undefined ? undefined : kj / KJ_PER_KCAL);
  const factored = factoredOf(figures, convention);
  if (declared === undefined || factored === undefined) return undefined;
  const agreement = energyAgreement(declared, factored);
  if (agreement.agrees || convention !== 'total') return agreement;
  const whole = factoredOf(new Map([...figures].filter(([printed]) => printed !== 'fibre')), convention);
  return whole === undefined ? agreement : ([energyAgreement(declared, whole), agreement].find(({ agrees }) => agrees) ?? agreement);
}

/** A slip of the point changes energy by much more than is allowed for; what changes it by less explains nothing. */
const LEAST_CHANGE = 1.5;

function explains(figures: Figures, mended: Figures, faults: readonly LabelDoubt[], convention: CarbohydrateConvention): boolean {
  const [was, is] = [energyOf(figures, convention), energyOf(mended, convention)];
  if (!was || !is || was.agrees || faults.length > 1) return true;
  return Math.abs(is.factored - was.factored) >= LEAST_CHANGE * was.allowed;
}

function sameEnergy(kcal: number, kj: number): boolean {
  return Math.abs(kj / KJ_PER_KCAL - kcal) <= Math.max(3, 0.03 * kcal);
}

function factoredOf(figures: Figures, convention: CarbohydrateConvention): number | undefined {
  return atwaterEnergy({ id: '', name: '', nutrients: Object.fromEntries(figures), carbohydrateIs: convention });
}

/** A changed reading of one figure. */
interface Mend {
  readonly printed: Printed;
  readonly to: number;
  readonly how: string;
}

/** Other readings of a figure: the point lost, the "g" read as a nine. */
function mendsOf(printed: Printed, { value, bare, figure }: LabelValue, othersHaveUnits: boolean): Mend[] {
  const mends: Mend[] = [];
  const digits = String(figure.amount);
  if (bare && othersHaveUnits && /[\d.]9$/.test(digits) && digits.length > 1)
    mends.push({
      printed,
      to: Number((value * (Number(digits.slice(0, -1)) / figure.amount)).toPrecision(12)),
      how: 'the last 9 being a g',
    });
  if (figure.decimals === 0 && value >= 1 && figure.note === '') {
    mends.push({ printed, to: Number((value / 10).toPrecision(12)), how: 'with its decimal point' });
    if (value >= 100) mends.push({ printed, to: Number((value / 100).toPrecision(12)), how: 'with its decimal point' });
  }
  return mends;
}

export interface CheckedLabel {
  readonly figures: Figures;
  readonly per: PrintedBasis | undefined;
  readonly doubts: readonly LabelDoubt[];
}

/**
 * Holds a column of a label against itself and against its other columns. Where one likely slip explains what does not agree, its
 * mend is proposed and doubted; where nothing does, what may be wrong is doubted as it stands.
 */
export function checkedLabel(chosen: LabelColumn, others: readonly LabelColumn[], convention: CarbohydrateConvention): CheckedLabel {
  const per = chosen.basis?.per;
  const swapped = swappedWith(chosen, others, convention);
  if (swapped) return swapped;
  const start: Figures = new Map([...chosen.values].map(([printed, { value }]) => [printed, value]));
  const doubts: LabelDoubt[] = [];
  const turned = turnedEnergy(start);
  let figures: Figures = turned ?? start;
  if (turned)
    doubts.push({ of: ['energyKcal', 'energyKj'], why: 'Kilojoules and kilocalories stand the wrong way round; they were turned.' });
  const faults = [...faultsOf(figures, per, convention), ...columnFaults(figures, chosen, others)];
  if (faults.length === 0) return { figures, per, doubts };
  const withUnits = [...chosen.values.values()].filter(({ bare }) => !bare).length;
  const nines = [...chosen.values]
    .filter(([printed]) => IN_GRAMS.includes(printed))
    .flatMap(([printed, value]) => mendsOf(printed, value, withUnits >= 2).filter(({ how }) => how.includes('9')));
  const singles = [...chosen.values]
    .filter(([printed]) => IN_GRAMS.includes(printed))
    .flatMap(([printed, value]) => mendsOf(printed, value, false).map((mend) => [mend]));
  const candidates = [...(nines.length > 0 ? [nines] : []), ...singles];
  const holding = candidates.filter((mends) => {
    const mended = withMends(figures, mends);
    return (
      [...faultsOf(mended, per, convention), ...columnFaults(mended, chosen, others)].length === 0 &&
      explains(figures, mended, faults, convention)
    );
  });
  const [mends] = holding;
  if (mends && (holding.length === 1 || mends === nines)) {
    for (const { printed, to, how } of mends)
      doubts.push({
        of: [printed],
        why: `${nutrientName(printed)} ${figures.get(printed)} does not fit the rest; read as ${to} ${unitOf(printed)}, ${how}.`,
      });
    figures = withMends(figures, mends);
    return { figures, per, doubts };
  }
  return { figures, per, doubts: [...doubts, ...narrowed(faults, figures, convention)] };
}

/** Kilocalories that do not fit kilojoules where these fit the rest are what is wrong, and the other way about. */
function narrowed(faults: readonly LabelDoubt[], figures: Figures, convention: CarbohydrateConvention): LabelDoubt[] {
  const [kcal, kj] = [figures.get('energyKcal'), figures.get('energyKj')];
  const factored = factoredOf(figures, convention);
  if (kcal === undefined || kj === undefined || factored === undefined || sameEnergy(kcal, kj)) return [...faults];
  const [fits, fitsKj] = [energyAgreement(kcal, factored).agrees, energyAgreement(kj / KJ_PER_KCAL, factored).agrees];
  if (fits === fitsKj) return [...faults];
  const wrong: Printed = fits ? 'energyKj' : 'energyKcal';
  const rest = faults.filter(({ of }) => !of.includes('energyKcal') && !of.includes('energyKj'));
  const why = `${kj} kJ are ${Math.round(kj / KJ_PER_KCAL)} kcal, not ${kcal}; fat, carbohydrate and protein fit the ${fits ? 'kilocalories' : 'kilojoules'}.`;
  return [{ of: [wrong], why }, ...rest];
}

function withMends(figures: Figures, mends: readonly Mend[]): Figures {
  return new Map([...figures, ...mends.map(({ printed, to }) => [printed, to] as const)]);
}

/** Energy with its units changed places: four times as many kilocalories as kilojoules. */
function turnedEnergy(figures: Figures): Figures | undefined {
  const [kcal, kj] = [figures.get('energyKcal'), figures.get('energyKj')];
  if (kcal === undefined || kj === undefined || kcal < 20 || sameEnergy(kcal, kj) || !sameEnergy(kj, kcal)) return undefined;
  return new Map([...figures, ['energyKcal', kj] as const, ['energyKj', kcal] as const]);
}

/** How far two printed figures may be from the ratio of their bases: half a last digit of each, and a little. */
function inRatio(value: number, one: LabelValue, other: LabelValue, ratio: number): boolean {
  const half = (v: LabelValue) => 0.6 * 10 ** -v.figure.decimals * (v.figure.amount === 0 ? 1 : v.value / v.figure.amount);
  const roundedEnergy = one.figure.unit === 'kj' || one.figure.unit === 'kcal' || one.eitherEnergy ? 2 + 0.03 * other.value : 0;
  return Math.abs(value * ratio - other.value) <= half(one) * ratio + half(other) + 0.06 * other.value + roundedEnergy;
}

/** Figures that do not stand to those of another column as their bases do. */
function columnFaults(figures: Figures, chosen: LabelColumn, others: readonly LabelColumn[]): LabelDoubt[] {
  return others.flatMap((other) => {
    const ratio = basisRatio(chosen.basis?.per, other.basis?.per);
    if (ratio === undefined || chosen.basis?.prepared !== other.basis?.prepared) return [];
    const pairs = [...chosen.values].flatMap(([printed, value]) => {
      const beside = other.values.get(printed);
      return beside && plain(value) && plain(beside) ? [{ printed, value, beside }] : [];
    });
    const off = pairs.filter(({ printed, value, beside }) => !inRatio(figures.get(printed) ?? 0, value, beside, ratio));
    // Columns that have nothing in common are of different things, as dry and prepared.
    if (off.length > pairs.length / 2) return [];
    return off.map(({ printed, beside }) => ({
      of: [printed],
      why: `${nutrientName(printed)} ${figures.get(printed)} does not stand to ${beside.value} in the other column as the rest do.`,
    }));
  });
}

/** Neither a limit nor of an unsure column. */
function plain({ figure, doubt }: LabelValue): boolean {
  return figure.note === '' && doubt === undefined;
}

/** Columns under each other's headings: every figure stands the wrong way round. */
function swappedWith(chosen: LabelColumn, others: readonly LabelColumn[], convention: CarbohydrateConvention): CheckedLabel | undefined {
  for (const other of others) {
    const ratio = basisRatio(chosen.basis?.per, other.basis?.per);
    if (ratio === undefined || Math.abs(Math.log(ratio)) < 0.2) continue;
    const pairs = [...chosen.values].flatMap(([printed, value]) => {
      const beside = other.values.get(printed);
      return beside && value.value > 0 && beside.value > 0 ? [{ value, beside }] : [];
    });
    const straight = pairs.filter(({ value, beside }) => inRatio(value.value, value, beside, ratio)).length;
    const turned = pairs.filter(({ value, beside }) => inRatio(beside.value, beside, value, ratio)).length;
    if (pairs.length < 3 || turned < 0.7 * pairs.length || straight > pairs.length / 3) continue;
    const figures: Figures = new Map([...other.values].map(([printed, { value }]) => [printed, value]));
    const rest = faultsOf(figures, chosen.basis?.per, convention);
    const headed = `${chosen.basis?.per?.amount} ${chosen.basis?.per?.unit}`;
    return {
      figures,
      per: chosen.basis?.per,
      doubts: [
        {
          of: ['per', ...figures.keys()],
          why: `The columns stand under each other’s headings by their own figures; those of the other column were taken for ${headed}.`,
        },
        ...rest,
      ],
    };
  }
  return undefined;
}
