/** Colours of printed cards; the same as the application's light ones. */
export const INK = {
  ink: '#241a26',
  ink2: '#5c5460',
  ink3: '#6d6571',
  text: '#3c343f',
  damson: '#5e2750',
  damsonSoft: '#f3e8f0',
  damsonLine: '#c9a5bd',
  paper: '#ffffff',
  ticket: '#fffdf8',
  ticketRule: '#e6dfd2',
  tear: '#cfc5b4',
  rule: '#dcdfdf',
  cloth: '#d5dcdc',
  steel: '#b4bdbd',
  protein: '#3f5f86',
  proteinLight: '#8aa0ba',
  carbohydrate: '#c79a3c',
  carbohydrateDot: '#5a451b',
  fat: '#7b8440',
  fibre: '#8b5b3c',
  fibreLight: '#d9c4b5',
} as const;

export type Ink = keyof typeof INK;
