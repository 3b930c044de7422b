/** What a row of a receipt is that is no price of goods. */
export type PassedKind = 'total' | 'payment' | 'tax' | 'deposit' | 'voucher' | 'return' | 'discount' | 'fee' | 'formula' | 'none';

/** Words at a row's beginning, without accents, in the languages of tills; the first that fits decides. */
const KINDS: readonly (readonly [PassedKind, RegExp])[] = [
  ['deposit', /^\W*(?:deposit|pfand|leergut|einweg|mehrweg|statiegeld|consigne|deposito envase|envase|vuoto|bottle return|pant)\b/i],
  [
    'return',
    /^\W*(?:return(?:ed)?|refund(?:ed)?|retoure|ruckgabe|storno|erstattung|retour|remboursement|devolucion|reso|rimborso|void)\b(?! bottle)/i,
  ],
  [
    'tax',
    /^\W*(?:(?:incl\.? |inkl\.? |zzgl\.? )?(?:vat|tax|sales tax|mwst|ust|tva|iva|btw|moms|gst|hst|pst)\b|[a-d] (?:\d{1,2}[.,]?\d? ?%|\d{1,2},\d% netto)|netto\b|brutto\b|steuer)/i,
  ],
  [
    'total',
    /^\W*(?:sub ?-?totaa?l|total(?:e|en|s)?|totaal|sum|summe|zwischensumme|gesamt(?:betrag|summe)?|balance|amount due|to pay|zu zahlen|a payer|te betalen|a pagar|items? sold|number of items|anzahl artikel|rounding|rundung)\b/i,
  ],
  [
    'payment',
    /^\W*(?:cash|card|change|bar|geg\.?|gegeben|ruckgeld|wechselgeld|visa|master ?card|maestro|debit|credit|girocard|ec[- ]?(?:karte|cash)|karte|kartenzahlung|cb|carte|carte bancaire|especes|rendu|tarjeta|efectivo|cambio|pagamento|contanti|resto|pinnen|pin|contant|wisselgeld|paid|payment|tend(?:er)?|contactless)\b/i,
  ],
  [
    'voucher',
    /^\W*(?:voucher|gift ?card|coupon|gutschein|bon de reduction|bon d achat|cupon|buono|tegoedbon|waardebon|treuepunkte|bonuspunkte|punkte|points|loyalty|reward)/i,
  ],
  [
    'fee',
    /^\W*(?:delivery|shipping|postage|handling|service (?:fee|charge)|tip|versand|lieferung|liefergebuhr|livraison|envio|gastos de envio|spedizione|bezorg(?:ing|kosten)|verzend|carrier bag|bag for life|bag|tragetasche|tute|sac|bolsa|shopper|busta|tas|draagtas)\b/i,
  ],
];
const DISCOUNT =
  /discount|offer|promo|deal|saving|save\b|\boff\b|multibuy|coupon|rabatt|aktion|angebot|nachlass|preisvorteil|remise|reduction|descuento|dto\b|sconto|korting|bonus|rabais/i;
/** Discounts of the whole receipt by their words. */
const OF_ALL =
  /\b(?:staff|member(?:ship)?|employee|student|senior|loyalty|card|club|mitarbeiter|personal|kunden|socio|soci|fidelity|fidelite|carte|total|receipt|order|basket|gesamt|einkauf)\b/i;

/** What a row's words say it is; undefined for goods. */
export function rowKind(plain: string): PassedKind | undefined {
  return KINDS.find(([, words]) => words.test(plain))?.[0];
}

export function isDiscount(plain: string): boolean {
  return DISCOUNT.test(plain);
}

/** Whether a discount is of all that was bought. */
export function isOfAll(plain: string): boolean {
  return OF_ALL.test(plain);
}

/** Words of a discount that may name what it is off. */
export function namedByDiscount(plain: string): string[] {
  return plain
    .toLowerCase()
    .replace(new RegExp(DISCOUNT.source, 'gi'), ' ')
    .split(/[^\p{L}]+/u)
    .filter((word) => word.length > 2);
}
