interface StandInPage {
  type: 'text/html' | 'text/plain';
  content: string;
}

const html = (language: string, title: string, body: string, head = ''): StandInPage => ({
  type: 'text/html',
  content: `<!doctype html>
<html lang="${language}">
<head><meta charset="utf-8"><title>${title}</title>${head}</head>
<body>
<main>
${body}
</main>
</body>
</html>
`,
});

/** Pages of the demo’s shop and of others that write of it, all made up. Three of them state what is not so any more. */
export const standInPages: Readonly<Record<string, StandInPage>> = {
  'banner-nl.html': html(
    'nl',
    'Vliegerwinkel',
    '<p>Gratis bezorging vanaf € 65,-</p>\n<h1>Vliegers voor elke wind</h1>\n<p>De Tidewing 16 is er weer, voor € 89.</p>',
  ),
  'delivery-nl.html': html(
    'nl',
    'Bezorging',
    `<h1>Bezorging</h1>
<p>Wij bezorgen in Nederland en België. Bezorging aan huis kost € 6,95, en € 5,95 bij een bestelling vanaf € 40.</p>
<p>Afhalen bij een pakketpunt? De bezorging kost dan € 4,50.</p>
<p>Vanaf € 75 is de bezorging gratis.</p>
<p>Retourneren kost € 4,95.</p>`,
  ),
  'landing-de.html': html(
    'de',
    'Drachen für den Herbst',
    '<h1>Drachen für den Herbst</h1>\n<p>Lenkdrachen ab 49 €, mit Leinen und Tasche.</p>\n<p>Kostenlose Lieferung in den Paketshop ab 59 €.</p>',
  ),
  'product-uk.html': html(
    'en',
    'Tidewing 16',
    '<h1>Tidewing 16</h1>\n<p>A kite for steady wind, £79.00.</p>',
    `<script type="application/ld+json">
{
  "@context": "https://schema.org",
  "@type": "Product",
  "name": "Tidewing 16",
  "offers": {
    "@type": "Offer",
    "price": 79.00,
    "priceCurrency": "GBP",
    "shippingDetails": {
      "@type": "OfferShippingDetails",
      "shippingDestination": { "@type": "DefinedRegion", "addressCountry": "GB" },
      "shippingRate": {
        "@type": "ShippingRateSettings",
        "shippingRate": { "@type": "MonetaryAmount", "value": 4.95, "currency": "GBP" },
        "freeShippingThreshold": { "@type": "MonetaryAmount", "value": 60.00, "currency": "GBP" }
      }
    }
  }
}
</script>`,
  ),
  'banner-da.html': html('da', 'Drager', '<p>Gratis levering fra 549 kr.</p>\n<h1>Drager til al slags vind</h1>'),
  'landing-us.html': html(
    'en',
    'Kites for the coast',
    '<h1>Kites for the coast</h1>\n<p>Free delivery on orders over $95.</p>\n<p>Sail repair kits from $12.</p>',
  ),
  'delivery-ja.html': html(
    'ja',
    '送料について',
    '<h1>送料について</h1>\n<p>12,000円以上お買い上げで送料無料です。</p>\n<p>カイトは8,900円からご用意しています。</p>',
  ),
};

/** A mail that no address leads to: what is pasted of it. */
export const pastedMail =
  'Merci de votre visite.\nLivraison gratuite à partir de 75 €, en Belgique et aux Pays-Bas.\nÀ bientôt !';
