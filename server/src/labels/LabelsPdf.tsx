import { Document, Page, Path, Svg, Text, View } from '@react-pdf/renderer';
import {
  INK as colour,
  LABEL_PADDING,
  LABEL_SIZES,
  labelContainsText,
  labelFiguresText,
  labelHeadText,
  labelMayText,
  labelNotKnownText,
  labelPlaces,
  qrModules,
  type BoxLabel,
  type LabelFit,
  type LabelSheet,
} from '@portiona/core';

/** Labels and how each is set in its cell. */
export interface SetLabel {
  readonly label: BoxLabel;
  readonly fit: LabelFit;
}

interface LabelsPdfProps {
  readonly labels: readonly SetLabel[];
  readonly sheet: LabelSheet;
  /** First cell used, from 1. */
  readonly start: number;
  /** The cells' edges are drawn too, to hold against a sheet before one is used up. */
  readonly outlines: boolean;
}

const POINTS_PER_MM = 72 / 25.4;
/** Millimetres of the code. */
const CODE = 13;

/** Labels as the pages of a PDF, each in its cell. */
export function LabelsPdf({ labels, sheet, start, outlines }: LabelsPdfProps) {
  const places = labelPlaces(sheet, labels.length, start);
  const pages = Array.from({ length: Math.max(1, (places.at(-1)?.page ?? 0) + 1) }, (_, page) => page);
  const size: [number, number] = [sheet.page.width * POINTS_PER_MM, sheet.page.height * POINTS_PER_MM];
  return (
    <Document title="Labels" creator="Portiona" producer="Portiona" language="en">
      {pages.map((page) => (
        <Page key={page} size={size} style={{ fontFamily: ['Hanken Grotesk', 'Fallback'], color: colour.ink }}>
          {outlines &&
            labelPlaces(sheet, sheet.columns * sheet.rows).map((place, i) => (
              <Outline key={i} place={place} sheet={sheet} number={i + 1} />
            ))}
          {places.map((place, i) => {
            const set = labels[i];
            return place.page === page && set ? <Label key={i} set={set} left={place.left} top={place.top} cell={sheet.cell} /> : null;
          })}
        </Page>
      ))}
    </Document>
  );
}

function Outline({
  place,
  sheet,
  number,
}: {
  readonly place: { readonly left: number; readonly top: number };
  readonly sheet: LabelSheet;
  readonly number: number;
}) {
  const { width, height } = sheet.cell;
  return (
    <View
      style={{
        ...{ position: 'absolute', left: `${place.left}mm`, top: `${place.top}mm`, width: `${width}mm`, height: `${height}mm` },
        ...{ border: `0.5pt dashed ${colour.ink3}`, alignItems: 'flex-end', justifyContent: 'flex-end', padding: 3 },
      }}
    >
      <Text style={{ fontSize: 6, color: colour.ink3 }}>{number}</Text>
    </View>
  );
}

function Label({
  set: { label, fit },
  left,
  top,
  cell,
}: {
  readonly set: SetLabel;
  readonly left: number;
  readonly top: number;
  readonly cell: LabelSheet['cell'];
}) {
  const points = (row: keyof typeof LABEL_SIZES) => ({ fontSize: fit.size * LABEL_SIZES[row], lineHeight: 1.22 });
  const contains = labelContainsText(label);
  const may = labelMayText(label);
  const notKnown = labelNotKnownText(label);
  return (
    <View
      style={{
        ...{ position: 'absolute', left: `${left}mm`, top: `${top}mm`, width: `${cell.width}mm`, height: `${cell.height}mm` },
        ...{ padding: `${LABEL_PADDING}mm`, overflow: 'hidden' },
      }}
    >
      <Text style={{ ...points('title'), fontFamily: ['Literata', 'Fallback'], fontWeight: 600 }}>{label.title}</Text>
      <Text style={{ ...points('head'), color: colour.ink2 }}>{labelHeadText(label)}</Text>
      <View style={{ borderTop: `0.6pt solid ${colour.ink}`, marginTop: 1, paddingTop: 1 }}>
        <Text style={points('keep')}>
          {label.keepWords} <Text style={{ fontWeight: 600 }}>{label.keepDay}</Text>
        </Text>
        {label.beyond !== '' && <Text style={points('small')}>{label.beyond}</Text>}
      </View>
      <View style={{ borderTop: `0.6pt solid ${colour.ink}`, marginTop: 1, paddingTop: 1.5, flexDirection: 'row' }}>
        <View style={{ flex: 1 }}>
          <Text style={points('figures')}>{labelFiguresText(label)}</Text>
          {contains !== '' && <Text style={{ ...points('contains'), fontWeight: 600 }}>{contains}</Text>}
          {may !== '' && <Text style={points('small')}>{may}</Text>}
          {notKnown !== '' && <Text style={{ ...points('contains'), fontWeight: 600 }}>{notKnown}</Text>}
        </View>
        {fit.code && <Code text={label.link} />}
      </View>
      {fit.reheat && <Text style={{ ...points('small'), marginTop: 1 }}>{label.reheat}</Text>}
    </View>
  );
}

/** The code as one path of squares. */
function Code({ text }: { readonly text: string }) {
  const modules = qrModules(text);
  const d = modules.flatMap((row, y) => row.flatMap((dark, x) => (dark ? [`M${x} ${y}h1v1h-1z`] : []))).join('');
  const side = CODE * POINTS_PER_MM;
  return (
    <Svg viewBox={`-0.5 -0.5 ${modules.length + 1} ${modules.length + 1}`} style={{ width: side, height: side, marginLeft: 4 }}>
      <Path d={d} fill="#000" />
    </Svg>
  );
}
