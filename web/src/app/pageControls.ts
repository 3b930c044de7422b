/** Something on the page that can be pressed or written in, by the name it is read out with. */
export interface PageControl {
  readonly name: string;
  /** What it says of itself beside its name: it is found by that too. */
  readonly hint: string;
  readonly go: () => void;
}

/** More than fits a screen; what is beyond is in lists, which are filtered where they stand. */
const MOST = 120;

/** Where the same buttons stand in every row: the row is what is looked for there. */
const REPEATED = '.row, .ledger-row, tbody, ol, ul, .step-row, .toasts';

/**
 * Buttons, links, tabs and fields that the page under the dialog shows, in their order, each name once.
 *
 * @param within the page
 */
export function pageControls(within: ParentNode): PageControl[] {
  const found = new Map<string, PageControl>();
  for (const element of within.querySelectorAll<HTMLElement>('button, a[href], input, select, textarea, summary')) {
    if (found.size >= MOST) break;
    if (element.closest(REPEATED) || element.matches(':disabled, [aria-hidden=true], [type=hidden]') || !element.checkVisibility())
      continue;
    const name = nameOf(element);
    if (name === '' || found.has(name)) continue;
    found.set(name, { name, hint: element.title, go: () => goTo(element) });
  }
  return [...found.values()];
}

function goTo(element: HTMLElement): void {
  if (!element.isConnected) return;
  element.scrollIntoView({ block: 'nearest' });
  element.focus();
  if (element.matches('button, a, summary')) element.click();
}

function nameOf(element: HTMLElement): string {
  const labels = 'labels' in element ? (element.labels as NodeListOf<HTMLLabelElement> | null) : null;
  const words =
    element.getAttribute('aria-label') ??
    labels?.[0]?.textContent ??
    (element.matches('input, select, textarea') ? element.getAttribute('placeholder') : element.textContent) ??
    '';
  return words.replace(/\s+/g, ' ').trim().slice(0, 80);
}
