/** What taking a table in did, or would do. */
export interface TableResult {
  /** Rows below the headings. */
  readonly rows: number;
  readonly added: number;
  readonly changed: number;
  readonly unchanged: number;
  /** Rows of the table that the person has made their own since: left as they are. */
  readonly own: number;
  readonly leftOut: number;
  /** Cells and rows that could not be taken as they stand, all of them. */
  readonly faults: number;
}
