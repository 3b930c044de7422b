import { INK } from '@portiona/core';

const SANS = '"Hanken Grotesk",system-ui,sans-serif';
const SERIF = 'Literata,Georgia,serif';

/** Style rules of a reader's page: a phone first, wider where there is room; in print the sheet of the card. */
export function readerStyle(): string {
  const c = INK;
  return `
*{box-sizing:border-box}
html{-webkit-text-size-adjust:100%}
body{margin:0;background:#fff;color:${c.ink};font:400 17px/1.45 ${SANS};font-variant-numeric:tabular-nums lining-nums;padding-bottom:110px;overflow-wrap:anywhere}
button,input,select{font:inherit;color:inherit}
button{cursor:pointer}
:focus-visible{outline:3px solid ${c.damson};outline-offset:2px}
[hidden]{display:none!important}
.top{display:flex;align-items:center;justify-content:space-between;gap:12px;min-height:48px;padding:0 18px;font:600 16px ${SERIF}}
.top button{font:400 14px ${SANS};color:${c.ink2};background:none;border:0;min-height:44px;padding:0 4px}
#awake[aria-pressed=true]::before{content:"● ";color:#2c6b4b}
.dish{display:block;width:100%;background:${c.cloth}}
.dish svg,.dish img{display:block;width:100%;max-height:420px;object-fit:cover}
main{max-width:760px;margin:0 auto;padding:14px 18px 0}
.series{color:${c.damson};font-weight:600;font-size:14px;margin:0}
h1{font:600 30px/1.12 ${SERIF};letter-spacing:-.014em;margin:4px 0 6px;text-wrap:balance}
.lead{font:italic 17px/1.4 ${SERIF};color:${c.text};margin:0 0 12px}
.facts{display:flex;flex-wrap:wrap;gap:6px 22px;border-block:1px solid ${c.rule};padding:9px 0;margin:0 0 14px;font-size:14px;line-height:1.3;color:${c.ink2}}
.facts b{display:block;font:600 18px/1.25 ${SERIF};color:${c.ink}}
.sizes{display:flex;flex-wrap:wrap;gap:10px}
.stepper{flex:1 1 200px;display:grid;grid-template-columns:48px 1fr 48px;align-items:center;text-align:center;border:1px solid ${c.steel};border-radius:8px;min-height:50px}
.stepper button{height:48px;border:0;background:none;font-size:24px;color:${c.damson}}
.stepper button:disabled{color:${c.steel};cursor:default}
.stepper output{font:600 19px ${SERIF}}
.units{flex:1 0 auto;display:flex;border:1px solid ${c.steel};border-radius:8px;overflow:hidden}
.units button{flex:1;white-space:nowrap;min-height:48px;padding:0 12px;border:0;background:none;color:${c.ink2};font-size:15px}
.units button+button{border-left:1px solid ${c.rule}}
.units [aria-pressed=true]{background:${c.damsonSoft};color:${c.damson};font-weight:600}
.note{font-size:14.5px;color:${c.ink2};margin:8px 0 0;min-height:1.4em}
.pack summary{font-size:14.5px;color:${c.damson};font-weight:600;padding:12px 0;cursor:pointer}
.pack form{display:flex;flex-wrap:wrap;gap:8px;align-items:center}
.pack input,.pack select,.pack button{min-height:48px;border:1px solid ${c.steel};border-radius:8px;background:#fff;padding:0 12px;max-width:100%}
.pack input{width:110px}
h2{font:600 16px ${SANS};color:${c.damson};margin:20px 0 2px}
ul,ol{list-style:none;margin:0;padding:0}
.lines label{display:grid;grid-template-columns:26px minmax(66px,auto) 1fr;gap:10px;align-items:center;min-height:48px;border-top:1px solid ${c.rule};padding:5px 0;font:400 17px/1.32 ${SERIF};cursor:pointer}
.lines li:first-child label{border-top:0}
.lines b{text-align:right;font-weight:600}
.lines small{font:400 14px ${SANS};color:${c.ink2}}
input[type=checkbox]{width:24px;height:24px;margin:0;accent-color:#2c6b4b}
.lines input:checked~span,.steps input:checked~div{color:${c.ink3};text-decoration:line-through;text-decoration-color:${c.steel}}
.steps li{display:grid;grid-template-columns:26px 30px 1fr;gap:8px;border-top:1px solid ${c.rule};padding:11px 0;font:400 18px/1.5 ${SERIF}}
.steps li:first-child{border-top:0}
.steps input{margin-top:2px}
.steps .n{font:600 24px/1.1 ${SERIF};color:${c.damson}}
.steps b{font-weight:600}
.steps i{font-style:normal;color:${c.damson}}
.steps .way{display:block;margin-top:4px}
.time{border:1px solid ${c.damsonLine};border-radius:6px;background:${c.damsonSoft};color:${c.damson};padding:1px 8px;min-height:28px;font:600 16px ${SANS};white-space:nowrap}
.plain-amount,#times{display:block;font:400 14px/1.35 ${SANS};color:#7a5103}
#notes li{border-left:3px solid #9a6400;padding:4px 10px;margin:8px 0;font-size:15px}
.keep dt{font-weight:600;margin-top:6px}.keep dd{margin:0}
.correction{border-left:3px solid ${c.damson};padding:4px 12px;margin:18px 0 0;color:${c.damson};font-weight:600;font-size:15px}
.small{font-size:14px;line-height:1.4;color:${c.ink2};margin:18px 0 0}
.does{display:flex;gap:10px;margin:16px 0 0}
.does button{min-height:48px;padding:0 16px;border:1px solid ${c.steel};border-radius:8px;background:#fff}
#timers{position:fixed;inset:auto 0 84px;display:flex;gap:8px;overflow-x:auto;padding:8px 18px;z-index:2}
.timer{display:flex;gap:12px;align-items:baseline;min-height:48px;padding:8px 14px;border:1px solid ${c.damson};border-radius:8px;background:#fff;box-shadow:0 4px 14px #2a1a2a30;white-space:nowrap}
.timer b{font:600 22px ${SERIF}}
.timer.over{background:#fbf0d9;border-color:#9a6400;color:#5f3f03}
.foot{position:fixed;inset:auto 0 0;z-index:1;filter:drop-shadow(0 -2px 6px #2a1a2a30)}
.foot button{display:flex;width:100%;align-items:flex-end;justify-content:space-between;gap:8px;border:0;text-align:left;background:${c.ticket};padding:15px max(18px,calc(50vw - 362px)) 14px;--t:5px;-webkit-mask:radial-gradient(circle at 50% 0,#0000 var(--t),#000 calc(var(--t) + .5px)) 0 0/13.9px 100%;mask:radial-gradient(circle at 50% 0,#0000 var(--t),#000 calc(var(--t) + .5px)) 0 0/13.9px 100%}
.foot span{font-size:13.5px;line-height:1.25;color:${c.ink2}}
.foot b{display:block;font:600 22px/1.2 ${SERIF};color:${c.ink};white-space:nowrap}
.foot em{font-style:normal;color:${c.damson};font-size:22px;line-height:1}
dialog{position:fixed;inset:auto 0 0;width:100%;max-width:560px;max-height:86vh;margin:0 auto;border:0;padding:16px 18px 24px;background:${c.ticket};color:${c.ink};overflow:auto}
dialog::backdrop{background:#1b171d73}
.docket-head{display:flex;justify-content:space-between;align-items:center;font-weight:600;color:${c.ink2}}
.docket-head button{border:0;background:none;color:${c.damson};font-weight:600;min-height:44px}
.large{font:600 52px/1.1 ${SERIF};margin:0}
.large small{font:400 17px ${SANS};color:${c.ink2}}
.split{table-layout:fixed;border-collapse:separate;border-spacing:2px 0;margin:8px -2px;width:calc(100% + 4px)}
.row i{display:block}
.protein{background:repeating-linear-gradient(135deg,${c.protein} 0 3px,${c.proteinLight} 3px 5px)}
.carbohydrate{background:radial-gradient(circle,${c.carbohydrateDot} .9px,transparent 1.2px) 0 0/5px 5px,${c.carbohydrate}}
.fat{background:${c.fat}}
.fibre{background:repeating-linear-gradient(45deg,#0000 0 3px,#fff6 3px 4px),repeating-linear-gradient(135deg,#0000 0 3px,#fff6 3px 4px),${c.fibre}}
.row{display:flex;justify-content:space-between;align-items:baseline;gap:10px;border-top:1px solid ${c.ticketRule};padding:7px 0}
.row span{display:flex;gap:9px;align-items:center}
.row i{width:14px;height:14px;flex:none}
.row b{font:600 20px/1.2 ${SERIF};text-align:right}
.row small{font:400 14px ${SANS};color:${c.ink2}}
.row.within{border-top:0;padding-top:0;color:${c.ink2};font-size:15px}.row.within span{padding-left:23px}.row.within b{font:500 16px ${SANS}}
.tear{border:0;border-top:2px dashed ${c.tear};margin:10px -18px 6px}
dialog h3{font:600 15px ${SANS};color:${c.damson};margin:8px 0 0}
table{border-collapse:collapse;width:100%;font-size:14px;margin:6px 0}
th,td{text-align:right;padding:4px 0;border-top:1px solid ${c.ticketRule};font-weight:400}
th:first-child,td:first-child{text-align:left}
thead th{color:${c.ink2};border-top:0}
.split td{height:13px;padding:0;border:0}
.said-only{position:absolute;left:-9999px}
.top a,.links a{color:inherit}
.links{display:flex;flex-wrap:wrap;gap:4px 18px;font-size:15px;color:${c.damson};margin:16px 0 0}
.links a{display:inline-flex;align-items:center;min-height:44px}
.printed{display:none}
@media (min-width:860px){.parts{display:grid;grid-template-columns:5fr 7fr;gap:0 40px}main{max-width:1040px}h1{font-size:40px}.foot button{padding-inline:max(18px,calc(50vw - 502px))}}
@media (prefers-reduced-motion:no-preference){html{scroll-behavior:smooth}}
@media print{body{padding:0}.links,.foot,#timers,.does,.sizes,.pack,.top button,input[type=checkbox]{display:none!important}
body.as-printed>:not(.printed){display:none!important}body.as-printed .printed{display:block}.printed svg{display:block;width:100%;break-after:page}
dialog{display:block;position:static;max-height:none;break-inside:avoid}dialog .docket-head button{display:none}}
`;
}
