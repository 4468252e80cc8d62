import type { LanguageWords } from './language-words.ts';

export const fr: LanguageWords = {
  delivery:
    /livr(?:ai|e|é|o)|expédi|(?<!\p{L})envois?\b|d'envoi|(?<!\p{L})port(?!\p{L})|(?<!\p{L})colis(?!\p{L})|(?<!\p{L})fret(?!\p{L})|achemin/u,
  free: /(?:sans|aucuns?|pas de|jamais de) frais de (?:port|livraison)|pour nous(?!\p{L})|(?<!\p{L})rien(?!\p{L})|franco|à notre charge/u,
  elsewhere: /(?<!\p{L})retours?\b|renvoi|cartes? cadeaux?|remise|réduction|\d ?% |bon d'achat/u,
  from: /(?:(?<!\p{L})dès|à partir de|au-delà de|au-dessus de|(?<!\p{L})plus de|supérieures? à|minimum (?:de|d'achat)|(?<!\p{L})au moins|commande[sz]? (?:pour|de)|panier atteint|atteint)(?!\p{L})/gu,
  orMore: /^\s*(?:ou plus|et plus|(?:d'achats? )?ou davantage|\+)/u,
  below: /(?:en dessous de|en-dessous de|(?<!\p{L})moins de|jusqu'à|inférieures? à)(?!\p{L})/gu,
  orLess: /^\s*ou moins/u,
  costs:
    /(?:(?<!\p{L})coûte(?:nt)?|(?<!\p{L})s'élèvent à|(?<!\p{L})facturons|(?<!\p{L})comptez|(?<!\p{L})comptons|(?<!\p{L})payez|(?<!\p{L})pour|(?<!\p{L})forfait livraison|(?<!\p{L})est à|(?<!\p{L})à|(?<!\p{L})de|livraison|(?<!\p{L})port|revient à|sinon)(?!\p{L})|[:–—-]\s*$/gu,
  instead: /(?<!\p{L})(?:au lieu de|avant)(?!\p{L})/u,
  otherwise: /(?:(?<!\p{L})sinon|les autres|(?<!\p{L})autrement)(?!\p{L})/u,
  to: /(?<!\p{L})(?:à|et|ou)(?!\p{L})|[-–—~]/u,
  perKilo: /(?:par|le|chaque|\/) ?(?:kg|kilo(?:gramme)?)(?!\p{L})/u,
  until: /jusqu'(?:au|à)|valables? |avant le/u,
};
