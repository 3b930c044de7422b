/** A sheet of labels: a grid of cells of one size. Millimetres. */
export interface LabelSheet {
  readonly name: string;
  readonly page: { readonly width: number; readonly height: number };
  readonly columns: number;
  readonly rows: number;
  readonly cell: { readonly width: number; readonly height: number };
  /** From the edge of the page to the first cell. */
  readonly margin: { readonly left: number; readonly top: number };
  /** Between two cells. */
  readonly gap: { readonly across: number; readonly down: number };
}
