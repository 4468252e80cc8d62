import type { LanguageWords } from './language-words.ts';

export const de: LanguageWords = {
  delivery: /liefer(?!ant)|versand|versend|zustell|(?<!\p{L})porto|paket|fracht|frei haus|zusend/u,
  free: /(?:keine|ohne|niemals) (?:versand|liefer|porto)(?:kosten)?|entfallen|übernehmen wir|schenken wir|wir schenken|keinen versand|auf uns(?!\p{L})|auf unsere kosten|versandkostenfrei|frei haus|(?<!\p{L})nichts(?!\p{L})|ist der versand frei/u,
  elsewhere: /rücksend|retoure|rückgabe|gutschein|rabatt|nachlass|geschenkkarte/u,
  from: /(?:(?<!\p{L})ab(?: einem (?:bestellwert|einkauf|warenwert)(?: von)?)?|(?<!\p{L})über|(?<!\p{L})oberhalb(?: von)?|mindestens|mindestbestellwert|bestellwert(?: von)?|warenwert(?: von)?|mehr als|bestellung)(?!\p{L})/gu,
  orMore: /^\s*(?:oder (?:mehr|darüber)|und mehr|\+|erreicht)/u,
  below: /(?:(?<!\p{L})unter|(?<!\p{L})bis|(?<!\p{L})weniger als|unterhalb(?: von)?)(?!\p{L})/gu,
  orLess: /^\s*oder weniger/u,
  costs:
    /(?:(?<!\p{L})kostet|(?<!\p{L})kosten|kosten|kostenpauschale|(?<!\p{L})berechnen(?: wir)?|(?<!\p{L})betragen|(?<!\p{L})zahlen(?: sie)?|(?<!\p{L})für|(?<!\p{L})ist|kommt .*auf|(?<!\p{L})verpackung|(?<!\p{L})versand)(?!\p{L})|[:–—-]\s*$/gu,
  instead: /(?<!\p{L})(?:statt|anstatt|anstelle von|bisher)(?!\p{L})/u,
  otherwise: /(?<!\p{L})(?:sonst|andere|ansonsten|darunter)(?!\p{L})/u,
  to: /(?<!\p{L})(?:bis|und|oder)(?!\p{L})|[-–—~]/u,
  perKilo: /(?:pro|je|jedes|\/) ?(?:kg|kilo(?:gramm)?)(?!\p{L})/u,
  until: /(?<!\p{L})(?:bis(?: zum)?|gültig)(?!\p{L})/u,
};
