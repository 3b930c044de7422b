import { useEffect, useRef, type ReactNode } from 'react';
import { X } from 'lucide-react';
import { Button } from './Button';
import './sidePanel.css';

interface SidePanelProps {
  readonly label: string;
  /** What it is about: another subject begins at the top again. */
  readonly subject: string;
  readonly onClose: () => void;
  readonly className?: string;
  readonly children: ReactNode;
}

/** The panel beside the docket: one subject at a time, closed by Escape. */
export function SidePanel({ label, subject, onClose, className = '', children }: SidePanelProps) {
  const ref = useRef<HTMLElement>(null);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key === 'Escape') onClose();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [onClose]);
  useEffect(() => {
    ref.current?.scrollTo(0, 0);
  }, [subject]);
  return (
    <section className={`panel ${className}`} aria-label={label} ref={ref} tabIndex={0}>
      <Button kind="icon" className="float-right" onClick={onClose} aria-label={`Close, ${label}`}>
        <X size={16} />
      </Button>
      {children}
    </section>
  );
}
