import type { LanguageWords } from './language-words.ts';

export const da: LanguageWords = {
  delivery: /lever|fragt|forsend|porto|pakke|(?<!\p{L})send(?:er|e)?(?!\p{L})|udbring/u,
  free: /(?:ingen|uden|aldrig) (?:leverings?omkostninger|fragt|porto|forsendelse)|uden beregning|portofri|(?<!\p{L})ingenting(?!\p{L})|ikke noget|med i prisen|på vores regning|vi betaler (?:fragten|leveringen)|(?<!\p{L})fri(?!\p{L})/u,
  elsewhere: /retur|gavekort|rabat|tilgodebevis/u,
  from: /(?:(?<!\p{L})fra(?: og med)?|(?<!\p{L})over|mindst|mindstekøb|minimum|mere end|handler for|køb(?:er)? for|bestil for|når)(?!\p{L})/gu,
  orMore: /^\s*(?:eller (?:mere|derover)|og derover|\+)/u,
  below: /(?:(?<!\p{L})under|op til|mindre end)(?!\p{L})/gu,
  orLess: /^\s*eller mindre/u,
  costs:
    /(?:(?<!\p{L})koster(?: levering(?:en)?)?|(?<!\p{L})tager(?: vi)?|(?<!\p{L})beregner(?: vi)?|(?<!\p{L})betaler(?: du)?|(?<!\p{L})for|(?<!\p{L})er|pris|emballage|levering|fragt)(?!\p{L})|[:–—-]\s*$/gu,
  instead: /(?<!\p{L})(?:i stedet for|før|mod)(?!\p{L})/u,
  otherwise: /(?<!\p{L})(?:ellers|andre|derunder)(?!\p{L})/u,
  to: /(?<!\p{L})(?:til|og|eller)(?!\p{L})|[-–—~]/u,
  perKilo: /(?:pr\.?|per|hvert|\/) ?(?:kg|kilo(?:gram)?)(?!\p{L})/u,
  until: /(?<!\p{L})(?:til(?: og med)?|indtil|gælder til)(?!\p{L})/u,
};
