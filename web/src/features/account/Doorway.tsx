import type { ReactNode } from 'react';
import './doorway.css';

interface DoorwayProps {
  readonly title: string;
  /** What stands beside it, on the docket. */
  readonly beside?: ReactNode;
  readonly children: ReactNode;
}

/** What stands around each page by which one comes in: the name of the house, what is asked, and a docket beside it. */
export function Doorway({ title, beside, children }: DoorwayProps) {
  return (
    <main className="doorway">
      <section className="doorway-asked" aria-labelledby="doorway-title">
        <p className="mark doorway-mark" aria-label="Portiona">
          Portiona
          <i aria-hidden />
        </p>
        <h1 id="doorway-title">{title}</h1>
        {children}
      </section>
      {beside && <aside className="doorway-docket">{beside}</aside>}
    </main>
  );
}
