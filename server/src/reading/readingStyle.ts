import { INK } from '@portiona/core';
import { READERS_PATH, SHARED } from '../cards/readersPlace.js';
import { FACE_TABLE } from '../sheets/fontChain.js';

const SANS = '"Hanken Grotesk",system-ui,sans-serif';
const SERIF = 'Literata,Georgia,serif';

/** Where the pages of readers find their looks. */
export const STYLE_PATH = `${READERS_PATH}/${SHARED}/reading.css`;

/** How the index of a kitchen's cards looks: tickets on their own ground, a phone first. */
export function readingStyle(): string {
  const c = INK;
  const faces = Object.entries(FACE_TABLE)
    .map(
      ([face, { family, weight, style }]) =>
        `@font-face{font-family:"${family}";font-weight:${weight};font-style:${style};font-display:swap;src:url(${READERS_PATH}/${SHARED}/${face}.woff2) format("woff2")}`,
    )
    .join('\n');
  return `${faces}
*{box-sizing:border-box}
html{-webkit-text-size-adjust:100%}
body{margin:0;background:#eef1f0;color:${c.ink};font:400 16px/1.45 ${SANS};font-variant-numeric:tabular-nums lining-nums;overflow-wrap:anywhere}
a{color:inherit}
:focus-visible{outline:3px solid ${c.damson};outline-offset:2px}
.masthead,.orders,main,footer{max-width:1180px;margin:0 auto;padding-inline:20px}
.masthead{display:flex;gap:18px;align-items:flex-start;padding-block:34px 14px}
.stamp{flex:none;display:grid;place-items:center;width:58px;height:58px;margin-top:2px;border-radius:50%;background:${c.damson};color:#fff;font:600 24px/1 ${SERIF}}
h1{margin:0;font:600 clamp(32px,6vw,52px)/1.08 ${SERIF};letter-spacing:-.016em;text-wrap:balance}
.masthead p{max-width:62ch;margin:8px 0 0;color:${c.text}}
.subtitle{font:italic 19px/1.35 ${SERIF}}
.count{font:italic 18px/1.35 ${SERIF}}
.up{display:inline-block;min-height:26px;color:${c.damson};font-weight:600;text-decoration:none}
.orders{display:flex;flex-wrap:wrap;gap:2px 20px;padding-block:8px;font-size:15px;color:${c.ink2}}
.orders :is(a,b){display:inline-flex;align-items:center;min-height:44px}
.orders b{color:${c.damson};border-bottom:2px solid ${c.damson}}
main h2:not(.ticket h2){margin:20px 0 10px;font:600 22px/1.2 ${SERIF};color:${c.damson}}
main h2 a{text-decoration:none}
main h2 a:hover{text-decoration:underline}
.tickets{display:grid;grid-template-columns:repeat(auto-fill,minmax(min(100%,340px),1fr));gap:26px 22px;margin:0;padding:0;list-style:none}
.tickets li{display:grid}
.ticket{display:grid;grid-template-rows:auto 1fr auto auto;text-decoration:none;background:${c.ticket};filter:drop-shadow(0 1px 1px #2a1a2a22) drop-shadow(0 6px 14px #2a1a2a14);--t:5px;-webkit-mask:radial-gradient(circle at 50% 100%,#0000 var(--t),#000 calc(var(--t) + .5px)) 0 0/13.9px 100%;mask:radial-gradient(circle at 50% 100%,#0000 var(--t),#000 calc(var(--t) + .5px)) 0 0/13.9px 100%}
.dish{display:block;width:100%;height:auto;aspect-ratio:780/440;background:${c.cloth};object-fit:cover}
.words{display:block;padding:14px 18px 12px}
.series{display:block;min-height:1.45em;color:${c.damson};font-weight:600;font-size:14px}
.ticket :is(h2,h3){margin:0 0 4px;font:600 24px/1.14 ${SERIF};letter-spacing:-.01em;text-wrap:balance}
.ticket:hover :is(h2,h3){text-decoration:underline;text-decoration-thickness:2px;text-underline-offset:3px}
.lead{display:block;font:italic 16px/1.36 ${SERIF};color:${c.text}}
.facts{display:block;margin-top:8px;font-size:14px;color:${c.ink2}}
.figures{display:flex;flex-wrap:wrap;justify-content:space-between;gap:4px 16px;margin:0 18px;padding:10px 0;border-top:1px dashed ${c.tear}}
.figures b{font:600 22px/1.2 ${SERIF}}
.figures small{font-size:14px;color:${c.ink2}}
.issue{padding:0 18px 20px;font-size:13.5px;color:${c.ink2}}
.none{font:italic 19px ${SERIF}}
footer{padding-block:34px 40px;font-size:14px;color:${c.ink2}}
footer p{max-width:70ch;margin:0 0 6px}
footer a{display:inline-flex;align-items:center;min-height:44px;margin-right:14px}
.told{max-width:640px;margin:0 auto;padding:12vh 20px}
.told p{font:400 18px/1.5 ${SERIF}}
@media print{body{background:#fff}.orders,footer a{display:none}.ticket{break-inside:avoid;filter:none}}
`;
}
