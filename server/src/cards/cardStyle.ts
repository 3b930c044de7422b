/** Paper a card is set on: page size, and how much larger than A5 everything is. */
export const PAPERS = {
  a5: { width: '148mm', height: '210mm', scale: 1 },
  a4: { width: '210mm', height: '297mm', scale: 1.414 },
} as const;
export type Paper = keyof typeof PAPERS;

/** Colours of the printed card; the same as the application's light ones. */
export const CARD_COLOURS = {
  ink: '#241a26',
  ink2: '#5c5460',
  ink3: '#6d6571',
  damson: '#5e2750',
  ticket: '#fffdf8',
  tear: '#cfc5b4',
  rule: '#dcdfdf',
  protein: '#3f5f86',
  proteinLight: '#8aa0ba',
  carbohydrate: '#c79a3c',
  carbohydrateDot: '#5a451b',
  fat: '#7b8440',
  fibre: '#8b5b3c',
} as const;

/**
 * Style rules of the card as a page of its own: on screen a sheet on a grey ground, in print the sheet alone. Sizes are in
 * rem, so that one number turns A5 into A4.
 */
export function cardStyle(paper: Paper): string {
  const { width, height, scale } = PAPERS[paper];
  const c = CARD_COLOURS;
  return `
@page{size:${width} ${height};margin:0}
*{box-sizing:border-box}
html{font-size:${(11 * scale).toFixed(3)}px}
body{margin:0;background:#cfd3d3;color:${c.ink};font:1rem/1.42 "Hanken Grotesk",system-ui,sans-serif;font-variant-numeric:tabular-nums lining-nums;-webkit-print-color-adjust:exact;print-color-adjust:exact}
.card{width:${width};min-height:${height};margin:28px auto;background:linear-gradient(to right,${c.ticket} 12.9rem,#fff 12.9rem);display:grid;grid-template-columns:12.9rem 1fr;box-shadow:0 8px 30px #0003}
.strip{border-right:1.5px dashed ${c.tear};padding:2rem 1.25rem 1.4rem}
.k{display:block;color:${c.ink2};font-size:.91rem}
.v{display:block;font:600 1.45rem/1.2 Literata,Georgia,serif;margin-bottom:.55rem}
.v small{font:400 .91rem "Hanken Grotesk",system-ui,sans-serif;color:${c.ink2};margin-left:.2rem}
.v.big{font-size:2.8rem;line-height:1.1}
.v.least{font-size:1.15rem}
.strip hr{border:0;border-top:1.5px dashed ${c.tear};margin:.5rem -1.25rem .75rem}
.split{display:flex;height:.85rem;gap:1px;margin:.25rem 0 .7rem}
.split b{display:block;min-width:0}
.protein{background:repeating-linear-gradient(135deg,${c.protein} 0 3px,${c.proteinLight} 3px 5px)}
.carbohydrate{background:radial-gradient(circle,${c.carbohydrateDot} .9px,transparent 1.2px) 0 0/5px 5px,${c.carbohydrate}}
.fat{background:${c.fat}}
.fibre{background:repeating-linear-gradient(45deg,#0000 0 3px,#fff6 3px 4px),repeating-linear-gradient(135deg,#0000 0 3px,#fff6 3px 4px),${c.fibre}}
.main{padding:2rem 2.1rem 1.4rem;display:flex;flex-direction:column}
.series{color:${c.damson};font-weight:600;font-size:.95rem}
h1{font:600 2.27rem/1.08 Literata,Georgia,serif;margin:.25rem 0 .6rem;letter-spacing:-.015em;overflow-wrap:anywhere}
.lead{font:italic 400 1.09rem/1.4 Literata,Georgia,serif;color:${c.ink2};margin:0 0 1rem}
h2{font:600 1.05rem "Hanken Grotesk",system-ui,sans-serif;margin:0 0 .25rem;color:${c.damson}}
.ing{columns:2;column-gap:1.8rem;margin-bottom:.8rem}
.ing section{break-inside:avoid;margin-bottom:.7rem}
.ing.one section{break-inside:auto}
.ing ul{list-style:none;margin:0;padding:0}
.ing li{break-inside:avoid;margin:0 0 .18rem;font:400 1.05rem/1.35 Literata,Georgia,serif;padding-left:.8rem;text-indent:-.8rem;overflow-wrap:anywhere}
.ing b,.steps b{font-weight:600}
.ing i{color:${c.ink3};font-style:normal;font-size:.91rem}
.steps{margin:0 0 .8rem;padding:0;list-style:none;counter-reset:s}
.steps li{counter-increment:s;display:grid;grid-template-columns:1.8rem 1fr;font:400 1.05rem/1.4 Literata,Georgia,serif;margin-bottom:.36rem;break-inside:avoid;overflow-wrap:anywhere}
.steps li::before{content:counter(s);font:600 1.36rem/1.1 Literata,Georgia,serif;color:${c.damson}}
.steps .way{display:block;margin-top:.1rem}
.steps i{font-style:normal;font-weight:600;color:${c.damson}}
.keep{display:grid;grid-template-columns:repeat(3,1fr);gap:.9rem;border-top:1px solid ${c.rule};padding-top:.7rem;margin-top:auto;font-size:.91rem;line-height:1.35;color:#3c343f}
.keep h3{font:600 .95rem "Hanken Grotesk",system-ui,sans-serif;margin:0}
.keep p{margin:0}
.small{font-size:.79rem;line-height:1.35;color:${c.ink3};margin:.7rem 0 0}
@media print{body{background:none}.card{margin:0;box-shadow:none}}
@media screen and (max-width:540px){.card{width:auto;margin:0;grid-template-columns:1fr;background:#fff}.strip{border-right:0;border-bottom:1.5px dashed ${c.tear};background:${c.ticket}}.ing{columns:1}.keep{grid-template-columns:1fr}}
`;
}
