import { useEffect, useRef } from 'react';
import { useSetPrinterTroubleMutation, type LabelPrinterDto, type PrintedLabelDto } from '../../api/api.gen';
import { Button } from '../../ui/Button';

/** The simulated printer's own panel: what came out, and what can be wrong with it. */
export function PrinterPanel({ printer, onChanged }: { readonly printer: LabelPrinterDto; readonly onChanged: () => void }) {
  const [set] = useSetPrinterTroubleMutation();
  const trouble = async (words: string | undefined) => {
    await set({ printerTroubleDto: words === undefined ? {} : { trouble: words } }).unwrap();
    onChanged();
  };
  return (
    <section className="printer" aria-label="What came out of the printer">
      <p className="flex gap-3 items-center">
        <b>{printer.out.length === 0 ? 'Nothing came out yet' : `Came out, the newest first`}</b>
        {printer.trouble === undefined ? (
          <Button kind="quiet" onClick={() => void trouble('it has run out of labels')}>
            take its labels out
          </Button>
        ) : (
          <>
            <span className="warn">▲ {printer.trouble}</span>
            <Button kind="quiet" onClick={() => void trouble(undefined)}>
              put labels in
            </Button>
          </>
        )}
      </p>
      <div className="printer-out">
        {printer.out.map((label) => (
          <PrintedLabel key={label.number} label={label} />
        ))}
      </div>
    </section>
  );
}

/** A label as its dots came out. */
function PrintedLabel({ label: { number, width, height, rows } }: { readonly label: PrintedLabelDto }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const paper = canvas.current?.getContext('2d');
    if (!paper) return;
    const bytes = Uint8Array.from(atob(rows), (letter) => letter.charCodeAt(0));
    const picture = paper.createImageData(width, height);
    const across = Math.ceil(width / 8);
    for (let y = 0; y < height; y++)
      for (let x = 0; x < width; x++) {
        const black = ((bytes[y * across + (x >> 3)] ?? 0) & (0x80 >> (x & 7))) !== 0;
        picture.data.set([black ? 20 : 255, black ? 16 : 255, black ? 20 : 255, 255], 4 * (y * width + x));
      }
    paper.putImageData(picture, 0, 0);
  }, [rows, width, height]);
  return <canvas ref={canvas} width={width} height={height} className="printed" role="img" aria-label={`Printed label ${number}`} />;
}
