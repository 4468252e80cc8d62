// Puts the element on the page with a cart for each state, part, language, size and look.
const { src, key } = document.body.dataset;
const places = { NL: '1799 ZA', DE: '19999', GB: 'ZZ1 1ZZ', DK: '9990', CH: '8999', US: '99501', JP: '100-0001' };
const cart = (country, lines, more = {}) => ({
  lines: Object.entries(lines).map(([product, quantity]) => ({ product, quantity })),
  destination: { country, postcode: places[country] ?? '' },
  ...more,
});

function show(into, caption, { cart: asked, language = 'en-GB', place = 'cart', parts = 'text bar', look = '' }) {
  const figure = document.createElement('figure');
  const said = document.createElement('figcaption');
  said.textContent = caption;
  const offer = document.createElement('summant-offer');
  for (const [name, value] of Object.entries({ src, 'shop-key': key, language, place, show: parts }))
    offer.setAttribute(name, value);
  offer.className = look;
  offer.cart = asked;
  figure.append(said, offer);
  document.getElementById(into).append(figure);
  return figure;
}

const everything = 'text bar options why closing';
for (const [caption, lines, more] of [
  ['invite: nothing in the cart', {}],
  ['progress', { 'tidewing-16': 1 }],
  ['nearly', { 'night-heron': 1 }],
  ['reached', { 'petrel-stunt': 1 }],
  ['onward: one step taken, the next ahead', { 'night-heron': 1 }, { country: 'DE', language: 'de-DE' }],
  ['a gift card does not count', { 'gift-card-25': 1, 'line-25': 1 }],
  ['delivered nowhere', { 'tidewing-16': 1 }, { country: 'CA' }],
])
  show('states', caption, {
    cart: cart(more?.country ?? 'NL', lines),
    language: more?.language ?? 'nl-NL',
    parts: everything,
  });
for (const parts of ['text', 'bar', 'text bar', 'options', 'text why', 'closing', everything])
  show('parts', parts, { cart: cart('GB', { 'tidewing-16': 1 }), parts });
for (const [language, country] of [
  ['en-GB', 'GB'],
  ['nl-NL', 'NL'],
  ['fr-BE', 'NL'],
  ['de-DE', 'DE'],
  ['de-CH', 'CH'],
  ['da-DK', 'DK'],
  ['ja-JP', 'JP'],
  ['ar-DE', 'DE'],
])
  show('languages', language, { cart: cart(country, { 'tidewing-16': 1 }), language, parts: everything });
for (const width of ['w1', 'w2', 'w3']) {
  show('sizes', 'strip', {
    cart: cart('NL', { 'tidewing-16': 1 }),
    language: 'nl-NL',
    place: 'strip',
    parts: 'text',
  }).className = width;
  show('sizes', 'cart', { cart: cart('NL', { 'tidewing-16': 1 }), language: 'nl-NL', parts: everything }).className =
    width;
}
for (const look of ['look1', 'look2', 'look3'])
  show('looks', look, {
    cart: cart('NL', { 'petrel-stunt': 1 }),
    language: 'nl-NL',
    look,
    ...(look === 'look2' ? { place: 'strip', parts: 'text' } : { parts: everything }),
  });
