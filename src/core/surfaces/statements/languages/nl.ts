import type { LanguageWords } from './language-words.ts';

export const nl: LanguageWords = {
  delivery: /bezorg|verzend|(?<!\p{L})lever(?!tijd)|aflever|porto|pakket|vracht|thuiskom|komt .*thuis/u,
  free: /(?:geen|zonder|nooit|vrij van) (?:bezorg|verzend|lever)(?:ing)?s?kosten|(?<!\p{L})niets(?!\p{L})|wij betalen de|portvrij|voor onze rekening|op onze kosten/u,
  elsewhere: /retour|terugstur|cadeau(?:bon|kaart)|korting|tegoedbon/u,
  from: /(?:(?<!\p{L})vanaf|(?<!\p{L})boven(?: de)?|(?<!\p{L})minimaal|(?<!\p{L})minimum|minimale besteding|ten minste|(?<!\p{L})minstens|(?<!\p{L})meer dan|bested(?:ing van|ing)?|(?<!\p{L})besteed|bestelling(?:en)? van|orders van|(?<!\p{L})bij)(?!\p{L})/gu,
  orMore: /^\s*(?:of (?:meer|hoger)|en (?:meer|hoger)|\+)/u,
  below: /(?:(?<!\p{L})onder(?: de)?|(?<!\p{L})tot|(?<!\p{L})minder dan|(?<!\p{L})beneden)(?!\p{L})/gu,
  orLess: /^\s*of minder/u,
  costs:
    /(?:(?<!\p{L})kost|(?<!\p{L})kosten|kosten|(?<!\p{L})rekenen(?: we| wij)?|(?<!\p{L})berekenen(?: we| wij)?|(?<!\p{L})bedragen|(?<!\p{L})betaalt u|(?<!\p{L})betaal je|(?<!\p{L})voor|(?<!\p{L})is|altijd)(?!\p{L})|[:–—-]\s*$/gu,
  instead: /(?<!\p{L})(?:in plaats van|i\.p\.v\.|was|voorheen)(?!\p{L})/u,
  otherwise: /(?<!\p{L})(?:anders|andere|overige|daaronder)(?!\p{L})/u,
  to: /(?<!\p{L})(?:tot|en|à|a)(?!\p{L})|[-–—~]/u,
  perKilo: /(?:per|elke?|\/) ?(?:kg|kilo(?:gram)?)(?!\p{L})/u,
  until: /(?<!\p{L})(?:tot(?: en met)?|t\/m|geldig)(?!\p{L})/u,
};
