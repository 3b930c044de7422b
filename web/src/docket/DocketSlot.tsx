import { createContext, useContext, useMemo, useState, type ReactNode } from 'react';

interface DocketOpen {
  readonly open: boolean;
  readonly toggle: () => void;
}

const OpenContext = createContext<DocketOpen>({ open: true, toggle: () => undefined });

/** Whether the docket is pulled up where there is no room for it beside the sheet, and the way to pull it. */
export function useDocketOpen(): DocketOpen {
  return useContext(OpenContext);
}

/** Where the docket lies: beside the sheet, over it on a tablet, and on a phone behind one bar at the foot that pulls it up. */
export function DocketSlot({ children }: { readonly children: ReactNode }) {
  const [open, setOpen] = useState(false);
  const value = useMemo(() => ({ open, toggle: () => setOpen((now) => !now) }), [open]);
  return (
    <OpenContext value={value}>
      <div className={`slot ${open ? 'pulled' : ''}`}>{children}</div>
    </OpenContext>
  );
}
