/** Text in small letters without accents, as names are compared: “Côte d’Ivoire” → “cote d’ivoire”. */
export const unaccented = (text: string): string => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();
