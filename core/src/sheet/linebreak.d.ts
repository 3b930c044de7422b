declare module 'linebreak' {
  /** Where lines may end, by the line breaking rules of Unicode. */
  export default class LineBreaker {
    constructor(text: string);
    nextBreak(): { readonly position: number; readonly required: boolean } | null;
  }
}
