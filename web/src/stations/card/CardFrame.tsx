import { useEffect, useRef, useState, type RefObject, type SyntheticEvent } from 'react';
import { FORMAT_TABLE, type Format, type WorkedFigure } from '@portiona/core';

/** How a card came out: as its page says. */
export interface CardTold {
  readonly pages: number;
  readonly scale: number;
  readonly torn: readonly string[];
  readonly lacking: readonly string[];
}

interface CardFrameProps {
  readonly frame: RefObject<HTMLIFrameElement | null>;
  readonly src: string;
  readonly format: Format;
  readonly title: string;
  readonly onFigure: (figure: WorkedFigure | 'index') => void;
  readonly onTold: (told: CardTold | undefined) => void;
}

/** Pixels beside the card at least, and around a sheet on its own page. */
const MARGIN = 10;
const GROUND = 20;
const PIXELS_PER_POINT = 4 / 3;

/** The card's sheets, made to fit; each figure on them opens its working. */
export function CardFrame({ frame, src, format, title, onFigure, onTold }: CardFrameProps) {
  const room = useRef<HTMLDivElement>(null);
  const { width, height: high, unit } = FORMAT_TABLE[format];
  const perUnit = unit === 'pt' ? PIXELS_PER_POINT : 1;
  const page = { width: width * perUnit + 2 * GROUND, height: high * perUnit + 2 * GROUND };
  const [scale, setScale] = useState(0.8);
  const [height, setHeight] = useState(page.height);
  const [drawn, setDrawn] = useState(false);
  useEffect(() => {
    const fit = () => {
      const free = window.innerHeight - (room.current?.getBoundingClientRect().top ?? 170) - window.scrollY;
      const wide = (room.current?.clientWidth ?? 900) - 2 * MARGIN;
      // All of a sheet where that can be read; of a wide or a long one what is as wide as there is room.
      const whole = free / page.height;
      setScale(Math.min(unit === 'pt' ? 1.5 : 0.8, Math.max(whole, Math.min(0.8, wide / page.width)), wide / page.width));
    };
    // Its room changes with the window, and with a panel beside it.
    const watch = new ResizeObserver(fit);
    if (room.current) watch.observe(room.current);
    window.addEventListener('resize', fit);
    return () => {
      watch.disconnect();
      window.removeEventListener('resize', fit);
    };
  }, [page.height, page.width, unit]);
  const onLoad = ({ currentTarget }: SyntheticEvent<HTMLIFrameElement>) => {
    const sheets = currentTarget.contentDocument;
    if (!sheets) return;
    setDrawn(sheets.body.childElementCount > 0);
    // On the desk the sheet lies on the station's own ground.
    sheets.body.style.background = 'transparent';
    setHeight(Math.max(page.height, sheets.documentElement.scrollHeight));
    onTold(toldBy(sheets.body));
    // Keys pressed inside the card mean the same as outside it.
    sheets.addEventListener('keydown', (event) => window.dispatchEvent(new KeyboardEvent(event.type, event)));
    for (const figure of sheets.querySelectorAll<SVGElement>('[data-figure]')) {
      figure.setAttribute('tabindex', '0');
      figure.setAttribute('role', 'button');
      figure.setAttribute(
        'aria-label',
        `${[...figure.querySelectorAll('text')].map((text) => text.textContent).join(' ')}, show the working`,
      );
      const open = () => onFigure(figure.dataset.figure as WorkedFigure | 'index');
      figure.addEventListener('click', open);
      figure.addEventListener('keydown', (event) => {
        if (event.key === 'Enter' || event.key === ' ') {
          event.preventDefault();
          open();
        }
      });
    }
  };
  return (
    <div className="cardview" ref={room} style={{ height: Math.ceil(height * scale) }}>
      {!drawn && (
        <p className="coming" role="status">
          The card is being laid out …
        </p>
      )}
      <iframe
        ref={frame}
        src={src}
        title={title}
        onLoad={onLoad}
        width={page.width}
        height={height}
        // It takes the room that it is seen to take.
        // The card is paper in either theme; a frame of another colour scheme than its page is painted white.
        style={{ transform: `scale(${scale})`, marginRight: -page.width * (1 - scale), colorScheme: 'light' }}
      />
    </div>
  );
}

function toldBy({ dataset }: HTMLElement): CardTold | undefined {
  return dataset.told === undefined ? undefined : (JSON.parse(dataset.told) as CardTold);
}
