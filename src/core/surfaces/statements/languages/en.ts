import type { LanguageWords } from './language-words.ts';

export const en: LanguageWords = {
  delivery: /deliver|\bship(?:s|ped|ping|ment|ments)?\b|postage|\bparcels?\b|\bp&p\b|\bfreight\b|\bcourier\b/u,
  free: /(?:no|without|zero) (?:delivery|shipping|postage) (?:charges?|costs?|fees?)|we pay (?:the |for )?(?:postage|delivery|shipping)|complimentary|nothing\b|never pay|\bon us\b|we cover/u,
  elsewhere: /\breturns?\b|\brefund|\bgift cards?\b|\bvouchers?\b|\d ?% off|\bsave \d|\boff your\b|\bdiscount/u,
  from: /\b(?:from|over|above|exceeding|beyond|at least|minimum(?: of| order| spend)?|min\.|spend(?:ing)?|reach(?:es|ing)?|worth|more than|orders? of|baskets? of|when you spend)\b/gu,
  orMore: /^\s*(?:\+|or (?:more|above|over)|and (?:up|over|above|more)|upwards|plus\b)/u,
  below: /\b(?:under|below|up to|less than|beneath)\b/gu,
  orLess: /^\s*(?:or less|and below|and under)/u,
  costs: /\b(?:costs?|charge[ds]?|fee|is|are|for|pay|ask|at|flat|just|only|price)\b|[:–—-]\s*$/gu,
  instead: /\b(?:instead of|rather than|was|were|formerly)\b/u,
  otherwise: /\b(?:otherwise|all others?|everything else|else)\b/u,
  to: /\b(?:to|and)\b|[-–—~]/u,
  perKilo: /(?:per|a|each|every|\/) ?(?:kg|kilo(?:gram)?s?)\b/u,
  until: /\b(?:until|till|through|by|ends?|before)\b/u,
};
