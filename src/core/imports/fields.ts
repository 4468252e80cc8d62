/** What a column of an export can stand for. `needed`: without it nothing can be imported. */
export interface ImportField {
  id: string;
  label: string;
  needed?: boolean;
  /** of a line, in files with a row for each line of an order */
  ofLine?: true;
  /** words that headings use for it, in the languages of European shops; compared without case, accents and marks */
  words: readonly string[];
}

export const orderFields = [
  { id: 'number', label: 'order number', needed: true, words: ['order number', 'order no', 'order nr', 'order id', 'order', 'ordernummer', 'bestelnummer', 'bestellnummer', 'numero de commande', 'commande', 'ordre nr', 'ordrenummer', 'numero', 'nummer', 'name', 'number', 'id', 'reference'] },
  { id: 'placedAt', label: 'date', needed: true, words: ['order date', 'date', 'placed', 'placed at', 'created', 'created at', 'ordered at', 'datum', 'besteldatum', 'bestelldatum', 'date de commande', 'dato', 'timestamp', 'time'] },
  { id: 'goods', label: 'goods value', words: ['goods value', 'goods', 'subtotal', 'sub total', 'order value', 'value', 'merchandise', 'subtotaal', 'warenwert', 'zwischensumme', 'sous total', 'varer', 'orderwaarde', 'bestellwert', 'net sales', 'amount', 'total', 'order total', 'totaal', 'gesamt', 'summe', 'bedrag', 'betrag', 'montant', 'belob'] },
  { id: 'country', label: 'country', words: ['country', 'country code', 'delivery country', 'ship to country', 'destination country', 'shipping country', 'land', 'lieferland', 'pays', 'landcode'] },
  { id: 'market', label: 'market', words: ['market', 'shop', 'store', 'storefront', 'channel', 'markt', 'markt land'] },
  { id: 'currency', label: 'currency', words: ['currency', 'currency code', 'valuta', 'wahrung', 'waehrung', 'devise', 'munt'] },
  { id: 'discount', label: 'discount', words: ['discount', 'discounts', 'discount amount', 'korting', 'rabatt', 'remise', 'rabat'] },
  { id: 'tax', label: 'tax', words: ['tax', 'taxes', 'vat', 'tax amount', 'btw', 'mwst', 'ust', 'tva', 'moms'] },
  { id: 'delivery', label: 'delivery charged', words: ['delivery', 'delivery charged', 'delivery charge', 'delivery cost', 'shipping', 'shipping cost', 'shipping charge', 'shipping amount', 'postage', 'verzendkosten', 'bezorgkosten', 'versand', 'versandkosten', 'frais de livraison', 'livraison', 'fragt', 'levering'] },
  { id: 'option', label: 'delivery option', words: ['delivery option', 'delivery method', 'shipping method', 'shipping option', 'method', 'verzendwijze', 'bezorgwijze', 'versandart', 'mode de livraison', 'leveringsmade'] },
  { id: 'items', label: 'items', words: ['items', 'item count', 'pieces', 'number of items', 'total quantity', 'artikelen', 'artikel', 'stuks', 'anzahl artikel', 'articles', 'varer antal'] },
  { id: 'weight', label: 'weight', words: ['weight', 'total weight', 'weight g', 'weight kg', 'weight grams', 'gewicht', 'gewicht kg', 'gewicht g', 'poids', 'vaegt'] },
  { id: 'postcode', label: 'postcode', words: ['postcode', 'postal code', 'zip', 'zip code', 'delivery postcode', 'shipping postcode', 'shipping zip', 'plz', 'postleitzahl', 'code postal', 'postnummer', 'postnr'] },
  { id: 'region', label: 'region', words: ['region', 'state', 'province', 'county', 'canton', 'kanton', 'bundesland', 'provincie', 'regio'] },
  { id: 'customer', label: 'customer', words: ['customer', 'customer id', 'customer number', 'customer key', 'customer email', 'email', 'e mail', 'klant', 'klantnummer', 'kunde', 'kundennummer', 'client', 'user id'] },
  { id: 'shopper', label: 'new or returning', words: ['new or returning', 'returning', 'new', 'new customer', 'returning customer', 'customer type', 'first order', 'neukunde', 'nieuwe klant', 'nouveau client', 'stammkunde'] },
  { id: 'code', label: 'code', words: ['code', 'codes', 'coupon', 'coupon code', 'discount code', 'voucher', 'voucher code', 'kortingscode', 'gutschein', 'gutscheincode', 'code promo'] },
  { id: 'product', label: 'product (SKU)', ofLine: true, words: ['sku', 'product', 'product sku', 'item sku', 'line sku', 'product code', 'item', 'article number', 'article no', 'article nr', 'art no', 'item no', 'product no', 'product number', 'part number', 'artikelnummer', 'art nr', 'lineitem sku', 'reference article'] },
  { id: 'quantity', label: 'quantity', ofLine: true, words: ['quantity', 'qty', 'line quantity', 'item quantity', 'aantal', 'menge', 'anzahl', 'quantite', 'antal'] },
  { id: 'lineValue', label: 'value of the line', ofLine: true, words: ['line value', 'line total', 'line amount', 'item total', 'row total', 'regeltotaal', 'positionswert', 'zeilensumme', 'total ligne'] },
] as const satisfies readonly ImportField[];

export type OrderField = (typeof orderFields)[number]['id'];

export const productFields = [
  { id: 'sku', label: 'SKU', needed: true, words: ['sku', 'article number', 'artikelnummer', 'art nr', 'article no', 'article nr', 'art no', 'item no', 'item nr', 'product no', 'product number', 'part number', 'part no', 'product code', 'item number', 'reference', 'code'] },
  { id: 'name', label: 'name', needed: true, words: ['name', 'title', 'product', 'product name', 'naam', 'bezeichnung', 'titel', 'nom', 'navn', 'description'] },
  { id: 'weight', label: 'weight', words: ['weight', 'weight g', 'weight kg', 'weight grams', 'gewicht', 'gewicht g', 'gewicht kg', 'poids', 'vaegt'] },
  { id: 'length', label: 'length', words: ['length', 'length mm', 'length cm', 'lengte', 'lange', 'laenge', 'longueur', 'laengde'] },
  { id: 'width', label: 'width', words: ['width', 'width mm', 'width cm', 'breedte', 'breite', 'largeur', 'bredde'] },
  { id: 'height', label: 'height', words: ['height', 'height mm', 'height cm', 'hoogte', 'hohe', 'hoehe', 'hauteur', 'hojde'] },
  { id: 'category', label: 'category', words: ['category', 'categories', 'categorie', 'kategorie', 'kategorien', 'kategori', 'type', 'product type'] },
  { id: 'tags', label: 'tags', words: ['tags', 'tag', 'labels', 'stichworte', 'etiquettes'] },
  { id: 'taxClass', label: 'tax class', words: ['tax class', 'vat class', 'btw klasse', 'steuerklasse', 'classe de taxe', 'momsklasse'] },
  { id: 'needsDelivery', label: 'needs delivery', words: ['needs delivery', 'requires delivery', 'requires shipping', 'physical', 'versandpflichtig', 'fysiek'] },
  { id: 'countsTowardGoals', label: 'counts toward goals', words: ['counts', 'counts toward goals', 'counts towards goals', 'telt mee', 'zahlt mit'] },
  { id: 'shipsFree', label: 'ships free', words: ['ships free', 'free delivery', 'free shipping', 'gratis verzending', 'versandkostenfrei'] },
] as const satisfies readonly ImportField[];

/** A price column is named for its currency: `price:EUR`. */
export type ProductField = (typeof productFields)[number]['id'] | `price:${string}`;

export type ImportKind = 'orders' | 'products';
