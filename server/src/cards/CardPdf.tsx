import { Document, G, Line, Page, Path, Rect, StyleSheet, Svg, Text, View, Circle } from '@react-pdf/renderer';
import {
  cardPriceText,
  cardSmallPrint,
  leadOf,
  numbersKept,
  unbroken,
  wayLead,
  type CardContent,
  type CardFigure,
  type CardLine,
  type CardRun,
} from '@portiona/core';
import { CARD_COLOURS as colour, PAPERS, type Paper } from './cardStyle.js';

/** Points of one rem of the card's page at A5: 11 CSS pixels. */
const REM = 8.25;
const STRIP_REM = 12.9;

type Sheet = ReturnType<typeof sheetFor>;

/** The card as a PDF document, from the same content as its page. */
export function CardPdf({ card, paper }: { readonly card: CardContent; readonly paper: Paper }) {
  const sheet = sheetFor(PAPERS[paper].scale);
  return (
    <Document title={card.title} creator="Portiona" producer="Portiona" language="en">
      <Page size={paper === 'a5' ? 'A5' : 'A4'} style={sheet.page}>
        <View style={sheet.strip} fixed />
        <Strip card={card} sheet={sheet} rem={REM * PAPERS[paper].scale} />
        <View style={sheet.main}>
          {card.series !== '' && <Text style={sheet.series}>{card.series}</Text>}
          <Text style={sheet.title}>{card.title}</Text>
          <Text style={sheet.lead}>{leadOf(card)}</Text>
          <Ingredients card={card} sheet={sheet} />
          {card.steps.length > 0 && <Text style={sheet.heading}>Method</Text>}
          {card.steps.map((step, i) => (
            <View key={i} style={sheet.step} wrap={false}>
              <Text style={sheet.stepNumber}>{i + 1}</Text>
              <Text style={sheet.stepText}>
                {step.part !== '' && <Text style={sheet.stepPart}>{step.part}. </Text>}
                <Runs runs={step.runs} sheet={sheet} />
                {(step.or ?? []).map((way, w) => (
                  <Text key={w}>
                    {' '}
                    <Text style={sheet.stepPart}>{wayLead(way.name)}</Text> <Runs runs={way.runs} sheet={sheet} />
                  </Text>
                ))}
              </Text>
            </View>
          ))}
          <Keep card={card} sheet={sheet} />
        </View>
      </Page>
    </Document>
  );
}

function Strip({ card, sheet, rem }: { readonly card: CardContent; readonly sheet: Sheet; readonly rem: number }) {
  return (
    <View style={sheet.stripText}>
      <Text style={sheet.key}>{`One ${card.servingName}, ${card.weight.text} g`}</Text>
      {card.energy && <Figure figure={card.energy} sheet={sheet} big />}
      <Text style={sheet.key}>of that energy</Text>
      <Split card={card} rem={rem} />
      {card.macros.map((macro) => (
        <View key={macro.figure}>
          <Text style={sheet.key}>{macro.name}</Text>
          <Figure figure={macro} sheet={sheet} />
        </View>
      ))}
      {card.index && (
        <View>
          <Text style={sheet.key}>{card.index.name}</Text>
          <Figure figure={card.index} sheet={sheet} />
        </View>
      )}
      <View style={sheet.tear} />
      <Text style={sheet.key}>{`Into each ${card.servingName}`}</Text>
      {card.intoEachBox.map(({ grams, part }) => (
        <Text key={part} style={sheet.figure}>
          {grams}
          <Text style={sheet.unit}>{` g ${part.toLowerCase()}`}</Text>
        </Text>
      ))}
      {(card.used || card.till) && <View style={sheet.tear} />}
      {card.used && <Money figure={card.used} label="Costs, used" sheet={sheet} />}
      {card.till && <Money figure={card.till} label={`at the till for all ${card.servings}`} sheet={sheet} />}
      {card.prices && <Text style={sheet.key}>{cardPriceText(card)}</Text>}
      {card.topping && (
        <>
          <View style={sheet.tear} />
          <Text style={sheet.key}>{`With ${card.topping.name.toLowerCase()}`}</Text>
          {card.topping.figures.map((figure) => (
            <Text key={figure.figure} style={sheet.figure}>
              {figure.text}
              <Text style={sheet.unit}>
                {figure.figure === 'energyKcal' ? ` ${figure.unit}` : ` ${figure.unit} ${figure.name.toLowerCase()}`}
              </Text>
            </Text>
          ))}
        </>
      )}
    </View>
  );
}

function Figure({ figure, sheet, big = false }: { readonly figure: CardFigure; readonly sheet: Sheet; readonly big?: boolean }) {
  const long = figure.text.includes(' ');
  return (
    <Text style={long ? sheet.figureLong : big ? sheet.figureBig : sheet.figure}>
      {figure.text}
      <Text style={sheet.unit}>{` ${figure.unit}`}</Text>
    </Text>
  );
}

function Money({ figure, label, sheet }: { readonly figure: CardFigure; readonly label: string; readonly sheet: Sheet }) {
  return (
    <>
      <Text style={sheet.key}>{label}</Text>
      <Text style={figure.text.includes(' ') ? sheet.figureLong : sheet.figure}>{`${figure.unit} ${figure.text}`}</Text>
    </>
  );
}

/** Shares of energy, each with its pattern, so that grey print tells them apart. */
function Split({ card, rem }: { readonly card: CardContent; readonly rem: number }) {
  const width = (STRIP_REM - 2.5) * rem;
  const height = 0.85 * rem;
  let left = 0;
  return (
    <Svg width={width} height={height} style={{ marginTop: 0.25 * rem, marginBottom: 0.7 * rem }}>
      {card.energyShares.map(({ of, share }) => {
        const x = left;
        const w = Math.max(0, share * width - 0.75);
        left += share * width;
        return (
          <G key={of}>
            <Rect x={x} y={0} width={w} height={height} fill={colour[of]} />
            <Pattern of={of} x={x} width={w} height={height} />
          </G>
        );
      })}
    </Svg>
  );
}

function Pattern({
  of,
  x,
  width,
  height,
}: {
  readonly of: CardContent['energyShares'][number]['of'];
  readonly x: number;
  readonly width: number;
  readonly height: number;
}) {
  const steps = (gap: number) => Array.from({ length: Math.max(0, Math.floor(width / gap)) }, (_, i) => x + (i + 0.5) * gap);
  if (of === 'carbohydrate')
    return (
      <>
        {steps(3.75).flatMap((cx) =>
          [height * 0.28, height * 0.72].map((cy) => <Circle key={`${cx}/${cy}`} cx={cx} cy={cy} r={0.7} fill={colour.carbohydrateDot} />),
        )}
      </>
    );
  if (of === 'protein')
    return (
      <>
        {steps(3.75).map((at) => (
          <Line key={at} x1={at} y1={height} x2={Math.min(x + width, at + 2.4)} y2={0} stroke={colour.proteinLight} strokeWidth={1} />
        ))}
      </>
    );
  if (of === 'fibre')
    return (
      <>
        {steps(3.4).map((at) => (
          <Path
            key={at}
            d={`M${at} 0 L${Math.min(x + width, at + 2)} ${height} M${Math.min(x + width, at + 2)} 0 L${at} ${height}`}
            stroke="#d9c4b5"
            strokeWidth={0.6}
          />
        ))}
      </>
    );
  return null;
}

function Ingredients({ card, sheet }: { readonly card: CardContent; readonly sheet: Sheet }) {
  return (
    <View style={sheet.columns}>
      {balanced(card.sections).map((column, i) => (
        <View key={i} style={sheet.column}>
          {column.map(({ name, served, lines }) => (
            <View key={name} style={sheet.section}>
              <Text
                style={sheet.heading}
              >{`${name}${served === 'table' ? ', at the table' : served === 'optional' ? ', if you like' : ''}`}</Text>
              {lines.map((line) => (
                <Ingredient key={line.at} line={line} sheet={sheet} />
              ))}
            </View>
          ))}
        </View>
      ))}
    </View>
  );
}

/** Sections in two columns of about the same number of lines, in order; a single one goes on in the second column. */
function balanced(sections: CardContent['sections']): CardContent['sections'][] {
  const [only] = sections;
  if (only && sections.length === 1 && only.lines.length > 6) {
    const half = Math.ceil(only.lines.length / 2);
    return [[{ ...only, lines: only.lines.slice(0, half) }], [{ ...only, name: '', lines: only.lines.slice(half) }]];
  }
  const size = ({ lines }: CardContent['sections'][number]) => lines.length + 1.5;
  const all = sections.reduce((sum, section) => sum + size(section), 0);
  let taken = 0;
  let cut = 0;
  while (cut < sections.length && (cut === 0 || taken + size(sections[cut] ?? { name: '', served: 'box', lines: [] }) / 2 <= all / 2))
    taken += size(sections[cut++] ?? { name: '', served: 'box', lines: [] });
  return [sections.slice(0, cut), sections.slice(cut)];
}

function Ingredient({ line, sheet }: { readonly line: CardLine; readonly sheet: Sheet }) {
  const toTaste = line.amount === 'to taste';
  return (
    <Text style={sheet.ingredient}>
      {!toTaste && line.amount !== '' && <Text style={sheet.strong}>{`${line.amount} `}</Text>}
      {`${line.food}${toTaste ? ', to taste' : ''}${line.note === '' ? '' : `, ${line.note}`}${line.optional ? ', optional' : ''}`}
      {line.allergens.length > 0 && (
        <>
          {' '}
          <Text style={sheet.strong}>{`(${line.allergens.join(', ')})`}</Text>
        </>
      )}
      {line.second !== '' && <Text style={sheet.second}>{` ${unbroken(line.second)}`}</Text>}
    </Text>
  );
}

function Keep({ card, sheet }: { readonly card: CardContent; readonly sheet: Sheet }) {
  const { fridge, freezer, reheat } = card.cautions;
  return (
    <View style={sheet.foot} wrap={false}>
      <View style={sheet.keep}>
        {[
          ['Fridge', fridge],
          ['Freezer', freezer],
          ['Reheat', reheat],
        ].map(([name, text]) => (
          <View key={name} style={sheet.keepColumn}>
            <Text style={sheet.keepName}>{name}</Text>
            <Text>{text}</Text>
          </View>
        ))}
      </View>
      <Text style={sheet.small}>{cardSmallPrint(card)}</Text>
    </View>
  );
}

function sheetFor(scale: number) {
  const rem = (n: number) => n * REM * scale;
  const sans = ['Hanken Grotesk', 'Fallback'];
  const serif = ['Literata', 'Fallback'];
  const figure = { fontFamily: serif, fontWeight: 600 as const, fontSize: rem(1.45), lineHeight: 1.2, marginBottom: rem(0.45) };
  return StyleSheet.create({
    page: {
      flexDirection: 'row',
      fontFamily: sans as unknown as string,
      fontSize: rem(1),
      lineHeight: 1.42,
      color: colour.ink,
      paddingVertical: rem(2),
    },
    strip: {
      position: 'absolute',
      top: 0,
      bottom: 0,
      left: 0,
      width: rem(STRIP_REM),
      backgroundColor: colour.ticket,
      borderRightWidth: 1,
      borderRightStyle: 'dashed',
      borderRightColor: colour.tear,
    },
    stripText: { width: rem(STRIP_REM), paddingHorizontal: rem(1.25) },
    key: { color: colour.ink2, fontSize: rem(0.91), lineHeight: 1.35 },
    figure: figure as never,
    figureBig: { ...figure, fontSize: rem(2.8), lineHeight: 1.1 } as never,
    figureLong: { ...figure, fontSize: rem(1.15) } as never,
    unit: { fontFamily: sans as unknown as string, fontWeight: 400, fontSize: rem(0.91), color: colour.ink2 },
    tear: {
      borderTopWidth: 1,
      borderTopStyle: 'dashed',
      borderTopColor: colour.tear,
      marginHorizontal: -rem(1.25),
      marginTop: rem(0.4),
      marginBottom: rem(0.7),
    },
    main: { flex: 1, paddingHorizontal: rem(2.1) },
    series: { color: colour.damson, fontWeight: 600, fontSize: rem(0.95) },
    title: {
      fontFamily: serif as unknown as string,
      fontWeight: 600,
      fontSize: rem(2.27),
      lineHeight: 1.1,
      marginTop: rem(0.25),
      marginBottom: rem(0.6),
    },
    lead: {
      fontFamily: serif as unknown as string,
      fontStyle: 'italic',
      fontSize: rem(1.09),
      lineHeight: 1.4,
      color: colour.ink2,
      marginBottom: rem(0.9),
    },
    heading: { fontWeight: 600, fontSize: rem(1.05), color: colour.damson, marginBottom: rem(0.2) },
    columns: { flexDirection: 'row', marginBottom: rem(0.5) },
    column: { width: '50%', paddingRight: rem(0.9) },
    section: { marginBottom: rem(0.6) },
    ingredient: { fontFamily: serif as unknown as string, fontSize: rem(1.05), lineHeight: 1.35, marginBottom: rem(0.15) },
    strong: { fontWeight: 600 },
    second: { fontSize: rem(0.91), color: colour.ink3 },
    step: { flexDirection: 'row', marginBottom: rem(0.3) },
    stepNumber: {
      width: rem(1.8),
      fontFamily: serif as unknown as string,
      fontWeight: 600,
      fontSize: rem(1.36),
      lineHeight: 1.1,
      color: colour.damson,
    },
    stepPart: { color: colour.damson },
    stepText: { flex: 1, fontFamily: serif as unknown as string, fontSize: rem(1.05), lineHeight: 1.4 },
    foot: { marginTop: 'auto', paddingTop: rem(0.6) },
    keep: {
      flexDirection: 'row',
      borderTopWidth: 0.75,
      borderTopColor: colour.rule,
      paddingTop: rem(0.6),
      fontSize: rem(0.91),
      lineHeight: 1.35,
    },
    keepColumn: { width: '33.33%', paddingRight: rem(0.8) },
    keepName: { fontWeight: 600, fontSize: rem(0.95) },
    small: { fontSize: rem(0.79), lineHeight: 1.35, color: colour.ink3, marginTop: rem(0.6) },
  });
}

function Runs({ runs, sheet }: { readonly runs: readonly CardRun[]; readonly sheet: Sheet }) {
  return (
    <>
      {runs.map(({ text, strong }, r) => (
        <Text key={r} style={strong ? sheet.strong : {}}>
          {numbersKept(text)}
        </Text>
      ))}
    </>
  );
}
